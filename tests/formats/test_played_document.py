"""Putts of a log as lines: what the model answers, and what it refuses."""

import json

import pytest
from click.testing import CliRunner

from orthocline.cli.main import main
from orthocline.core.account import GOLFERS
from orthocline.formats.played_document import parse_played
from tests.putts import DATA

LINE = json.loads((DATA / "reference-misses.json").read_text())[0]["line"]
LOG = json.loads((DATA / "reference-habits.json").read_text())[0]["lines"]
STEEP = {"kind": "plane", "tilt_percent": 15.0, "downhill_deg": 180.0}


def run(command, *options, lines):
    text = "".join((one if isinstance(one, str) else json.dumps(one)) + "\n" for one in lines)
    return CliRunner().invoke(main, [command, *options, "-"], input=text)


def test_a_line_says_what_was_asked_meant_and_seen():
    more = {"seen": {"start": "on", "passed": "right"}, "method": "fingers", "at": "2026-06-01T09:12Z"}
    played = parse_played(json.dumps(LINE | more).encode())
    assert played.golfer == GOLFERS["tournament"]
    assert (played.finish.along_m, played.finish.across_m) == (0.058, 0.167)
    assert played.aim_right_m == -0.1384
    assert (played.seen.started_right, played.seen.passed_right) == (0, 1)
    assert played.uncertainty.side == 0.004
    corrected = parse_played(json.dumps(LINE | {"corrected_by": 1.5}).encode())
    assert (corrected.aim_right_m, corrected.own_read_m) == (pytest.approx(1.5 * -0.1384), -0.1384)
    holed = parse_played(json.dumps({"putt": LINE["putt"], "holed": True, "device": True}).encode())
    assert holed.holed
    assert holed.by_device
    assert holed.meant == holed.read.aim.launch


def test_each_line_is_answered_with_a_line():
    answers = [
        json.loads(one)
        for one in run("diagnose", "--json", "--lines", lines=[LINE, LINE]).output.splitlines()
    ]
    assert answers[0] == answers[1]
    shares = answers[0]["drops_if"]
    assert list(shares) == ["read", "line", "pace", "read_line", "read_pace", "line_pace"]
    assert all(0.0 <= one <= 1.0 for one in shares.values())
    assert answers[0]["cause"] == "several"
    assert answers[0]["together"] == "read_line"


@pytest.mark.parametrize(
    ("line", "member", "message"),
    [
        ("{", "", "not valid JSON"),
        ('{"holed": true, "holed": false}', "/holed", "stands twice"),
        ({"holed": True}, "/putt", "is missing"),
        ({"putt": LINE["putt"]}, "/finish", "is missing"),
        (LINE | {"holed": True}, "/holed", "has no finish"),
        (LINE | {"finish": {"along_m": 0.1}}, "/finish_right_m", "is missing"),
        (LINE | {"finish": {"along_m": 99, "right_m": 0}}, "/finish_along_m", "at most 30"),
        (LINE | {"aim_right_m": "far"}, "/aim_right_m", "number"),
        (LINE | {"wind": 3}, "/wind", "no column"),
        (LINE | {"putt": LINE["putt"] | {"green_speed_ft": 99}}, "/putt/green_speed_ft", "at most 20"),
        (
            LINE | {"putt": LINE["putt"] | {"surface": STEEP}, "finish": {"along_m": -1.0, "right_m": 0.0}},
            "/finish",
            "no ball",
        ),
    ],
)
def test_a_line_at_fault_is_answered_with_its_fault_and_the_others_are_answered(line, member, message):
    found = run("diagnose", "--json", "--lines", lines=[line, LINE])
    first, second = (json.loads(one) for one in found.output.splitlines())
    assert found.exit_code == 2
    assert first["error"]["member"] == member
    assert message in first["error"]["message"]
    assert "drops_if" in second


def test_one_putt_is_judged_in_words_and_as_json():
    words = run("diagnose", lines=[LINE]).output
    assert words.startswith("More than one: most likely the read and the start line together.")
    told = json.loads(run("diagnose", "--json", lines=[{"putt": LINE["putt"], "holed": True}]).output)
    assert (told["cause"], told["saved_by"]) == ("unclear", None)
    refused = run("diagnose", lines=[LINE | {"finish": {"along_m": 0.1}}])
    assert refused.exit_code == 2
    assert "/finish_right_m" in refused.stderr
    assert run("diagnose", "--lines", lines=[LINE]).exit_code == 2


def test_a_log_is_answered_with_one_document():
    told = json.loads(run("habits", "--json", lines=LOG).output)
    assert told["putts"] == 60
    assert told["usual"] is False
    for name in ("read_factor", "read_factor_falling_left", "start_line_sd_deg", "energy_bias_percent"):
        least, most = told[name]["range"]
        assert least < told[name]["value"] < most
    said = run("habits", lines=LOG).output
    assert said.startswith("60 putts; the figures of the stroke are the golfer's own.")
    assert "own aim over the true aim: 0.7" in said


@pytest.mark.parametrize("log", [LOG[:3], [{"putt": one["putt"], "holed": True} for one in LOG]])
def test_three_putts_and_putts_all_holed_are_answered_with_wide_ranges_or_the_usual(log):
    told = json.loads(run("habits", "--json", lines=log).output)
    assert told["usual"] is (len(log) < 30)
    spread = told["start_line_sd_deg"]["range"]
    assert spread[1] > 1.3 * spread[0]
    assert told["read_sd_percent"]["range"][1] > 2.0 * told["read_sd_percent"]["range"][0]


def test_a_log_at_fault_is_refused_with_its_line():
    found = run("habits", "--json", lines=[LOG[0], {"holed": True}])
    assert found.exit_code == 2
    assert "/putt: line 2: is missing" in found.stderr
    assert run("habits", "--json", lines=[]).exit_code == 2


def test_a_device_and_a_ground_with_a_hole_are_said():
    device = run("diagnose", lines=[LINE | {"device": True}]).output
    assert device.startswith("A device rolled it")
    heights = [[0.0, 0.0, None], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]]
    grid = {"kind": "grid", "origin_m": [-1.0, -1.0], "step_m": 3.0, "heights_m": heights}
    found = run("diagnose", "--json", "--lines", lines=[LINE | {"putt": LINE["putt"] | {"surface": grid}}])
    assert found.exit_code == 2
    assert json.loads(found.output)["error"]["member"].startswith("/putt/surface")

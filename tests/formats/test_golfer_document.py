"""A golfer in the putt document, and what the read says of how often and how firm."""

import json
import math

import pytest
from click.testing import CliRunner

from orthocline.cli.main import main
from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.holing import outlook_of
from orthocline.core.roll import read
from orthocline.formats.putt_document import DocumentError, document_of, parse_question
from tests.formats.test_putt_document import changed
from tests.holing import SPECIMENS
from tests.putts import plane_putt

OWN = {"start_line_deg": 1.0, "energy_percent": 8, "read_percent": 30, "ground_deg": 0.3}
MEMBERS = ("holed_share", "three_putt_share", "expected_putts", "best_past_m", "best_expected_putts")


def answered(document):
    done = CliRunner().invoke(main, ["read", "--json", "-"], input=document)
    assert done.exit_code == 0, done.stderr
    return json.loads(done.stdout)


@pytest.mark.parametrize("level", GOLFERS)
def test_a_golfer_is_named_by_level(level):
    assert parse_question(changed(golfer=level)).golfer == GOLFERS[level]


def test_a_golfer_is_said_by_spreads():
    found = parse_question(changed(golfer=OWN)).golfer
    usual = GOLFERS["tournament"]
    for name in ("start_line_rad", "energy", "read", "ground_rad"):
        assert getattr(found, name) == pytest.approx(getattr(usual, name))
    without = {name: figure for name, figure in OWN.items() if name != "ground_deg"}
    assert parse_question(changed(golfer=without)).golfer.ground_rad == pytest.approx(math.radians(0.3))
    assert parse_question(changed()).golfer is None


@pytest.mark.parametrize(
    ("golfer", "member"),
    [
        ("professional", "/golfer"),
        (None, "/golfer"),
        (True, "/golfer"),
        ({**OWN, "energy_percent": 51}, "/golfer/energy_percent"),
        ({**OWN, "start_line_deg": -0.1}, "/golfer/start_line_deg"),
        ({**OWN, "read_percent": "30"}, "/golfer/read_percent"),
        ({**OWN, "bias_deg": 1}, "/golfer/bias_deg"),
        ({"energy_percent": 8}, "/golfer/start_line_deg"),
    ],
)
def test_a_golfer_that_cannot_be_read_is_refused_by_name(golfer, member):
    with pytest.raises(DocumentError) as caught:
        parse_question(changed(golfer=golfer))
    assert caught.value.member == member


def test_the_read_says_how_often_and_how_firm():
    putt = plane_putt(10, side_right=-0.02)
    expected = outlook_of(putt, read(putt).aim, GOLFERS["middle"], USUAL_PASTS)
    found = answered(json.dumps({**document_of(putt), "golfer": "middle"}))
    assert [found[name] for name in MEMBERS] == pytest.approx(
        [
            expected.chances.holed,
            expected.chances.three_putts,
            expected.chances.putts,
            expected.advice.best_m,
            expected.advice.best_putts,
        ]
    )
    assert not set(MEMBERS) & set(answered(json.dumps(document_of(putt))))


def test_what_is_unsure_is_left_aside():
    within = {"side_percent": 1.0}
    once, again = (answered(changed(golfer="low", **more)) for more in ({}, {"within": within}))
    assert [once[name] for name in MEMBERS] == [again[name] for name in MEMBERS]
    assert "aim_range_right_m" in again


def test_ground_that_holds_no_ball_has_no_best():
    steep = {"kind": "plane", "tilt_percent": 10.0, "downhill_deg": 0.0}
    found = answered(changed(golfer="low", surface=steep, pace={"speed_at_hole_mps": 0.5}))
    assert (found["best_past_m"], found["best_expected_putts"]) == (None, None)
    assert found["expected_putts"] == pytest.approx(1 + 2 * (1 - found["holed_share"]))


@pytest.mark.parametrize("level", ["tournament", "middle"])
@pytest.mark.parametrize("number", range(5))
def test_best_paces_are_those_of_a_separate_program(number, level):
    putt, *expected = SPECIMENS[number]
    first, last, putts = expected[level == "middle"]
    found = answered(json.dumps({**document_of(putt), "golfer": level}))
    # There the next putt is the mean over all directions, here it is played from where the miss stops.
    assert found["best_expected_putts"] == pytest.approx(putts, abs=0.035)
    assert first - 5.5 <= found["best_past_m"] / 0.0254 <= last + 5.5


def test_it_is_said_to_people_too():
    said = CliRunner().invoke(main, ["read", "-"], input=changed(golfer="tournament")).stdout
    assert "Roll it " in said
    assert " putts, 0.01 more than the best." in said
    assert "drop" not in CliRunner().invoke(main, ["read", "-"], input=changed()).stdout.splitlines()[-1]

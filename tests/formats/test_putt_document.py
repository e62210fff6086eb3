"""The putt document: what goes in, what is refused, and the command that reads it."""

import io
import json
import math
import re
from pathlib import Path
from xml.etree import ElementTree

import jsonschema
import pytest
from click.testing import CliRunner

from orthocline.cli.main import main
from orthocline.core.roll import Grain
from orthocline.core.sure import Uncertainty
from orthocline.formats.json_lines import bounded_lines
from orthocline.formats.putt_document import (
    LARGEST_LINE,
    DocumentError,
    document_of,
    parse_question,
    putt_of,
    schema,
)
from tests.putts import FORMULAS, REFERENCES, grid_document, plane_putt

ROOT = Path(__file__).parents[2]
DOCUMENT = {
    "version": 1,
    "surface": {"kind": "plane", "tilt_percent": 2.0, "downhill_deg": -90.0},
    "ball_m": [0, 0],
    "hole_m": [3.048, 0],
    "green_speed_ft": 10.0,
    "pace": {"past_m": 0.3048},
}
GRAIN = {"strength": 0.1, "toward_deg": 120.0}
READING = {"at": 0.5, "side_percent": 1.0, "grade_percent": 0.0}
FLAT = {"kind": "grid", "origin_m": [-1, -2], "spacing_m": 2.0, "heights_m": [[0.0] * 4] * 4}


def changed(**members):
    return json.dumps({**DOCUMENT, **members})


BAD = [
    (changed(green_speed_ft=True), "/green_speed_ft"),
    (changed(green_speed_ft="10"), "/green_speed_ft"),
    (changed(green_speed_ft=1e9), "/green_speed_ft"),
    (changed(ball_m=[0]), "/ball_m"),
    (changed(hole_m=[0, 0]), "/hole_m"),
    (changed(hole_m=[3, "x"]), "/hole_m/1"),
    (changed(pace={}), "/pace"),
    (changed(pace={"past_m": -1}), "/pace/past_m"),
    (changed(pace={"past_m": 1, "speed_at_hole_mps": 1}), "/pace"),
    (changed(pace={"firm": 1}), "/pace/firm"),
    (changed(surface={"kind": "plane", "tilt_percent": 26, "downhill_deg": 0}), "/surface/tilt_percent"),
    (changed(surface={"kind": "plane", "tilt_percent": 2}), "/surface/downhill_deg"),
    (changed(surface={"kind": "stations", "readings": []}), "/surface/readings"),
    (changed(surface={"kind": "stations", "readings": [READING, READING]}), "/surface/readings"),
    (changed(surface={"kind": "stations", "readings": [{**READING, "at": 3}]}), "/surface/readings/0/at"),
    (changed(surface={"kind": "stations", "readings": [{"at": 0}]}), "/surface/readings/0/side_percent"),
    (changed(surface={"kind": "bowl"}), "/surface/kind"),
    (changed(surface={"tilt_percent": 2}), "/surface/kind"),
    (changed(surface={**FLAT, "spacing_m": 0}), "/surface/spacing_m"),
    (changed(surface={**FLAT, "heights_m": [[0, 0, 0, 0]] * 3}), "/surface/heights_m"),
    (changed(surface={**FLAT, "heights_m": [[0, 0, 0, 0]] * 3 + [[0, 0, 0]]}), "/surface/heights_m"),
    (changed(surface={**FLAT, "origin_m": [1, 0]}), "/ball_m"),
    (changed(surface=FLAT, hole_m=[40, 0]), "/hole_m"),
    (changed(surface={**FLAT, "heights_m": [[0, 9, 0, 9]] * 4}), "/surface"),
    (changed(surface=None), "/surface"),
    (changed(grain={**GRAIN, "kind": "bent"}), "/grain/kind"),
    (changed(wind={"speed_mps": 30, "toward_deg": 0}), "/wind/speed_mps"),
    (changed(version=2), "/version"),
    (changed(version=True), "/version"),
    (changed(grain=None), "/grain"),
    (changed(grain={**GRAIN, "since": 0.97}), "/grain/since"),
    (changed(within=None), "/within"),
    (changed(within={"side_percent": -0.1}), "/within/side_percent"),
    (changed(within={"length_percent": 51}), "/within/length_percent"),
    (changed(within={"green_speed_ft": True}), "/within/green_speed_ft"),
    (changed(within={"tilt_percent": 1}), "/within/tilt_percent"),
    (changed(green_speed_ft=10**400), "/green_speed_ft"),
    (changed().replace("10.0", "1e999"), "/green_speed_ft"),
    (changed(**{"a/b": 1}), "/a~1b"),
    ('{"pace": {"past_m": 1, "past_m": 2}}', "/pace/past_m"),
    ('{"green_speed_ft": NaN}', ""),
    ("{", ""),
    ("[1]", ""),
    ("", ""),
    ("[" * 5000, ""),
    ("9" * 70000, ""),
]


@pytest.mark.parametrize(("text", "member"), BAD)
def test_what_cannot_be_read_is_named(text, member):
    with pytest.raises(DocumentError) as caught:
        parse_question(text)
    assert caught.value.member == member
    assert "\n" not in caught.value.line


def test_how_sure_the_figures_are_goes_round():
    within = {"length_percent": 4.0, "side_percent": 0.8, "grade_percent": 0.6, "green_speed_ft": 0.5}
    asked = parse_question(changed(within=within))
    assert asked.uncertainty == Uncertainty(0.02, 0.004, 0.003, 0.25)
    assert document_of(asked.putt, asked.uncertainty)["within"] == pytest.approx(within)
    assert "within" not in document_of(asked.putt)
    reading = {"at": 0.5, "side_percent": 1.0, "grade_percent": 0.0, "within_percent": 0.6}
    stations = parse_question(changed(surface={"kind": "stations", "readings": [reading]})).putt
    assert stations.surface.readings[0].sd == pytest.approx(0.003)
    assert document_of(stations)["surface"]["readings"] == [pytest.approx(reading)]


def test_a_document_goes_round():
    text = changed(grain=GRAIN, wind={"speed_mps": 5, "toward_deg": 45})
    putt = parse_question(text).putt
    assert putt.grain.toward_rad == pytest.approx(math.radians(120))
    again = parse_question(json.dumps(document_of(putt))).putt
    assert vars(again) == pytest.approx(vars(putt))
    assert "grain" not in document_of(plane_putt(10))
    late = plane_putt(10, grain=Grain(0.1, 1.0, 0.7))
    assert vars(putt_of(document_of(late)).grain) == pytest.approx(vars(late.grain))


def test_published_schema_is_the_one_in_force():
    jsonschema.Draft202012Validator.check_schema(schema())
    validator = jsonschema.Draft202012Validator(schema())
    assert validator.is_valid(DOCUMENT)
    assert not validator.is_valid({**DOCUMENT, "x": 1})
    assert json.loads((ROOT / "docs/putt-document-1.schema.json").read_text()) == schema()


def run(*args, text=""):
    return CliRunner().invoke(main, ["read", *args], input=text)


def test_a_hole_that_no_ball_reaches_is_one_line_and_the_lines_after_it_go_on(monkeypatch):
    for module in ("aim", "lines"):
        monkeypatch.setattr(f"orthocline.core.roll.{module}.lines_at", lambda *_: [])
    windy = changed(wind={"speed_mps": 3.0, "toward_deg": 10.0})
    done = run("-", text=windy)
    assert (done.exit_code, done.stdout) == (2, "")
    assert done.stderr == "/surface: no ball, however firm, reaches the hole on this ground\n"
    first, second = map(
        json.loads, run("--json", "--lines", "-", text=f"{windy}\n{changed()}").stdout.splitlines()
    )
    assert first["error"]["member"] == "/surface"
    assert "aim_right_m" in second


def test_command_prints_the_call_for_people():
    done = run("-", text=json.dumps(DOCUMENT))
    assert done.exit_code == 0
    assert done.output.startswith("Aim 12 in left of centre. Roll it one foot past.")


def test_command_draws_the_plan_into_a_file(tmp_path):
    file = tmp_path / "putt.svg"
    done = run("-", "--drawing", str(file), text=json.dumps(DOCUMENT))
    assert ElementTree.parse(file).getroot().get("aria-label") == done.output.splitlines()[0]


def test_command_prints_the_example_of_the_document():
    done = run("--json", "-", text=json.dumps(DOCUMENT))
    answer = json.loads(done.output)
    expected = {
        "aim_right_m": -0.3045,
        "launch_angle_right_deg": -5.706,
        "launch_speed_mps": 1.9145,
        "speed_at_hole_mps": 0.5528,
        "time_to_hole_s": 2.497,
        "entry_angle_right_deg": 12.617,
        "apex_right_m": -0.1013,
        "apex_fraction": 0.589,
        "past_m": 0.3048,
    }
    for name, value in expected.items():
        assert answer[name] == pytest.approx(value, abs=6e-4), name
    assert answer["asked_pace_met"] is True
    assert answer["warnings"] == []
    assert len(answer["path"]) == 101
    assert answer["make_window"]["launch_speed_mps"]["least"] < answer["launch_speed_mps"]


def test_example_with_grain():
    answer = json.loads(run("--json", "-", text=changed(grain=GRAIN)).output)
    found = [answer[n] for n in ("aim_right_m", "launch_speed_mps", "speed_at_hole_mps")]
    assert found == pytest.approx([-0.18749, 1.96447, 0.58196], abs=1e-5)


class Watched(io.BytesIO):
    """A stream that knows how much was asked of it at once."""

    most = 0

    def readline(self, most=-1):
        assert most > 0
        self.most = max(self.most, most)
        return super().readline(most)


def test_lines_are_read_within_bounds_however_long():
    """Megabytes without an end are one answer, and what follows is answered too."""
    good = json.dumps(DOCUMENT).encode()
    stream = Watched(b"x" * 4_000_000 + b"\n" + good + b"\n" + b"y" * (LARGEST_LINE + 1))
    assert [fault(line) for line in bounded_lines(stream)] == [
        "longer than 1024 kB",
        "",
        "longer than 1024 kB",
    ]
    assert stream.most == LARGEST_LINE + 1


def fault(line):
    try:
        parse_question(line, LARGEST_LINE)
    except DocumentError as error:
        return str(error)
    return ""


def test_lines_answer_every_reference_in_order_and_go_on_after_a_bad_one():
    documents = [grid_document(e) if e in FORMULAS else e["putt"] for e in REFERENCES]
    lines = [json.dumps(document) for document in documents]
    lines.insert(3, "")
    done = run("--json", "--lines", "-", text="\n".join(lines))
    answers = [json.loads(line) for line in done.output.splitlines()]
    assert done.exit_code == 2
    assert set(answers.pop(3)["error"]) == {"member", "message"}
    within = {"plane": 0.1, "stations": 0.3, "grid": 0.5}
    for entry, document, answer in zip(REFERENCES, documents, answers, strict=True):
        off_mm = 1000 * abs(answer["aim_right_m"] - entry["expect"]["aim_right_m"])
        assert off_mm < within[document["surface"]["kind"]], entry["about"]


def test_a_bad_document_is_one_line_and_status_2():
    done = run("--json", "-", text=changed(extra=1))
    assert done.exit_code == 2
    assert done.stderr == "/extra: unknown member\n"
    assert run("no-such-file.json").exit_code == 2


def test_too_steep_is_an_answer():
    steep = {"kind": "plane", "tilt_percent": 9.0, "downhill_deg": 40.0}
    done = run("--json", "-", text=changed(surface=steep))
    answer = json.loads(done.output)
    assert done.exit_code == 0
    assert answer["past_m"] is None
    assert answer["asked_pace_met"] is False
    assert answer["warnings"][0]["code"] == "slope_does_not_hold"


def test_the_documents_own_example_is_read_and_its_members_are_there():
    page = (ROOT / "docs/putt-document.md").read_text()
    example = re.search(r"```json\n(.*?)```", page, re.DOTALL)[1]
    answer = json.loads(run("--json", "-", text=example).output)
    named = set(re.findall(r"^\| (`[^|]+) \|", page, re.MULTILINE))
    members = {name for cell in named for name in re.findall(r"`(\w+)`", cell)}
    assert members == set(answer)


WITHIN = {"length_percent": 4, "side_percent": 1.5, "green_speed_ft": 0.5}


def test_a_putt_with_its_uncertainty_is_answered_with_ranges_and_what_to_measure_next():
    solved = json.loads(run("--json", "-", text=changed(within=WITHIN)).stdout)
    least, most = solved["aim_range_right_m"]
    assert least < solved["aim_right_m"] < most
    slow, fast = solved["launch_speed_range_mps"]
    assert slow < solved["launch_speed_mps"] < fast
    first, *others = solved["measure_next"]
    assert (first["by"], first["reads"]) == ("level", "side")
    assert first["along_m"] == pytest.approx(0.5 * 3.048)
    left = first["aim_range_right_m"]
    assert left[1] - left[0] == pytest.approx((1 - first["narrower_percent"] / 100) * (most - least))
    assert [one["narrower_percent"] for one in others] == sorted(
        (one["narrower_percent"] for one in others), reverse=True
    )
    typed = json.loads(run("--json", "-", text=changed()).stdout)
    assert not {"aim_range_right_m", "launch_speed_range_mps", "measure_next"} & set(typed)


def test_stations_that_say_how_sure_they_are_have_a_range():
    reading = {"at": 0.5, "side_percent": 1.0, "grade_percent": 0.0}
    surface = {"kind": "stations", "readings": [reading]}
    assert "aim_range_right_m" not in json.loads(run("--json", "-", text=changed(surface=surface)).stdout)
    surface = {"kind": "stations", "readings": [reading | {"within_percent": 0.6}]}
    solved = json.loads(run("--json", "-", text=changed(surface=surface)).stdout)
    assert solved["aim_range_right_m"][1] - solved["aim_range_right_m"][0] > 0.05
    assert solved["measure_next"][0]["by"] == "level"


def test_the_range_is_said_to_people_too():
    said = run("-", text=changed(within=WITHIN)).stdout
    assert re.search(r"^Between .* and .* in (right|left)\.$", said, re.MULTILINE)
    assert "A level across the line half-way would" in said


SLOPED = {"at_m": [1.0, 0.5], "slope_percent": 1.2, "toward_deg": 90.0, "within_percent": 0.6}
FALLEN = {"at_m": [2.0, -0.5], "downhill_deg": -80.0, "within_deg": 20.0}
HIGH = {"at_m": [0.0, 0.0], "height_m": 0.0, "within_m": 0.01}


def surveyed(*readings):
    return changed(surface={"kind": "survey", "readings": list(readings)})


def test_a_survey_is_read_with_its_range_and_goes_round():
    answer = json.loads(run("--json", "-", text=surveyed(SLOPED, FALLEN, HIGH)).output)
    least, most = answer["aim_range_right_m"]
    assert least < answer["aim_right_m"] < most
    putt = parse_question(surveyed(SLOPED, FALLEN, HIGH)).putt
    again = putt_of(document_of(putt))
    for one, other in zip(putt.surface.readings, again.surface.readings, strict=True):
        assert type(one) is type(other)
        assert one.at_m == other.at_m
        figures = [[said for said in vars(each).values() if isinstance(said, float)] for each in (one, other)]
        assert figures[0] == pytest.approx(figures[1])
    jsonschema.validate(document_of(putt), schema())


@pytest.mark.parametrize(
    ("reading", "member"),
    [
        ({**SLOPED, "height_m": 1.0}, "/surface/readings/0"),
        ({"at_m": [1.0, 0.5], "slope_percent": 1.2, "within_percent": 0.6}, "/surface/readings/0"),
        ({"at_m": [1.0, 0.5]}, "/surface/readings/0"),
        ({**FALLEN, "within_deg": 0.0}, "/surface/readings/0/within_deg"),
        ({**HIGH, "within_m": True}, "/surface/readings/0/within_m"),
        ({**SLOPED, "slope_percent": 30.0}, "/surface/readings/0/slope_percent"),
        ({**SLOPED, "at_m": [1.0]}, "/surface/readings/0/at_m"),
        ({**SLOPED, "by": "level"}, "/surface/readings/0/by"),
        ({**SLOPED, "at_m": [500.0, 0.0]}, "/surface/readings/0/at_m"),
    ],
)
def test_a_reading_of_a_survey_that_cannot_be_taken_is_named(reading, member):
    with pytest.raises(DocumentError) as told:
        parse_question(surveyed(reading))
    assert told.value.member == member


def test_a_survey_of_readings_that_repeat_each_other_is_fitted():
    twice = [{**HIGH, "within_m": 1e-9}] * 3 + [{**SLOPED, "within_percent": 1e-9}] * 3 + [SLOPED] * 6
    answer = json.loads(run("--json", "-", text=surveyed(*twice)).output)
    assert math.isfinite(answer["aim_right_m"])


def test_a_survey_may_be_too_long():
    with pytest.raises(DocumentError, match="2000"):
        parse_question(surveyed(*[SLOPED] * 2001))

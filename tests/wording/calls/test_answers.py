"""Each call turned back: its rendered words and the putt as asked, and the launch is there again."""

import itertools
import json
import math

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, Answer, Gauge, GolferFigures, Term, mood_m, place_m
from orthocline.core.roll import WIDEST_AIM_RAD, PuttError, RollPast, read
from orthocline.core.units import INCH_M
from orthocline.formats.putt_document import putt_of
from orthocline.wording.calls import call_lines
from orthocline.wording.calls.answers import Writing, answer_side, answer_text, parse_answer
from orthocline.wording.quantities import QuantityError
from orthocline.wording.typed import exact
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import DATA, REFERENCES, grid_document, named, plane_putt

METRIC = Wording(Units(metric=True, degrees=True))
OWN_HAND = GolferFigures(gauge=Gauge((0.018, 0.019, 0.017, 0.014, 0.021), 0.66, 0.44, 10.2), eye_m=1.5)
SURVEYED = json.loads((DATA / "reference-survey.json").read_text())
PUTTS = {
    **{
        name: grid_document(entry) if entry["putt"]["surface"]["kind"] == "formula" else entry["putt"]
        for name, entry in zip(named(REFERENCES), REFERENCES, strict=True)
    },
    **{f"surveyed-{i}": case["putt"] for i, case in enumerate(SURVEYED)},
}
OWN_AIM = ("plumb_line", "fall_line_dial")
"""Calls whose own aim is not the read's: that is what their words give back."""
INVERTIBLE = [name for name, school in SCHOOLS.items() if school.launch and name != "instinct"]
ANGLE, SPEED = 2e-5, 2e-5
"""How closely a launch is found again from figures that are not rounded [rad, m/s]."""


def half_step(term, figure, wording):
    """Return half the stated rounding of a figure: of quarter inches, from a yard on of quarter feet."""
    inch, foot = (0.01, 0.1) if wording.units.metric else (0.25 * INCH_M, 3.0 * INCH_M)
    if term in (Term.HOUR, Term.FINGERS):
        return 0.125
    if term is Term.AHEAD:
        return 0.5 * (0.01 if wording.units.metric else 1.2 * INCH_M)
    near = abs(figure) < (0.995 if wording.units.metric else 36.0 * INCH_M)
    least = 0.5 * INCH_M if term is Term.BEYOND else 0.125 * INCH_M
    return max(0.5 * (inch if near else foot), least)


def apart(one, other):
    return abs(one.right_rad - other.right_rad), abs(one.speed_mps - other.speed_mps)


def meant(school, putt, figures, golfer):
    launch = school.launch(putt, figures, golfer)
    assert launch is not None, (school.name, figures)
    return launch


def round_trip(name, solved, golfer, wording):
    """Check one call: exact figures give the launch, and rendered words as nearly as they are rounded."""
    school, putt = SCHOOLS[name], solved.putt
    value = school.value(solved, golfer)
    figures = school.figures(solved, value) if value is not None else None
    target = school.played(solved, golfer, value) if name in OWN_AIM else solved.aim.launch
    lines = {line.school: line for line in call_lines(solved, wording, golfer)}
    if figures is None or target is None or name not in lines:
        return False
    off_rad, off_mps = apart(meant(school, putt, figures, golfer), target)
    assert off_rad < ANGLE, name
    assert off_mps < SPEED, name
    typed = parse_answer(name, lines[name].figures, 1.0, wording)
    halves = [half_step(*one, wording) for one in zip(school.terms, figures, strict=True)]
    for figure, said, half in zip(figures, typed, halves, strict=True):
        off = abs(math.remainder(figure - said, 12.0)) if half == 0.125 else abs(figure - said)
        assert off <= half + 1e-9, (name, lines[name].figures)
    ways = itertools.product(
        *((figure - half, figure + half) for figure, half in zip(figures, halves, strict=True))
    )
    corners = [launch for way in ways if (launch := school.launch(putt, way, golfer))]
    spread = [max(apart(corner, target)[i] for corner in corners) for i in (0, 1)]
    off = apart(meant(school, putt, typed, golfer), target)
    assert off[0] <= spread[0] + ANGLE
    assert off[1] <= spread[1] + SPEED
    return True


@pytest.mark.parametrize("name", PUTTS)
def test_words_and_the_putt_as_asked_give_the_launch_again(name):
    solved = read(putt_of(PUTTS[name]))
    if solved.aim_right_m is None or abs(solved.launch_right_rad) > 0.9 * WIDEST_AIM_RAD:
        assert not [
            line for line in call_lines(solved, USUAL_WORDING, USUAL_GOLFER) if line.school == "aim_spot"
        ]
        return
    found = [name for name in INVERTIBLE if round_trip(name, solved, OWN_HAND, METRIC)]
    for name in {*found} - {"cup_entry"}:  # an hour is said alike to every golfer
        round_trip(name, solved, USUAL_GOLFER, USUAL_WORDING)
    assert {"aim_spot", "curve_gate", "level_twin", "hand_gauge", "start_spot", "stroke"} <= set(found)


@pytest.mark.parametrize("name", PUTTS)
def test_words_without_numbers_mean_an_aim_and_a_pace_of_their_step(name):
    putt = putt_of(PUTTS[name])
    school, solved = SCHOOLS["instinct"], read(putt)
    line = next(
        (one for one in call_lines(solved, USUAL_WORDING, USUAL_GOLFER) if one.school == "instinct"), None
    )
    if line is None:
        assert solved.aim_right_m is None
        return
    place, mood = parse_answer("instinct", line.figures, 1.0, USUAL_WORDING)
    near, far = place_m(int(place))
    assert near <= abs(solved.aim_right_m) <= max(far, abs(solved.aim_right_m) * (abs(place) == 6))
    launch = meant(school, putt, (place, mood), USUAL_GOLFER)
    aim = putt.length_m * math.tan(launch.right_rad)
    assert near <= abs(aim) <= far or place == 0.0
    if isinstance(putt.pace, RollPast) and solved.aim.pace_met:
        assert mood == 3 or mood_m(int(mood))[0] <= putt.pace.past_m <= mood_m(int(mood))[1]


@pytest.mark.parametrize(
    ("name", "text", "figures"),
    [
        ("aim_spot", "9 in left", (-9.0 * INCH_M,)),
        ("aim_spot", "9 in left of centre", (-9.0 * INCH_M,)),
        ("aim_spot", "the centre", (0.0,)),
        ("aim_spot", "right edge", (2.125 * INCH_M,)),
        ("aim_spot", "inside the left edge", (-0.5 * 2.125 * INCH_M,)),
        ("aim_spot", "a ball outside the right edge", ((2.125 + 1.68) * INCH_M,)),
        ("aim_spot", "a cup and a half left", (-6.375 * INCH_M,)),
        ("aim_spot", "2½ cups", (10.625 * INCH_M,)),
        ("aim_spot", "4 in outside the left", (-6.125 * INCH_M,)),
        ("aim_spot", "10 to 14 in left", (-12.0 * INCH_M, 2.0 * INCH_M)),
        ("aim_spot", "3 in left to 5 in right", (1.0 * INCH_M, 4.0 * INCH_M)),
        ("cup_entry", "half past four", (4.5,)),
        ("cup_entry", "quarter to six", (5.75,)),
        ("cup_entry", "4:40", (4.0 + 2.0 / 3.0,)),
        ("cup_entry", "5 o'clock", (5.0,)),
        ("fall_line_dial", "4:30, 12 in", (4.5, 12.0 * INCH_M)),
        ("hand_gauge", "2½ fingers left", (-2.5,)),
        ("hand_gauge", "three fingers", (3.0,)),
        ("level_twin", "2 ft short, 6 in left", (-24.0 * INCH_M, -6.0 * INCH_M)),
        ("pace_target", "at the hole", (0.0,)),
        ("instinct", "just outside the left, firm", (-3.0, 3.0)),
        ("start_spot", "2 ft ahead, ½ in right", (24.0 * INCH_M, 0.5 * INCH_M)),
    ],
)
def test_what_golfers_say_is_understood(name, text, figures):
    assert parse_answer(name, text, 1.0, USUAL_WORDING) == pytest.approx(figures, abs=1e-4)


@pytest.mark.parametrize(
    ("name", "text"),
    [
        ("aim_spot", ""),
        ("aim_spot", "nine miles left"),
        ("aim_spot", "200 ft left"),
        ("aim_spot", "9 in left, 3"),
        ("aim_spot", "left" * 40),
        ("cup_entry", "13"),
        ("cup_entry", "half past tea"),
        ("fall_line_dial", "4:30"),
        ("hand_gauge", "90 fingers"),
        ("pace_target", "2 ft"),
        ("instinct", "over there, dying"),
        ("instinct", "the centre, hard"),
        ("stroke", "-3 in"),
    ],
)
def test_what_cannot_be_understood_is_said(name, text):
    with pytest.raises(QuantityError):
        parse_answer(name, text, 1.0, USUAL_WORDING)


@pytest.mark.parametrize("name", [*INVERTIBLE, "instinct"])
@pytest.mark.parametrize("side", [-0.02, 0.02])
def test_an_answer_is_written_so_that_it_reads_as_it_was(name, side):
    school, solved = SCHOOLS[name], read(plane_putt(14, side_right=side, grade=-0.01))
    answer = Answer(name, school.figures(solved, school.value(solved, USUAL_GOLFER)))
    text = answer_text(answer, Writing(exact, "in", USUAL_WORDING))
    right = -1.0 if answer_side(answer) == "left" else 1.0
    assert parse_answer(name, text, right, USUAL_WORDING) == pytest.approx(answer.figures, abs=1e-8)


def test_other_words_mean_another_launch():
    """A gate, an apex, an hour or a finger more is more to that side, and a firmer word is faster."""
    putt = plane_putt(14, side_right=-0.02)
    solved = read(putt)
    for name, more in (
        ("curve_gate", 0.02),
        ("apex", 0.02),
        ("cup_entry", -0.2),
        ("hand_gauge", 0.5),
        ("plumb_line", 0.1),
    ):
        school = SCHOOLS[name]
        (own,) = school.figures(solved, school.value(solved, USUAL_GOLFER))
        launches = [meant(school, putt, (own + step,), USUAL_GOLFER) for step in (0.0, more)]
        assert launches[1].right_rad > launches[0].right_rad + 0.002, name
        assert launches[1].speed_mps == launches[0].speed_mps
    for name, more in (("pace_target", 0.5), ("beat_mark", 0.1), ("stroke", 0.05)):
        school = SCHOOLS[name]
        (own,) = school.figures(solved, school.value(solved, USUAL_GOLFER))
        launches = [meant(school, putt, (own + step,), USUAL_GOLFER) for step in (0.0, more)]
        assert launches[1].speed_mps > launches[0].speed_mps + 0.02, name
    with pytest.raises(PuttError):
        read(plane_putt(14, side_right=-0.4))


def test_what_no_launch_can_mean_is_none():
    putt = plane_putt(14, side_right=-0.02)
    for name, figures in (
        ("curve_gate", (20.0,)),
        ("cup_entry", (12.0,)),
        ("fall_line_dial", (4.0, 25.0)),
        ("beat_mark", (30.0,)),
        ("start_spot", (0.5, 0.6)),
        ("level_twin", (-putt.length_m, 0.1)),
    ):
        assert SCHOOLS[name].launch(putt, figures, USUAL_GOLFER) is None, name

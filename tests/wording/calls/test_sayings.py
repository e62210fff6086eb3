"""Each school's sentence, in the golfer's units, on putts to either side."""

import math

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, GolferFigures, StartAid
from orthocline.core.roll import read
from orthocline.wording.calls import SAYINGS, call_lines
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Bend, Wording
from tests.putts import elsewhere, plane_putt

METRIC = Wording(Units(metric=True), bend=Bend.BORROW)
RIGHT = read(plane_putt(14, side_right=-0.021, grade=1 / 168, speed_ft=10.2))
LEFT = read(plane_putt(14, side_right=0.021, grade=1 / 168, speed_ft=10.2))
STRAIGHT = read(plane_putt(3, past_in=0))


def said(solved, wording=USUAL_WORDING):
    return {line.school: (line.title, line.words) for line in call_lines(solved, wording, USUAL_GOLFER)}


@pytest.mark.parametrize(
    ("school", "title", "words"),
    [
        ("level_twin", "Level twin", "12¼ in past, 19 in right: a coin to putt to, as on a floor"),
        ("pace_target", "Pace target", "13¼ in past, as on the level: 1½ in less aim"),
        ("beat_mark", "Beat mark", "6.8 ft on its way one second after the strike"),
        ("stroke", "Stroke", "16 in, half of it back, within 4¾ in: usual stroke, not yours"),
        ("aim_spot", "Break", "17¾ in right: 15½ in outside the right edge, about four cups"),
        ("curve_gate", "Curve gate", "6 in right, two thirds along"),
        ("apex", "Apex", "6 in right, 8.4 ft along: pass over it, start outside it"),
        ("start_spot", "Start line", "2 ft ahead, 2½ in right: start it over that spot"),
        (
            *("hand_gauge", "Hand gauge"),
            "2¼ fingers right, eye to hand 15¾ in. A finger a percent, 2 right: ½ in too little; arm"
            " straight: 7¼ in too little",
        ),
        (
            *("plumb_line", "Plumb line"),
            "2 in right, as it looks from 2.1 % of tilt: 15¾ in too little for this putt",
        ),
        ("instinct", "Without numbers", "well outside the right, past"),
    ],
)
def test_each_school_says_its_own(school, title, words):
    assert said(RIGHT)[school] == (title, words)
    assert said(LEFT)[school] == (title, words.replace("right", "left"))


def test_the_clocks_of_both_sides_mirror_each_other():
    assert said(RIGHT)["cup_entry"][1].startswith("half past five on the rim; from ")
    assert said(LEFT)["cup_entry"][1].startswith("half past six on the rim; from ")
    assert said(RIGHT)["fall_line_dial"][1].startswith("3:30, ")
    assert said(LEFT)["fall_line_dial"][1].startswith("8:30, ")


def test_a_golfer_who_uses_no_start_aid_is_told_none_and_one_with_a_line_lays_it():
    aids = {aid: [*call_lines(RIGHT, USUAL_WORDING, GolferFigures(start_aid=aid))] for aid in StartAid}
    lines = {aid: {line.school: line.words for line in told}.get("start_spot") for aid, told in aids.items()}
    assert lines[StartAid.NEITHER] is None
    assert lines[StartAid.LINE] == "2 ft ahead, 2½ in right: lay the ball's line through there"


def test_what_each_school_is_blind_to_is_said():
    for name, school in SCHOOLS.items():
        assert bool(SAYINGS[name].blind) == bool(school.blind_to), name


@pytest.mark.parametrize("turned", [2.0, -1.2, math.pi])
def test_each_school_says_the_same_wherever_the_putt_lies(turned):
    for solved in (RIGHT, LEFT, STRAIGHT):
        assert said(read(elsewhere(solved.putt, turned))) == said(solved)


def test_metres_and_borrow_are_followed():
    lines = said(RIGHT, METRIC)
    assert lines["aim_spot"] == ("Borrow", "45 cm right: 39 cm outside the right edge, about four cups")
    assert lines["curve_gate"][1] == "15 cm right, two thirds along"
    assert lines["beat_mark"][1] == "2.07 m on its way one second after the strike"


def test_a_straight_putt_has_no_apex_and_aims_at_the_centre():
    lines = said(STRAIGHT)
    assert "apex" not in lines
    assert lines["aim_spot"][1] == "the centre"
    assert lines["curve_gate"][1] == "on the line, two thirds along"
    assert lines["pace_target"][1] == "at the hole: it plays its length"
    assert lines["level_twin"][1].startswith("at the hole, on the line: ")
    assert lines["hand_gauge"][1].startswith("no finger, ")

"""Each school's sentence, in the golfer's units, on putts to either side."""

import math

import pytest

from orthocline.core.calls import USUAL_GOLFER
from orthocline.core.roll import read
from orthocline.wording.calls import call_lines
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
        ("level_twin", "Level twin", "putt to the coin 12¼ in past, 19 in right, as on a floor"),
        ("pace_target", "Pace target", "pace it to 13¼ in past, as on the level; that takes 1½ in less aim"),
        ("beat_mark", "Beat mark", "the ball should pass 6.8 ft one second after the strike"),
        ("stroke", "Stroke", "16 in, within 4¾ in, half of it back: usual stroke, not yours"),
        ("aim_spot", "Break", "17¾ in right of centre"),
        ("curve_gate", "Curve gate", "6 in right, two thirds along"),
        ("apex", "Apex", "6 in right, 8.4 ft along: pass over it, start outside it"),
        ("start_spot", "Start spot", "2 ft ahead, 2½ in right"),
    ],
)
def test_each_school_says_its_own(school, title, words):
    assert said(RIGHT)[school] == (title, words)
    assert said(LEFT)[school] == (title, words.replace("right", "left"))


@pytest.mark.parametrize("turned", [2.0, -1.2, math.pi])
def test_each_school_says_the_same_wherever_the_putt_lies(turned):
    for solved in (RIGHT, LEFT, STRAIGHT):
        assert said(read(elsewhere(solved.putt, turned))) == said(solved)


def test_metres_and_borrow_are_followed():
    lines = said(RIGHT, METRIC)
    assert lines["aim_spot"] == ("Borrow", "45 cm right of centre")
    assert lines["curve_gate"][1] == "15 cm right, two thirds along"
    assert lines["beat_mark"][1] == "the ball should pass 2.07 m one second after the strike"


def test_a_straight_putt_has_no_apex_and_aims_at_the_centre():
    lines = said(STRAIGHT)
    assert "apex" not in lines
    assert lines["aim_spot"][1] == "none: the centre"
    assert lines["curve_gate"][1] == "on the line, two thirds along"
    assert lines["pace_target"][1] == "the hole: it plays its length"
    assert lines["level_twin"][1].endswith("the coin at the hole, as on a floor")

"""Warnings of a read: every code has its sentence, in the golfer's units."""

import math
from dataclasses import replace

import pytest

from orthocline.core.roll import ReadWarning, SpeedAtHole, read
from orthocline.wording.read.warnings import SENTENCES, other_lines_words, warning_words
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import plane_putt

METRIC = Wording(Units(metric=True, degrees=True))
STEEP = read(plane_putt(8, side_right=0.02, grade=-0.09, past_in=12))
FAST = read(plane_putt(10, past_in=150))


def test_every_warning_has_a_sentence():
    assert set(SENTENCES) == set(ReadWarning)


@pytest.mark.parametrize(
    ("wording", "told"),
    [
        (USUAL_WORDING, ("ground up to 7.8 %", "2.38 ft/s at the hole, is given")),
        (METRIC, ("ground up to 4.5°", "0.73 m/s at the hole, is given")),
    ],
)
def test_figures_are_in_the_golfers_units(wording, told):
    words = " ".join(warning_words(STEEP, wording))
    assert [part for part in told if part not in words] == [], words


def test_remedies_follow_the_read():
    assert warning_words(FAST)[0].endswith("Roll it softer.")
    firm = read(plane_putt(8, side_right=0.02, grade=-0.09, pace=SpeedAtHole(1.9)))
    assert list(firm.warnings) == ["slope_does_not_hold", "too_fast_to_drop"]
    assert "is given" not in warning_words(firm)[0]


def test_a_ball_that_comes_back_is_told_with_the_softest_that_does_not():
    lob = plane_putt(10, side_right=-0.0549, grade=0.0549)
    (words,) = warning_words(read(lob))
    assert "rolls back into it, 15 s after it left" in words
    assert words.endswith("reaches the hole at 0.72 ft/s and would roll 10.2 ft past.")


def test_another_line_is_told_from_this_one():
    putt = replace(plane_putt(10, side_right=0.03, grade=-0.085, speed_ft=11.0), pace=SpeedAtHole(1.2))
    direct, longer = read(putt), read(replace(putt, line=2))
    ((number, words),) = other_lines_words(direct)
    angle = abs(math.degrees(longer.launch_right_rad))
    side = "right" if longer.launch_right_rad > 0 else "left"
    assert number == 2
    assert words.startswith(f"A longer way in has this pace too: start {angle:.0f}° {side} of the hole at ")
    assert words.endswith(f" {longer.aim.time_to_hole_s:.1f} s on the way.")
    ((number, words),) = other_lines_words(longer)
    assert (number, words[:20]) == (1, "A more direct way in")
    assert warning_words(read(replace(putt, line=4)))[0].startswith(
        "There is no line 4 here: at this pace only 2 lines lead to the hole."
    )


def test_the_nearest_roll_past_is_said_as_short_or_as_soft():
    def short(past):
        solved = read(plane_putt(10, side_right=0.01))
        return replace(solved, aim=replace(solved.aim, past_m=past, pace_met=False))

    assert warning_words(short(0.2))[0].startswith("No ball stops so far past the hole here")
    assert "rolls 0.7 ft past" in warning_words(short(0.2))[0]
    assert warning_words(short(0.9))[0].startswith("No ball passes the hole so softly here")

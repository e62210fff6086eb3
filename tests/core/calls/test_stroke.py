"""The length of the stroke: the golfer's own, or the usual one; and against the feet."""

import pytest

from orthocline.core.calls import USUAL_GOLFER, GolferFigures, stroke_of
from orthocline.core.estimate import Estimate
from orthocline.core.roll import read
from tests.putts import plane_putt


def test_a_calibrated_stroke_is_as_long_as_the_launch_is_fast():
    solved = read(plane_putt(16, grade=0.01))
    stroke = stroke_of(solved, GolferFigures(Estimate(3.2, 0.05)))
    assert (stroke.length_m * 3.2, stroke.calibrated) == (pytest.approx(solved.launch_speed_mps), True)


def test_without_calibration_it_is_the_usual_one_and_may_be_a_third_off():
    solved = read(plane_putt(16, grade=0.01))
    stroke = stroke_of(solved, USUAL_GOLFER)
    assert stroke.length_m == pytest.approx(solved.launch_speed_mps / 5.7)
    assert (stroke.calibrated, stroke.outside_feet_m) == (False, None)
    assert stroke.within_share == pytest.approx(0.3)


def test_it_is_held_against_the_golfers_feet():
    solved = read(plane_putt(16, grade=0.01))
    length = stroke_of(solved, USUAL_GOLFER).length_m
    for stance_m, outside in ((length - 0.08, 0.04), (length + 0.1, -0.05)):
        assert stroke_of(solved, GolferFigures(stance_m=stance_m)).outside_feet_m == pytest.approx(outside)

"""The length of the stroke: the golfer's own, or the rule of thumb."""

import pytest

from orthocline.core.calls import USUAL_GOLFER, GolferFigures, level_twin_of, stroke_of
from orthocline.core.estimate import Estimate
from orthocline.core.roll import read
from tests.putts import plane_putt


def test_a_calibrated_stroke_is_as_long_as_the_launch_is_fast():
    solved = read(plane_putt(15, grade=0.01))
    stroke = stroke_of(solved, GolferFigures(Estimate(3.2, 0.05)))
    assert (stroke.length_m * 3.2, stroke.calibrated) == (pytest.approx(solved.launch_speed_mps), True)


def test_without_calibration_it_is_an_inch_for_each_foot_that_the_putt_plays():
    solved = read(plane_putt(15, grade=0.01))
    stroke = stroke_of(solved, USUAL_GOLFER)
    assert stroke.length_m == pytest.approx(level_twin_of(solved).plays_like_m / 12)
    assert not stroke.calibrated

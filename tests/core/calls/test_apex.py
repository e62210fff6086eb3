"""The apex: where the ball is furthest from the ball-hole line."""

import math

import numpy as np
import pytest

from orthocline.core.calls import apex_of
from orthocline.core.roll import Point, read
from tests.putts import MILLIMETRE, plane_putt


@pytest.mark.parametrize("side", [-0.03, 0.03])
@pytest.mark.parametrize("length_ft", [5, 20, 60])
def test_no_place_of_the_way_lies_further_out(length_ft, side):
    solved = read(plane_putt(length_ft, side_right=side))
    top = apex_of(solved)
    rows = solved.track.even_times(0.0, solved.aim.time_to_hole_s, 4001)
    off = np.array([solved.putt.along_and_right_m(Point(x, y))[1] for _, x, y, _, _ in rows])
    assert abs(top.mark.right_m) == pytest.approx(np.abs(off).max(), abs=0.01 * MILLIMETRE)
    assert math.copysign(1.0, top.mark.right_m) == math.copysign(1.0, solved.aim_right_m)
    assert top.fraction == pytest.approx(top.mark.along_m / solved.putt.length_m)


def test_a_straight_putt_has_none():
    assert apex_of(read(plane_putt(10, grade=0.02))) is None


@pytest.mark.parametrize(("past_in", "least"), [(2, 2.64), (12, 2.75)])
@pytest.mark.parametrize("speed_ft", [9, 12])
@pytest.mark.parametrize("length_ft", [6, 30])
def test_the_aim_is_some_three_times_as_far_out(past_in, least, speed_ft, length_ft):
    solved = read(plane_putt(length_ft, side_right=0.02, speed_ft=speed_ft, past_in=past_in))
    assert least <= solved.aim_right_m / apex_of(solved).mark.right_m <= 3.15


def test_a_ball_that_dies_at_the_hole_tends_to_e():
    solved = read(plane_putt(10, side_right=0.001, past_in=0.0001))
    assert apex_of(solved).fraction == pytest.approx(1 - 1 / math.e, abs=0.01)
    assert solved.aim_right_m / apex_of(solved).mark.right_m == pytest.approx(math.e, rel=0.02)

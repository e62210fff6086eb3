"""The curve gate: where the ball passes two thirds of the way."""

import numpy as np
import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.core.roll import Point, Putt, read
from tests.putts import MILLIMETRE, plane_putt


@pytest.mark.parametrize("side", [-0.03, 0.03])
@pytest.mark.parametrize("length_ft", [3, 20, 60])
def test_the_gate_lies_on_the_way_at_two_thirds(length_ft, side):
    """The same point by interpolating the hundred points of the path."""
    solved = read(plane_putt(length_ft, side_right=side))
    gate, putt = SCHOOLS["curve_gate"].value(solved, USUAL_GOLFER), solved.putt
    along, right = (
        np.array([putt.along_and_right_m(Point(x, y))[axis] for _, x, y, _ in solved.path]) for axis in (0, 1)
    )
    assert gate.along_m == pytest.approx(putt.length_m * 2 / 3, abs=0.1 * MILLIMETRE)
    assert gate.right_m == pytest.approx(np.interp(gate.along_m, along, right), abs=2.0 * MILLIMETRE)
    assert putt.along_and_right_m(gate.place) == pytest.approx((gate.along_m, gate.right_m))


def test_the_gate_is_the_same_wherever_the_putt_lies_on_the_map():
    home = plane_putt(14, side_right=-0.021, grade=0.01)
    moved = Putt(
        Point(home.ball.x_m + 31.0, home.ball.y_m - 17.0),
        Point(home.hole.x_m + 31.0, home.hole.y_m - 17.0),
        home.surface,
        home.green_speed_ft,
        home.pace,
    )
    here, there = (
        SCHOOLS["curve_gate"].value(read(home), USUAL_GOLFER),
        SCHOOLS["curve_gate"].value(read(moved), USUAL_GOLFER),
    )
    assert there.right_m == pytest.approx(here.right_m, abs=0.01 * MILLIMETRE)
    assert there.place.x_m - here.place.x_m == pytest.approx(31.0)
    assert there.place.y_m - here.place.y_m == pytest.approx(-17.0)


@pytest.mark.parametrize("speed_ft", [9, 12])
@pytest.mark.parametrize("tilt", [0.015, 0.03])
@pytest.mark.parametrize("length_ft", [6, 30])
@pytest.mark.parametrize("past_in", [2, 12])
def test_at_two_thirds_the_ball_is_half_way_to_the_aim_line(speed_ft, tilt, length_ft, past_in):
    """The soft limit is that of a ball that dies at the hole: ln(3)/2 = 0.549."""
    solved = read(plane_putt(length_ft, side_right=tilt, speed_ft=speed_ft, past_in=past_in))
    half_way = SCHOOLS["curve_gate"].value(solved, USUAL_GOLFER).right_m / (solved.aim_right_m * 2 / 3)
    assert 0.46 <= half_way <= (0.541 if past_in == 12 else 0.567)

"""Wind: dying balls are read continuously with firm ones, and every ball is followed until it rests."""

import math

import numpy as np
import pytest

from orthocline.core.ground import Plane, plane_from_grade
from orthocline.core.roll import NO_GRAIN, Point, Putt, RollPast, Wind, read
from orthocline.core.roll.accelerations import accelerations_of, wind_at_ball_mps
from orthocline.core.units import FOOT_M, INCH_M
from tests.putts import own_roll


def putt_in(wind, ground, length_m=10 * FOOT_M, past_m=0.0, speed_ft=10.0):
    hole = Point(length_m, 0)
    return Putt(Point(0, 0), hole, ground, speed_ft, RollPast(past_m), NO_GRAIN, wind)


def test_a_dying_ball_whose_bend_the_wind_undoes_is_read_in_the_wind():
    ground, wind = Plane(0.01, math.radians(-90)), Wind(8.0, math.radians(90))
    breaks = [read(putt_in(wind, ground, past_m=past)).aim_right_m for past in (0.0, 1e-4, 1e-3, 0.003, 0.01)]
    assert breaks[0] == pytest.approx(-0.36 * INCH_M, abs=0.01 * INCH_M)
    assert np.all(np.abs(np.diff(breaks)) < 0.02 * INCH_M)
    assert read(putt_in(wind, ground)).warnings == ()


def test_dying_balls_stay_near_hardly_firmer_ones():
    rng = np.random.default_rng(11)
    far = 0
    for _ in range(60):
        ground = plane_from_grade(*rng.normal(0, 0.01, 2), 0.0)
        wind = Wind(rng.uniform(1, 6), rng.uniform(-math.pi, math.pi))
        length, speed = rng.uniform(3, 30) * FOOT_M, rng.uniform(8, 12)
        dying, hardly = (
            read(putt_in(wind, ground, length, past, speed)).aim_right_m for past in (0.0, 0.001)
        )
        far += abs(dying - hardly) > 0.01 + 0.02 * abs(hardly)
    assert far == 0


@pytest.mark.parametrize("aim_right_m", [-2.0, 0.5, 3.0])
def test_an_own_roll_far_off_is_followed_until_it_rests(aim_right_m):
    ground = plane_from_grade(0.015, -0.04, 0.0)
    ended = []
    for wind in (Wind(0.0, 0.0), Wind(0.001, 1.0)):
        putt = putt_in(wind, ground, 20 * FOOT_M, 1 * FOOT_M, 12.0)
        ended.append(own_roll(putt, read(putt).aim, aim_right_m))
    still, breath = ended
    assert breath.track.rests
    assert breath.finish_along_m == pytest.approx(still.finish_along_m, abs=0.002)
    assert breath.finish_right_m == pytest.approx(still.finish_right_m, abs=0.002)


def test_wind_on_a_ball_that_hardly_moves_is_worth_a_slope():
    """By the forces on a ball at rest: the drag of the air and the weight along a slope, both rolling."""
    wind = Wind(7.0, math.radians(30))
    east, north = accelerations_of(putt_in(wind, plane_from_grade(0.0, 0.0, 0.0))).push_at_rest_mps2
    air = 0.5 * 1.2 * 0.5 * math.pi * 0.021335**2 * wind_at_ball_mps(wind) ** 2
    assert math.atan2(north, east) == pytest.approx(math.radians(30))
    assert math.hypot(east, north) == pytest.approx(5 / 7 * air / 0.04593, rel=1e-3)

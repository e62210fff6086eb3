"""Where two balls of one putt part."""

import math

import pytest

from orthocline.core.calls import parting_of
from orthocline.core.roll import Launch, read, roller
from tests.putts import elsewhere, plane_putt

BALL_ACROSS_M = 0.04267


@pytest.mark.parametrize("turned", [0.0, 2.0])
def test_straight_balls_part_where_their_angle_has_opened_by_a_ball(turned):
    solved = read(elsewhere(plane_putt(20), turned))
    roll, speed = roller(solved.putt, solved.aim), solved.launch_speed_mps
    angle = math.radians(3.0)
    parting = parting_of(solved.putt, *(roll(Launch(right, speed)) for right in (0.0, angle)))
    assert parting.along_m == pytest.approx(BALL_ACROSS_M / math.tan(angle), abs=0.04)
    assert parting.apart_m == pytest.approx(solved.putt.length_m * math.tan(angle), rel=1e-3)
    far = speed**2 / (2.0 * 1.83**2 / (2.0 * 10.0 * 0.3048))
    assert parting.rests_m == pytest.approx(2.0 * far * math.sin(0.5 * angle), rel=1e-3)


def test_the_same_ball_never_parts_and_a_short_one_ends_where_it_rests():
    solved = read(plane_putt(15, side_right=-0.02))
    parting = parting_of(solved.putt, solved.track, solved.track)
    assert (parting.along_m, parting.apart_m, parting.rests_m) == (None, 0.0, 0.0)
    short = roller(solved.putt, solved.aim)(Launch(solved.launch_right_rad, 0.6 * solved.launch_speed_mps))
    parting = parting_of(solved.putt, solved.track, short)
    assert parting.apart_m < 0.5
    assert parting.rests_m > 2.0

"""The fall-line dial: the ball's hour, the half, and what each hour breaks."""

import math

import pytest

from orthocline.core.calls import dial_of
from orthocline.core.roll import Grain, read
from tests.putts import plane_putt
from tests.rolled import roll_out


def on_hour(hour, tilt=0.02, **more):
    """Return a putt whose ball lies at an hour round the hole, 6 below it."""
    turn = math.radians(30 * hour)
    return plane_putt(12, side_right=-tilt * math.sin(turn), grade=-tilt * math.cos(turn), **more)


@pytest.mark.parametrize("hour", [0.25, 1, 3, 4.5, 6, 8, 9, 11.5, 12])
def test_the_ball_is_found_at_its_hour(hour):
    dial = dial_of(on_hour(hour))
    assert dial.hour == pytest.approx(hour, abs=1e-9)
    assert dial.uphill == (3 <= hour <= 9)
    if float(hour).is_integer():
        assert dial.own_aim_m == pytest.approx(dial.aims_m[int(hour) - 1], abs=1e-9)


def test_every_hour_breaks_as_a_putt_from_there_does():
    dial = dial_of(on_hour(4.2))
    for hour in range(1, 13):
        assert dial.aims_m[hour - 1] == pytest.approx(read(on_hour(hour)).aim_right_m, abs=1e-4)
    assert dial.share == pytest.approx(abs(read(on_hour(4.2)).aim_right_m / read(on_hour(3)).aim_right_m))


def test_straight_up_and_down_break_nothing_and_the_most_is_a_little_above_square():
    dial = dial_of(on_hour(5))
    assert abs(dial.aims_m[5]) < 1e-6
    assert abs(dial.aims_m[11]) < 1e-6
    assert abs(dial.aims_m[1]) > abs(dial.aims_m[3])


@pytest.mark.parametrize("hour", [1, 3, 5, 6.5, 8, 11])
def test_the_walk_leads_to_a_putt_that_rolls_straight(hour):
    """From the ball so far, so much to the right: there the ground falls straight back from the hole."""
    dial, putt = dial_of(on_hour(hour)), on_hour(hour)
    x = dial.walk_m * math.cos(dial.walk_right_rad)
    right = dial.walk_m * math.sin(dial.walk_right_rad)
    to_hole = putt.length_m - x, -right
    assert math.hypot(*to_hole) == pytest.approx(putt.length_m)
    turn = math.atan2(to_hole[1], to_hole[0])
    grade, side = putt.grade, putt.side_tilt_right
    seen = grade * math.cos(turn) - side * math.sin(turn), side * math.cos(turn) + grade * math.sin(turn)
    assert seen == pytest.approx((0.02, 0.0), abs=1e-9)
    way = roll_out([seen], 10.0, [0.0], [2.4])[:, 0]
    assert abs(way[:, 1]).max() < 1e-6


def test_grain_is_counted_from_every_hour():
    dial = dial_of(on_hour(4, grain=Grain(0.1, 0.7)))
    turned = on_hour(7, grain=Grain(0.1, 0.7 + math.radians(90)))
    assert dial.aims_m[6] == pytest.approx(read(turned).aim_right_m, abs=1e-4)


def test_level_ground_has_no_dial():
    assert dial_of(plane_putt(10)) is None

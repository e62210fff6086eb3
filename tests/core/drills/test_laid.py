"""Simulated instruments: they scatter about the hidden place as the design page says real ones do."""

import math

import numpy as np
import pytest

from orthocline.core.drills import HiddenPlace, level_on, phone_on, place_on, plate_on
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast

PLACE = HiddenPlace(up=0.012, right=-0.021)
COUNT = 10_000
SURE = 4.0 / math.sqrt(2.0 * COUNT)


def within(readings, truth, sd):
    """Hold readings against their truth and spread, within four standard errors."""
    assert np.mean(readings) == pytest.approx(truth, abs=4.0 * sd / math.sqrt(COUNT))
    assert np.std(readings) == pytest.approx(sd, rel=SURE)


@pytest.mark.parametrize(
    ("way", "averaged", "truth", "sd"),
    [
        # Half of 0.2 % for the level, and half of 0.5 % for the bump under it.
        ("across", False, -0.021, math.hypot(0.001, 0.0025)),
        ("along", False, 0.012, math.hypot(0.001, 0.0025)),
        ("along", True, 0.012, 0.001),
    ],
)
def test_a_level_has_its_own_error_and_the_bump_until_it_is_averaged(way, averaged, truth, sd):
    rng = np.random.default_rng(1)
    within([level_on(PLACE, way, rng, averaged=averaged) for _ in range(COUNT)], truth, sd)


@pytest.mark.parametrize(("share", "sd_deg"), [(1.0, 5.0), (0.2, 15.0)])
def test_a_plate_tells_the_way_of_fall_and_less_surely_where_it_is_flat(share, sd_deg):
    """Half of 10 degrees above one percent of slope, half of 30 below."""
    place, rng = HiddenPlace(share * PLACE.up, share * PLACE.right), np.random.default_rng(2)
    falls = math.atan2(21.0, -12.0)
    off = [plate_on(place, rng) - falls for _ in range(COUNT)]
    within(np.arctan2(np.sin(off), np.cos(off)), 0.0, math.radians(sd_deg))


def test_half_the_difference_of_a_phones_two_readings_is_the_slope():
    rng = np.random.default_rng(3)
    pairs = np.array([phone_on(PLACE, "along", rng) for _ in range(COUNT)])
    slopes, errors = 0.5 * (pairs[:, 0] - pairs[:, 1]), 0.5 * (pairs[:, 0] + pairs[:, 1])
    # Half of 0.3 % for the phone, and half of 0.5 % for the bump under it.
    within(np.tan(slopes), 0.012, math.hypot(0.0015, 0.0025))
    assert np.abs(errors).max() < math.radians(0.9)
    assert np.std(errors) > math.radians(0.4)


@pytest.mark.parametrize("turn_deg", [0.0, 90.0, 200.0])
def test_a_place_is_seen_along_the_putt_whichever_way_that_lies_on_the_map(turn_deg):
    """A plane that falls a hundredth to the right and rises two ahead, putted three ways over the map."""
    turn = math.radians(turn_deg)
    hole = Point(3.0 * math.cos(turn), 3.0 * math.sin(turn))
    ground = plane_from_grade(0.02, 0.01, turn)
    place = place_on(Putt(Point(0.0, 0.0), hole, ground, 10.0, RollPast(0.3)), 0.5)
    assert (place.up, place.right) == pytest.approx((0.02, -0.01))
    assert place.slope == pytest.approx(math.hypot(0.02, 0.01))
    assert math.degrees(place.fall_rad) == pytest.approx(180.0 - math.degrees(math.atan2(1.0, 2.0)))

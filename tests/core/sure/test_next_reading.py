"""What to find out next, against trying every reading on simulated putts and reading each anew."""

import numpy as np
import pytest

from orthocline.core.roll import read
from orthocline.core.sure import Sureness, Uncertainty
from orthocline.core.units import FOOT_M
from tests.putts import plane_putt
from tests.simulated import draws, measured_plane, measured_stations
from tests.trying import LEVEL_SD, cuts_by_trying, named, tried_at_stations

AS_GOOD, CHANCE = 0.95, 0.01
"""How much of the best cut the one named must make, and what trying it by chance may err by."""


def test_on_planes_the_first_named_is_as_good_as_the_best_by_trying():
    rng = np.random.default_rng(5)
    for seen, uncertainty, _ in draws(measured_plane, 20, seed=5):
        first = Sureness(seen, uncertainty).next_readings[0]
        tried = cuts_by_trying(seen, uncertainty, rng)
        assert first.by in ("level", "ramp", "pacing")
        assert tried[named(first)] >= AS_GOOD * max(tried.values()) - CHANCE, (tried, first)
        assert first.cut == pytest.approx(tried[named(first)], abs=0.12)


def test_at_stations_the_place_named_is_as_good_as_the_best_by_trying():
    rng, cut, best = np.random.default_rng(8), [], []
    for seen, uncertainty, _ in draws(measured_stations, 5, seed=21):
        sure = Sureness(seen, uncertainty)
        first = sure.next_readings[0]
        assert first.by == "level"
        assert first.across
        tried = tried_at_stations(sure, rng)
        cut.append(tried[min(round(10 * first.at_m / seen.putt.length_m), 10)])
        best.append(max(tried))
    assert np.mean(cut) >= AS_GOOD * np.mean(best) - CHANCE, list(zip(cut, best, strict=True))


def test_what_is_sure_already_is_not_named():
    speed = Sureness(read(plane_putt(20, side_right=-0.02)), Uncertainty(green_speed_ft=0.5)).next_readings
    assert [one.by for one in speed] == ["ramp"]
    paced = Sureness(read(plane_putt(20, side_right=-0.02)), Uncertainty(length=0.05)).next_readings
    assert [one.by for one in paced] == ["pacing"]
    assert paced[0].cut == pytest.approx(1 - 0.5**0.5)


def test_where_every_place_is_as_good_the_middle_of_what_counts_is_named():
    found = Sureness(read(plane_putt(20, side_right=-0.02)), Uncertainty(side=0.0075)).next_readings
    level, now = found[0], Sureness(read(plane_putt(20, side_right=-0.02)), Uncertainty(side=0.0075)).range
    assert (level.by, level.across, level.at_m) == ("level", True, pytest.approx(0.5 * 20 * FOOT_M))
    assert [one.by for one in found] == ["level", "phone", "ball", "feet", "eye"]
    assert level.leaves.aim_right_m.width == pytest.approx((1 - level.cut) * now.aim_right_m.width)


def test_the_reading_named_leaves_what_it_says():
    """With the level's own uncertainty and the felt one as one, the range is what was foretold."""
    felt = Uncertainty(side=0.0075)
    first = Sureness(read(plane_putt(20, side_right=-0.02)), felt).next_readings[0]
    both = Uncertainty(side=(0.0075**-2 + LEVEL_SD**-2) ** -0.5)
    after = Sureness(read(plane_putt(20, side_right=-0.02)), both).range.aim_right_m
    assert (first.leaves.aim_right_m.least, first.leaves.aim_right_m.most) == pytest.approx(
        (after.least, after.most), abs=0.06 * after.width
    )

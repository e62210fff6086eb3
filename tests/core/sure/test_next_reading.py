"""What to find out next, against trying every reading on simulated putts and reading each anew."""

import numpy as np
import pytest

from orthocline.core.roll import PlaneSets, launches_of_sets, read
from orthocline.core.sure import Sureness, Uncertainty
from orthocline.core.units import FOOT_M
from tests.putts import plane_putt
from tests.simulated import curve, draws, measured_plane, measured_stations, refitted, swells

DRAWN, DRAWN_PLANES = 1500, 16_000
LEVEL_SD = np.hypot(0.001, 0.0025)
AS_GOOD, CHANCE = 0.95, 0.01
"""How much of the best cut the one named must make, and what trying it by chance may err by."""


def spread(errors):
    return float(np.subtract(*np.quantile(errors, [0.975, 0.025])))


def cuts_by_trying(seen, uncertainty, rng):
    """Return by which share each reading narrows the aim's range on a plane, by refits of simulated ones."""
    putt = seen.putt
    figures = np.array([putt.length_m, putt.side_tilt_right, putt.grade, putt.green_speed_ft])
    sds = np.array(
        [uncertainty.length * putt.length_m, uncertainty.side, uncertainty.grade, uncertainty.green_speed_ft]
    )
    true = figures[:, None] + sds[:, None] * rng.normal(size=(4, DRAWN_PLANES))
    ramp_sd = np.hypot(0.15, 0.03 * putt.green_speed_ft / np.sqrt(3))
    pacing = min(uncertainty.length, 0.05) * putt.length_m
    readings = {"pacing": (0, pacing), "across": (1, LEVEL_SD), "along": (2, LEVEL_SD), "ramp": (3, ramp_sd)}

    def aims(length, side, grade, speed):
        nothing = np.zeros(DRAWN_PLANES)
        sets = PlaneSets(length, side, grade, speed, nothing, nothing)
        return length * np.tan(launches_of_sets(sets, putt.pace)[:, 0])

    flat = [np.full(DRAWN_PLANES, figure) for figure in figures]
    now = spread(aims(*true) - aims(*flat))
    found = {}
    for name, (i, sd) in readings.items():
        if sds[i] > 0.0:
            refit = [column.copy() for column in flat]
            seen_again = true[i] + sd * rng.normal(size=DRAWN_PLANES)
            refit[i] = (figures[i] / sds[i] ** 2 + seen_again / sd**2) / (sds[i] ** -2 + sd**-2)
            found[name] = 1.0 - spread(aims(*true) - aims(*refit)) / now
    return found


def named(reading):
    if reading.across is None:
        return reading.by
    return "across" if reading.across else "along"


def test_on_planes_the_first_named_is_as_good_as_the_best_by_trying():
    rng = np.random.default_rng(5)
    for seen, uncertainty, _ in draws(measured_plane, 60, seed=5):
        first = Sureness(seen, uncertainty).next_readings[0]
        tried = cuts_by_trying(seen, uncertainty, rng)
        assert first.by in ("level", "ramp", "pacing")
        assert tried[named(first)] >= AS_GOOD * max(tried.values()) - CHANCE, (tried, first)
        assert first.cut == pytest.approx(tried[named(first)], abs=0.12)


def tried_at_stations(sure, rng):
    """Return by which share a level across each tenth of the way narrows the aim's error, by refits."""
    putt, weights = sure.read.putt, sure.weights
    at = np.array([one.at for one in putt.surface.readings])
    sds = np.array([one.sd for one in putt.surface.readings])
    way = np.linspace(0.0, weights.way_m[-1], 60)
    along = np.interp(way, weights.way_m, weights.places_m[:, 0]) / putt.length_m
    counts = np.interp(way, weights.way_m, weights.aim_rad[:, 0]) * way[1]
    tenths = np.linspace(0.0, 1.0, 11)
    places = np.concatenate([along, at, tenths]) * putt.length_m
    sides = swells(rng, DRAWN).gradients(np.column_stack([places, np.zeros(len(places))]))[..., 1]
    true, read_at, new = np.split(sides, [len(along), len(along) + len(at)], axis=1)
    values = read_at + sds * rng.normal(size=read_at.shape)

    def error(fitted):
        return spread((true - fitted(along)) @ counts)

    now, noise = error(curve(at, values)), LEVEL_SD * rng.normal(size=DRAWN)
    return [
        1.0 - error(refitted(at, values, sds, tenth, new[:, i] + noise, LEVEL_SD)) / now
        for i, tenth in enumerate(tenths)
    ]


def test_at_stations_the_place_named_is_as_good_as_the_best_by_trying():
    rng, cut, best = np.random.default_rng(8), [], []
    for seen, uncertainty, _ in draws(measured_stations, 12, seed=21):
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

"""Ground that was measured densely: as steep as its formula, as sure as it errs, and where not seen."""

import math

import numpy as np
import pytest

from orthocline.core.survey import HeightReading, Looks, SlopeReading, Survey, both_slopes, gridded
from tests.ternholm import HEIGHTS, SIZE_M, slopes

INSIDE = np.random.default_rng(11).uniform((1.0, 1.0), (23.0, 19.0), (800, 2))


def nodes(name, spacing_m, noise_m=0.0):
    """Return the heights of a green at even places, with noise."""
    x, y = (np.arange(-1.5, size + 1.51, spacing_m) for size in SIZE_M)
    at = np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2)
    heights = HEIGHTS[name](*at.T) + noise_m * np.random.default_rng(3).normal(size=len(at))
    return np.column_stack([at, heights])


def errors(scan, name):
    return scan.values(both_slopes(INSIDE)).reshape(2, -1).T - slopes(name, INSIDE)


@pytest.mark.parametrize("name", HEIGHTS)
def test_exact_heights_half_a_metre_apart_give_their_slopes_back(name):
    scan = gridded(nodes(name, 0.5), 0.25)
    assert np.hypot(*errors(scan, name).T).max() < 0.002


@pytest.mark.parametrize("name", ["Homeward", "Breakwater", "Marram"])
@pytest.mark.parametrize("noise_m", [0.002, 0.008])
def test_a_scan_is_as_sure_as_it_errs(name, noise_m):
    scan = gridded(nodes(name, 0.25, noise_m), 0.25)
    error = math.sqrt(np.mean(errors(scan, name) ** 2))
    assert 0.7 < scan.slope_sd / error < 1.8
    heights = Looks(INSIDE, np.tile([1.0, 0.0, 0.0], (len(INSIDE), 1)))
    off = scan.values(heights) - HEIGHTS[name](*INSIDE.T)
    assert 0.6 < scan.height_sd_m / math.sqrt(np.mean(off**2)) < 2.0


def test_ground_that_was_not_seen_is_not_sure():
    points = nodes("Lantern", 0.25, 0.004)
    hidden = np.hypot(*(points[:, :2] - (12.0, 10.0)).T) < 3.0
    survey = Survey((), (), scan=gridded(points[~hidden], 0.25))
    middle, rim, seen = np.sqrt(
        survey.fit.variances(both_slopes(np.array([(12.0, 10.0), (12.0, 12.5), (4.0, 4.0)]))).reshape(2, 3)
    ).T
    assert middle[0] > 0.02
    assert seen[0] < rim[0] < middle[0]
    assert seen[0] < 0.003


def test_it_goes_on_beyond_its_edge_as_it_slopes_there():
    scan = gridded(nodes("Spindrift", 0.5), 0.5)
    far = np.array([(40.0, -30.0)])
    assert scan.values(Looks(far, np.array([[1.0, 0.0, 0.0]]))) == pytest.approx(
        HEIGHTS["Spindrift"](*far.T), abs=1e-6
    )
    assert scan.values(both_slopes(far)) == pytest.approx((0.021, 0.009), abs=1e-6)


def test_a_reading_on_a_scan_says_how_far_that_is_off():
    points = nodes("Lantern", 0.25)
    points[:, 2] += 0.006 * points[:, 0]
    scan, at = gridded(points, 0.25), (12.0, 10.0)
    east, north = slopes("Lantern", np.array([at]))[0]
    alone = Survey((), (), scan=scan).fit.mean(both_slopes(np.array([at])))
    sure = (SlopeReading(at, east, 0.0, 1e-4), SlopeReading(at, north, 0.5 * math.pi, 1e-4))
    told = Survey(sure, (), scan=scan).fit
    assert alone[0] - east == pytest.approx(0.006, abs=2e-4)
    assert told.mean(both_slopes(np.array([at]))) == pytest.approx((east, north), abs=2e-4)
    assert told.oddness.max() > 4.0


def test_heights_over_another_mark_leave_a_scan_as_it_is():
    scan = gridded(nodes("Marram", 0.25, 0.002), 0.25)
    told = tuple(
        HeightReading((x, y), 7.0 + float(HEIGHTS["Marram"](x, y)), 0.003) for x in (4, 12) for y in (4, 16)
    )
    places = both_slopes(INSIDE[:50])
    on, off = (Survey(readings, (), scan=scan).fit.mean(places) for readings in (told, ()))
    assert np.abs(on - off).max() < 0.002


def test_what_lies_about_a_putt_is_the_same_ground():
    scan = gridded(nodes("Homeward", 0.5), 0.5)
    ends = ((8.0, 6.0), (12.0, 9.0))
    part = scan.about(ends, 5.0)
    assert part.grid.heights_m.size < 0.5 * scan.grid.heights_m.size
    at = np.random.default_rng(2).uniform((7.0, 5.0), (13.0, 10.0), (100, 2))
    assert part.values(both_slopes(at)) == pytest.approx(scan.values(both_slopes(at)), abs=2e-5)
    assert part.slope_sd == scan.slope_sd

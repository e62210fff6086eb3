"""A chart: its edits, its readings as a survey takes them, and what they make known."""

import math

import numpy as np
import pytest

from orthocline.core.chart import (
    Chart,
    ChartError,
    ChartPin,
    ChartReading,
    Known,
    Site,
    scan_of,
    surveyed,
    with_heights,
)
from orthocline.core.ground import Sense, SlopePair, sense
from orthocline.core.relief import Kind, oval
from orthocline.core.survey import Fit, HeightReading, Looks, SlopeReading, WayReading, both_slopes
from tests.ternholm import HEIGHTS, slopes

DOWN = -0.5 * math.pi
OUTLINE = oval(20.0, 24.0)


def arrow(at, size=0.02, toward=DOWN, by="arrow", within=None):
    return ChartReading(at, by, toward, size, within)


def test_edits_make_other_charts():
    chart = Chart(corners=((0.0, 0.0), (5.0, 0.0), (5.0, 6.0), (0.0, 6.0)))
    more = chart.added("readings", arrow((1.0, 2.0))).added("pins", ChartPin((2.0, 2.0), "front"))
    assert chart.readings == ()
    moved = more.moved("readings", 0, (3.0, 3.0)).moved("corners", 1, (6.0, 0.0))
    assert moved.readings[0].at_m == (3.0, 3.0)
    assert moved.corners[1] == (6.0, 0.0)
    assert moved.removed("readings", 0).readings == ()
    assert chart.added("corners", (2.5, -1.0), before=1).corners[1] == (2.5, -1.0)


@pytest.mark.parametrize(
    "edit",
    [
        lambda chart: chart.removed("readings", 0),
        lambda chart: chart.removed("corners", 0),
        lambda chart: chart.added("pins", ChartPin((70.0, 0.0), "far")),
        lambda chart: chart.moved("corners", -1, (0.0, 0.0)),
        lambda chart: chart.moved("corners", 2, (5.0, 0.1)),
    ],
)
def test_edits_that_make_no_chart_say_so(edit):
    with pytest.raises(ChartError, match=r"not on the chart|three corners|60 metres|encloses no green"):
        edit(Chart(corners=((0.0, 0.0), (5.0, 0.0), (5.0, 6.0))))


def test_each_kind_of_reading_says_what_it_knows():
    at = (1.0, 2.0)
    along, across = surveyed([arrow(at)], {})
    assert (along.slope, along.toward_rad, along.sd) == (-0.02, DOWN, 0.005)
    assert across.slope == 0.0
    assert across.sd == pytest.approx(0.02 * math.radians(12.5))
    assert surveyed([arrow(at, None, by="plate")], {}) == (WayReading(at, DOWN, math.radians(5.0)),)
    assert surveyed([ChartReading(at, "staff", 0.0, 0.31)], {}) == (HeightReading(at, 0.31, 0.005),)
    assert surveyed([arrow(at, 0.013, by="level", within=0.004)], {}) == (
        SlopeReading(at, -0.013, DOWN, 0.002),
    )
    assert surveyed([arrow(at, None, by="feet")], {})[0].sd == 0.015


def test_felt_slopes_are_what_the_golfers_own_pairs_say():
    own: dict[str, Sense] = {"feet": sense([SlopePair(0.01 * k, 0.02 * k) for k in range(1, 8)])}
    felt = surveyed([arrow((0.0, 0.0), 0.02, by="feet")], own)[0]
    assert felt.slope == pytest.approx(-0.04, abs=0.002)


def breakwater(*places):
    """Return what arrows at places, [m] from the middle of the front edge, make known of the two tiers."""
    readings = []
    for x, y in places:
        east, north = slopes("Breakwater", np.array([(x + 12.0, y)]))[0]
        readings.append(arrow((x, y), math.hypot(east, north), math.atan2(-north, -east), "level"))
        across = readings[-1].toward_rad + 0.5 * math.pi
        readings.append(ChartReading((x, y), "level", across, 0.0))
    return Known(surveyed(readings, {}), OUTLINE)


EVEN = [(x, y) for x in (-8.0, -3.0, 3.0, 8.0) for y in (3.0, 6.5, 9.0, 10.5, 12.0, 15.0, 18.0)]


def test_a_well_charted_green_is_known_with_its_tier():
    known = breakwater(*EVEN)
    assert Kind.TIER in {one.kind for one in known.named}
    height = HEIGHTS["Breakwater"](np.array([12.0, 12.0]), np.array([17.0, 4.0]))
    grid = known.survey.grid
    rows = [round((y - grid.origin_m[1]) / grid.spacing_m) for y in (17.0, 4.0)]
    column = round((0.0 - grid.origin_m[0]) / grid.spacing_m)
    assert np.diff(grid.heights_m[rows, column]) == pytest.approx(np.diff(height), abs=0.03)


def test_where_nothing_was_read_it_is_not_sure_and_asks():
    known = breakwater((-6.0, 4.0), (-4.0, 8.0), (-6.0, 12.0))
    near, far = known.sds(np.array([(-6.0, 4.0), (8.0, 15.0)]))
    assert near < 0.004 < 0.0075 < far
    assert known.unsure
    place, found = known.next_place()
    assert place[0] > 0.0
    assert found.after < found.before
    by_pin, _ = known.next_place((7.0, 16.0))
    assert math.dist(by_pin, (7.0, 16.0)) < 3.0


def test_the_fall_at_a_place_is_that_of_the_map():
    fall = breakwater(*EVEN).fall_at((3.0, 15.0))
    east, north = slopes("Breakwater", np.array([(15.0, 15.0)]))[0]
    assert fall.tilt == pytest.approx(math.hypot(east, north), abs=0.01)
    assert abs(math.remainder(fall.toward_rad - math.atan2(-east, -north), 2 * math.pi)) < 0.1
    assert fall.tilt_range.least < fall.tilt < fall.tilt_range.most


def test_a_reading_that_disagrees_with_all_others_is_odd():
    even = [
        arrow((x, y), 0.02, DOWN, "level")
        for x in (-8.0, -4.0, 0.0, 4.0, 8.0)
        for y in (3.0, 6.5, 10.0, 13.5, 17.0)
    ]
    assert Known(surveyed(even, {}), OUTLINE).odd == frozenset()
    wrong = arrow((1.0, 11.0), 0.06, -DOWN, "level")
    assert Known(surveyed([*even, wrong], {}), OUTLINE).odd >= {(1.0, 11.0)}


def test_a_reading_is_as_odd_as_a_fit_without_it_finds_it():
    known = breakwater(*EVEN[::3])
    fit = known.survey.fit
    i = 5
    others = [j for j in range(len(fit.values)) if j != i]
    looks = Looks(fit.looks.places_m[others], fit.looks.parts[others])
    without = Fit(looks, fit.values[others], fit.sds[others], fit.field)
    one = Looks(fit.looks.places_m[[i]], fit.looks.parts[[i]])
    error = abs(float(fit.values[i] - without.mean(one)[0]))
    sd = math.sqrt(without.variances(one)[0] + fit.sds[i] ** 2)
    assert fit.oddness[i] == pytest.approx(error / sd, rel=1e-6)


def listed(count, rng):
    """Return heights of the two tiers as a laser lists them, a twentieth of them on a foot or a flag."""
    at = rng.uniform((-14.0, -2.0), (14.0, 22.0), (count, 2))
    heights = HEIGHTS["Breakwater"](at[:, 0] + 12.0, at[:, 1]) + rng.normal(0.0, 0.004, count)
    heights[rng.random(count) < 0.05] += 0.6
    return np.column_stack([at, heights])


EDGED = Chart(OUTLINE.corners)


def test_a_long_list_of_heights_becomes_a_scan():
    chart = with_heights(EDGED, listed(4000, np.random.default_rng(2)))
    assert chart.readings == ()
    known = Known((), OUTLINE, scan=chart.scan)
    at = np.array([(x, y) for x in (-6.0, 0.0, 6.0) for y in (4.0, 10.0, 16.0)])
    true = slopes("Breakwater", at + np.array([12.0, 0.0]))
    mean = known.survey.fit.mean(both_slopes(at)).reshape(2, -1).T
    assert np.abs(mean - true).max() < 0.012
    assert not any(OUTLINE.holds(region.edge).any() for region in known.unsure)
    assert any(one.kind is Kind.TIER for one in known.named)


def test_banks_round_a_green_are_left_out_of_its_scan():
    points = listed(6000, np.random.default_rng(3)) * np.array([2.0, 2.0, 1.0])
    scan = scan_of(points, OUTLINE)
    (left, low), (right, top) = scan.box
    assert left > -14.0
    assert right < 14.0
    assert low > -2.0
    assert top < 22.0


def test_a_short_list_stays_as_it_is_and_one_off_the_green_is_refused():
    points = np.array([(0.0, 4.0, 0.1), (1.0, 9.0, 0.4), (40.0, 4.0, 9.0)])
    assert [one.size for one in with_heights(EDGED, points).readings] == [0.1, 0.4]
    with pytest.raises(ChartError, match="None of these"):
        with_heights(EDGED, points[2:])
    with pytest.raises(ChartError, match="edge first"):
        with_heights(Chart(), points)


def test_a_site_turns_places_onto_a_chart_and_back():
    site = Site("EPSG:25832", 565_000.0, 5_930_000.0, math.radians(90.0), 12.0)
    onto = site.onto_chart(np.array([(565_010.0, 5_930_000.0, 12.5), (565_000.0, 5_930_003.0, 12.0)]))
    # Play comes in eastward: further east is deeper in, further north lies to the left.
    assert onto == pytest.approx(np.array([(0.0, 10.0, 0.5), (-3.0, 0.0, 0.0)]), abs=1e-9)
    assert site.off_chart(onto)[0] == pytest.approx((565_010.0, 5_930_000.0, 12.5))

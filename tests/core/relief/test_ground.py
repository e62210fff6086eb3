"""Outlines, contours and water, each against what is known of plain shapes."""

import math

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from orthocline.core.ground import Grid
from orthocline.core.relief import Outline, Relief, climbed, contours, oval, pour, steeper_than, walked
from tests.ternholm import HEIGHTS, slopes

X, Y = np.arange(-3, 27.01, 0.5), np.arange(-3, 23.01, 0.5)
SQUARE = Outline(tuple((12 + 10 * math.cos(one), 10 + 8 * math.sin(one)) for one in np.arange(0, 6.28, 0.5)))


def relief(name):
    east, north = np.meshgrid(X, Y)
    return Relief(Grid((-3.0, -3.0), 0.5, HEIGHTS[name](east, north) + 0 * east), SQUARE)


def test_an_oval_is_as_deep_and_wide_as_is_said():
    outline = oval(24.0, 16.0)
    assert outline.area_m2 == pytest.approx(math.pi * 12 * 8, rel=0.01)
    assert outline.front == pytest.approx((0.0, 0.0), abs=0.05)
    asked = np.array([(0.0, 12.0), (7.5, 12.0), (7.0, 21.0), (0.0, -0.2)])
    assert outline.holds(asked).tolist() == [True, True, False, False]


def test_a_walk_that_does_not_close_is_shared_out():
    legs = [(10.0, 0.0), (10.0, math.pi / 2), (10.0, math.pi), (9.2, -math.pi / 2)]
    found = walked(legs)
    assert found.missed_m == pytest.approx(0.8)
    shared = [[0, 0], [-0.204, 10], [9.592, 10], [9.388, 0]]
    assert np.abs(np.array(found.corners) - shared).max() < 0.002


@pytest.mark.parametrize("name", ["Saltings", "Breakwater"])
def test_contours_lie_at_their_height(name):
    lines = contours(relief(name), 0.05)
    assert len({round(one.height_m, 6) for one in lines}) > 5
    for one in lines:
        assert HEIGHTS[name](*one.places.T) == pytest.approx(one.height_m, abs=0.004)


def test_it_is_steeper_than_five_percent_on_the_tier_alone():
    areas = steeper_than(relief("Breakwater"), 0.05)
    edge = max((one.edge for one in areas), key=len)
    on_edge = edge[SQUARE.holds(edge)]
    assert np.hypot(*slopes("Breakwater", on_edge).T) == pytest.approx(0.05, abs=0.006)


@pytest.mark.parametrize("name", ["Saltings", "Homeward", "Samphire"])
def test_water_runs_as_the_steepest_way_does(name):
    water = pour(relief(name).grid, SQUARE, (13.0, 13.5))

    def down(_, at):
        slope = slopes(name, at[None, :])[0]
        return -slope / np.hypot(*slope)

    length = 0.1 * (len(water.places) - 1)
    way = solve_ivp(down, (0, length), (13.0, 13.5), rtol=1e-8, atol=1e-8)
    assert water.leaves
    assert math.dist(water.end, way.y[:, -1]) < 0.1
    assert not SQUARE.holds(np.array([water.end]))[0]


def test_water_stays_in_a_hollow_and_comes_from_a_crown():
    bowl = pour(relief("Curlew").grid, SQUARE, (16.0, 14.0))
    assert not bowl.leaves
    assert math.dist(bowl.end, (12.0, 7.125)) < 0.15
    crown = climbed(relief("Lantern").grid, SQUARE, (16.0, 14.0))
    assert not crown.leaves
    assert math.dist(crown.end, (12.0, 10.0)) < 0.15


def test_the_ground_knows_its_highest_and_lowest_place():
    ground = relief("Spindrift")
    low, high = (HEIGHTS["Spindrift"](*at) for at in (ground.lowest, ground.highest))
    assert ground.rise_m == pytest.approx(high - low)
    assert low < HEIGHTS["Spindrift"](3.5, 8.0) < HEIGHTS["Spindrift"](20.5, 12.0) < high

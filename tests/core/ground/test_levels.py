"""Levels of the ground, against its slopes and against the formulas it was sampled from."""

import numpy as np
import pytest

from orthocline.core.ground import Grid, Plane, Station, Stations
from tests.putts import FORMULAS, HEIGHTS, MILLIMETRE, named, on_grid, plane_putt

STEP_M = 1e-4
PLACES = np.array([(0.3, 0.2), (2.1, -0.9), (4.9, 1.4), (-1.5, 0.7), (9.2, -2.0)])
"""Within what was read or surveyed, before and beyond it."""
ROLLING = [
    [0.02 * x - 0.01 * y + 0.03 * np.sin(x) * np.cos(0.7 * y) for x in range(7)] for y in np.arange(-3.0, 4.0)
]
READ = (Station(0.2, 0.01, 0.02), Station(0.5, -0.02, None), Station(0.9, 0.03, -0.04))
GROUNDS = {
    "plane": Plane(0.023, 0.7),
    "stations": Stations((1.0, -0.5), (5.0, 1.0), READ),
    "one-station": Stations((1.0, -0.5), (5.0, 1.0), (Station(0.5, 0.02, -0.01),)),
    "grid": Grid((0.0, -3.0), 1.0, np.array(ROLLING)),
}


@pytest.mark.parametrize("ground", GROUNDS.values(), ids=GROUNDS)
def test_levels_rise_as_the_ground_slopes(ground):
    x, y = PLACES.T
    east = (ground.levels_m(x + STEP_M, y) - ground.levels_m(x - STEP_M, y)) / (2.0 * STEP_M)
    north = (ground.levels_m(x, y + STEP_M) - ground.levels_m(x, y - STEP_M)) / (2.0 * STEP_M)
    inside = slice(0, 3)
    slopes = np.array([ground.slope(*place, ground.parameters) for place in PLACES])
    checked = inside if isinstance(ground, Grid) else slice(None)
    assert np.column_stack([east, north])[checked] == pytest.approx(slopes[checked], abs=1e-6)


@pytest.mark.parametrize("entry", FORMULAS, ids=named(FORMULAS))
def test_levels_of_a_surveyed_putt_are_those_of_its_formula(entry):
    putt, surface = on_grid(entry), entry["putt"]["surface"]
    figures = {**surface["parameters"], "L": putt.length_m}
    along, right = np.linspace(0.0, putt.length_m, 23), np.linspace(-1.0, 1.0, 23)
    height = HEIGHTS[surface["name"]]
    expected = height(along, -right, figures) - height(np.zeros(1), np.zeros(1), figures)
    assert putt.levels_m(along, right) == pytest.approx(expected, abs=0.5 * MILLIMETRE)


def test_beyond_a_survey_its_edge_goes_on():
    grid = GROUNDS["grid"]
    edge, out = (grid.levels_m(np.array([x]), np.array([0.5])) for x in (6.0, 8.0))
    slope = grid.slope(6.0, 0.5, grid.parameters)[0]
    assert out - edge == pytest.approx(2.0 * slope)


def test_grain_that_pushes_a_ball_raises_no_ground():
    read = GROUNDS["stations"]
    x, y = PLACES.T
    assert read.leaning(0.3, 0.02, -0.01).levels_m(x, y) == pytest.approx(read.levels_m(x, y))
    grid = GROUNDS["grid"]
    assert grid.leaning(np.full((7, 7, 2), 0.01)).levels_m(x, y) == pytest.approx(grid.levels_m(x, y))


def test_levels_of_a_putt_are_over_its_ball_as_its_golfer_stands():
    putt = plane_putt(10.0, grade=0.03, side_right=0.02)
    assert putt.levels_m(np.array([0.0, 1.0, 0.0]), np.array([0.0, 0.0, 1.0])) == pytest.approx(
        [0.0, 0.03, -0.02]
    )

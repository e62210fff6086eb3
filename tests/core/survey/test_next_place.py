"""Where one more reading helps most, and points of which some are wrong."""

import math

import numpy as np
import pytest

from orthocline.core.survey import SlopeReading, Survey, both_slopes, gridded, next_place
from tests.ternholm import HEIGHTS, SIZE_M, slopes

X, Y = np.meshgrid(np.linspace(1, 23, 12), np.linspace(1, 19, 10))
PLACES = np.column_stack([X.ravel(), Y.ravel()])
SD = 0.004


def survey_at(*places):
    return Survey(
        tuple(SlopeReading(place, 0.02, turn, SD) for place in places for turn in (0.0, math.pi / 2))
    )


def mean_sd(survey, counts):
    variance = survey.fit.covariance(both_slopes(PLACES)).diagonal()
    return math.sqrt(variance @ np.tile(counts, 2) / (2 * counts.sum()))


def test_the_next_place_is_the_one_after_which_the_ground_is_surest():
    read = [(3.0, 4.0), (18.0, 4.0)]
    counts = np.ones(len(PLACES))
    found = next_place(survey_at(*read).fit, PLACES, counts, SD)
    tried = [mean_sd(survey_at(*read, tuple(one)), counts) for one in PLACES.tolist()]
    assert found.place == int(np.argmin(tried))
    assert found.before == pytest.approx(mean_sd(survey_at(*read), counts))
    assert found.after == pytest.approx(min(tried))


def test_what_counts_draws_it_near():
    by_pin = np.exp(-(np.hypot(*(PLACES - (20.0, 16.0)).T) ** 2) / 4.0)
    found = next_place(survey_at((3.0, 4.0), (4.0, 5.0)).fit, PLACES, by_pin, SD)
    assert math.dist(PLACES[found.place], (20.0, 16.0)) < 2.5


def cloud(rng, count=20000):
    at = rng.uniform((0, 0), SIZE_M, (count, 2))
    heights = HEIGHTS["Breakwater"](*at.T) + rng.normal(0, 0.004, count)
    return np.column_stack([at, heights])


def test_points_are_made_into_a_grid_whatever_stands_on_the_green():
    rng = np.random.default_rng(4)
    points = cloud(rng)
    points[rng.random(len(points)) < 0.03, 2] += 0.3
    feet = np.hypot(*(points[:, :2] - (6.0, 5.0)).T) < 0.35
    points[feet, 2] += 1.2
    made = gridded(points, 0.25)
    at = rng.uniform((1, 1), (23, 19), (300, 2))
    found = np.array([made.grid.slope(x, y, made.grid.parameters) for x, y in at])
    assert math.sqrt(np.mean((found - slopes("Breakwater", at)) ** 2)) < 0.005
    assert 0.0005 < made.slope_sd < 0.004
    assert 3 <= made.left_out < 300


def test_a_plane_is_continued_where_there_are_no_points():
    points = cloud(np.random.default_rng(5), 4000)
    points[:, 2] = 0.02 * points[:, 0] - 0.01 * points[:, 1]
    made = gridded(points[np.hypot(*(points[:, :2] - (12.0, 10.0)).T) > 3.0], 0.5)
    assert made.grid.slope(12.0, 10.0, made.grid.parameters) == pytest.approx((0.02, -0.01), abs=1e-4)

"""A surveyed green: its covariance, how near its slopes come to greens known by formula, how sure it is."""

import math

import numpy as np
import pytest
from scipy.stats import qmc

from orthocline.core.survey import HeightReading, Looks, SlopeReading, Survey, WayReading
from orthocline.core.survey.field import Field, covariance
from tests.ternholm import HEIGHTS, SIZE_M, slopes

NOISE = 0.003
DRAWS, SLACK, LEAST = 6, 1.6, 0.08
"""Draws differ by a half, so that the mean of six may stray; less than the last is next to nothing."""
# By an independent implementation: rms of the slope's error in percent for 15, 40 and 80 places.
REACHED = {
    "Saltings": (0.69, 0.40, 0.25),
    "Curlew": (0.17, 0.10, 0.09),
    "Lantern": (0.21, 0.10, 0.08),
    "Spindrift": (0.07, 0.04, 0.03),
    "Marram": (1.33, 0.61, 0.26),
    "Breakwater": (2.17, 1.11, 0.63),
    "Samphire": (0.19, 0.13, 0.10),
    "Anvil": (1.11, 0.63, 0.41),
    "Homeward": (1.00, 0.43, 0.28),
}


def looks(places, east, north, height=0.0):
    parts = np.tile([height, east, north], (len(places), 1))
    return Looks(np.asarray(places, dtype=float), parts)


def both_slopes(places):
    places = np.asarray(places, dtype=float)
    parts = np.repeat([[0.0, 1.0, 0.0], [0.0, 0.0, 1.0]], len(places), axis=0)
    return Looks(np.vstack([places, places]), parts)


def test_slopes_covary_as_difference_quotients_of_heights_do():
    field, step = Field(0.012, 6.0), 1e-3
    here, there = np.array([[1.0, 2.0]]), np.array([[3.5, 0.5], [1.2, 2.1]])

    def heights(a, b):
        return covariance(looks(a, 0, 0, 1), looks(b, 0, 0, 1), field) / field.slope_sd**2

    east = (step, 0.0)
    slope = covariance(looks(here, 1, 0), looks(there, 0, 0, 1), field) / field.slope_sd**2
    quotient = (heights(here + east, there) - heights(here - east, there)) / (2 * step)
    assert slope == pytest.approx(quotient, rel=1e-4)
    both = covariance(looks(here, 1, 0), looks(there, 0.6, 0.8), field) / field.slope_sd**2
    turned = (0.6 * step, 0.8 * step)
    twice = sum(
        one * other * heights(here + one * np.array(east), there + other * np.array(turned))
        for one in (1, -1)
        for other in (1, -1)
    ) / (4 * step**2)
    assert both == pytest.approx(twice, rel=1e-3)


def surveyed(name, places, seed):
    """Return a survey by both slopes at places of a green, spread evenly, and the places."""
    at = qmc.Sobol(2, scramble=True, rng=seed).random_base2(7)[:places] * SIZE_M
    read = slopes(name, at) + np.random.default_rng(seed).normal(0, NOISE, (places, 2))
    readings = [
        SlopeReading((float(x), float(y)), float(slope), turn, NOISE)
        for (x, y), both in zip(at, read, strict=True)
        for slope, turn in zip(both, (0.0, math.pi / 2), strict=True)
    ]
    return Survey(tuple(readings))


EAST, NORTH = np.meshgrid(np.linspace(1.0, 23.0, 12), np.linspace(1.0, 19.0, 10))
OVER = np.column_stack([EAST.ravel(), NORTH.ravel()])


@pytest.mark.parametrize("name", HEIGHTS)
def test_slopes_come_as_near_as_was_reached_and_are_as_sure_as_is_said(name):
    inside = []
    for places, reached in zip((15, 40, 80), REACHED[name], strict=True):
        errors = []
        for seed in range(DRAWS):
            fit = surveyed(name, places, seed).fit
            asked = both_slopes(OVER)
            error = fit.mean(asked) - slopes(name, OVER).T.ravel()
            errors.append(100 * math.sqrt(np.mean(error**2)))
            inside.append(np.abs(error) <= 1.96 * np.sqrt(fit.covariance(asked).diagonal()))
        assert np.mean(errors) <= max(SLACK * reached, LEAST), places
    assert np.mean(inside) >= 0.93


def test_the_ground_that_balls_roll_on_slopes_as_the_mean_does():
    survey = surveyed("Marram", 40, 1)
    at = np.random.default_rng(3).uniform((1, 1), (23, 19), (60, 2))
    mean = survey.fit.mean(both_slopes(at)).reshape(2, -1).T
    rolled = [survey.slope(x, y, survey.parameters) for x, y in at]
    assert np.abs(np.array(rolled) - mean).max() < 2e-4


def test_heights_alone_make_a_plane():
    corners = [(0, 0), (10, 0), (0, 10), (10, 10), (5, 5)]
    survey = Survey(tuple(HeightReading(at, 3.0 + 0.02 * at[0] - 0.01 * at[1], 0.001) for at in corners))
    mean = survey.fit.mean(both_slopes([(4.0, 6.0)]))
    assert mean == pytest.approx([0.02, -0.01], abs=0.001)
    assert survey.fit.mean(looks([(2.0, 3.0)], 0, 0, 1)) == pytest.approx([3.01], abs=0.01)


def test_ways_of_fall_turn_the_ground_and_say_little_of_its_size():
    at = [(float(x), float(y)) for x in (0, 4, 8) for y in (0, 4, 8)]
    survey = Survey(tuple(WayReading(place, math.radians(-60), math.radians(5)) for place in at))
    asked = both_slopes([(4.0, 4.0)])
    east, north = survey.fit.mean(asked)
    assert math.degrees(math.atan2(-north, -east)) == pytest.approx(-60, abs=1.0)
    assert math.hypot(east, north) == pytest.approx(0.02, abs=0.004)
    along = np.array([math.cos(math.radians(-60)), math.sin(math.radians(-60))])
    size_sd = math.sqrt(along @ survey.fit.covariance(asked) @ along)
    aside_sd = math.sqrt(
        np.array([-along[1], along[0]]) @ survey.fit.covariance(asked) @ [-along[1], along[0]]
    )
    assert aside_sd < 0.5 * size_sd


def test_of_few_readings_the_usual_field_is_taken():
    few = Survey(tuple(SlopeReading((float(i), 0.0), 0.02, 0.0, 0.002) for i in range(7)))
    assert (few.fit.field.slope_sd, few.fit.field.length_m) == (0.012, 6.0)

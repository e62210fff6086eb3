"""The field between stations: its covariance against heights of its own, and how far a reading reaches."""

import numpy as np
import pytest

from orthocline.core.ground import LineDoubt, LineReadings, slope_covariance
from orthocline.core.ground.field import line_covariance

SPREAD, FIELD_M, STEP_M = 0.012, 6.0, 1e-3


def height_covariance(one, other):
    """The Matern covariance of smoothness 5/2, by its definition, of heights with slopes of that spread."""
    q = np.sqrt(5.0) / FIELD_M
    r = np.hypot(*(one - other))
    return 3.0 * SPREAD**2 / q**2 * (1.0 + q * r + (q * r) ** 2 / 3.0) * np.exp(-q * r)


@pytest.mark.parametrize("apart", [(0.4, 0.0), (1.5, -2.0), (0.0, 7.0)])
def test_slopes_covary_as_difference_quotients_of_heights_do(apart):
    places = np.array([[1.0, 2.0]])
    others = places + np.array([apart])
    found = slope_covariance(places, others)
    for i in range(2):
        for j in range(2):
            a, b = STEP_M * np.eye(2)[i], STEP_M * np.eye(2)[j]
            ends = [
                sign * height_covariance(places[0] + s * a, others[0] + t * b)
                for s, t, sign in ((1, 1, 1), (1, -1, -1), (-1, 1, -1), (-1, -1, 1))
            ]
            assert found[i, j] == pytest.approx(sum(ends) / (4 * STEP_M**2), abs=1e-4 * SPREAD**2)


def test_on_a_line_slopes_covary_as_anywhere():
    at = np.array([0.0, 0.7, 4.0])
    everywhere = slope_covariance(np.column_stack([at, 0 * at]), np.column_stack([at, 0 * at]))
    along, across = line_covariance(at)
    assert along == pytest.approx(everywhere[:3, :3], abs=1e-12)
    assert across == pytest.approx(everywhere[3:, 3:], abs=1e-12)


def sd_at(along, aside, at, sds):
    """Return how sure the fall to the right is at one place, of readings so far along the line."""
    readings = LineReadings(np.array(at), np.array(sds))
    doubt = LineDoubt(np.array([[along, aside]]), np.array([0.0, 1.0]))
    return doubt.variance(LineReadings(np.array([0.0]), np.array([0.5])), readings) ** 0.5


def test_a_reading_says_most_where_it_was_made():
    here, near, far = (sd_at(along, 0.0, [2.0], [0.002]) for along in (2.0, 4.0, 9.0))
    assert here == pytest.approx(0.002)
    assert here < near < far
    assert sd_at(2.0, 1.5, [2.0], [0.002]) > here
    assert sd_at(200.0, 0.0, [2.0], [0.0]) == pytest.approx(SPREAD * 2**0.5)


def test_two_sure_readings_leave_nothing_to_ask_where_they_stand():
    assert sd_at(0.0, 0.0, [0.0, 5.0], [0.0, 0.0]) == pytest.approx(0.0, abs=1e-9)
    assert 0.0 < sd_at(2.5, 0.0, [0.0, 5.0], [0.0, 0.0]) < SPREAD


def test_one_more_reading_takes_its_place_or_is_averaged_with_the_one_there():
    readings = LineReadings(np.array([1.0, 3.0]), np.array([0.003, 0.004]))
    more = readings.with_one(2.0, 0.001)
    assert (more.at_m.tolist(), more.sd.tolist()) == ([1.0, 2.0, 3.0], [0.003, 0.001, 0.004])
    same = readings.with_one(3.0, 0.003)
    assert same.at_m.tolist() == [1.0, 3.0]
    assert same.sd == pytest.approx([0.003, 0.0024])
    shares = [readings.counts(np.array([place]), np.array([1.0])) for place in (0.0, 1.5, 9.0)]
    assert np.array(shares) == pytest.approx(np.array([[1, 0], [0.75, 0.25], [0, 1]]))
    both = readings.counts(np.array([1.5, 9.0]), np.array([2.0, -1.0]))
    assert both == pytest.approx([1.5, -0.5])
    assert LineReadings(np.array([1.0]), np.array([0.003])).counts(np.array([0.0, 9.0]), np.ones(2)) == 2.0

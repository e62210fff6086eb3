"""What the ground hides, against rays followed step by step over the same formulas."""

import math

import numpy as np
import pytest

from orthocline.core.ground import Grid
from orthocline.core.roll import Point, Putt, RollPast
from orthocline.core.sight import Eye, horizon_of
from tests.putts import plane_putt

CLOSE_CALL_M = 0.005
"""Places hidden or seen by less are not asked for."""


def crown(x, y):
    return 0.35 * np.exp(-((x - 4.0) ** 2) / 1.5) * np.exp(-(y**2) / 6.0)


def tier(x, y):
    return 0.3 / (1.0 + np.exp(-(x + 0.2 * y - 4.0) / 0.35)) + 0.01 * y


def putt_over(height) -> Putt:
    x, y = np.arange(-4.0, 14.0, 0.2), np.arange(-8.0, 8.01, 0.2)
    ground = Grid((x[0], y[0]), 0.2, height(x[None, :], y[:, None]))
    return Putt(Point(0.0, 0.0), Point(8.0, 0.0), ground, 10.0, RollPast(0.3))


def clearance(height, eye, place) -> float:
    """Return how far a sight line to a place passes above all ground before it; below 0 if it is hidden."""
    shares = np.linspace(0.02, 0.985, 900)
    start, end = np.array([eye.along_m, eye.right_m, eye.up_m]), np.array(place)
    along, right, up = (start + shares[:, None] * (end - start)).T
    return float((up - (height(along, -right) - height(0.0, 0.0))).min())


@pytest.mark.parametrize("height", [crown, tier])
@pytest.mark.parametrize("up", [0.7, 1.6])
@pytest.mark.parametrize("from_m", [(-2.0, 0.0), (4.0, 5.0), (9.0, 0.0)])
def test_places_are_hidden_where_a_ray_meets_the_ground(height, up, from_m):
    putt = putt_over(height)
    level = float(putt.levels_m(np.array([from_m[0]]), np.array([from_m[1]]))[0])
    eye = Eye(*from_m, level + up, math.atan2(-from_m[1], 4.0 - from_m[0]))
    along, right = (one.ravel() for one in np.meshgrid(np.linspace(0.0, 8.0, 33), np.linspace(-2.0, 2.0, 9)))
    places = np.column_stack([along, right, putt.levels_m(along, right)])
    far = np.hypot(along - eye.along_m, right - eye.right_m) > 0.6
    clear = np.array([clearance(height, eye, place) for place in places])
    asked = far & (np.abs(clear) > CLOSE_CALL_M)
    assert (horizon_of(putt, eye, 16.0).sees(places) == (clear > -CLOSE_CALL_M))[asked].all()
    # From the low eye the far side of the crown is hidden, and the tier from above it.
    if up < 1.0 and height is crown and from_m[1] == 0.0:
        assert (~horizon_of(putt, eye, 16.0).sees(places)).sum() > 20


def test_the_top_of_what_stands_behind_a_crown_is_seen_over_it():
    putt = putt_over(crown)
    eye = Eye(-1.0, 0.0, 0.3, 0.0)
    foot, top = horizon_of(putt, eye, 14.0).sees(np.array([(6.5, 0.0, 0.0), (6.5, 0.0, 1.0)])).tolist()
    assert (foot, top) == (False, True)


def test_a_plane_hides_nothing_and_ends_where_one_looks_no_further():
    putt = plane_putt(20.0, grade=-0.04, side_right=0.03)
    eye = Eye(-2.0, 0.0, 0.7, 0.0)
    horizon = horizon_of(putt, eye, 20.0)
    along, right = (
        one.ravel() for one in np.meshgrid(np.linspace(-1.0, 15.0, 40), np.linspace(-3.0, 3.0, 7))
    )
    assert horizon.sees(np.column_stack([along, right, putt.levels_m(along, right)])).all()
    ahead = horizon.skyline[len(horizon.skyline) // 2]
    assert ahead == pytest.approx([0.0, (0.7 + 0.04 * 18.0) / 20.0])

"""The names of a green's places: the nine of Ternholm, and a hundred made of known shapes by a seed."""

import math

import numpy as np
import pytest

from orthocline.core.ground import Grid
from orthocline.core.relief import Kind, Outline, Relief, features
from tests.core.relief.seeded import SeededGreen
from tests.ternholm import HEIGHTS

NEAR_M = 2.0
PLAIN_M = 0.004
SEEDS = 100
TERNHOLM = {
    "Curlew": [(Kind.HOLLOW, (12.0, 7.125))],
    "Lantern": [(Kind.CROWN, (12.0, 10.0))],
    "Spindrift": [],
    "Breakwater": [(Kind.TIER, (12.0, 10.5))],
    "Samphire": [(Kind.SADDLE, (12.0, 12.5))],
    "Anvil": [(Kind.FRONT, (12.0, 1.84))],
    "Homeward": [(Kind.RIDGE, (12.0, 10.0))],
}


def relief(name):
    x, y = np.arange(-3, 27.01, 0.5), np.arange(-3, 23.01, 0.5)
    east, north = np.meshgrid(x, y)
    corners = [
        (12 + 11.5 * math.cos(one), 10 + 9.5 * math.sin(one))
        for one in np.linspace(0, 2 * math.pi, 12, endpoint=False)
    ]
    return Relief(Grid((-3.0, -3.0), 0.5, HEIGHTS[name](east, north) + 0 * east), Outline(tuple(corners)))


@pytest.mark.parametrize("name", TERNHOLM)
def test_each_green_of_ternholm_is_called_what_it_is(name):
    found = features(relief(name))
    assert [one.kind for one in found] == [kind for kind, _ in TERNHOLM[name]]
    for one, (_, at) in zip(found, TERNHOLM[name], strict=True):
        assert math.dist(one.at_m, at) < 1.0


def test_a_swale_lies_along_its_axis_and_crisps_have_many_places():
    valley = next(one for one in features(relief("Saltings")) if one.kind is Kind.VALLEY)
    assert all(abs(x - 0.5 * y - 7) < 0.8 for x, y in valley.along)
    assert {one.kind for one in features(relief("Marram"))} >= {Kind.CROWN, Kind.HOLLOW, Kind.SADDLE}


def far_from(shape, at):
    """Return how far a place lies from the axis of a shape."""
    x, y = at[0] - shape.at[0], at[1] - shape.at[1]
    return abs(y * math.cos(shape.along_rad) - x * math.sin(shape.along_rad))


def is_true(green, spots, one):
    if one.kind in (Kind.RIDGE, Kind.VALLEY):
        return green.folds(one.at_m, 1.0 if one.kind is Kind.RIDGE else -1.0)
    if one.kind in (Kind.TIER, Kind.FRONT):
        return green.steps(one.at_m)
    return any(kind is one.kind and math.dist(at, one.at_m) < NEAR_M for kind, at, _ in spots)


def is_found(found, kind, near):
    return any(one.kind is kind and near(one) for one in found)


def test_what_is_named_is_there_and_what_is_there_is_named():
    right, named, seen, there = 0, 0, 0, 0
    for seed in range(SEEDS):
        green = SeededGreen(seed)
        relief, spots = green.relief, green.spots()
        found = features(relief)
        named += len(found)
        right += sum(is_true(green, spots, one) for one in found)
        held = relief.outline.holds(np.array([at for _, at, _ in spots]).reshape(-1, 2))
        for (kind, at, plain), on in zip(spots, held, strict=True):
            if on and plain > PLAIN_M and min(math.dist(at, edge) for edge in relief.outline.curve) > 1.0:
                there += 1
                seen += is_found(found, kind, lambda one, at=at: math.dist(one.at_m, at) < NEAR_M)
        for shape in green.shapes:
            there += 1
            seen += is_found(found, shape.kind, lambda one, shape=shape: far_from(shape, one.at_m) < NEAR_M)
    assert right / named >= 0.9, (right, named)
    assert seen / there >= 0.9, (seen, there)

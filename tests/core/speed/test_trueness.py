"""How true a green rolls, from seeded rolls of known scatter."""

import math

import numpy as np
import pytest

from orthocline.core.speed import trueness_of


@pytest.mark.parametrize(("scatter_deg", "rating"), [(0.18, 5), (0.3, 4), (0.47, 3), (0.7, 2), (1.2, 1)])
def test_many_rolls_give_their_scatter_whatever_way_the_ramp_stood(scatter_deg, rating):
    rng = np.random.default_rng(7)
    ways = [list(rng.normal(math.radians(stands), math.radians(scatter_deg), 400)) for stands in (0.8, -1.1)]
    found = trueness_of(ways)
    assert math.degrees(found.scatter_rad) == pytest.approx(scatter_deg, rel=0.06)
    assert found.rating == rating


def test_too_few_say_nothing_and_alike_ones_that_it_is_true():
    assert trueness_of([[0.01, -0.01], []]) is None
    assert trueness_of([[0.01, 0.01, 0.01], [0.3]]).rating == 5

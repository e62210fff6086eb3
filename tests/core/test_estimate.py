"""Estimates: means of few trials, and several that become one."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from orthocline.core.estimate import Estimate, combine, mean_estimate


def test_estimates_are_weighted_and_own_up_when_they_disagree():
    both = combine([Estimate(10.0, 0.15), Estimate(10.4, 0.5)])
    assert both.value == pytest.approx((10.0 / 0.15**2 + 10.4 / 0.25) / (1 / 0.15**2 + 4))
    assert both.sd == pytest.approx(1 / math.sqrt(1 / 0.15**2 + 4))
    apart = combine([Estimate(9.0, 0.15), Estimate(11.0, 0.15)])
    assert apart.value == pytest.approx(10.0)
    assert apart.sd == pytest.approx(1.0)
    assert combine([Estimate(9.0, 0.15)]) == Estimate(9.0, pytest.approx(0.15))


@given(st.lists(st.tuples(st.floats(5.0, 13.0), st.floats(0.1, 1.0)), min_size=2, max_size=6))
def test_a_combination_lies_among_its_parts_in_whatever_order(parts):
    estimates = [Estimate(*part) for part in parts]
    both, turned = combine(estimates), combine(estimates[::-1])
    assert min(e.value for e in estimates) - 1e-9 <= both.value <= max(e.value for e in estimates) + 1e-9
    assert (both.value, both.sd) == pytest.approx((turned.value, turned.sd))
    assert combine([estimates[0]] * 4).sd == pytest.approx(estimates[0].sd / 2)


def test_the_range_of_a_mean_of_few_tries_holds_the_truth():
    rng = np.random.default_rng(7)
    trials = rng.normal(3.0, 0.1, (2000, 4))
    found = [mean_estimate(row.tolist(), 0.05) for row in trials]
    assert np.mean([abs(one.value - 3.0) <= one.within for one in found]) == pytest.approx(0.955, abs=0.02)
    assert mean_estimate([3.0], 0.05) == Estimate(3.0, pytest.approx(0.15))


def test_two_tries_are_as_sure_as_the_usual_scatter_makes_their_mean():
    """The sum of two tries scatters by the root of two, their mean by half of that."""
    both = mean_estimate([10.0, 12.0], 0.03)
    assert both.value == pytest.approx(11.0)
    assert both.sd == pytest.approx(0.5 * math.hypot(0.33, 0.33))
    assert mean_estimate([11.0], 0.03).sd == pytest.approx(0.33)
    assert mean_estimate([10.0, 12.0], 0.03, 0.4).sd == pytest.approx(math.hypot(both.sd, 0.4))

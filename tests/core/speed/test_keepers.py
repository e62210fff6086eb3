"""A keeper's numbers as an instrument: on made-up keepers, whose habit and spread are known."""

import numpy as np
import pytest

from orthocline.core.estimate import Estimate
from orthocline.core.instruments import POSTED_SD_FT
from orthocline.core.speed import posted_speed


def days_of(rng, days, habit_ft, spread_ft, measured_sd):
    """Return numbers that a keeper put up, each with what a ramp found of the true speed."""
    true = rng.uniform(8.5, 11.5, days)
    put_up = true + habit_ft + rng.normal(0.0, spread_ft, days)
    found = true + rng.normal(0.0, measured_sd, days)
    return [(float(n), Estimate(float(m), measured_sd)) for n, m in zip(put_up, found, strict=True)]


def test_without_days_of_its_own_it_is_a_usual_number():
    assert posted_speed(10.0).value == 10.0
    assert posted_speed(10.0).sd == pytest.approx(POSTED_SD_FT)


@pytest.mark.parametrize("days", [0, 2, 6, 15, 40])
def test_its_range_holds_the_true_speed_95_times_of_100(days):
    rng, held, tries = np.random.default_rng(days), 0, 1200
    for _ in range(tries):
        habit, spread = rng.normal(0.0, 0.35), rng.uniform(0.2, 0.5)
        pairs = days_of(rng, days, habit, spread, 0.18)
        told = posted_speed(10.0 + habit + rng.normal(0.0, spread), pairs)
        held += abs(told.value - 10.0) <= 1.96 * told.sd
    assert 0.925 <= held / tries <= 0.985


def test_a_habit_and_a_small_spread_are_learnt():
    rng = np.random.default_rng(1)
    told = [posted_speed(10.6, days_of(rng, 20, 0.6, 0.1, 0.15)) for _ in range(200)]
    assert np.mean([one.value for one in told]) == pytest.approx(10.0, abs=0.04)
    assert np.mean([one.sd for one in told]) < 0.27
    wild = [posted_speed(10.6, days_of(rng, 20, 0.0, 1.0, 0.15)) for _ in range(200)]
    assert np.mean([one.sd for one in wild]) > 0.8

"""Felt and seen slope: the line through pairs, and how sure the next guess is."""

import numpy as np
import pytest
from scipy.stats import linregress

from orthocline.core.ground import SlopePair, sense

GUESSES = (0.01, 0.015, 0.02, 0.03, 0.04, 0.02)
LEVELS = (0.006, 0.012, 0.017, 0.022, 0.029, 0.012)


def pairs(guesses=GUESSES, levels=LEVELS):
    return [SlopePair(float(guess), float(level)) for guess, level in zip(guesses, levels, strict=True)]


def test_the_line_is_that_of_least_squares():
    found, expected = sense(pairs()), linregress(GUESSES, LEVELS)
    assert (found.factor, found.at_none) == pytest.approx((expected.slope, expected.intercept))
    assert found.slope(0.03).value == pytest.approx(expected.intercept + 0.03 * expected.slope)


def test_fewer_than_five_pairs_tell_nothing():
    assert sense(pairs()[:4]) is None
    assert sense(pairs()[:5]) is not None


def test_the_range_of_a_guess_holds_the_level_as_often_as_it_says():
    rng = np.random.default_rng(4)
    held = []
    for _ in range(3000):
        count = rng.integers(5, 12)
        guesses = np.round(rng.uniform(0, 0.06, count + 1) * 200) / 200
        levels = 0.003 + 0.7 * guesses + rng.normal(0, 0.004, count + 1)
        own = sense(pairs(guesses[:-1], levels[:-1]))
        found = own.slope(float(guesses[-1]))
        held.append(abs(found.value - levels[-1]) <= found.within)
    assert np.mean(held) == pytest.approx(0.955, abs=0.015)


def test_a_guess_far_from_those_tried_is_less_sure():
    own = sense(pairs())
    assert own.slope(0.06).sd > own.slope(own.middle).sd


def test_guesses_that_are_all_the_same_say_only_how_far_off_they_are():
    own = sense(pairs([0.02] * 6, LEVELS))
    assert own.factor == 1.0
    assert own.slope(0.02).value == pytest.approx(np.mean(LEVELS))
    assert own.slope(0.05).value - own.slope(0.02).value == pytest.approx(0.03)

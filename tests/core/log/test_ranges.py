"""Ranges hold what they say: against trials by chance, and at the ends."""

import numpy as np
import pytest
from scipy import stats

from orthocline.core.estimate import Span
from orthocline.core.log import NO_FIGURE, Figure, difference, mean, median, share, spread

TRIALS = 2000
HELD = pytest.approx(0.95, abs=0.025)


def held(figures, true):
    """Return in which share of trials the range held the true figure."""
    return np.mean([one.span.least <= true <= one.span.most for one in figures])


@pytest.mark.parametrize(("chance", "count"), [(0.3, 20), (0.08, 60), (0.5, 10)])
def test_the_range_of_a_share_holds_it_on_the_whole(chance, count):
    # One true share alone is held more or less often as counts are whole: on the mean over some near it.
    rng = np.random.default_rng(1)
    chances = chance + rng.uniform(-0.05, 0.05, TRIALS)
    spans = [share(rng.random(count) < true).span for true in chances]
    assert np.mean([s.holds(true) for s, true in zip(spans, chances, strict=True)]) == HELD


def test_means_medians_spreads_and_their_differences_hold_the_true_figures():
    rng = np.random.default_rng(2)
    draws = rng.normal(0.4, 0.2, (TRIALS, 12))
    others = rng.normal(0.1, 0.3, (TRIALS, 20))
    assert held(map(mean, draws), 0.4) == HELD
    assert held(map(spread, draws), 0.2) == HELD
    assert held(map(median, draws), 0.4) >= 0.95
    apart = [difference(mean(one), mean(other)) for one, other in zip(draws, others, strict=True)]
    assert held(apart, 0.3) == HELD


def test_the_difference_of_two_shares_holds_the_true_one():
    rng = np.random.default_rng(3)
    apart = [difference(share(rng.random(25) < 0.5), share(rng.random(40) < 0.3)) for _ in range(TRIALS)]
    assert held(apart, 0.2) == HELD


def test_a_mean_has_the_range_of_students_t():
    found = mean(np.array([1.0, 2.0, 4.0, np.nan]))
    expected = stats.t.interval(0.95, 2, loc=7 / 3, scale=stats.sem([1.0, 2.0, 4.0]))
    assert (found.count, found.span.least, found.span.most) == pytest.approx((3, *expected))


@pytest.mark.parametrize(("hits", "count"), [(3, 10), (1, 4), (17, 18)])
def test_a_share_has_the_range_of_its_beta_distribution(hits, count):
    found = share(np.arange(count) < hits)
    assert found.value == hits / count
    expected = stats.beta.interval(0.95, hits + 0.5, count - hits + 0.5)
    assert (found.span.least, found.span.most) == pytest.approx(expected)


def test_a_median_lies_between_the_ranks_of_the_binomial_distribution():
    for count in (*range(1, 300), 1_000, 9_999, 20_000):
        found = median(np.random.default_rng(count).permutation(count).astype(float))
        rank = stats.binom.ppf(0.025, count, 0.5)
        assert found.value == 0.5 * (count - 1)
        span = found.span and (found.span.least, found.span.most)
        assert span == ((rank - 1, count - rank) if count >= 6 else None)


def test_a_difference_has_the_range_of_both():
    one, other = Figure(0.5, Span(0.4, 0.7), 12), Figure(0.2, Span(0.17, 0.24), 9)
    found = difference(one, other)
    assert (found.value, found.count) == (pytest.approx(0.3), 9)
    assert found.span.least == pytest.approx(0.3 - (0.1**2 + 0.04**2) ** 0.5)
    assert found.span.most == pytest.approx(0.3 + (0.2**2 + 0.03**2) ** 0.5)


def test_ten_putts_prove_little_and_none_prove_nothing():
    five_of_ten = share(np.arange(10) < 5)
    assert five_of_ten.few
    assert five_of_ten.span.least < 0.25
    assert five_of_ten.span.most > 0.75
    assert not share(np.arange(40) < 20).few
    assert share(np.array([], bool)) == mean(np.array([])) == median(np.array([np.nan])) == NO_FIGURE
    assert spread(np.array([1.0])) == Figure(None, None, 1)
    assert mean(np.array([1.0])) == Figure(1.0, None, 1)
    assert median(np.arange(5.0)).span is None


def test_all_or_none_reach_to_the_end():
    assert share(np.ones(8, bool)).span.most == 1.0
    assert share(np.zeros(8, bool)).span.least == 0.0


def test_figures_are_taken_so_many_times_and_compared_with_known_ones():
    one = mean(np.array([0.1, 0.3]))
    assert one.times(18.0).value == pytest.approx(3.6)
    assert one.times(18.0).span.width == pytest.approx(18.0 * one.span.width)
    assert one.less(0.05).span.least == pytest.approx(one.span.least - 0.05)
    assert NO_FIGURE.times(2.0) == NO_FIGURE.less(1.0) == NO_FIGURE
    assert difference(one, NO_FIGURE).value is None
    assert difference(one, Figure(0.1, None, 1)) == Figure(pytest.approx(0.1), None, 1)

"""Speeds without a ramp, estimates that combine and age, strokes, strides, zero putts and the beat."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from orthocline.core.account import PacedTape, stride
from orthocline.core.calls import level_twin_of, one_second_m, slide
from orthocline.core.estimate import Estimate, combine, mean_estimate
from orthocline.core.roll import Launch, read, roller, rolling_deceleration_mps2
from orthocline.core.speed import (
    StrokePutt,
    aged,
    posted_speed,
    rule_of_thumb_stroke_m,
    score_zero_putts,
    speed_from_strokes,
    stroke_length_m,
    stroke_rate,
    tempo_beat,
    timed_speed,
)
from orthocline.core.units import FOOT_M, INCH_M
from tests.putts import plane_putt

HUNDREDTH_FT = 0.01
INCH_FT = 1 / 12


def test_posted_is_sure_to_a_foot_that_day_and_a_foot_and_a_half_after():
    posted = posted_speed(10.5)
    assert posted == Estimate(10.5, 0.5)
    assert aged(posted, 24.0).within == pytest.approx(1.5)
    assert aged(posted, 200.0).within == pytest.approx(1.5)
    assert aged(posted, -1.0) == posted
    assert posted.within < aged(posted, 5.0).within < 1.1


@pytest.mark.parametrize("speed_ft", [6.0, 8.5, 10.0, 13.0])
@pytest.mark.parametrize("length_ft", [8.0, 20.0])
def test_a_timed_putt_finds_the_speed_that_rolled_it(speed_ft, length_ft):
    """The time of a struck putt on the level: the slide, then the pure roll to rest."""
    putt = plane_putt(length_ft, speed_ft=speed_ft, past_in=0.0)
    solved = read(putt)
    drag = rolling_deceleration_mps2(speed_ft)
    slid = slide(solved.launch_speed_mps, drag)
    rolling = slid.face_speed_mps * 5 / 7
    total = slid.distance_m + rolling**2 / (2 * drag)
    assert total == pytest.approx(length_ft * FOOT_M)
    time = slid.duration_s + rolling / drag
    found = timed_speed(length_ft * FOOT_M, [time])
    assert found.value == pytest.approx(speed_ft, abs=HUNDREDTH_FT)
    late = timed_speed(length_ft * FOOT_M, [time + 0.15]).value - found.value
    assert found.within == pytest.approx(abs(late), rel=0.1)


def test_more_times_are_surer_and_a_time_too_short_is_refused():
    one = timed_speed(4.0, [3.5])
    four = timed_speed(4.0, [3.45, 3.55, 3.5, 3.5])
    assert four.within == pytest.approx(one.within / 2, rel=0.05)
    assert timed_speed(4.0, [3.0, 3.5, 4.0]).within > four.within
    assert timed_speed(4.0, [3.5], 0.05).within > one.within
    with pytest.raises(ValueError, match="so short a time"):
        timed_speed(20.0, [0.5])


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


def test_a_stride_is_the_mean_of_its_tries():
    assert stride([]) is None
    own = stride([PacedTape(10, 27 * FOOT_M), PacedTape(10, 28 * FOOT_M), PacedTape(20, 55 * FOOT_M)])
    assert own.value / FOOT_M == pytest.approx(2.75)
    assert 0 < own.within / FOOT_M < 0.2


def test_a_calibrated_stroke_gives_stroke_lengths_and_green_speed():
    """Five strokes of a golfer whose ball leaves at 3.2 times the length of the stroke."""
    rate, drag = 3.2, rolling_deceleration_mps2(9.0)
    strokes = [0.3, 0.4, 0.5, 0.6, 0.7]
    own = stroke_rate([StrokePutt(s, (rate * s) ** 2 / (2 * drag), 9.0) for s in strokes])
    assert own.value == pytest.approx(rate)
    assert stroke_rate([]) is None
    faster = plane_putt(15.0, speed_ft=11.0, past_in=0.0)
    stroke = stroke_length_m(read(faster).launch_speed_mps, own)
    rolled = roller(faster, read(faster).aim)(Launch(0.0, rate * stroke)).length_m
    assert rolled / FOOT_M == pytest.approx(15.0, abs=INCH_FT)
    day = speed_from_strokes([(0.4, 2.5), (0.5, 3.9), (0.6, 5.6)], own)
    assert day.value == pytest.approx(1.83**2 * 3.9 / (3.2 * 0.5) ** 2 / FOOT_M, rel=0.01)
    unsure = speed_from_strokes([(0.4, 2.5), (0.5, 3.9), (0.6, 5.6)], Estimate(rate, 0.1))
    assert unsure.within > day.within


def test_the_rule_of_thumb_is_an_inch_a_foot():
    assert rule_of_thumb_stroke_m(15 * FOOT_M) == pytest.approx(15 * INCH_M)


def test_zero_putts_are_scored_by_where_they_stop():
    score = score_zero_putts(12 * FOOT_M, [12 * FOOT_M, 13.5 * FOOT_M, 11.5 * FOOT_M, 14 * FOOT_M])
    assert score.good == (True, True, False, False)
    assert score.mean_m / FOOT_M == pytest.approx(0.75)
    assert score.group_m / FOOT_M == pytest.approx(2.5)
    assert not score.all_good
    assert score_zero_putts(3.0, [3.1]).spread_m == 0.0
    assert score_zero_putts(3.0, [3.1]).all_good


def test_the_beat_is_two_to_one_and_counts_one_second_from_the_strike():
    beat = tempo_beat()
    assert [name for name, _ in beat.sounds] == ["start", "top", "strike", "mark"]
    start, top, strike, mark = (time for _, time in beat.sounds)
    assert (top - start) == pytest.approx(2 * (strike - top))
    assert mark - strike == 1.0
    assert beat.period_s > mark
    assert len(tempo_beat(count=False).sounds) == 3


@pytest.mark.parametrize(("past_in", "plays_ft"), [(0.0, 18.8), (12.0, 19.1)])
def test_fifteen_feet_up_two_percent_plays_like_nineteen(past_in, plays_ft):
    twin = level_twin_of(read(plane_putt(15.0, grade=0.02, past_in=past_in)))
    assert twin.plays_like_m / FOOT_M == pytest.approx(plays_ft, abs=0.05)


def test_the_one_second_mark_of_a_slow_nine_footer():
    solved = read(plane_putt(9.0, grade=1 / 108, speed_ft=8.5))
    assert 5.7 <= one_second_m(solved) / FOOT_M <= 5.9

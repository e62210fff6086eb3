"""Checking pace: tuning putts and the beat."""

import statistics

import pytest

from orthocline.core.speed import TUNING_FIGURES, Tempo, score_tuning_putts, tempo_beat
from orthocline.core.units import FOOT_M, INCH_M


def test_tuning_putts_are_scored_by_where_they_stop():
    balls = [feet * FOOT_M for feet in (12.0, 13.5, 11.5, 14.0)]
    score = score_tuning_putts(12 * FOOT_M, 1.5 * FOOT_M, balls)
    assert score.good == (True, True, False, False)
    assert score.mean_m / FOOT_M == pytest.approx(0.75)
    assert score.group_m / FOOT_M == pytest.approx(2.5)
    assert [past / FOOT_M for past in score.past_m] == pytest.approx([0.0, 1.5, -0.5, 2.0])
    assert score.spread_m / FOOT_M == pytest.approx(statistics.stdev([0.0, 1.5, -0.5, 2.0]))
    assert not score.all_good
    assert score_tuning_putts(3.0, 0.4, [3.1]).spread_m == 0.0
    assert score_tuning_putts(3.0, 0.4, [3.1]).all_good
    assert not score_tuning_putts(3.0, 0.05, [3.1]).all_good, "the zone is the golfer's own"
    target, zone, balls = (figure.between for figure in TUNING_FIGURES)
    assert [end / INCH_M for end in zone] == pytest.approx([2.0, 72.0])
    assert [end / FOOT_M for end in target] == pytest.approx([3.0, 60.0])
    assert [end / FOOT_M for end in balls] == pytest.approx([1.0, 100.0])


@pytest.mark.parametrize(("back_s", "beat_s"), [(0.6, 1.0), (0.8, 1.4)])
def test_the_beat_is_two_to_one_and_counts_one_beat_from_the_strike(back_s, beat_s):
    beat = tempo_beat(Tempo(back_s, beat_s))
    assert [name for name, _ in beat.sounds] == ["start", "top", "strike", "mark"]
    start, top, strike, mark = (time for _, time in beat.sounds)
    assert (top - start, strike - top, mark - strike) == pytest.approx((back_s, back_s / 2, beat_s))
    assert beat.period_s > mark

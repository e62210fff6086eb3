"""Checking pace: zero putts and the beat."""

import pytest

from orthocline.core.speed import score_zero_putts, tempo_beat
from orthocline.core.units import FOOT_M


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

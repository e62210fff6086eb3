"""Where the slope counts, beside where the turning is seen."""

import numpy as np
import pytest

from orthocline.core.ground import Station, Stations
from orthocline.core.roll import Point, Putt, RollPast, read
from orthocline.core.sure import CERTAIN, Sureness
from orthocline.core.units import FOOT_M
from tests.putts import plane_putt


def counting(putt):
    return Sureness(read(putt), CERTAIN).counting


def hundreds(shares):
    return [round(100 * share) for share in shares]


def test_thirds_of_the_twenty_foot_putt_are_those_of_the_practice_checks():
    found = counting(plane_putt(20.0, side_right=-0.01))
    assert hundreds(found.counts_by_third) == pytest.approx([37, 36, 27], abs=1)
    assert hundreds(found.turns_by_third) == pytest.approx([13, 21, 67], abs=1)


def test_the_curves_are_shares_of_the_whole():
    found = counting(plane_putt(12.0, side_right=0.02, grade=-0.01))
    for curve, thirds in ((found.counts, found.counts_by_third), (found.turns, found.turns_by_third)):
        assert np.trapezoid(curve, found.shares) == pytest.approx(1.0, abs=0.01)
        assert sum(thirds) == pytest.approx(1.0)
    assert found.counts[0] > found.counts[-1]
    assert found.turns[-1] > 2.0 * found.turns[0]


def test_a_straight_putt_turns_nowhere_but_a_tilt_would_count():
    found = counting(plane_putt(12.0, grade=0.01))
    assert not found.turns.any()
    assert sum(found.turns_by_third) == 0.0
    assert sum(found.counts_by_third) == pytest.approx(1.0)


def test_a_double_break_turns_where_the_ground_does():
    length = 15 * FOOT_M
    stations = Stations(
        (0.0, 0.0), (length, 0.0), (Station(0.1, 0.03, 0.0), Station(0.5, 0.0, 0.0), Station(0.9, -0.03, 0.0))
    )
    putt = Putt(Point(0, 0), Point(length, 0), stations, 10.0, RollPast(0.3))
    found = counting(putt)
    middle = found.turns[25:36].max()
    assert middle < 0.5 * found.turns[5]
    assert middle < 0.3 * found.turns[50]

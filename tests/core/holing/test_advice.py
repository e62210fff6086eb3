"""How firm: the best roll-pasts against a separate program's, and what a miss leaves."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.account import GOLFERS, UsualPasts
from orthocline.core.holing import (
    SAFE,
    Change,
    Doubt,
    Leave,
    RoundHole,
    SecondPutts,
    Ways,
    chances_of,
    leaves_of,
    safe_leave_of,
)
from orthocline.core.roll import RollPast, aims, ends_of
from orthocline.core.units import FOOT_M, INCH_M
from tests.holing import SPECIMENS
from tests.putts import FORMULAS, on_grid, plane_putt

A_FOOT = UsualPasts(FOOT_M)


class MeanOfWays(SecondPutts):
    """Second putts as the separate program has them: the mean over all directions."""

    def holed(self, from_hole):
        away = np.hypot(*from_hole.T)
        ways = np.linspace(0.0, 2.0 * math.pi, 24, endpoint=False)
        rings = [away[:, None] * (math.cos(way), math.sin(way)) for way in ways.tolist()]
        return np.mean([super(MeanOfWays, self).holed(ring) for ring in rings], axis=0)


DYING = 1.791
"""Putts of the tournament golfer on the first of them, dying."""


@pytest.mark.parametrize(
    ("putt", "tournament", "middle"), SPECIMENS, ids=["across", "down", "up", "long", "short"]
)
def test_the_best_roll_past_is_that_of_a_separate_program(putt, tournament, middle):
    for level, (first, last, putts) in (("tournament", tournament), ("middle", middle)):
        found = Ways(putt, GOLFERS[level], MeanOfWays(RoundHole(putt, A_FOOT), GOLFERS[level])).advice
        assert found.best_putts == pytest.approx(putts, abs=0.015)
        assert found.as_good.least - 5 * INCH_M <= first * INCH_M
        assert found.as_good.most + 5 * INCH_M >= last * INCH_M
        assert first - 5.5 <= found.best_m / INCH_M <= last + 5.5


def advised(putt, level):
    return ways(putt, level).advice


def ways(putt, level):
    return Ways(putt, GOLFERS[level], SecondPutts(RoundHole(putt, A_FOOT), GOLFERS[level]))


def test_firm_for_the_short_putt_dying_for_the_long_one_softer_for_the_weaker_golfer():
    ten, thirty = SPECIMENS[0][0], SPECIMENS[3][0]
    best = [advised(ten, level).best_m for level in ("tournament", "low", "middle", "new")]
    assert best == sorted(best, reverse=True)
    assert advised(thirty, "tournament").as_good.least == pytest.approx(INCH_M)
    assert advised(ten, "tournament").putts[0] == pytest.approx(DYING, abs=0.015)


def test_the_curves_pass_through_what_was_tried_and_the_flat_stretch_is_as_good():
    found = advised(SPECIMENS[0][0], "middle")
    putts = found.curve(found.putts)
    for past, tried in zip(found.pasts_m, found.putts, strict=True):
        assert found.at(found.putts, past) == pytest.approx(tried, abs=0.005)
    within = (found.looks_m >= found.as_good.least) & (found.looks_m <= found.as_good.most)
    assert putts[within].max() <= found.best_putts + 0.01
    assert putts[~within].min() > found.best_putts + 0.0099
    assert found.as_good.least < found.best_m < found.as_good.most
    assert found.putts == pytest.approx(2 - np.array(found.holed) + np.array(found.three_putts))


def test_ground_that_holds_no_ball_has_no_roll_past_to_choose():
    assert advised(plane_putt(10, grade=-0.09, speed_ft=12), "low") is None


def test_on_any_ground_paces_are_tried_that_a_ball_can_have():
    putt = on_grid(next(entry for entry in FORMULAS if entry["putt"]["surface"]["name"] == "tier"))
    found = advised(putt, "low")
    assert len(found.pasts_m) >= 4
    for past, meant in zip(found.pasts_m, found.meant, strict=True):
        solved = aims(replace(putt, pace=RollPast(past)))[0]
        assert (solved.pace_met, solved.launch) == (True, meant)


def test_a_low_miss_runs_further_away_than_a_high_one():
    putt = plane_putt(15, side_right=-0.03, past_in=10)
    meant = aims(putt)[0].launch
    off = math.radians(2.0)
    launches = [(meant.right_rad + way * off, meant.speed_mps) for way in (-1.0, 1.0)]
    ends = ends_of(putt, np.array(launches))
    low, high = np.hypot(*ends.rests.T) / INCH_M
    assert (low, high) == (pytest.approx(16.7, abs=0.2), pytest.approx(5.3, abs=0.2))


def played(putt, level="middle"):
    played_so = ways(putt, level)
    return chances_of(putt, aims(putt)[0].launch, played_so.golfer, played_so.seconds), played_so


def test_what_a_miss_leaves_high_and_low():
    chances, _ = played(plane_putt(15, side_right=-0.03, past_in=10))
    leaves = leaves_of(chances)
    assert leaves.high_right
    high, low = leaves.right, leaves.left
    assert low.away_m > high.away_m
    assert high.rise < 0.0 < low.rise
    assert leaves.better_right == (high.holed > low.holed)
    assert high.share + low.share + chances.holed == pytest.approx(1.0, abs=0.002)
    three = high.share * (1 - high.holed) + low.share * (1 - low.holed)
    assert three == pytest.approx(chances.three_putts, abs=0.002)
    assert math.hypot(high.beyond_m, high.right_m) < high.away_m * 1.3


def test_the_slope_of_a_leave_is_that_back_to_the_hole():
    leaves = leaves_of(played(plane_putt(15, grade=-0.03))[0])
    assert leaves.high_right is None
    for one in (leaves.right, leaves.left):
        assert one.rise == pytest.approx(
            0.03 * one.beyond_m / math.hypot(one.beyond_m, one.right_m), abs=1e-6
        )


def test_a_leave_is_safe_below_the_hole():
    downhill, others = played(plane_putt(10, grade=-0.03, past_in=24))
    assert safe_leave_of(downhill, others.advice).safe
    uphill, others = played(plane_putt(10, grade=0.03, past_in=24))
    found = safe_leave_of(uphill, others.advice)
    assert not found.safe
    assert (found.by_pace, found.by_aim) == (None, None)
    assert safe_leave_of(played(plane_putt(10, side_right=0.003))[0], None) is None


def test_a_safe_leave_says_what_it_costs():
    chances, others = played(plane_putt(20, side_right=-0.025, past_in=3))
    found = safe_leave_of(chances, others.advice)
    assert found.below < SAFE
    change = found.by_aim
    assert isinstance(change, Change)
    assert change.below >= SAFE
    lower = replace(
        chances.spread.meant,
        right_rad=chances.spread.meant.right_rad - math.atan2(change.amount_m, chances.putt.length_m),
    )
    aimed = replace(chances, spread=replace(chances.spread, meant=lower))
    assert aimed.holed - chances.holed == pytest.approx(change.holed, abs=0.01)
    assert aimed.putts - chances.putts == pytest.approx(change.putts, abs=0.01)
    rests = aimed.ends.rests[~aimed.ends.drops]
    assert (rests[:, 1] < 0.0).mean() == pytest.approx(change.below, abs=0.02)


def test_a_side_where_nothing_misses_leaves_nothing():
    sure = replace(GOLFERS["tournament"], start_line_rad=1e-6, ground_rad=1e-6, energy=1e-6)
    putt = plane_putt(4)
    leaves = leaves_of(
        chances_of(putt, aims(putt)[0].launch, sure, SecondPutts(RoundHole(putt, A_FOOT), sure))
    )
    assert (leaves.right, leaves.left, leaves.better_right) == (None, None, None)
    assert Leave._fields[0] == "share"


def test_what_is_unsure_moves_the_best_pace_and_costs_putts():
    putt = SPECIMENS[0][0]
    sure = ways(putt, "tournament")
    unsure = replace(sure, doubt=Doubt(math.radians(1.5), 0.1))
    assert unsure.advice.best_putts > sure.advice.best_putts + 0.05
    assert unsure.advice.best_m < sure.advice.best_m
    assert unsure.at(0.3).spread.sideways_rad > sure.at(0.3).spread.sideways_rad

"""What watched balls imply, over balls that the tests' own integrator rolled on hidden ground."""

import math
from functools import cache

import numpy as np
import pytest

from orthocline.core.balls import Conditions, OwnBall, SeenBall, implied_by_other, implied_by_own
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Grain, Point, Putt, RollPast, read
from orthocline.core.sure import Sureness, Uncertainty
from tests.rolled import FOOT, drag, holed_by_trying, roll_out

BALLS = 400
PER_SLOPE = math.hypot(0.02, 0.015) / math.sqrt(2)
"""Greens of a first look: 2 % give or take 3."""
INCH = FOOT / 12


class Watched:
    """Balls of other players on hidden planes: what each did, and what was seen of it."""

    def __init__(self, seed):
        rng = np.random.default_rng(seed)
        self.speed, self.length = rng.uniform(8, 11, BALLS), rng.uniform(8, 30, BALLS) * FOOT
        self.slopes = np.clip(rng.normal(0, PER_SLOPE, (BALLS, 2)), -0.045, 0.045)
        past = np.full(BALLS, FOOT)
        best, launch = holed_by_trying(self.slopes, self.speed, self.length, past)
        self.start = best + rng.normal(0, math.radians(1.5), BALLS)
        struck = launch * np.sqrt(np.maximum(rng.normal(1.0, 0.12, BALLS), 0.4))
        ways = roll_out(self.slopes, self.speed, self.start, struck)
        self.finish = ways[-1] + rng.normal(0, 3 * INCH, (BALLS, 2))
        self.seen_start = self.start + rng.normal(0, math.radians(0.75), BALLS)
        self.seen_last = np.array([_last(ways[:, i]) for i in range(BALLS)])
        self.seen_last += rng.normal(0, math.radians(5.0), BALLS)
        self.passed = [_passed(ways[:, i], self.length[i]) for i in range(BALLS)]

    def implied(self, *seen):
        return [
            implied_by_other(
                SeenBall(
                    self.length[i],
                    self.finish[i, 0] - self.length[i],
                    self.finish[i, 1],
                    self.seen_start[i] if "start" in seen else None,
                    self.seen_last[i] if "last" in seen else None,
                    self.passed[i],
                ),
                Conditions(self.speed[i]),
            )
            for i in range(BALLS)
        ]


def _last(way):
    """Return the direction of the last two feet to the right."""
    left = np.hypot(*np.diff(way, axis=0).T)[::-1].cumsum()[::-1]
    i = int(np.argmax(left < 2 * FOOT)) if left[0] > 2 * FOOT else 0
    ahead, right = way[-1] - way[i]
    return math.atan2(right, ahead)


def _passed(way, length):
    if way[-1, 0] < length:
        return 0
    i = int(np.argmax(way[:, 0] >= length))
    return 1 if way[i, 1] > 0 else -1


@cache
def watched():
    return Watched(13)


@cache
def implied(*seen):
    return watched().implied(*seen)


def held(values, truths):
    return np.mean([abs(one.value - true) <= 1.96 * one.sd for one, true in zip(values, truths, strict=True)])


@pytest.mark.parametrize("seen", [("start",), ("last",), ()])
def test_the_band_holds_the_true_tilt(seen):
    said, slopes = implied(*seen), watched().slopes
    assert 0.93 <= held([one.side for one in said], slopes[:, 1]) <= 0.97
    assert held([one.grade for one in said], slopes[:, 0]) >= 0.90


def test_what_was_seen_makes_it_surer():
    start, last, neither = (
        np.median([one.side.sd for one in implied(*seen)]) for seen in (("start",), ("last",), ())
    )
    assert start < 0.5 * neither
    assert last < 0.8 * neither
    assert start < 0.004


class Struck:
    """The golfer's own balls, struck straight at the hole as on the level."""

    def __init__(self, seed):
        rng = np.random.default_rng(seed)
        self.speed, self.length = rng.uniform(8, 11, BALLS), rng.uniform(6, 25, BALLS) * FOOT
        self.slopes = np.clip(rng.normal(0, PER_SLOPE, (BALLS, 2)), -0.045, 0.045)
        start = rng.normal(0, math.radians(1.75), BALLS)
        energy = 2 * drag(self.speed) * self.length * np.maximum(rng.normal(1.0, 0.12, BALLS), 0.4)
        ways = roll_out(self.slopes, self.speed, start, np.sqrt(energy))
        self.finish = ways[-1] + rng.normal(0, 3 * INCH, (BALLS, 2))
        self.implied = [
            implied_by_own(
                OwnBall(self.length[i], self.finish[i, 0] - self.length[i], self.finish[i, 1]),
                Conditions(self.speed[i]),
            )
            for i in range(BALLS)
        ]


@cache
def struck():
    return Struck(31)


def test_the_own_ball_tells_tilt_and_grade():
    balls = struck()
    assert 0.93 <= held([one.side for one in balls.implied], balls.slopes[:, 1]) <= 0.97
    assert 0.93 <= held([one.grade for one in balls.implied], balls.slopes[:, 0]) <= 0.97


def test_the_coin_for_the_next_ball_brings_it_within_what_the_ranges_say():
    """The launch that the hidden ground asks for lies within the ranges of the read by the first ball."""
    balls = struck()
    right, launch = holed_by_trying(balls.slopes, balls.speed, balls.length, np.full(BALLS, FOOT))
    lines, speeds = [], []
    for i, one in enumerate(balls.implied):
        ground = plane_from_grade(one.grade.value, one.side.value, 0.0)
        ball, hole = Point(0, 0), Point(balls.length[i], 0)
        solved = read(Putt(ball, hole, ground, balls.speed[i], RollPast(FOOT)))
        said = Sureness(solved, Uncertainty(side=one.side.sd, grade=one.grade.sd)).range
        lines.append(said.right_rad.least <= right[i] <= said.right_rad.most)
        speeds.append(said.speed_mps.least <= launch[i] <= said.speed_mps.most)
    assert 0.93 <= np.mean(lines) <= 0.97
    assert 0.93 <= np.mean(speeds) <= 0.97


def test_grain_that_is_known_is_not_taken_for_slope():
    """Grain of 0.1 to the right, as an extra fall of gamma d / (5/7 g), on ground that is level."""
    extra = 0.1 * drag(10.0) / (5 / 7 * 9.80665)
    way = roll_out([(0.0, extra)], 10.0, np.array([0.0]), np.array([1.9]))[-1, 0]
    seen = SeenBall(3.0, way[0] - 3.0, way[1], start_right_rad=0.0)
    blind, knowing = (
        implied_by_other(seen, Conditions(10.0, grain=Grain(strength, -math.pi / 2))).side.value
        for strength in (0.0, 0.1)
    )
    assert blind == pytest.approx(extra, abs=0.001)
    assert knowing == pytest.approx(0.0, abs=0.001)


def test_a_ball_that_fits_no_green_is_odd():
    straight = OwnBall(3.0, 0.0, 0.1)
    assert not implied_by_own(straight, Conditions(10.0)).odd
    # Half-way only: that would be uphill by 8 %.
    assert implied_by_own(OwnBall(6.0, -4.0, 0.0), Conditions(10.0)).odd
    assert implied_by_own(OwnBall(3.0, 8.0, 0.0), Conditions(10.0)).odd
    assert not implied_by_own(OwnBall(3.0, 8.0, 0.0, meant_past_m=6.0), Conditions(10.0)).odd
    assert implied_by_other(SeenBall(3.0, 0.3, 0.0, start_right_rad=0.9), Conditions(10.0)).odd

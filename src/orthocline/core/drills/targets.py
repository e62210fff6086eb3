"""How the model's golfers do at a drill: the share of balls that count, ball by ball."""

import math
from collections.abc import Sequence
from dataclasses import replace
from functools import lru_cache
from typing import Final

import numpy as np
from scipy.special import ndtr

from orthocline.core.account import Golfer
from orthocline.core.drills.drill import Ball, Drill, Event, Target
from orthocline.core.ground import plane_from_grade
from orthocline.core.holing import spread_of
from orthocline.core.roll import Ends, Point, Putt, RollPast, ends_of, read

TRIES: Final = 2048
SPEED_FT: Final = 10.0
"""Targets are those of a green of this speed, unless another is said."""


def target_of(
    drill: Drill, balls: Sequence[Ball], golfer: Golfer, green_speed_ft: float = SPEED_FT
) -> float | None:
    """Return the share of balls that count for a golfer of the model.

    Parameters
    ----------
    drill : Drill
        The drill.
    balls : sequence of Ball
        Its balls, one or more.
    golfer : Golfer
        Who putts.
    green_speed_ft : float
        Green speed [ft].

    Returns
    -------
    float or None
        Mean share of the balls [1]; None where the model has nothing to say of the drill.
    """
    if drill.target.event is Event.NOTHING:
        return None
    counts = {one: balls.count(one) for one in dict.fromkeys(balls)}
    shares = [n * share_of(one, drill.target, golfer, green_speed_ft) for one, n in counts.items()]
    return math.fsum(shares) / len(balls)


@lru_cache(512)
def share_of(ball: Ball, target: Target, golfer: Golfer, green_speed_ft: float = SPEED_FT) -> float:
    """Return how often one ball counts.

    Parameters
    ----------
    ball : Ball
        The ball.
    target : Target
        What counts.
    golfer : Golfer
        Who putts.
    green_speed_ft : float
        Green speed [ft].

    Returns
    -------
    float
        Share [1].
    """
    if target.event is Event.STARTS:
        return float(2.0 * ndtr(target.within_rad / golfer.start_line_rad) - 1.0)
    ground = plane_from_grade(ball.rise, ball.fall_right, 0.0)
    hole = Point(ball.to_m, 0.0)
    putt = Putt(Point(0.0, 0.0), hole, ground, green_speed_ft, RollPast(_meant_past_m(ball, target)))
    # The line is given by the drill: nobody reads it.
    spread = spread_of(replace(golfer, read=0.0), putt, read(putt).aim.launch)
    return float(_counted(ends_of(putt, spread.launches(TRIES)), target).mean())


def _meant_past_m(ball: Ball, target: Target) -> float:
    """Return how far past a ball is meant to roll: the middle of the zone, or what it says [m]."""
    if target.event is Event.DROPS:
        return ball.past_m
    return max(0.5 * (target.least_m + target.most_m), 0.0) if target.event is Event.RESTS else 0.0


def _counted(ends: Ends, target: Target) -> np.ndarray:
    if target.event is Event.DROPS:
        return ends.drops
    beyond, right = ends.rests.T
    if target.event is Event.WITHIN:
        return np.asarray(np.hypot(beyond, right) <= target.most_m)
    return np.asarray((beyond >= target.least_m) & (beyond <= target.most_m))

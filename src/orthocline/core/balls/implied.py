"""The ground that a watched ball implies: tilt across its way, and the grade where its launch is known."""

import math
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.special import log_ndtr

from orthocline.core.account import GOLFERS, USUAL_LEVEL
from orthocline.core.estimate import Estimate
from orthocline.core.instruments import FIRST_SD, FIRST_SLOPE, USUAL_PAST_M
from orthocline.core.roll import (
    NO_GRAIN,
    Grain,
    PlaneSets,
    RollPast,
    last_ways_of_sets,
    rolling_deceleration_mps2,
)
from orthocline.core.sure import normal_scores
from orthocline.core.units import FOOT_M, INCH_M

Figures = NDArray[np.float64]
PRIOR_SD: Final = math.hypot(FIRST_SLOPE, FIRST_SD) / math.sqrt(2.0)
"""Of each slope [ratio] of a green of which nothing is known."""
FINISH_SD_M: Final = 3.0 * INCH_M
"""Where a ball stopped is known within six inches."""
SEEN_START_SD_RAD: Final = math.radians(0.75)
"""A start line that was seen is known within one and a half degrees."""
BEST_LINE_SD_RAD: Final = math.radians(1.5)
"""One that was not seen lay within three degrees of the best line."""
SEEN_LAST_SD_RAD: Final = math.radians(5.0)
"""The way of the last feet is seen within ten degrees."""
LAST_M: Final = 2.0 * FOOT_M
"""The last feet."""
PASSED_SD_M: Final = 0.5 * INCH_M
"""On which side a ball passed the hole is seen so sharply."""
WHO: Final = GOLFERS[USUAL_LEVEL]
"""Who struck the own ball, as far as is known."""
ROUNDS, DRAWN = 4, 512
WIDER: Final = 2.0
"""Each round draws so many grounds where the last one found them, with so much more variance."""
ODD: Final = 9.2
"""What is seen of a ball fits the ground no better than one in a hundred does, by chi-square of two."""
FLATTEST_SD: Final = 1e-5


@dataclass(frozen=True)
class Conditions:
    """What is known of the green where a ball rolled.

    Attributes
    ----------
    green_speed_ft : float
        Green speed [ft].
    green_speed_sd_ft : float
        How sure it is [ft].
    grain : Grain
        The way it grows counted counter-clockwise from the ball's own direction to the hole.
    """

    green_speed_ft: float
    green_speed_sd_ft: float = 0.0
    grain: Grain = field(default=NO_GRAIN)


@dataclass(frozen=True)
class SeenBall:
    """Another player's ball, seen from behind it.

    Attributes
    ----------
    length_m : float
        From where it started to the hole [m].
    beyond_m, right_m : float
        Where it stopped, beyond the hole along its own line and to its right [m].
    start_right_rad : float or None
        Its start line, to the right of the hole [rad], if it was seen.
    last_right_rad : float or None
        The way of its last two feet, to the right of the hole's direction [rad], if it was seen.
    passed : int
        +1 if it passed the hole on the right, -1 on the left, 0 if that was not noted. A ball that stopped
        short passed it nowhere.
    """

    length_m: float
    beyond_m: float
    right_m: float
    start_right_rad: float | None = None
    last_right_rad: float | None = None
    passed: int = 0


@dataclass(frozen=True)
class OwnBall:
    """The golfer's own ball, struck straight at the hole as if the ground were level.

    Attributes
    ----------
    length_m : float
        To the hole [m].
    beyond_m, right_m : float
        Where it stopped, beyond the hole and to the right [m].
    meant_past_m : float
        How far past the hole it would have stopped on the level [m].
    """

    length_m: float
    beyond_m: float
    right_m: float
    meant_past_m: float = 0.0


@dataclass(frozen=True)
class Implied:
    """The ground that a ball implies, along its line to the hole.

    Attributes
    ----------
    side : Estimate
        Fall to its right [ratio].
    grade : Estimate
        Rise toward the hole [ratio]; of another player's ball hardly more than what greens have.
    odd : bool
        Whether nothing that greens do fits what was seen.
    """

    side: Estimate
    grade: Estimate
    odd: bool


@dataclass(frozen=True)
class _Tries:
    """Grounds that were drawn, with the launches whose balls stop where this one did."""

    sets: PlaneSets
    launches: Figures


Misfit = Callable[[_Tries], Figures]
"""How badly tried grounds fit what was seen: minus twice the logarithm of its likelihood."""


def implied_by_other(ball: SeenBall, conditions: Conditions) -> Implied:
    """Return the ground that another player's ball implies.

    Parameters
    ----------
    ball : SeenBall
        What was seen of it.
    conditions : Conditions
        The green.

    Returns
    -------
    Implied
        Tilt and grade. What was not seen is taken as it may have been: a start line about the best one, a
        pace from where it stopped.
    """

    def misfit(tries: _Tries) -> Figures:
        start, total = tries.launches[:, 0], np.zeros(len(tries.launches))
        if ball.start_right_rad is None:
            best = tries.sets.launches(RollPast(USUAL_PAST_M))[:, 0]
            total += ((start - best) / BEST_LINE_SD_RAD) ** 2
        else:
            total += ((start - ball.start_right_rad) / SEEN_START_SD_RAD) ** 2
        if ball.last_right_rad is not None:
            last = last_ways_of_sets(tries.sets, tries.launches, LAST_M)
            away = np.angle(np.exp(1j * (last - ball.last_right_rad)))
            total += (away / SEEN_LAST_SD_RAD) ** 2
        if ball.passed and ball.beyond_m > 0.0:
            passed = tries.sets.ends(tries.launches).misses_m
            total -= 2.0 * log_ndtr(ball.passed * passed / PASSED_SD_M)
        return total

    return _implied(ball, conditions, misfit)


def implied_by_own(ball: OwnBall, conditions: Conditions) -> Implied:
    """Return the ground that the golfer's own ball implies.

    Parameters
    ----------
    ball : OwnBall
        Where it stopped.
    conditions : Conditions
        The green.

    Returns
    -------
    Implied
        Tilt and grade both: how it was launched is known but for the golfer's own scatter.
    """

    def misfit(tries: _Tries) -> Figures:
        drag = rolling_deceleration_mps2(tries.sets.green_speed_ft)
        energy = tries.launches[:, 1] ** 2 / (2.0 * drag * (ball.length_m + ball.meant_past_m))
        aside = (tries.launches[:, 0] / WHO.start_line_rad) ** 2
        return np.asarray(aside + ((energy - 1.0) / WHO.energy) ** 2)

    return _implied(ball, conditions, misfit)


def _implied(ball: SeenBall | OwnBall, conditions: Conditions, misfit: Misfit) -> Implied:
    """Return the mean ground and its spread, by grounds drawn ever nearer to those that fit."""
    mean, covariance = np.zeros(2), PRIOR_SD**2 * np.eye(2)
    scores = normal_scores()[:DRAWN]
    for _ in range(ROUNDS):
        drawn = mean + scores[:, :2] @ np.linalg.cholesky(covariance).T
        tries = _tries(ball, conditions, drawn, scores[:, 2:5])
        fit = misfit(tries) + ((drawn / PRIOR_SD) ** 2).sum(axis=1)
        # Where no ball comes to rest, none has stopped.
        drag, pull, _ = tries.sets.frames
        fit = np.where((pull < drag) & np.isfinite(fit), fit, np.inf)
        likely = -0.5 * (fit - (scores[:, :2] ** 2).sum(axis=1))
        weights = np.exp(likely - likely.max())
        weights /= weights.sum()
        mean = weights @ drawn
        found = (weights[:, None] * (drawn - mean)).T @ (drawn - mean)
        covariance = WIDER * found + FLATTEST_SD**2 * np.eye(2)
    side, grade = np.sqrt(found.diagonal() + FLATTEST_SD**2)
    return Implied(
        Estimate(float(mean[0]), float(side)),
        Estimate(float(mean[1]), float(grade)),
        bool(fit.min() > ODD),
    )


def _tries(ball: SeenBall | OwnBall, conditions: Conditions, drawn: Figures, scores: Figures) -> _Tries:
    """Return grounds (fall to the right, rise) with the launches that stop where the ball did, or nearby."""
    side, grade = drawn.T
    ahead = ball.length_m + ball.beyond_m + FINISH_SD_M * scores[:, 0]
    right = ball.right_m + FINISH_SD_M * scores[:, 1]
    speed = np.maximum(conditions.green_speed_ft + conditions.green_speed_sd_ft * scores[:, 2], 1.0)
    same, grain = np.ones(len(drawn)), conditions.grain
    way = grain.toward_rad * same
    sets = PlaneSets(ball.length_m * same, side, grade, speed, grain.strength * same, way)
    return _Tries(sets, sets.launches_to(ahead, right))

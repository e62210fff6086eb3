"""What may have happened to one putt: grounds and launches that fit where it ended, and how well."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cache, cached_property
from typing import Final

import numpy as np
from scipy.special import ndtr, ndtri
from scipy.stats import qmc

from orthocline.core.account import Golfer
from orthocline.core.learning.grounds import Figures, Grounds, grounds_of, is_solved_closed, slope_sds
from orthocline.core.learning.played import Played, thumb_sd_m
from orthocline.core.log import Finish
from orthocline.core.units import INCH_M

POWER, POWER_ROLLED = 11, 8
"""Sobol points, as powers of two: on a plane, and where balls have to be rolled."""
SEED: Final = 14
"""Of the scrambling: any would do, but it must stay, for the same putt to have the same answer."""
DEVICE: Final = Golfer(start_line_rad=math.radians(0.25), energy=0.03, read=0.0, ground_rad=0.0)
"""How a device that rolls balls scatters."""
ON_LINE_RAD: Final = math.radians(0.8)
"""Up to here a ball is seen to start on its line."""
SEEN_START_SD_RAD: Final = math.radians(0.5)
SEEN_PASSED_SD_M: Final = 0.5 * INCH_M
"""How sharply a start line is seen, and on which side of the hole a ball passes."""
MISTAPPED: Final = 0.02
"""Share of what is noted by a slip."""
MISSED_M: Final = 5e-3
"""A launch whose ball stops further from where it should is none."""
STEP: Final = (1e-3, 2e-3)
"""Steps of the angle [rad] and of the speed [share] for the Jacobian."""
LEAST_ENERGY: Final = 0.01
LEAST_SIZE: Final = 16.0
WIDER: Final = (1.0, 2.0, 4.0, 8.0, 16.0)
"""What golfers hardly ever do is a mishit: with a smaller effective size their spreads are taken as wider."""


class UnexplainedError(ValueError):
    """No launch that a golfer makes on such ground ends like that."""


@dataclass(frozen=True)
class Posterior:
    """Grounds and launches that fit one putt.

    Attributes
    ----------
    played : Played
        The putt.
    grounds : Grounds
        The ground, many times over.
    errors : ndarray
        What each has more of than was read: fall to the right, rise [ratio], green speed [ft]; shape (n, 3).
    launches : ndarray
        The launch on each, angle to the right [rad] and speed [m/s], shape (n, 2).
    weights : ndarray
        How well each fits; they add up to 1, shape (n,).
    """

    played: Played
    grounds: Grounds
    errors: Figures
    launches: Figures
    weights: Figures

    @property
    def size(self) -> float:
        """How many even ones they are worth."""
        return float(1.0 / np.square(self.weights).sum())

    @cached_property
    def angles_rad(self) -> Figures:
        """The launch angle that each ground asks for [rad, to the right], shape (n,)."""
        return self.grounds.angles()

    @property
    def start_errors_rad(self) -> Figures:
        """How far right of the line meant each started [rad], shape (n,)."""
        return self.launches[:, 0] - self.played.meant.right_rad

    @property
    def energy_errors(self) -> Figures:
        """How much more energy than meant each had, as a share, shape (n,)."""
        return np.square(self.launches[:, 1] / self.played.meant.speed_mps) - 1.0

    def mean(self, figures: Figures) -> float:
        """Return the mean of figures of each, shape (n,)."""
        return float(self.weights @ figures)

    def range(self, figures: Figures) -> tuple[float, float]:
        """Return between which figures of each lie (95 %), shape (n,)."""
        order = np.argsort(figures)
        share = np.cumsum(self.weights[order])
        least, most = np.interp([0.025, 0.975], share, figures[order]).tolist()
        return least, most


def posterior_of(played: Played) -> Posterior:
    """Return what may have happened to a putt.

    Grounds are drawn as the readings have them. For a miss the finish is drawn as the thumb has it, and each
    is turned back into its launch; what drops is left out, and the rest is weighed by the golfer's spreads
    and by the Jacobian of launch and finish. For a ball that dropped launches are drawn, and those kept that
    drop.

    Parameters
    ----------
    played : Played
        The putt.

    Returns
    -------
    Posterior
        Of 2,048 draws on a plane, and of 256 where balls are rolled.

    Raises
    ------
    UnexplainedError
        When no launch on such ground ends there, or nobody has noted where it was.
    PuttError
        When no ball reaches the hole.
    """
    closed = is_solved_closed(played.putt, played.read.aim)
    scores = scores_of(POWER if closed else POWER_ROLLED)
    side, grade = slope_sds(played.read, played.uncertainty)
    errors = scores[:, :3] * (side, grade, played.uncertainty.green_speed_ft)
    grounds = grounds_of(played.putt, played.read.aim, errors)
    for launches, likely in _tries(played, grounds, scores[:, 3:]):
        if not np.isfinite(likely).any():
            raise UnexplainedError("no ball that is struck on such ground ends there")
        weights = np.exp(likely - likely.max())
        found = Posterior(played, grounds, errors, launches, weights / weights.sum())
        if found.size >= LEAST_SIZE:
            break
    return found


def _tries(played: Played, grounds: Grounds, scores: Figures) -> Iterator[tuple[Figures, Figures]]:
    """Yield launches that may have been, and how likely each is (a logarithm), for ever wider spreads."""
    if played.holed:
        return _dropped(played, grounds, scores)
    if played.finish:
        return _stopped(played, played.finish, grounds, scores)
    raise UnexplainedError("nobody has noted where the ball stopped")


@cache
def scores_of(power: int) -> Figures:
    """Return the normal scores of a scrambled Sobol set of five dimensions.

    Parameters
    ----------
    power : int
        Of two, how many points [1].

    Returns
    -------
    ndarray
        Independent standard normal figures, shape (2**power, 5), spread as evenly as can be.
    """
    return np.asarray(ndtri(qmc.Sobol(5, scramble=True, rng=SEED).random_base2(power)))


def _stopped(
    played: Played, finish: Finish, grounds: Grounds, scores: Figures
) -> Iterator[tuple[Figures, Figures]]:
    """Yield launches whose balls stop where one did, or nearby: the same for all spreads."""
    finishes = np.array([finish.along_m, finish.across_m]) + thumb_sd_m(finish) * scores
    try:
        launches = grounds.launches_to(finishes)
    except ValueError as error:
        raise UnexplainedError(str(error)) from error
    ends = grounds.ends(launches)
    with np.errstate(invalid="ignore", divide="ignore"):
        fits = ~ends.drops & (np.hypot(*(ends.rests - finishes).T) < MISSED_M)
        # How much of launches, angle and energy, goes to a place: what the finish is drawn by is turned back.
        likely = np.log(launches[:, 1]) - np.log(np.abs(finish_stretch(grounds, launches)))
    likely += _seen_so(played, launches, ends.misses_m if finish.along_m > 0.0 else None)
    for wider in WIDER:
        each = likely + _meant_so(played, launches, wider)
        yield launches, np.where(fits & np.isfinite(each), each, -np.inf)


def finish_stretch(grounds: Grounds, launches: Figures) -> Figures:
    """Return by how much finishes spread for launches.

    Parameters
    ----------
    grounds : Grounds
        The ground of each.
    launches : ndarray
        Launch angle to the right [rad] and launch speed [m/s], shape (n, 2).

    Returns
    -------
    ndarray
        The determinant of finish by launch [m^2 per rad m/s], shape (n,).
    """
    turn = np.array([STEP[0], 0.0])
    harder = np.column_stack([np.zeros(len(launches)), STEP[1] * launches[:, 1]])
    by_turn, by_speed = (
        (grounds.ends(launches + step).rests - grounds.ends(launches - step).rests) for step in (turn, harder)
    )
    area = 4.0 * STEP[0] * harder[:, 1]
    return np.asarray((by_turn[:, 0] * by_speed[:, 1] - by_turn[:, 1] * by_speed[:, 0]) / area)


def _dropped(played: Played, grounds: Grounds, scores: Figures) -> Iterator[tuple[Figures, Figures]]:
    """Yield launches as the golfer scatters, likely where they drop."""
    meant = played.meant
    for wider in WIDER:
        golfer = _who(played, wider)
        energies = np.maximum(1.0 + golfer.energy * scores[:, 1], LEAST_ENERGY)
        aside = golfer.start_line_rad * scores[:, 0]
        launches = np.column_stack([meant.right_rad + aside, meant.speed_mps * np.sqrt(energies)])
        ends = grounds.ends(launches)
        yield launches, np.where(ends.drops, _seen_so(played, launches, ends.misses_m), -np.inf)


def _who(played: Played, wider: float) -> Golfer:
    golfer = DEVICE if played.by_device else played.golfer
    return replace(golfer, start_line_rad=wider * golfer.start_line_rad, energy=wider * golfer.energy)


def _meant_so(played: Played, launches: Figures, wider: float) -> Figures:
    """Return how likely launches are by how their golfer scatters about what was meant (a logarithm)."""
    golfer, meant = _who(played, wider), played.meant
    aside = (launches[:, 0] - meant.right_rad) / golfer.start_line_rad
    energy = (np.square(launches[:, 1] / meant.speed_mps) - 1.0) / golfer.energy
    return -0.5 * (np.square(aside) + np.square(energy))


def _seen_so(played: Played, launches: Figures, misses_m: Figures | None) -> Figures:
    """Return how likely what was seen of a ball is, for each launch (a logarithm)."""
    seen = played.seen
    likely = np.zeros(len(launches))
    if seen.started_right is not None:
        aside = launches[:, 0] - played.meant.right_rad
        beyond = ON_LINE_RAD - np.abs(aside)
        if seen.started_right:
            beyond = seen.started_right * aside - ON_LINE_RAD
        likely += _told(beyond / SEEN_START_SD_RAD)
    if seen.passed_right is not None and misses_m is not None:
        likely += _told(seen.passed_right * misses_m / SEEN_PASSED_SD_M)
    return likely


def _told(beyond: Figures) -> Figures:
    """Return how likely it is to be told so (a logarithm), so many standard deviations beyond the bound."""
    return np.asarray(np.log(0.5 * MISTAPPED + (1.0 - MISTAPPED) * ndtr(beyond)))

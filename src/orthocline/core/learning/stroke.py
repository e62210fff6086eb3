"""What a golfer's stroke does again and again: bias and spread of start line and energy."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.optimize import minimize
from scipy.special import logsumexp, ndtr

from orthocline.core.account import Golfer
from orthocline.core.estimate import NORMAL_95
from orthocline.core.learning.evidence import ENERGIES, Evidence
from orthocline.core.learning.grounds import Figures

ENOUGH: Final = 30
"""Putts until which the usual golfer is said."""
START_BIAS_SD: Final = math.radians(1.0)
ENERGY_BIAS_SD: Final = 0.1
SPREAD_SD: Final = 0.5
"""How far golfers of a level differ: in their biases [rad, share] and in the logarithms of their spreads."""
LEAST: Final = 1e-12
MISHIT: Final = 0.01
WIDER: Final = 5.0
"""Share of putts that scatter so many times wider."""
RARELY: Final = math.log(MISHIT / WIDER**2)
SURER: Final = 2.576 / NORMAL_95
"""How much wider a range of 99 % is than one of 95 %."""
STEP: Final = 0.05
"""Of the difference quotients at the top, in standard deviations of what was believed before."""


@dataclass(frozen=True)
class Habit:
    """One figure of a golfer: the likeliest, and between which it lies (95 %)."""

    value: float
    least: float
    most: float

    @property
    def sure(self) -> bool:
        """Whether its sign is."""
        return self.least > 0.0 or self.most < 0.0

    @property
    def surely_some(self) -> bool:
        """Whether its sign is known to 99 %: of many figures one in twenty would seem sure by chance."""
        return abs(self.value) > SURER * 0.5 * (self.most - self.least)


@dataclass(frozen=True)
class Belief:
    """What is believed of figures: a normal distribution of each or of its logarithm.

    Attributes
    ----------
    mean : ndarray, shape (n,)
    covariance : ndarray, shape (n, n)
    """

    mean: Figures
    covariance: Figures

    def plain(self, i: int) -> Habit:
        """Return a figure that is meant itself."""
        half = NORMAL_95 * math.sqrt(self.covariance[i, i])
        value = float(self.mean[i])
        return Habit(value, value - half, value + half)

    def positive(self, i: int) -> Habit:
        """Return a figure whose logarithm is meant."""
        one = self.plain(i)
        return Habit(math.exp(one.value), math.exp(one.least), math.exp(one.most))


@dataclass(frozen=True)
class Stroke:
    """What a golfer's stroke does.

    Attributes
    ----------
    putts : int
        How many putts it is known by.
    belief : Belief
        Of the bias of the start line [rad, to the right], the logarithm of its spread [rad], the bias of the
        energy [share] and the logarithm of its spread.
    """

    putts: int
    belief: Belief

    @property
    def start_bias_rad(self) -> Habit:
        """How far right of their line they start the ball [rad]."""
        return self.belief.plain(0)

    @property
    def start_sd_rad(self) -> Habit:
        """How far their start lines scatter [rad]."""
        return self.belief.positive(1)

    @property
    def energy_bias(self) -> Habit:
        """By which share their balls have more energy than meant."""
        return self.belief.plain(2)

    @property
    def energy_sd(self) -> Habit:
        """How far the energy scatters, as a share."""
        return self.belief.positive(3)

    @property
    def own(self) -> bool:
        """Whether it is known by enough putts to be called the golfer's own."""
        return self.putts >= ENOUGH


def usual_stroke(golfer: Golfer) -> Stroke:
    """Return what is believed of a golfer of a level before any putt.

    Parameters
    ----------
    golfer : Golfer
        The usual one of the level.

    Returns
    -------
    Stroke
        Known by no putt.
    """
    mean = np.array([0.0, math.log(golfer.start_line_rad), 0.0, math.log(golfer.energy)])
    sds = np.array([START_BIAS_SD, SPREAD_SD, ENERGY_BIAS_SD, SPREAD_SD])
    return Stroke(0, Belief(mean, np.diag(sds**2)))


def stroke_with(before: Stroke, evidence: Evidence) -> Stroke:
    """Return what is believed of a stroke after more putts.

    Parameters
    ----------
    before : Stroke
        What was believed.
    evidence : Evidence
        What the putts say.

    Returns
    -------
    Stroke
        Maximum a posteriori, and the normal distribution that touches it there (Laplace).
    """
    if not evidence.putts:
        return before
    return Stroke(
        before.putts + evidence.putts, believed(before.belief, lambda at: _log_likelihood(at, evidence))
    )


def believed(before: Belief, log_likelihood: Callable[[Figures], float]) -> Belief:
    """Return what is believed of figures once something was seen.

    Parameters
    ----------
    before : Belief
        What was believed, of n figures.
    log_likelihood : callable
        Takes the figures, shape (n,), and returns how likely they make what was seen [a logarithm].

    Returns
    -------
    Belief
        Maximum a posteriori, and the normal distribution that touches it there (Laplace).
    """
    root = np.linalg.cholesky(before.covariance)

    def unlikely(away: Figures) -> float:
        return 0.5 * float(away @ away) - log_likelihood(before.mean + root @ away)

    top = minimize(unlikely, np.zeros(len(before.mean)), method="BFGS", options={"gtol": 1e-3}).x
    curvature = _curvature(unlikely, top)
    return Belief(before.mean + root @ top, root @ np.linalg.inv(curvature) @ root.T)


def _curvature(of: Callable[[Figures], float], at: Figures) -> Figures:
    """Return the second derivatives of a function, by central difference quotients."""
    count = len(at)
    steps = STEP * np.eye(count)
    found = np.empty((count, count))
    for i in range(count):
        for j in range(i + 1):
            ups, downs = of(at + steps[i] + steps[j]), of(at - steps[i] - steps[j])
            cross = of(at + steps[i] - steps[j]) + of(at - steps[i] + steps[j])
            found[i, j] = found[j, i] = (ups + downs - cross) / (4.0 * STEP**2)
    return found


def _log_likelihood(at: Figures, evidence: Evidence) -> float:
    start, energy = at[0], at[2]
    own = np.exp([at[1], at[3]])
    total = 0.0
    if len(evidence.starts):
        start_sd, energy_sd = np.hypot(own, evidence.missed_doubts).T[:, :, None]
        aside = ((evidence.starts - start) / start_sd) ** 2 + ((evidence.energies - energy) / energy_sd) ** 2
        # A mishit now and then, or a finish that was noted wrongly, is no habit.
        usually = np.logaddexp(np.log1p(-MISHIT) - 0.5 * aside, RARELY - 0.5 * aside / WIDER**2)
        total += float(logsumexp(evidence.likely + usually, axis=1).sum())
        total -= float(np.log(start_sd * energy_sd).sum())
    if len(evidence.first):
        start_sd, energy_sd = np.hypot(own, evidence.other_doubts).T[:, :, None]
        through = ndtr((evidence.last - start) / start_sd) - ndtr((evidence.first - start) / start_sd)
        mass = np.exp(-0.5 * ((ENERGIES - energy) / energy_sd) ** 2)
        share = (through * mass).sum(axis=1) / np.maximum(mass.sum(axis=1), LEAST)
        seen = np.where(evidence.dropped, share, 1.0 - share)
        total += float(np.log(np.maximum(seen, LEAST)).sum())
    return total

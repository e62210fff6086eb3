"""What a golfer's reads do again and again: how much of the break they see, and on which putts."""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.learning.grounds import Figures
from orthocline.core.learning.stroke import ENOUGH, SPREAD_SD, Belief, Habit, believed
from orthocline.core.units import FOOT_M, INCH_M

FACTOR_SD: Final = 0.4
"""How far golfers differ in the logarithm of the share of the break that they see."""
SAID_M: Final = 0.25 * INCH_M
"""Reads are said to the inch or so (one standard deviation)."""
LENGTHS_M: Final = (6.0 * FOOT_M, 15.0 * FOOT_M)
SLOPES: Final = (0.01, 0.02)
"""Where groups of lengths [m] and of slopes [ratio] begin and end."""


@dataclass(frozen=True)
class Reads:
    """What reads do.

    Attributes
    ----------
    putts : int
        How many reads it is known by.
    belief : Belief
        Of the logarithms of the share of the true aim that is taken, and of its spread as a share of it.
    """

    putts: int
    belief: Belief

    @property
    def factor(self) -> Habit:
        """Own aim over true aim: below 1 too little break is seen."""
        return self.belief.positive(0)

    @property
    def sd(self) -> Habit:
        """How far the reads scatter, as a share of themselves."""
        return self.belief.positive(1)

    @property
    def own(self) -> bool:
        """Whether there are enough to call it the golfer's own."""
        return self.putts >= ENOUGH

    @property
    def short(self) -> bool:
        """Whether too little break is seen, surely."""
        return self.factor.most < 1.0

    @property
    def long(self) -> bool:
        """Whether too much break is seen, surely."""
        return self.factor.least > 1.0


def reads_of(own_m: Figures, true_m: Figures, usual_sd: float, doubt_m: Figures | float = 0.0) -> Reads:
    """Return what reads do: own aim = f (1 + s z) times the true aim, z of the normal distribution.

    Parameters
    ----------
    own_m, true_m : ndarray
        Where putts were aimed, and where they should have been [m, to the right], shape (n,).
    usual_sd : float
        Spread of the reads of a usual golfer [share].
    doubt_m : ndarray or float
        How sure it is where they should have been aimed [m], one standard deviation.

    Returns
    -------
    Reads
        Maximum a posteriori with Laplace spreads.
    """
    known = ~np.isnan(own_m) & ~np.isnan(true_m)
    own, true = own_m[known], true_m[known]
    doubt2 = np.square(np.broadcast_to(doubt_m, known.shape)[known])
    before = Belief(np.array([0.0, math.log(usual_sd)]), np.diag([FACTOR_SD**2, SPREAD_SD**2]))

    def log_likelihood(at: Figures) -> float:
        factor, sd = math.exp(at[0]), math.exp(at[1])
        variance = factor**2 * (sd**2 * (true**2 + doubt2) + doubt2) + SAID_M**2
        return float(-0.5 * (np.log(variance) + np.square(own - factor * true) / variance).sum())

    return Reads(len(own), believed(before, log_likelihood) if len(own) else before)


@dataclass(frozen=True)
class Aimed:
    """Where putts were aimed, and where they should have been; what is not known of one is nan.

    Attributes
    ----------
    own_m, impression_m : ndarray
        The golfer's own read and the first impression [m, to the right], shape (n,).
    true_m, doubt_m : ndarray
        The aim of the model's read, and how sure it is [m].
    length_m, slope : ndarray
        From ball to hole [m]; how steep the ground is between [ratio].
    methods : tuple of str
        By what each was read.
    """

    own_m: Figures
    impression_m: Figures
    true_m: Figures
    doubt_m: Figures
    length_m: Figures
    slope: Figures
    methods: tuple[str, ...]

    def reads(self, among: NDArray[np.bool_], usual_sd: float, *, first: bool = False) -> Reads:
        """Return what some of the reads do.

        Parameters
        ----------
        among : ndarray of bool
            Which, shape (n,).
        usual_sd : float
            Spread of the reads of a usual golfer [share].
        first : bool
            Whether first impressions are meant, instead of worked reads.

        Returns
        -------
        Reads
            Their factor and spread.
        """
        own = self.impression_m if first else self.own_m
        return reads_of(own[among], self.true_m[among], usual_sd, self.doubt_m[among])

    @property
    def everything(self) -> NDArray[np.bool_]:
        """All of them."""
        return np.ones(len(self.true_m), dtype=bool)

    @cached_property
    def falls_left(self) -> NDArray[np.bool_]:
        """Which putts break left: they are aimed to the right."""
        return np.asarray(self.true_m > 0.0)

    def by(self, method: str) -> NDArray[np.bool_]:
        """Return which were read by a method."""
        return np.array([one == method for one in self.methods], dtype=bool)


@dataclass(frozen=True)
class Group:
    """Reads that are looked at together: what they are grouped by, its name there, and which they are."""

    kind: str
    name: str
    among: NDArray[np.bool_]


def groups_of(aimed: Aimed) -> tuple[Group, ...]:
    """Return the groups in which reads are looked at.

    Parameters
    ----------
    aimed : Aimed
        The reads.

    Returns
    -------
    tuple of Group
        All; by the ``side`` to which putts break, by ``length`` and ``slope`` (numbered upward), by
        ``method``, and those of each method that break left and right.
    """
    found = [
        Group("all", "", aimed.everything),
        Group("side", "left", aimed.falls_left),
        Group("side", "right", ~aimed.falls_left),
    ]
    for kind, figures, edges in (("length", aimed.length_m, LENGTHS_M), ("slope", aimed.slope, SLOPES)):
        bounds = (-np.inf, *edges, np.inf)
        found += [
            Group(kind, str(i), (figures >= bounds[i]) & (figures < bounds[i + 1]))
            for i in range(len(edges) + 1)
        ]
    for name in sorted(set(aimed.methods)):
        by = aimed.by(name)
        found += [
            Group("method", name, by),
            Group("method_left", name, by & aimed.falls_left),
            Group("method_right", name, by & ~aimed.falls_left),
        ]
    return tuple(found)

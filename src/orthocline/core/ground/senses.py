"""How well a golfer feels or sees slope: guesses against a level in the same place."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from orthocline.core.estimate import Estimate, widened

LEAST_PAIRS: Final = 5
"""Fewer pairs tell nothing that could be told from chance: until then what is felt is taken as it is."""
LEAST_SPREAD: Final = 0.0025
"""Guesses [ratio] that spread by less are all the same: they tell how far off they are, by no factor."""


@dataclass(frozen=True)
class SlopePair:
    """A slope [ratio] as it was felt or seen, and as a level then read it in the same place."""

    guess: float
    level: float


@dataclass(frozen=True)
class Sense:
    """The line through a golfer's pairs, level = `at_none` + `factor` guess, and how they scatter about it.

    Attributes
    ----------
    at_none, factor : float
        Where the line begins [ratio], and its slope.
    scatter : float
        Standard deviation [ratio] of one pair about it.
    middle, spread2 : float
        Mean of the guesses [ratio], and the sum of squares of how far they lie from it.
    pairs : int
        How many there are.
    """

    at_none: float
    factor: float
    scatter: float
    middle: float
    spread2: float
    pairs: int

    def slope(self, guess: float) -> Estimate:
        """Return the slope that a guess stands for, and how sure that is.

        Parameters
        ----------
        guess : float
            A slope as it is felt or seen [ratio].

        Returns
        -------
        Estimate
            The slope [ratio]: one guess more about a line that is itself known from few pairs.
        """
        off = guess - self.middle
        of_line = off**2 / self.spread2 if self.spread2 > 0.0 else 0.0
        sd = self.scatter * math.sqrt(1.0 + 1.0 / self.pairs + of_line)
        return Estimate(self.at_none + self.factor * guess, widened(sd, self._freedom))

    @property
    def _freedom(self) -> int:
        return self.pairs - (2 if self.spread2 > 0.0 else 1)


def sense(pairs: Sequence[SlopePair]) -> Sense | None:
    """Return how a golfer's guesses go with the level.

    Parameters
    ----------
    pairs : sequence of SlopePair
        Guesses of one sense, the feet or the eyes.

    Returns
    -------
    Sense or None
        The line through them by least squares; None for fewer than five. Of guesses that are all the same
        it only says how far off they are.
    """
    count = len(pairs)
    if count < LEAST_PAIRS:
        return None
    middle = math.fsum(one.guess for one in pairs) / count
    level = math.fsum(one.level for one in pairs) / count
    spread2 = math.fsum((one.guess - middle) ** 2 for one in pairs)
    factor = 1.0
    if spread2 < count * LEAST_SPREAD**2:
        spread2 = 0.0
    else:
        factor = math.fsum((one.guess - middle) * (one.level - level) for one in pairs) / spread2
    at_none = level - factor * middle
    off2 = math.fsum((one.level - at_none - factor * one.guess) ** 2 for one in pairs)
    freedom = count - (2 if spread2 > 0.0 else 1)
    return Sense(at_none, factor, math.sqrt(off2 / freedom), middle, spread2, count)

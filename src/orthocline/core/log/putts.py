"""The putts of a log as arrays, and what follows of each from the others on its green."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.log.ranges import Figures
from orthocline.core.log.usual_golfers import usual_holed, usual_putts

Mask = NDArray[np.bool_]
BESIDE_M: Final = 2.0 * HOLE_RADIUS_M
"""A ball that stops no further aside of the hole's line is on neither side of it."""


@dataclass(frozen=True)
class Putts:
    """Putts of a log, as arrays of one length; what is not known of one is nan. Sides are -1, 0 and 1.

    Attributes
    ----------
    length_m : ndarray
        From ball to hole [m].
    number : ndarray
        Which putt on its green it is, from 1.
    outing : ndarray
        The number of its round or practice; 0 for none.
    round_holes : ndarray
        How many holes its round had by its card, 0 where none says it; nan for a putt of no round.
    month : ndarray
        Months since the year 0.
    holed : ndarray
        1 for a putt that dropped, 0 for a miss.
    along_m, right_m : ndarray
        Where it stopped, beyond the hole and to the golfer's right of it [m].
    past_m : ndarray
        How far past it was meant to roll [m].
    breaks, passed, started : ndarray
        The side to which it breaks, on which it passed, to which it started.
    own_m, impression_m, read_m : ndarray
        The aim of the golfer's own read, of the first impression and of the model's read [m, right].
    start_rad : ndarray
        How far right of the line that was meant it started, as its finish implies [rad].
    read_right, line_right, pace_right, committed : ndarray
        1 or 0, as the golfer says afterwards.
    on_green : ndarray
        How many putts its visit to the green took.
    done : ndarray
        1 where that visit ended in the hole.
    next_m : ndarray
        From where it stopped to the hole [m], by the next putt's length or its own finish; 0 for one holed.
    level : str
        The golfer's, one of `GOLFERS`.
    """

    length_m: Figures
    number: Figures
    outing: Figures
    round_holes: Figures
    month: Figures
    holed: Figures
    along_m: Figures
    right_m: Figures
    past_m: Figures
    breaks: Figures
    passed: Figures
    started: Figures
    own_m: Figures
    impression_m: Figures
    read_m: Figures
    start_rad: Figures
    read_right: Figures
    line_right: Figures
    pace_right: Figures
    committed: Figures
    on_green: Figures
    done: Figures
    next_m: Figures
    level: str

    def __len__(self) -> int:
        """Return how many there are."""
        return len(self.length_m)

    @cached_property
    def chosen_by(self) -> dict[str, Mask]:
        """Which fulfil each condition that was asked for, by its name."""
        return {}

    @cached_property
    def stopped(self) -> Mask:
        """Which are misses that stopped at a place that is known."""
        return np.asarray((self.holed == 0.0) & ~np.isnan(self.along_m))

    @cached_property
    def side(self) -> Figures:
        """The side on which a miss passed: as noted, else where it stopped; nan where that is neither."""
        aside = np.where(np.abs(self.right_m) > BESIDE_M, np.sign(self.right_m), np.nan)
        noted = np.where(self.passed == 0.0, np.nan, self.passed)
        return np.where(self.holed == 0.0, np.where(np.isnan(noted), aside, noted), np.nan)

    @cached_property
    def high(self) -> Figures:
        """Of misses 1 for one that passed above the hole, 0 below it; nan for others and straight putts."""
        known = ~np.isnan(self.side) & (np.abs(self.breaks) == 1.0)
        return np.where(known, self.side == -self.breaks, np.nan)

    @cached_property
    def usual_holed(self) -> Figures:
        """The share that the usual golfer holes from each length."""
        return usual_holed(self.level, self.length_m)

    @cached_property
    def usual_putts(self) -> Figures:
        """The putts that the usual golfer needs from each length."""
        return usual_putts(self.level, self.length_m)

    @cached_property
    def gained(self) -> Figures:
        """What each gained on the usual golfer [strokes]; nan where a length is not known.

        Putts expected from its length, less the one taken and those expected from where it stopped.
        """
        left = np.where(self.holed == 1.0, 0.0, usual_putts(self.level, self.next_m))
        return self.usual_putts - 1.0 - left


def putts_of(columns: Mapping[str, Figures], visit: NDArray[np.int64], level: str) -> Putts:
    """Return the putts of a whole log.

    Parameters
    ----------
    columns : mapping of str to ndarray, shape (n,)
        All attributes of `Putts` but those that follow from a visit, in their units.
    visit : ndarray of int, shape (n,)
        A number that all putts of one visit to a green share [1].
    level : str
        The golfer's, one of `GOLFERS`.

    Returns
    -------
    Putts
        All of them, in their order.
    """
    code = np.unique(visit, return_inverse=True)[1]
    number, holed = columns["number"], columns["holed"]
    taken = np.zeros(len(code))
    done = np.zeros(len(code))
    np.maximum.at(taken, code, number)
    np.maximum.at(done, code, np.nan_to_num(holed))
    return Putts(**columns, on_green=taken[code], done=done[code], next_m=_next_m(columns, code), level=level)


def _next_m(columns: Mapping[str, Figures], code: NDArray[np.int64]) -> Figures:
    left = np.where(columns["holed"] == 0.0, np.hypot(columns["along_m"], columns["right_m"]), np.nan)
    order = np.lexsort((columns["number"], code))
    here, then = order[:-1], order[1:]
    follows = (code[here] == code[then]) & (columns["number"][then] == columns["number"][here] + 1.0)
    follows &= ~np.isnan(columns["length_m"][then]) & (columns["holed"][here] == 0.0)
    left[here[follows]] = columns["length_m"][then[follows]]
    return np.where(columns["holed"] == 1.0, 0.0, left)

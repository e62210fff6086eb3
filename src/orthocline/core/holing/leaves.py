"""What a miss leaves: on each side, and how to leave the next putt below the hole."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Final, NamedTuple

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import mean_gradient
from orthocline.core.holing.advice import PaceAdvice
from orthocline.core.holing.chances import Chances, gradient_at_hole
from orthocline.core.roll import Launch, Putt
from orthocline.core.units import INCH_M

LEAST_BREAK_M: Final = INCH_M
"""A putt that is aimed less aside has no high side."""
LEAST_FALL: Final = 0.005
"""Where the ground falls less [ratio] at the hole, no side of it is the low one."""
SAFE: Final = 0.75
"""A leave is safe where so many of the misses rest below the hole."""
LOWER_M: Final = tuple(INCH_M * inches for inches in (1, 2, 3, 4, 6, 8, 10, 12))
"""How much lower a putt is aimed to leave it safe [m]."""
TRIES: Final = 1024
"""A power of two: launches of each of those."""


class Leave(NamedTuple):
    """What misses on one side leave.

    Attributes
    ----------
    share : float
        Share of all putts that miss there.
    beyond_m, right_m : float
        Where the middle one of them rests, beyond the hole and to its right [m].
    away_m : float
        From the hole [m], the middle of them.
    rise : float
        How the ground rises from there to the hole [ratio], negative where it falls.
    holed : float
        Share of the next putts that is holed.
    """

    share: float
    beyond_m: float
    right_m: float
    away_m: float
    rise: float
    holed: float


@dataclass(frozen=True)
class Leaves:
    """What misses leave.

    Attributes
    ----------
    right, left : Leave or None
        None where no ball misses there.
    high_right : bool or None
        Whether the right is the high side; None on a putt without one.
    """

    right: Leave | None
    left: Leave | None
    high_right: bool | None

    @property
    def better_right(self) -> bool | None:
        """Whether a miss on the right leaves the easier putt; None where there is nothing to choose."""
        if self.right is None or self.left is None:
            return None
        return self.right.holed > self.left.holed


class Change(NamedTuple):
    """What is done to leave the next putt below the hole.

    Attributes
    ----------
    amount_m : float
        The roll-past [m], or how much lower the putt is aimed.
    below : float
        Share of the misses that rest below the hole then.
    holed, putts : float
        What that adds to the share holed, and to putts on average: what it costs.
    """

    amount_m: float
    below: float
    holed: float
    putts: float


@dataclass(frozen=True)
class SafeLeave:
    """How to leave the next putt below the hole, where it is putted uphill.

    Attributes
    ----------
    below : float
        Share of the misses that rest there as it is.
    by_pace, by_aim : Change or None
        The cheapest of each kind that is safe; None where none is, and none is looked for where it is safe
        as it is.
    """

    below: float
    by_pace: Change | None
    by_aim: Change | None

    @property
    def safe(self) -> bool:
        """Whether it is safe as it is."""
        return self.below >= SAFE


def leaves_of(chances: Chances) -> Leaves:
    """Return what misses leave on either side.

    Parameters
    ----------
    chances : Chances
        The putt as it is played.

    Returns
    -------
    Leaves
        Each side by itself.
    """
    right = chances.ends.passes_right
    high_right = high_right_of(chances.putt, chances.spread.meant)
    return Leaves(_leave(chances, right), _leave(chances, ~right), high_right)


def high_right_of(putt: Putt, meant: Launch) -> bool | None:
    """Return on which side of a putt the high one is.

    Parameters
    ----------
    putt : Putt
        The putt.
    meant : Launch
        The launch of its read.

    Returns
    -------
    bool or None
        Whether it is the right; None on a putt that is hardly aimed aside, which has none.
    """
    aside_m = putt.length_m * math.sin(meant.right_rad)
    return meant.right_rad > 0.0 if abs(aside_m) >= LEAST_BREAK_M else None


def _leave(chances: Chances, side: NDArray[np.bool_]) -> Leave | None:
    """Return what the misses of one side leave; None where none of them rests."""
    ends, putt = chances.ends, chances.putt
    missed = side & ~ends.drops & ~np.isnan(ends.rests[:, 0])
    if not missed.any():
        return None
    beyond, right = np.median(ends.rests[missed], axis=0).tolist()
    place = putt.place(putt.length_m + beyond, right)
    away = np.median(np.hypot(*ends.rests[missed].T))
    east, north = mean_gradient(putt.surface, (place.x_m, place.y_m), (putt.hole.x_m, putt.hole.y_m))
    to_hole = putt.hole.x_m - place.x_m, putt.hole.y_m - place.y_m
    rise = (east * to_hole[0] + north * to_hole[1]) / max(math.hypot(*to_hole), 1e-9)
    return Leave(
        float(missed.mean()), beyond, right, float(away), rise, float(chances.second_holed[missed].mean())
    )


def safe_leave_of(chances: Chances, advice: PaceAdvice | None) -> SafeLeave | None:
    """Return how to leave the next putt below the hole.

    Parameters
    ----------
    chances : Chances
        The putt as it is played.
    advice : PaceAdvice or None
        What other roll-pasts are worth.

    Returns
    -------
    SafeLeave or None
        None on ground that hardly falls at the hole, and where nothing misses.
    """
    below = chances.below
    if math.hypot(*gradient_at_hole(chances.putt)) < LEAST_FALL or below is None:
        return None
    if below >= SAFE:
        return SafeLeave(below, None, None)
    fewer = replace(chances, tries=TRIES)
    return SafeLeave(below, _cheapest(_at_paces(chances, advice)), _cheapest(_lower(fewer)))


def _cheapest(changes: Iterator[Change]) -> Change | None:
    """Return the safe one of several that takes the fewest putts."""
    safe = (change for change in changes if change.below >= SAFE)
    return min(safe, key=lambda change: change.putts, default=None)


def _at_paces(chances: Chances, advice: PaceAdvice | None) -> Iterator[Change]:
    """Yield what each roll-past changes, softer or firmer."""
    if advice is None:
        return
    tried = zip(advice.pasts_m, advice.below, advice.holed, advice.putts, strict=True)
    for past, below, holed, putts in tried:
        if below is not None:
            yield Change(past, below, holed - chances.holed, putts - chances.putts)


def _lower(chances: Chances) -> Iterator[Change]:
    """Yield what aiming lower and lower changes."""
    putt, spread = chances.putt, chances.spread
    east, north = gradient_at_hole(putt)
    falls_right = north * math.cos(putt.bearing_rad) - east * math.sin(putt.bearing_rad)
    if abs(falls_right) < LEAST_FALL:
        return
    for lower in LOWER_M:
        turn = math.copysign(math.atan2(lower, putt.length_m), falls_right)
        meant = Launch(spread.meant.right_rad + turn, spread.meant.speed_mps)
        one = replace(chances, spread=replace(spread, meant=meant))
        if one.below is not None:
            yield Change(lower, one.below, one.holed - chances.holed, one.putts - chances.putts)

"""The card of the dial: what a putt breaks from each hour round the hole, against the most of any."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from orthocline.core.cards.aim import aim_of
from orthocline.core.cards.cell import HALF, Cell
from orthocline.core.cards.conditions import Conditions
from orthocline.core.roll import Read
from orthocline.core.units import HOUR_RAD

HOURS: Final = (1, 2, 3, 4, 5)
"""The other side of the hole is the same, and 6 and 12 are straight."""


@dataclass(frozen=True)
class DialColumn:
    """What the hours break on one tilt.

    Attributes
    ----------
    tilt : float
        How steep the ground is all round the hole [ratio].
    most : Cell or None
        The aim of the hour that breaks most [m]; None where not all hours can be said.
    shares : tuple of Cell or None
        From 1 to 5 o'clock against that [1], 6 being straight uphill.
    """

    tilt: float
    most: Cell | None
    shares: tuple[Cell | None, ...]


def dial_columns(conditions: Conditions, length_m: float, tilts: Sequence[float]) -> tuple[DialColumn, ...]:
    """Return the card of the dial.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    length_m : float
        From ball to hole [m]; the shares hardly depend on it.
    tilts : sequence of float
        How steep the ground is all round the hole, above 0 [ratio].

    Returns
    -------
    tuple of DialColumn
        One for each tilt.
    """
    return tuple(_column(conditions, length_m, tilt) for tilt in tilts)


def _column(conditions: Conditions, length_m: float, tilt: float) -> DialColumn:
    solved = [_from_hour(conditions, length_m, tilt, hour) for hour in HOURS]
    steeper = [_from_hour(conditions, length_m, tilt + HALF, hour) for hour in HOURS]
    cells = [one and aim_of(one, more) for one, more in zip(solved, steeper, strict=True)]
    known = [one for one in cells if one]
    if len(known) < len(HOURS):
        return DialColumn(tilt, None, (None,) * len(HOURS))
    most = max(known, key=lambda one: one.value)
    aims = [one.aim_right_m for one in steeper if one and one.aim_right_m is not None]
    more_most = -min(aims) if len(aims) == len(HOURS) else None
    return DialColumn(tilt, most, tuple(_share(one, most.value, more_most) for one in known))


def _share(cell: Cell, most_m: float, more_most_m: float | None) -> Cell:
    """Return the share that an hour has of the most, and by how much the steeper one differs."""
    more = None
    if cell.more is not None and more_most_m is not None:
        more = (cell.value + cell.more) / more_most_m - cell.value / most_m
    return Cell(cell.value / most_m, cell.least / most_m, cell.most / most_m, more)


def _from_hour(conditions: Conditions, length_m: float, tilt: float, hour: int) -> Read | None:
    """Return the read of a putt from an hour, its ground falling as the dial's does."""
    turn = HOUR_RAD * hour
    return conditions.solved(length_m, tilt * math.sin(turn), -tilt * math.cos(turn))

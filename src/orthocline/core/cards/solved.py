"""All cards of one green speed and roll-past."""

from dataclasses import dataclass

from orthocline.core.calls import GolferFigures
from orthocline.core.cards.aim import aim_cells
from orthocline.core.cards.cell import Cell
from orthocline.core.cards.conditions import Conditions
from orthocline.core.cards.dial import DialColumn, dial_columns
from orthocline.core.cards.gauge import finger_cells
from orthocline.core.cards.pace import PaceRow, pace_rows

Cells = tuple[tuple[Cell | None, ...], ...]


@dataclass(frozen=True)
class Grid:
    """The rows and columns of cards.

    Attributes
    ----------
    lengths_m : tuple of float
        From ball to hole [m].
    tilts : tuple of float
        Side tilts above 0 [ratio]; the dial has them all round the hole.
    rises : tuple of float
        How the ground rises to the hole [ratio], one card each.
    dial_m : float
        How long the putts of the dial are [m].
    """

    lengths_m: tuple[float, ...]
    tilts: tuple[float, ...]
    rises: tuple[float, ...]
    dial_m: float


@dataclass(frozen=True)
class Cards:
    """What the cards say.

    Attributes
    ----------
    aims : tuple of Cells
        Aims [m] for each rise.
    paces : tuple of tuple of PaceRow or None
        Paces for each rise.
    fingers : Cells
        Fingers on level putts.
    arm_m : float
        From the eye to the fingers [m].
    dial : tuple of DialColumn
        By tilt.
    """

    conditions: Conditions
    grid: Grid
    aims: tuple[Cells, ...]
    paces: tuple[tuple[PaceRow | None, ...], ...]
    fingers: Cells
    arm_m: float
    dial: tuple[DialColumn, ...]


def cards_of(conditions: Conditions, grid: Grid, golfer: GolferFigures) -> Cards:
    """Return all cards of a green speed and roll-past.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    grid : Grid
        Rows and columns.
    golfer : GolferFigures
        Whose hand, beat and stroke they are.

    Returns
    -------
    Cards
        None in the cells of which nothing can be said.
    """
    return Cards(
        conditions,
        grid,
        tuple(aim_cells(conditions, grid.lengths_m, grid.tilts, rise) for rise in grid.rises),
        tuple(pace_rows(conditions, grid.lengths_m, rise, golfer) for rise in grid.rises),
        finger_cells(conditions, grid.lengths_m, grid.tilts, golfer.gauge),
        golfer.gauge.arm_m(conditions.green_speed_ft),
        dial_columns(conditions, grid.dial_m, grid.tilts),
    )

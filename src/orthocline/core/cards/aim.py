"""The card of aims: how far to the high side a putt is aimed, by length, side tilt and rise."""

import math
from collections.abc import Sequence

from orthocline.core.cards.cell import HALF, QUARTER, Cell
from orthocline.core.cards.conditions import Conditions
from orthocline.core.roll import Read


def aim_cells(
    conditions: Conditions, lengths_m: Sequence[float], sides: Sequence[float], rise: float
) -> tuple[tuple[Cell | None, ...], ...]:
    """Return the card of aims for one rise.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    lengths_m : sequence of float
        Its rows [m].
    sides : sequence of float
        Its columns, side tilts above 0 [ratio].
    rise : float
        How the ground rises to the hole [ratio].

    Returns
    -------
    tuple of tuple of Cell or None
        From the hole's centre to the high side [m], by length and then by side tilt; None where no ball
        holds, or drops.
    """
    return tuple(tuple(aim_cell(conditions, length, side, rise) for side in sides) for length in lengths_m)


def aim_cell(conditions: Conditions, length_m: float, side: float, rise: float) -> Cell | None:
    """Return one cell of the card of aims, half a percent more being of the side tilt.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    length_m : float
        From ball to hole [m].
    side, rise : float
        Side tilt and rise [ratio].

    Returns
    -------
    Cell or None
        From the hole's centre to the high side [m]; None where no ball holds, or drops.
    """
    solved = conditions.solved(length_m, side, rise)
    steeper = conditions.solved(length_m, side + HALF, rise)
    return aim_of(solved, steeper) if solved else None


def aim_of(solved: Read, steeper: Read | None) -> Cell | None:
    """Return the cell of a putt that falls to the right.

    Parameters
    ----------
    solved, steeper : Read
        The putt, and the same on half a percent more; None where no ball holds there.

    Returns
    -------
    Cell or None
        From the hole's centre to the high side [m]; None where no ball drops.
    """
    window = solved.make_window
    if window is None or solved.aim_right_m is None:
        return None
    aim, more = -solved.aim_right_m, steeper.aim_right_m if steeper else None
    most, least = (math.tan(one) for one in (window.right_rad.most, window.right_rad.least))
    may = QUARTER * solved.putt.length_m * (most - least)
    return Cell(aim, aim - may, aim + may, None if more is None else -more - aim)

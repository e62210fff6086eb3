"""The card of aims: how far to the high side a putt is aimed, by length, side tilt and rise."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.cards.conditions import HALF, Conditions


@dataclass(frozen=True)
class AimCell:
    """One cell.

    Attributes
    ----------
    aim_m : float
        From the hole's centre to the high side [m].
    more_m : float or None
        How much further that is with half a percent more of side tilt [m]; None where no ball holds then.
    drops_m : float
        Between the least and the most aim that still drop [m].
    """

    aim_m: float
    more_m: float | None
    drops_m: float


@dataclass(frozen=True)
class AimBlock:
    """The cells of one rise [ratio], by length and then by side tilt; None where none can be said."""

    rise: float
    cells: tuple[tuple[AimCell | None, ...], ...]


def aim_blocks(
    conditions: Conditions, lengths_m: Sequence[float], sides: Sequence[float], rises: Sequence[float]
) -> tuple[AimBlock, ...]:
    """Return the card of aims.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    lengths_m : sequence of float
        Its rows [m].
    sides, rises : sequence of float
        Its columns, side tilts above 0, and its blocks [ratio].

    Returns
    -------
    tuple of AimBlock
        One for each rise.
    """
    return tuple(
        AimBlock(
            rise,
            tuple(tuple(aim_cell(conditions, length, side, rise) for side in sides) for length in lengths_m),
        )
        for rise in rises
    )


def aim_cell(conditions: Conditions, length_m: float, side: float, rise: float) -> AimCell | None:
    """Return one cell of the card of aims.

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
    AimCell or None
        None where no ball holds, or drops.
    """
    solved = conditions.solved(length_m, side, rise)
    window = solved.make_window if solved else None
    if solved is None or window is None or solved.aim_right_m is None:
        return None
    steeper = conditions.solved(length_m, side + HALF, rise)
    more = steeper.aim_right_m if steeper else None
    most, least = (math.tan(one) for one in (window.right_rad.most, window.right_rad.least))
    return AimCell(
        -solved.aim_right_m,
        None if more is None else solved.aim_right_m - more,
        length_m * (most - least),
    )

"""The card of paces: how far a putt plays, its beat mark and its stroke, by length and rise."""

from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.calls import GolferFigures, beat_mark_of, level_twin_of, stroke_of
from orthocline.core.cards.conditions import HALF, Conditions


@dataclass(frozen=True)
class PaceCell:
    """One cell.

    Attributes
    ----------
    plays_m : float
        How far it plays on the level [m]: pace it to there.
    more_m : float or None
        How much further with half a percent more of rise [m]; None where no ball holds then.
    mark_m : float
        How far along its way the ball is one beat after the strike [m]; None where it rests by then.
    stroke_m : float
        Of the whole stroke [m].
    """

    plays_m: float
    more_m: float | None
    mark_m: float | None
    stroke_m: float


def pace_cells(
    conditions: Conditions, lengths_m: Sequence[float], rises: Sequence[float], golfer: GolferFigures
) -> tuple[tuple[PaceCell | None, ...], ...]:
    """Return the card of paces, by length and then by rise.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    lengths_m : sequence of float
        Its rows [m].
    rises : sequence of float
        Its columns [ratio].
    golfer : GolferFigures
        Whose beat and stroke they are.

    Returns
    -------
    tuple of tuple of PaceCell or None
        None where no ball holds, or drops.
    """
    return tuple(tuple(_cell(conditions, length, rise, golfer) for rise in rises) for length in lengths_m)


def _cell(conditions: Conditions, length_m: float, rise: float, golfer: GolferFigures) -> PaceCell | None:
    solved = conditions.solved(length_m, 0.0, rise)
    if solved is None:
        return None
    steeper = conditions.solved(length_m, 0.0, rise + HALF)
    plays, mark = level_twin_of(solved).plays_like_m, beat_mark_of(solved, golfer)
    return PaceCell(
        plays,
        level_twin_of(steeper).plays_like_m - plays if steeper else None,
        mark.along_m if mark else None,
        stroke_of(solved, golfer).length_m,
    )

"""The card of paces: how far a putt plays, its beat mark and its stroke, by length, for one rise."""

from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.calls import GolferFigures, beat_mark_of, level_twin_of, stroke_of
from orthocline.core.cards.cell import HALF
from orthocline.core.cards.conditions import Conditions
from orthocline.core.roll import Read


@dataclass(frozen=True)
class Pace:
    """How firm a putt is.

    Attributes
    ----------
    plays_m : float
        How far it plays on the level [m]: pace it to there.
    beyond_m : float
        How far that is beyond the hole [m], negative if short of it.
    mark_m : float or None
        How far along its way the ball is one beat after the strike [m]; None where it rests by then.
    stroke_m : float
        Of the whole stroke [m].
    """

    plays_m: float
    beyond_m: float
    mark_m: float | None
    stroke_m: float


@dataclass(frozen=True)
class PaceRow:
    """A row of the card: its pace, and that with half a percent more of rise; None where no ball holds."""

    pace: Pace
    steeper: Pace | None


def pace_rows(
    conditions: Conditions, lengths_m: Sequence[float], rise: float, golfer: GolferFigures
) -> tuple[PaceRow | None, ...]:
    """Return the card of paces for one rise.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    lengths_m : sequence of float
        Its rows [m].
    rise : float
        How the ground rises to the hole [ratio].
    golfer : GolferFigures
        Whose beat and stroke they are.

    Returns
    -------
    tuple of PaceRow or None
        None where no ball holds, or drops.
    """
    return tuple(_row(conditions, length, rise, golfer) for length in lengths_m)


def _row(conditions: Conditions, length_m: float, rise: float, golfer: GolferFigures) -> PaceRow | None:
    solved = conditions.solved(length_m, 0.0, rise)
    steeper = conditions.solved(length_m, 0.0, rise + HALF)
    if solved is None:
        return None
    return PaceRow(_pace(solved, golfer), _pace(steeper, golfer) if steeper else None)


def _pace(solved: Read, golfer: GolferFigures) -> Pace:
    plays, mark = level_twin_of(solved).plays_like_m, beat_mark_of(solved, golfer)
    beyond = plays - solved.putt.length_m
    return Pace(plays, beyond, mark.along_m if mark else None, stroke_of(solved, golfer).length_m)

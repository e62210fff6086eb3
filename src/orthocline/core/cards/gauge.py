"""The card of fingers: how many reach the aim, by length and side tilt, the arm bent for the speed."""

from collections.abc import Sequence

from orthocline.core.calls import SCHOOLS, GolferFigures, HandGauge
from orthocline.core.cards.conditions import Conditions


def finger_cells(
    conditions: Conditions, lengths_m: Sequence[float], sides: Sequence[float], golfer: GolferFigures
) -> tuple[tuple[float | None, ...], ...]:
    """Return how many fingers reach the aim, by length and then by side tilt.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    lengths_m : sequence of float
        Its rows [m].
    sides : sequence of float
        Its columns [ratio].
    golfer : GolferFigures
        Whose hand it is.

    Returns
    -------
    tuple of tuple of float or None
        Fingers [1]; None where no ball holds, or drops, or the hand is too small.
    """
    return tuple(tuple(_fingers(conditions, length, side, golfer) for side in sides) for length in lengths_m)


def _fingers(conditions: Conditions, length_m: float, side: float, golfer: GolferFigures) -> float | None:
    solved = conditions.solved(length_m, side, 0.0)
    hand: HandGauge | None = SCHOOLS["hand_gauge"].value(solved, golfer) if solved else None
    if hand is None or abs(hand.fingers) > len(golfer.gauge.fingers_m):
        return None
    return abs(hand.fingers)

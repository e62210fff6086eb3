"""The card of fingers: how many reach the aim, by length and side tilt, the arm bent for the speed."""

from collections.abc import Sequence

from orthocline.core.calls import Gauge
from orthocline.core.cards.aim import aim_cell
from orthocline.core.cards.cell import Cell
from orthocline.core.cards.conditions import Conditions


def finger_cells(
    conditions: Conditions, lengths_m: Sequence[float], sides: Sequence[float], gauge: Gauge
) -> tuple[tuple[Cell | None, ...], ...]:
    """Return how many fingers reach the aim, by length and then by side tilt.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    lengths_m : sequence of float
        Its rows [m].
    sides : sequence of float
        Its columns [ratio].
    gauge : Gauge
        The golfer's hand.

    Returns
    -------
    tuple of tuple of Cell or None
        Fingers [1]; None where no ball holds, or drops, or the hand is too small.
    """
    return tuple(tuple(_fingers(conditions, length, side, gauge) for side in sides) for length in lengths_m)


def _fingers(conditions: Conditions, length_m: float, side: float, gauge: Gauge) -> Cell | None:
    cell = aim_cell(conditions, length_m, side, 0.0)
    if cell is None:
        return None
    arm_m = gauge.arm_m(conditions.green_speed_ft)
    told = cell.told(lambda aim_m: gauge.fingers_to(aim_m, length_m, arm_m))
    return told if told.value <= len(gauge.fingers_m) else None

"""Cup entry: the hour on the rim, as the golfer faces it, where the ball goes in."""

import math
from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll.putt import Point, Putt


def entry_clock_hours(putt: Putt, rim: Point) -> float:
    """Return the hour (0 to 12) of a place on the rim; 6 is the side nearest the ball, 3 the golfer's right.

    Six minus the degrees to the right of the rim point, seen from the centre, over thirty.

    Parameters
    ----------
    putt : Putt
        The putt.
    rim : Point
        Place on the rim [m].

    Returns
    -------
    float
        Hour, 0 to 12.
    """
    along, right = putt.along_and_right_m(rim)
    degrees_right = math.degrees(math.atan2(right, putt.length_m - along))
    return (6.0 - degrees_right / 30.0) % 12.0


def entry_range_hours(hours: Sequence[float]) -> tuple[float, float]:
    """Return the earliest and the latest of hours that follow each other round the rim.

    Between neighbours the shorter way round is taken, so that twelve o'clock may lie among them; the top of a
    turn between two of them is that of the parabola through it and its neighbours.

    Parameters
    ----------
    hours : sequence of float
        Hours, 0 to 12, in the order of start lines; the read's own may follow.

    Returns
    -------
    tuple of float
        The earliest, 0 to 12, and the latest, not before it.
    """
    turned = np.unwrap(np.array(hours), period=12.0)
    least, most = _turning_point(-turned), _turning_point(turned)
    first = -least % 12.0
    return first, first + most + least


def _turning_point(hours: NDArray[np.float64]) -> float:
    """Return the greatest of hours, by the parabola through it and its neighbours where it lies inside."""
    i = int(np.argmax(hours))
    if not 0 < i < len(hours) - 2:
        return float(hours[i])
    before, here, after = hours[i - 1 : i + 2]
    bend = before - 2.0 * here + after
    return float(here - (before - after) ** 2 / (8.0 * bend)) if bend < 0.0 else float(here)

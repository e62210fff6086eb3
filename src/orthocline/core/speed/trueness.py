"""How true a green rolls, measured: how far aside the balls of one ramp end from each other."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.instruments import TRUENESS_DEG

LEAST_ROLLS = 3
"""Fewer rolls say nothing about scatter."""


@dataclass(frozen=True)
class Trueness:
    """How far rolls scatter aside, as an angle [rad], and the rating of five that is nearest."""

    scatter_rad: float
    rating: int


def trueness_of(ways: Sequence[Sequence[float]]) -> Trueness | None:
    """Return how true a green rolls, from where the rolls of each direction ended.

    The ramp stands as it stood for all rolls of one direction, so that their common angle is its own, or the
    ground's tilt; what is left, sqrt(sum of squares / (n - directions)), is the green.

    Parameters
    ----------
    ways : sequence of sequence of float
        For each direction, how far to the right of the ramp's line its rolls ended, as angles [rad].

    Returns
    -------
    Trueness or None
        None for fewer than three rolls in one direction or the other.
    """
    several = [way for way in ways if len(way) >= LEAST_ROLLS]
    if not several:
        return None
    squares, free = 0.0, 0
    for angles in several:
        mean = math.fsum(angles) / len(angles)
        squares += math.fsum((angle - mean) ** 2 for angle in angles)
        free += len(angles) - 1
    scatter = math.sqrt(squares / free)
    rating = min(TRUENESS_DEG, key=lambda stars: abs(math.log(_ratio(scatter, TRUENESS_DEG[stars]))))
    return Trueness(scatter, rating)


def _ratio(scatter_rad: float, usual_deg: float) -> float:
    return max(math.degrees(scatter_rad), 0.01) / usual_deg

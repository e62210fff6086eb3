"""Tuning putts: balls putted to one level distance, to train and check pace. They give no green speed."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.speed.method import ROLL_RANGE_M, Figure, Quantity
from orthocline.core.units import FOOT_M, INCH_M

ROUNDING_M = 1e-9
FIGURES = (
    Figure("target", Quantity.FAR, (3.0 * FOOT_M, 60.0 * FOOT_M)),
    Figure("zone", Quantity.NEAR, (2.0 * INCH_M, 6.0 * FOOT_M)),
    Figure("balls", Quantity.FAR, ROLL_RANGE_M, many=True),
)
"""What is asked for: how far to putt, how far past is good, and how far each ball rolled."""


@dataclass(frozen=True)
class TuningScore:
    """How a set of tuning putts went.

    Attributes
    ----------
    past_m : tuple of float
        Where each stopped beyond the target [m], negative if short.
    zone_m : float
        How far beyond the target a ball may stop [m].
    good : tuple of bool
        Whether each stopped there, not short.
    mean_m, spread_m, group_m : float
        Their mean, standard deviation (0 for one ball) and longest less shortest [m].
    """

    past_m: tuple[float, ...]
    zone_m: float
    good: tuple[bool, ...]
    mean_m: float
    spread_m: float
    group_m: float

    @property
    def all_good(self) -> bool:
        """Whether every ball stopped where it should."""
        return all(self.good)


def score_tuning_putts(target_m: float, zone_m: float, lengths_m: Sequence[float]) -> TuningScore:
    """Return the score of balls, one or more, that rolled `lengths_m` [m] to a target `target_m` away.

    Parameters
    ----------
    target_m : float
        Distance to the target [m].
    zone_m : float
        How far beyond it a ball may stop [m].
    lengths_m : sequence of float
        How far each ball rolled [m], one or more.

    Returns
    -------
    TuningScore
        The score.
    """
    past = tuple(length - target_m for length in lengths_m)
    mean = math.fsum(past) / len(past)
    squares = math.fsum((one - mean) ** 2 for one in past)
    return TuningScore(
        past,
        zone_m,
        tuple(-ROUNDING_M <= one <= zone_m + ROUNDING_M for one in past),
        mean,
        math.sqrt(squares / max(len(past) - 1, 1)),
        max(past) - min(past),
    )

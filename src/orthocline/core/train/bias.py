"""What the eyes do again and again: by how much answers are off, and within what that is known."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Final

import numpy as np
from scipy.special import stdtrit

from orthocline.core.account import GOLFERS, USUAL_LEVEL
from orthocline.core.learning import Reads, reads_of

SURE: Final = 0.975
"""Ranges hold 95 %: so much lies below their upper end."""


@dataclass(frozen=True)
class Bias:
    """By how much answers are off on the mean, in their own unit, and between what that lies (95 %).

    `spread` is the standard deviation of one answer.
    """

    FEWEST: ClassVar[int] = 6
    """Fewer answers say nothing of a habit."""

    value: float
    least: float
    most: float
    answers: int
    spread: float

    @property
    def sure(self) -> bool:
        """Whether there surely is one."""
        return self.least > 0.0 or self.most < 0.0


def mean_bias(errors: Sequence[float]) -> Bias | None:
    """Return by how much answers are off on the mean.

    Parameters
    ----------
    errors : sequence of float
        Answer less truth, in any one unit.

    Returns
    -------
    Bias or None
        The mean, and Student's range of it; None for fewer than `Bias.FEWEST`.
    """
    count = len(errors)
    if count < Bias.FEWEST:
        return None
    mean = math.fsum(errors) / count
    sd = math.sqrt(math.fsum((one - mean) ** 2 for one in errors) / (count - 1))
    half = float(stdtrit(count - 1, SURE)) * sd / math.sqrt(count)
    return Bias(mean, mean - half, mean + half, count, sd)


def seen_share(given_m: Sequence[float], true_m: Sequence[float]) -> Reads | None:
    """Return how much of the break is seen, as the log has it of reads.

    Parameters
    ----------
    given_m, true_m : sequence of float
        Aims as they were answered, and as they should have been [m, to the right].

    Returns
    -------
    Reads or None
        The factor and its range; None for fewer than `Bias.FEWEST`.
    """
    if len(given_m) < Bias.FEWEST:
        return None
    return reads_of(np.array(given_m), np.array(true_m), GOLFERS[USUAL_LEVEL].read)

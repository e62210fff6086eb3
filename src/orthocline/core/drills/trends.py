"""Whether a drill goes better from time to time."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from scipy.special import stdtrit
from scipy.stats import linregress

FEWEST: Final = 4
"""Fewer runs have no trend."""
WEEK: Final = 7.0
SURE: Final = 0.975


@dataclass(frozen=True)
class Trend:
    """How much more a drill is worth with each week, as a share of the most [1], and its range (95 %)."""

    a_week: float
    least: float
    most: float

    @property
    def sure(self) -> bool:
        """Whether there surely is one."""
        return self.least > 0.0 or self.most < 0.0


def trend_of(days: Sequence[float], shares: Sequence[float]) -> Trend | None:
    """Return how a drill goes from time to time: a straight line through its runs.

    Parameters
    ----------
    days : sequence of float
        When it was done [days].
    shares : sequence of float
        What it was worth each time, as a share of the most [1].

    Returns
    -------
    Trend or None
        The slope of that line with Student's range; None for fewer than `FEWEST` runs, or all on one day.
    """
    if len(days) < FEWEST or max(days) - min(days) < 1.0:
        return None
    line = linregress(days, shares)
    half = float(stdtrit(len(days) - 2, SURE)) * line.stderr
    return Trend(WEEK * line.slope, WEEK * (line.slope - half), WEEK * (line.slope + half))

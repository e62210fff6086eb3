"""A figure of many putts, how many it rests on, and the range within which it may lie (95 %)."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.special import bdtrik, betaincinv, gammaincinv, stdtrit

from orthocline.core.estimate import Span

Figures = NDArray[np.float64]
FEW: Final = 30
"""A figure that rests on fewer is marked: it says little of a golfer."""
LOW, HIGH = 0.025, 0.975


@dataclass(frozen=True)
class Figure:
    """One figure of a log.

    Attributes
    ----------
    value : float or None
        In the figure's own unit; None where it rests on nothing.
    span : Span or None
        Between which the true figure lies (95 %); None where nothing can be said of that.
    count : int
        How many it rests on.
    """

    value: float | None
    span: Span | None
    count: int

    @property
    def few(self) -> bool:
        """Whether it rests on few."""
        return self.count < FEW

    def times(self, factor: float) -> "Figure":
        """Return the figure of so many at once.

        Parameters
        ----------
        factor : float
            How many [1], above 0.

        Returns
        -------
        Figure
            Value and range, so many times.
        """
        span = Span(factor * self.span.least, factor * self.span.most) if self.span else None
        return Figure(None if self.value is None else factor * self.value, span, self.count)

    def less(self, known: float) -> "Figure":
        """Return by how much the figure is more than another that is known.

        Parameters
        ----------
        known : float
            In the figure's unit.

        Returns
        -------
        Figure
            Value and range, less that.
        """
        span = Span(self.span.least - known, self.span.most - known) if self.span else None
        return Figure(None if self.value is None else self.value - known, span, self.count)


NO_FIGURE: Final = Figure(None, None, 0)


def share(holds: NDArray[np.bool_]) -> Figure:
    """Return the share of those that something holds of.

    Parameters
    ----------
    holds : ndarray of bool, shape (n,)
        Whether it does, of each.

    Returns
    -------
    Figure
        A share from 0 to 1, with the equal-tailed range of Jeffreys' prior (Brown, Cai and DasGupta 2001,
        Statistical Science 16, 101), which reaches to the end where all or none are so.
    """
    count = len(holds)
    if not count:
        return NO_FIGURE
    hits = int(np.count_nonzero(holds))
    low = 0.0 if hits == 0 else float(betaincinv(hits + 0.5, count - hits + 0.5, LOW))
    high = 1.0 if hits == count else float(betaincinv(hits + 0.5, count - hits + 0.5, HIGH))
    return Figure(hits / count, Span(low, high), count)


def mean(values: Figures) -> Figure:
    """Return the mean of figures.

    Parameters
    ----------
    values : ndarray, shape (n,)
        The figures, in one unit; those that are not known are nan and left out.

    Returns
    -------
    Figure
        Their mean with the range of Student's t; none of one alone.
    """
    known = values[~np.isnan(values)]
    count = len(known)
    if not count:
        return NO_FIGURE
    middle = float(known.mean())
    if count == 1:
        return Figure(middle, None, 1)
    half = float(stdtrit(count - 1, HIGH)) * float(known.std(ddof=1)) / math.sqrt(count)
    return Figure(middle, Span(middle - half, middle + half), count)


def median(values: Figures) -> Figure:
    """Return the median of figures.

    Parameters
    ----------
    values : ndarray, shape (n,)
        The figures, in one unit; those that are not known are nan and left out.

    Returns
    -------
    Figure
        Their median, between the two of them that hold it in 95 of 100 (by the binomial distribution); no
        range of fewer than six, which cannot say as much.
    """
    known = values[~np.isnan(values)]
    count = len(known)
    if not count:
        return NO_FIGURE
    # So few heads of so many coins that fewer than 2.5 of 100 throws fall short of them.
    below = max(math.ceil(float(bdtrik(LOW, count, 0.5))), 0)
    middle = [(count - 1) // 2, count // 2]
    ends = [below - 1, count - below] if below else []
    ranked = np.partition(known, [*middle, *ends])  # a whole sort takes several times as long
    span = Span(*ranked[ends].tolist()) if ends else None
    return Figure(float(ranked[middle].mean()), span, count)


def spread(values: Figures) -> Figure:
    """Return how far figures scatter.

    Parameters
    ----------
    values : ndarray, shape (n,)
        The figures, in one unit; those that are not known are nan and left out.

    Returns
    -------
    Figure
        Their standard deviation with the range of the chi-squared distribution; none of one alone.
    """
    known = values[~np.isnan(values)]
    count = len(known)
    if count < 2:
        return Figure(None, None, count)
    sd = float(known.std(ddof=1))
    half = 0.5 * (count - 1)
    ends = (sd * math.sqrt(half / float(gammaincinv(half, level))) for level in (HIGH, LOW))
    return Figure(sd, Span(*ends), count)


def difference(one: Figure, other: Figure) -> Figure:
    """Return by how much one figure is more than another that rests on other putts.

    Parameters
    ----------
    one, other : Figure
        Two figures in one unit.

    Returns
    -------
    Figure
        Their difference with the range that follows from theirs (Newcombe 1998, Statistics in Medicine 17,
        873, method 10; Zou and Donner 2008 for any figures), resting on the smaller count.
    """
    count = min(one.count, other.count)
    if one.value is None or other.value is None:
        return Figure(None, None, count)
    more = one.value - other.value
    if one.span is None or other.span is None:
        return Figure(more, None, count)
    less = math.hypot(one.value - one.span.least, other.span.most - other.value)
    most = math.hypot(one.span.most - one.value, other.value - other.span.least)
    return Figure(more, Span(more - less, more + most), count)

"""By distance, and by month: what was holed and gained, beside the usual golfer."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from orthocline.core.estimate import Span
from orthocline.core.log.conditions import chosen
from orthocline.core.log.putts import Mask, Putts
from orthocline.core.log.ranges import Figure, mean, share
from orthocline.core.log.statistics import against_usual


@dataclass(frozen=True)
class Band:
    """The putts between two distances.

    Attributes
    ----------
    span : Span
        From beyond which to which distance [m].
    length_m : float or None
        How long they are on average [m]; None without any.
    holed : Figure
        The share that dropped.
    usual : float or None
        The share that the usual golfer holes of putts so long.
    gained : Figure
        What each gained on the usual golfer [strokes].
    """

    span: Span
    length_m: float | None
    holed: Figure
    usual: float | None
    gained: Figure


@dataclass(frozen=True)
class Month:
    """The putts of a month.

    Attributes
    ----------
    number : int
        Months since the year 0.
    holed : Figure
        By which share more were holed than the usual golfer holes of putts so long.
    gained : Figure
        What each gained on the usual golfer [strokes].
    """

    number: int
    holed: Figure
    gained: Figure


def by_distance(putts: Putts, among: Mask, edges_m: Sequence[float]) -> tuple[Band, ...]:
    """Return what was holed from band to band.

    Parameters
    ----------
    putts : Putts
        The log.
    among : ndarray of bool, shape (n,)
        Which of its putts [1]; those of an unknown result are left out.
    edges_m : sequence of float
        Where the bands begin and end [m], growing; a putt at an edge lies in the band that ends there.

    Returns
    -------
    tuple of Band
        One fewer than there are edges.
    """
    known = among & chosen(putts, ("known", "measured"))
    bands = []
    for least, most in pairwise(edges_m):
        here = known & (putts.length_m > least) & (putts.length_m <= most)
        some = bool(here.any())
        bands.append(
            Band(
                Span(least, most),
                float(putts.length_m[here].mean()) if some else None,
                share(putts.holed[here] == 1.0),
                float(putts.usual_holed[here].mean()) if some else None,
                mean(putts.gained[here]),
            )
        )
    return tuple(bands)


def by_month(putts: Putts, among: Mask) -> tuple[Month, ...]:
    """Return what was holed and gained from month to month.

    Parameters
    ----------
    putts : Putts
        The log.
    among : ndarray of bool, shape (n,)
        Which of its putts [1]; those of an unknown result or length are left out.

    Returns
    -------
    tuple of Month
        Those that have any, in their order.
    """
    known = among & chosen(putts, ("known", "measured"))
    months = []
    for number in np.unique(putts.month[known]):
        here = known & (putts.month == number)
        months.append(Month(int(number), against_usual(putts, here), mean(putts.gained[here])))
    return tuple(months)

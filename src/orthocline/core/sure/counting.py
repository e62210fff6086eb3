"""Where along the putt the slope counts for the aim, and where the ball is seen to turn."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll import Read, Sensitivity

POINTS: Final = 61
THIRDS: Final = 3
LEAST_TURN_RAD: Final = 1e-4
"""Less turning from ball to hole than this is none: the way is straight."""


@dataclass(frozen=True)
class Counting:
    """Where the slope counts, and where the turning is seen, over the way from ball to hole.

    Attributes
    ----------
    shares : ndarray
        Places along the way as shares of it, even, shape (61,).
    counts, turns : ndarray
        Share of the aim that the tilt of each place is good for, and of the turning that is seen there, per
        share of the way: over the whole way their mean is 1. No turning at all where the way is straight.
    counts_by_third, turns_by_third : tuple of float
        The same per third of the way, summing to 1.
    """

    shares: NDArray[np.float64]
    counts: NDArray[np.float64]
    turns: NDArray[np.float64]
    counts_by_third: tuple[float, ...]
    turns_by_third: tuple[float, ...]


def counting_of(solved: Read, weights: Sensitivity) -> Counting:
    """Return where the slope counts on a read's way, and where it turns.

    Parameters
    ----------
    solved : Read
        The read.
    weights : Sensitivity
        Its weights along the way.

    Returns
    -------
    Counting
        Both, over the way and per third of it.
    """
    whole = solved.aim.path_m
    shares = np.linspace(0.0, 1.0, POINTS)
    summed = _summed(weights.way_m, np.abs(weights.aim_rad[:, 0]))
    ways, headings = solved.track.headings.T
    turned = np.concatenate([[0.0], np.cumsum(np.abs(np.diff(headings)))])
    counts = _share_until(shares * whole, weights.way_m, summed)
    turns = _share_until(shares * whole, ways, turned)
    return Counting(
        shares,
        np.gradient(counts, shares),
        np.gradient(turns, shares),
        _by_third(shares, counts),
        _by_third(shares, turns),
    )


def _summed(way_m: NDArray[np.float64], weight: NDArray[np.float64]) -> NDArray[np.float64]:
    return np.concatenate([[0.0], np.cumsum(0.5 * (weight[1:] + weight[:-1]) * np.diff(way_m))])


def _share_until(
    places_m: NDArray[np.float64], way_m: NDArray[np.float64], summed: NDArray[np.float64]
) -> NDArray[np.float64]:
    """Return which share of a sum over the way to the last of the places is reached at each of them."""
    reached = np.interp(places_m, way_m, summed)
    return reached / reached[-1] if reached[-1] > LEAST_TURN_RAD else np.zeros(len(places_m))


def _by_third(shares: NDArray[np.float64], until: NDArray[np.float64]) -> tuple[float, ...]:
    return tuple(np.diff(np.interp(np.linspace(0.0, 1.0, THIRDS + 1), shares, until)).tolist())

"""How far readings of the ground reach: how sure the slope is between stations and beyond them."""

from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground.field import slope_covariance

REACH_M: Final = 1.0
"""So far from a reading the ground may slope otherwise by about 1 % (95 %), by the field's usual figures."""
SAME_PLACE_M = 1e-6
"""Readings nearer to each other than this stand in one place."""


@dataclass(frozen=True)
class LineReadings:
    """Readings of one component of the slope along a putt.

    Attributes
    ----------
    at_m : ndarray
        Where they stand from the ball [m], in their order, shape (m,).
    sd : ndarray
        Their standard deviations [ratio], shape (m,).
    """

    at_m: NDArray[np.float64]
    sd: NDArray[np.float64]

    def with_one(self, at_m: float, sd: float) -> "LineReadings":
        """Return them with one more; where one stands already the two are averaged, the surer counting more.

        Parameters
        ----------
        at_m : float
            Where it stands [m].
        sd : float
            Its standard deviation [ratio], above 0.

        Returns
        -------
        LineReadings
            In their order.
        """
        near = np.abs(self.at_m - at_m) < SAME_PLACE_M
        if near.any():
            both = self.sd * sd / np.hypot(self.sd, sd)
            return LineReadings(self.at_m, np.where(near, both, self.sd))
        i = int(np.searchsorted(self.at_m, at_m))
        return LineReadings(np.insert(self.at_m, i, at_m), np.insert(self.sd, i, sd))

    def shares(self, along_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return how much each reading counts for the slope at places, beyond the ends the nearest alone.

        Parameters
        ----------
        along_m : ndarray
            Places along the line from the ball [m], shape (n,).

        Returns
        -------
        ndarray
            Shares that sum to 1 for each place, shape (n, m); between stations those of the straight line,
            from which the monotone cubic hardly strays.
        """
        return np.column_stack([np.interp(along_m, self.at_m, one) for one in np.eye(len(self.at_m))])


@dataclass(frozen=True)
class LineDoubt:
    """The error of a sum of slopes along a way, as stations say them.

    Attributes
    ----------
    places_m : ndarray
        Places of the sum [m], along the ball-hole line from the ball and to its left, shape (n, 2).
    weights : ndarray
        How much the grade at each place counts, then the fall to the right; shape (2 n,).

    Notes
    -----
    The slope said at a place is a mean of the readings with shares W that sum to 1. With the field's
    covariance k it errs by k(P, P) - W k(X, P) - k(P, X) W' + W (k(X, X) + R) W': the plane of the putt drops
    out. Over simulated greens this holds the true aim as often as it says; the field conditioned on the
    readings, which is what the best estimate would err by, holds it less often, for it is not what is used.
    """

    places_m: NDArray[np.float64]
    weights: NDArray[np.float64]

    def variance(self, grade: LineReadings, side: LineReadings) -> float:
        """Return the variance of the sum's error.

        Parameters
        ----------
        grade : LineReadings
            Readings of the grade.
        side : LineReadings
            Readings of the fall to the right.

        Returns
        -------
        float
            Variance, in the square of the sum's unit.
        """
        nodes = len(self.places_m)
        along = self.places_m[:, 0]
        parts = zip((grade, side), (self.weights[:nodes], self.weights[nodes:]), strict=True)
        counts = [weights @ readings.shares(along) for readings, weights in parts]
        shared, among = 0.0, 0.0
        for component, (readings, count) in enumerate(zip((grade, side), counts, strict=True)):
            shared += float(count @ self._with_sum(readings.at_m)[component])
            among += float(count @ _among(readings.at_m)[component] @ count)
            among += float(np.sum((count * readings.sd) ** 2))
        return max(self._own - 2.0 * shared + among, 0.0)

    @cached_property
    def _own(self) -> float:
        return float(self.weights @ slope_covariance(self.places_m, self.places_m) @ self.weights)

    def _with_sum(self, at_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the covariance of the slopes on the line with the sum, shape (2, m)."""
        return (slope_covariance(_on_line(at_m), self.places_m) @ self.weights).reshape(2, -1)


def _on_line(at_m: NDArray[np.float64]) -> NDArray[np.float64]:
    return np.column_stack([at_m, np.zeros(len(at_m))])


def _among(at_m: NDArray[np.float64]) -> NDArray[np.float64]:
    """Return the covariance of grades, and of falls to the right, on the line, shape (2, m, m)."""
    whole, count = slope_covariance(_on_line(at_m), _on_line(at_m)), len(at_m)
    return np.array([whole[:count, :count], whole[count:, count:]])

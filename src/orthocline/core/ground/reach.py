"""How far readings of the ground reach: how sure the slope is between stations and beyond them."""

from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground.field import line_covariance, slope_covariance

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
        rows = [np.concatenate((old[:i], (new,), old[i:])) for old, new in ((self.at_m, at_m), (self.sd, sd))]
        return LineReadings(*rows)

    def counts(self, along_m: NDArray[np.float64], weights: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return how much each reading counts for a sum of slopes, beyond the ends the nearest alone.

        Parameters
        ----------
        along_m : ndarray
            Places along the line from the ball [m], shape (n,).
        weights : ndarray
            How much the slope at each place counts, shape (n,).

        Returns
        -------
        ndarray
            Weights of the readings, shape (m,): each place takes its slope from those about it, as the
            straight line has it, from which the monotone cubic hardly strays.
        """
        count = len(self.at_m)
        if count == 1:
            return np.array([weights.sum()])
        before = np.clip(np.searchsorted(self.at_m, along_m) - 1, 0, count - 2)
        steps = np.diff(self.at_m)[before]
        shares = np.clip((along_m - self.at_m[before]) / steps, 0.0, 1.0)
        return np.asarray(
            np.bincount(before, weights * (1.0 - shares), count)
            + np.bincount(before + 1, weights * shares, count)
        )


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
        return max(self.own + self.part(grade, 0) + self.part(side, 1), 0.0)

    def part(self, readings: LineReadings, component: int) -> float:
        """Return what readings of one slope add to the variance of the sum of slopes nobody has read.

        Parameters
        ----------
        readings : LineReadings
            The readings.
        component : int
            0 for the grade, 1 for the fall to the right.

        Returns
        -------
        float
            In the square of the sum's unit; it may be below 0.
        """
        count, of_places = self.counts(readings, component)
        return of_places + float(np.sum((count * readings.sd) ** 2))

    def counts(self, readings: LineReadings, component: int) -> tuple[NDArray[np.float64], float]:
        """Return how much each reading counts for the sum, and what their places alone add to its variance.

        Parameters
        ----------
        readings : LineReadings
            The readings.
        component : int
            0 for the grade, 1 for the fall to the right.

        Returns
        -------
        tuple of ndarray and float
            Weights, shape (m,), and the part of the variance that stays however sure the readings are.
        """
        nodes = len(self.places_m)
        weights = self.weights[component * nodes : (component + 1) * nodes]
        count = readings.counts(self.places_m[:, 0], weights)
        shared = float(count @ self._with_sum(readings.at_m)[:, component])
        among = float(count @ line_covariance(readings.at_m)[component] @ count)
        return count, among - 2.0 * shared

    @cached_property
    def own(self) -> float:
        """Variance of the sum of slopes that nobody has read."""
        return float(self.weights @ slope_covariance(self.places_m, self.places_m) @ self.weights)

    @cached_property
    def _sums(self) -> dict[float, NDArray[np.float64]]:
        """Covariances with the sum by place on the line, as they were asked for."""
        return {}

    def _with_sum(self, at_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the covariance of the slopes on the line with the sum, shape (m, 2)."""
        new = np.array([at for at in at_m.tolist() if at not in self._sums])
        if len(new):
            on_line = np.column_stack([new, np.zeros(len(new))])
            found = (slope_covariance(on_line, self.places_m) @ self.weights).reshape(2, -1).T
            self._sums.update(zip(new.tolist(), found, strict=True))
        return np.array([self._sums[at] for at in at_m.tolist()])

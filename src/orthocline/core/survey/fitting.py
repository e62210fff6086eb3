"""The field fitted to what was read of it: its mean, and how sure that is."""

import math
from dataclasses import dataclass, replace
from functools import cache, cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.linalg import cho_solve, cholesky, solve_triangular
from scipy.linalg.blas import dtrsv

from orthocline.core.survey.field import (
    PLANE_HEIGHT_SD_M,
    SURE,
    Doubts,
    Field,
    Looks,
    covariance,
    variances,
    weighed,
)
from orthocline.core.survey.scan import Scan

Figures = NDArray[np.float64]
USUAL: Final = Field(0.012, 6.0)
"""A green of which too little was read to tell."""
FEWEST: Final = 8
"""So many readings tell how their green varies."""
LIKELY: Final = Field(0.015, 5.0)
"""The slope spread and the length that greens have, each times or by four (one standard deviation)."""
HALF_STEP: Final = 0.5 * math.log(2.0)
PRIOR_STEPS: Final = 4
SPREADS, LENGTHS = (-8, 8), (-4, 8)
"""Between how many half steps from the likely field it is looked for; what varied in less than a metre and a
quarter would be bumps, not the green."""
STRIDES: Final = (4, 2, 1, 1)
"""In strides of so many first, then in shorter ones round the best."""
LEAST_NOISE: Final = 1e-4
"""No reading is surer than this, in its own unit: a tenth of a millimetre, a hundredth of a percent."""


@dataclass(frozen=True)
class Fit:
    """A field fitted to what was read.

    Attributes
    ----------
    looks : Looks
        What was read.
    values, sds : ndarray
        The figures, and how sure each is, shape (n,).
    field : Field
        How the ground varies about its plane, or about its scan.
    scan : Scan or None
        What it was measured by besides, densely.
    """

    looks: Looks
    values: Figures
    sds: Figures
    field: Field
    scan: Scan | None = None

    @cached_property
    def _factor(self) -> Figures:
        before = self.before(self.looks, self.looks)
        if self.scan is not None:
            # Heights are counted from a mark of their own, of which the scan knows nothing.
            marked = PLANE_HEIGHT_SD_M * self.looks.parts[:, 0]
            before = before + np.outer(marked, marked)
        return np.asarray(cholesky(before + np.diag(_noise(self.sds)), lower=True, check_finite=False))

    @cached_property
    def _weights(self) -> Figures:
        off = self.values if self.scan is None else self.values - self.scan.values(self.looks)
        return np.asarray(cho_solve((self._factor, True), off))

    def _doubts(self, one: Looks, other: Looks) -> Doubts:
        """Return how many times less sure than the field has it both of some looks are."""
        return SURE if self.scan is None else (self.scan.doubt(one), self.scan.doubt(other))

    @cached_property
    def oddness(self) -> Figures:
        """How far each figure lies from what all others say there, in standard deviations, shape (n,).

        From the one factor (Rasmussen and Williams 2006, chapter 5.4.2).
        """
        inverse = solve_triangular(self._factor, np.eye(len(self.values)), lower=True, check_finite=False)
        return np.asarray(np.abs(self._weights) / np.sqrt(np.square(inverse).sum(axis=0)))

    def mean(self, looks: Looks) -> Figures:
        """Return what looks would most likely see.

        Parameters
        ----------
        looks : Looks
            Any.

        Returns
        -------
        ndarray
            Heights [m] and slopes [ratio] as they are asked for, shape (n,).
        """
        doubts = self._doubts(looks, self.looks)
        off = weighed(looks, self.looks, self._weights, self.field, doubts)
        return off if self.scan is None else self.scan.values(looks) + off

    def known(self, looks: Looks) -> Figures:
        """Return what was read of looks: rows of which any two looks' products are what both share of it.

        Parameters
        ----------
        looks : Looks
            Any, m of it.

        Returns
        -------
        ndarray
            Shape (n, m).
        """
        shared = self.before(self.looks, looks)
        return np.asarray(solve_triangular(self._factor, shared, lower=True, check_finite=False))

    def before(self, one: Looks, other: Looks) -> Figures:
        """Return the covariance of looks before anything was read, shape (n, m).

        Parameters
        ----------
        one, other : Looks
            Any, n and m of it.

        Returns
        -------
        ndarray
            Less the products of what is `known` of both it is that of the mean's errors.
        """
        return covariance(one, other, self.field, self._doubts(one, other))

    def variances(self, looks: Looks) -> Figures:
        """Return how unsure each of looks is.

        Parameters
        ----------
        looks : Looks
            Any, n of it.

        Returns
        -------
        ndarray
            Variance of the error of what the mean says of each, shape (n,).
        """
        before = variances(looks, self.field, self._doubts(looks, looks)[0])
        return np.asarray(np.maximum(before - np.square(self.known(looks)).sum(axis=0), 0.0))

    def covariance(self, looks: Looks) -> Figures:
        """Return how unsure looks are, and in common.

        Parameters
        ----------
        looks : Looks
            Any, n of it.

        Returns
        -------
        ndarray
            Covariance of the errors of what the mean says of them, shape (n, n).
        """
        known = self.known(looks)
        return np.asarray(self.before(looks, looks) - known.T @ known)


def fit(looks: Looks, values: Figures, sds: Figures, readings: int) -> Fit:
    """Return the field that most likely gave such readings.

    Parameters
    ----------
    looks : Looks
        What was read.
    values, sds : ndarray
        The figures, and their standard deviations, shape (n,).
    readings : int
        How many readings those are; of few the usual field is taken.

    Returns
    -------
    Fit
        By the greatest marginal likelihood, slope spread and length being likely within a factor of four of
        what greens have.
    """
    if readings < FEWEST:
        return Fit(looks, values, sds, USUAL)
    # Ground that does not vary is the plane alone, and by a plane that is known what varies alone.
    certain = covariance(looks, looks, replace(LIKELY, slope_sd=0.0)) + np.diag(_noise(sds))

    @cache
    def varied(length: int) -> Figures:
        return covariance(looks, looks, Field(1.0, _field(0, length).length_m, 0.0, 0.0))

    @cache
    def score(spread: int, length: int) -> float:
        """Return the logarithm of the likelihood of the readings by a field, and of the field by greens."""
        before = certain + _field(spread, length).slope_sd ** 2 * varied(length)
        factor = np.asarray(cholesky(before, lower=True, check_finite=False))
        told = dtrsv(factor, values, lower=1)
        prior = 0.5 * (spread**2 + length**2) / PRIOR_STEPS**2
        return float(-0.5 * told @ told - np.log(factor.diagonal()).sum() - prior)

    spreads, lengths = (range(least, most + 1, STRIDES[0]) for least, most in (SPREADS, LENGTHS))
    best = max(((spread, length) for spread in spreads for length in lengths), key=lambda one: score(*one))
    for stride in STRIDES[1:]:
        near = [(best[0] + i, best[1] + j) for i in (-stride, 0, stride) for j in (-stride, 0, stride)]
        best = max((one for one in near if one[1] >= LENGTHS[0]), key=lambda one: score(*one))
    return Fit(looks, values, sds, _field(*best))


def _field(spread: int, length: int) -> Field:
    """Return the field so many half steps of a factor of two from the likely one."""
    return Field(
        LIKELY.slope_sd * math.exp(HALF_STEP * spread), LIKELY.length_m * math.exp(HALF_STEP * length)
    )


def _noise(sds: Figures) -> Figures:
    """Return the variances of readings."""
    return np.asarray(np.maximum(sds, LEAST_NOISE) ** 2)

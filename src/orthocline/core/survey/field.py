"""The covariance of heights and slopes of a green: a plane of which little is known, and a smooth field."""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numba import njit
from numpy.typing import NDArray

from orthocline.core.compiled import BUILT_IN, KEPT

Figures = NDArray[np.float64]
Doubts = tuple[Figures | float, Figures | float]
SURE: Final[Doubts] = (1.0, 1.0)
PLANE_SLOPE_SD: Final = 0.05
"""Of each component of the plane's slope [ratio]."""
PLANE_HEIGHT_SD_M: Final = 100.0
"""Of the plane's height [m]: nobody knows it."""


@dataclass(frozen=True)
class Looks:
    """What is looked at of the ground: at each place so much of its height and of its two slopes.

    Attributes
    ----------
    places_m : ndarray
        Places on the map [m], shape (n, 2).
    parts : ndarray
        How much of the height, of the slope east and of that north, shape (n, 3).
    """

    places_m: Figures
    parts: Figures

    @cached_property
    def rows(self) -> Figures:
        """Each as compiled code takes it: place and parts, shape (n, 5)."""
        return np.column_stack([self.places_m, self.parts])


def both_slopes(places: Figures) -> Looks:
    """Return looks at the slopes east of all places, then at those north.

    Parameters
    ----------
    places : ndarray
        Places on the map [m], shape (n, 2).

    Returns
    -------
    Looks
        Shape (2 n,).
    """
    parts = np.repeat([[0.0, 1.0, 0.0], [0.0, 0.0, 1.0]], len(places), axis=0)
    return Looks(np.vstack([places, places]), parts)


@dataclass(frozen=True)
class Field:
    """How the ground varies about its plane.

    Attributes
    ----------
    slope_sd : float
        Standard deviation of each component of the slope [ratio].
    length_m : float
        Over which length it changes [m].
    plane_slope_sd, plane_height_sd_m : float
        Of each component of the plane's slope [ratio], and of its height [m].
    """

    slope_sd: float
    length_m: float
    plane_slope_sd: float = PLANE_SLOPE_SD
    plane_height_sd_m: float = PLANE_HEIGHT_SD_M


def covariance(one: Looks, other: Looks, field: Field, doubts: Doubts = SURE) -> Figures:
    """Return the covariance of two sets of looks before anything is read.

    Parameters
    ----------
    one, other : Looks
        What is looked at, n and m of it.
    field : Field
        How the ground varies.
    doubts : tuple of ndarray or float
        How many times more than that each of both varies about the plane.

    Returns
    -------
    ndarray
        Shape (n, m).

    Notes
    -----
    Matern-5/2 (Rasmussen and Williams 2006, Gaussian Processes for Machine Learning, chapters 4.2, 9.4): with
    q = sqrt(5)/l, D = X - X', heights covary by s^2 (1 + q r + q^2 r^2/3) exp(-q r); slope and height by
    A D, slopes by A delta_ij - B Di Dj, where A = s^2 q^2/3 (1 + q r) exp(-q r), B = s^2 q^4/3 exp(-q r).
    """
    told = field.slope_sd**2, math.sqrt(5.0) / field.length_m
    smooth = _smooth_own(one.rows, *told) if other is one else _smooth(one.rows, other.rows, *told)
    if doubts is not SURE:
        smooth *= np.multiply.outer(*doubts)
    return np.asarray(smooth + _of_plane(one, field) @ _of_plane(other, field).T)


def weighed(one: Looks, other: Looks, weights: Figures, field: Field, doubts: Doubts = SURE) -> Figures:
    """Return the covariance of looks with others, each of those weighed and summed up.

    Parameters
    ----------
    one, other : Looks
        What is looked at, n and m of it.
    weights : ndarray
        Of the others, shape (m,) [any].
    field : Field
        How the ground varies.
    doubts : tuple of ndarray or float
        As `covariance` takes them.

    Returns
    -------
    ndarray
        Shape (n,): `covariance` times the weights, without that matrix ever being held.
    """
    mine, its = doubts
    # Looks at one place are one look, whose parts are their weighed sums.
    places, of = np.unique(other.places_m, axis=0, return_inverse=True)
    parts = np.zeros((len(places), 3))
    np.add.at(parts, of, (its * weights)[:, None] * other.parts)
    summed = Looks(places, parts)
    smooth = _smooth_sums(one.rows, summed.rows, field.slope_sd**2, math.sqrt(5.0) / field.length_m)
    return np.asarray(mine * smooth + _of_plane(one, field) @ (_of_plane(other, field).T @ weights))


def variances(looks: Looks, field: Field, doubt: Figures | float = 1.0) -> Figures:
    """Return the variance of each of a set of looks before anything is read.

    Parameters
    ----------
    looks : Looks
        What is looked at, n of it.
    field : Field
        How the ground varies.
    doubt : ndarray or float
        How many times more than that each varies about the plane.

    Returns
    -------
    ndarray
        Shape (n,): the diagonal of `covariance`.
    """
    height, east, north = np.square(looks.parts).T
    smooth = field.slope_sd**2 * (3.0 / 5.0 * field.length_m**2 * height + east + north)
    return np.asarray(doubt**2 * smooth + np.square(_of_plane(looks, field)).sum(axis=1))


@njit(**KEPT)
def _smooth(rows: Figures, others: Figures, variance: float, q: float) -> Figures:
    """Return the covariance of two sets of looks at the smooth field, shape (n, m)."""
    found = np.empty((len(rows), len(others)))
    for i in range(len(rows)):
        for j in range(len(others)):
            found[i, j] = variance * _shared(rows[i], others[j], q)
    return found


@njit(**KEPT)
def _smooth_own(rows: Figures, variance: float, q: float) -> Figures:
    """Return the same of looks with each other, each two of them worked out once, shape (n, n)."""
    found = np.empty((len(rows), len(rows)))
    for i in range(len(rows)):
        for j in range(i + 1):
            found[i, j] = found[j, i] = variance * _shared(rows[i], rows[j], q)
    return found


@njit(**KEPT)
def _smooth_sums(rows: Figures, others: Figures, variance: float, q: float) -> Figures:
    """Return the sums of the same over the others, shape (n,)."""
    found = np.zeros(len(rows))
    for i in range(len(rows)):
        for j in range(len(others)):
            found[i] += _shared(rows[i], others[j], q)
        found[i] *= variance
    return found


@njit(**BUILT_IN)
def _shared(row: Figures, other: Figures, q: float) -> float:
    """Return the covariance of two looks at a smooth field whose slopes have a variance of 1."""
    x, y, height, east, north = row[0], row[1], row[2], row[3], row[4]
    its_height, its_east, its_north = other[2], other[3], other[4]
    dx, dy = x - other[0], y - other[1]
    qr = q * math.sqrt(dx * dx + dy * dy)
    mine, its = east * dx + north * dy, its_east * dx + its_north * dy
    a, b = 1.0 + qr, q * q
    heights = 3.0 / b * (a + qr * qr / 3.0)
    slopes = a * (east * its_east + north * its_north + height * its - its_height * mine)
    return float(math.exp(-qr) * (height * its_height * heights + slopes - b * mine * its))


def _of_plane(looks: Looks, field: Field) -> Figures:
    """Return how much of the plane's height and slopes is looked at, each in its standard deviations."""
    height, east, north = looks.parts.T
    x, y = looks.places_m.T
    return np.column_stack(
        [
            field.plane_height_sd_m * height,
            field.plane_slope_sd * (height * x + east),
            field.plane_slope_sd * (height * y + north),
        ]
    )

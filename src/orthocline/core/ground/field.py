"""How the slope of a green varies from place to place where nobody has read it: the field."""

from typing import Final

import numpy as np
from numpy.typing import NDArray

USUAL_SLOPE_SPREAD: Final = 0.012
"""Standard deviation [ratio] of each component of the slope about the plane of the whole putt."""
USUAL_FIELD_M: Final = 6.0
"""Length [m] over which a green's slope changes."""


def slope_covariance(
    places_m: NDArray[np.float64],
    others_m: NDArray[np.float64],
    spread: float = USUAL_SLOPE_SPREAD,
    field_m: float = USUAL_FIELD_M,
) -> NDArray[np.float64]:
    """Return the covariance of the field's slopes between places.

    Parameters
    ----------
    places_m : ndarray
        Places [m], shape (n, 2).
    others_m : ndarray
        Places [m], shape (m, 2).
    spread : float
        Standard deviation of each component of the slope [ratio].
    field_m : float
        The field's length l [m].

    Returns
    -------
    ndarray
        Covariance [ratio squared], shape (2 n, 2 m): the first components of all places, then the second.

    Notes
    -----
    Of heights with a Matern-5/2 covariance (Rasmussen and Williams 2006, Gaussian Processes for Machine
    Learning, chapters 4.2 and 9.4): with q = sqrt(5)/l and D = X - X', cov(dz/dxi, dz'/dxj) =
    A delta_ij - B Di Dj, A = spread^2 (1 + q r) exp(-q r), B = spread^2 q^2 exp(-q r).
    """
    q = np.sqrt(5.0) / field_m
    apart = places_m[:, None, :] - others_m[None, :, :]
    r = np.hypot(apart[..., 0], apart[..., 1])
    b = spread**2 * q**2 * np.exp(-q * r)
    a = spread**2 * (1.0 + q * r) * np.exp(-q * r)
    x, y = apart[..., 0], apart[..., 1]
    return np.block([[a - b * x * x, -b * x * y], [-b * x * y, a - b * y * y]])


def line_covariance(at_m: NDArray[np.float64]) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Return the covariances of the field's slopes between places on one line, with its usual figures.

    Parameters
    ----------
    at_m : ndarray
        Where they lie along the line [m], shape (m,).

    Returns
    -------
    tuple of ndarray
        Of the slopes along the line, and of those across it [ratio squared], each of shape (m, m).
    """
    qr = np.sqrt(5.0) / USUAL_FIELD_M * np.abs(at_m[:, None] - at_m)
    fades = USUAL_SLOPE_SPREAD**2 * np.exp(-qr)
    across = (1.0 + qr) * fades
    return across - qr**2 * fades, across

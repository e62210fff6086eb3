"""The ground: how it slopes at each place, in a form that the integrator can call.

A surface is a compiled function of (x, y, parameters) that returns the gradient (dz/dx, dz/dy), with its
parameters as one array. The plane is the first such surface.
"""

import math
from dataclasses import dataclass
from typing import Any, Final, Protocol

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.units import wrap_rad

GRADIENT = types.UniTuple(types.float64, 2)(types.float64, types.float64, types.float64[::1])
"""Signature of a compiled slope function."""


NO_JUMPS: Final = np.empty((0, 3))


class Surface(Protocol):
    """Ground with a slope everywhere."""

    @property
    def slope(self) -> Any:
        """Compiled slope function of signature `GRADIENT`."""

    @property
    def parameters(self) -> NDArray[np.float64]:
        """The parameters that go with it."""

    @property
    def steepest(self) -> float:
        """The steepest slope [ratio] that it is known to have."""

    @property
    def step_m(self) -> float:
        """The longest step [m] of an integration that follows its changes of slope, jumps and all."""

    @property
    def jumps(self) -> NDArray[np.float64]:
        """Lines where its slope jumps or bends: rows of a unit vector and how far along it [m], (n, 3)."""

    def levels_m(self, x_m: NDArray[np.float64], y_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return levels [m] over some level, of places on the map [m]; all three of one shape."""


def mean_gradient(
    surface: Surface, from_m: tuple[float, float], to_m: tuple[float, float]
) -> tuple[float, float]:
    """Return the mean gradient along a straight line, by Gauss and Legendre's rule.

    Parameters
    ----------
    surface : Surface
        The ground.
    from_m : tuple of float
        Place on the map where the line begins [m].
    to_m : tuple of float
        Where it ends [m].

    Returns
    -------
    tuple of float
        (dz/dx, dz/dy) [ratio].
    """
    shares, weights = GAUSS
    gradients = [
        surface.slope(
            from_m[0] + share * (to_m[0] - from_m[0]),
            from_m[1] + share * (to_m[1] - from_m[1]),
            surface.parameters,
        )
        for share in shares
    ]
    east, north = (float(np.dot(weights, column)) for column in zip(*gradients, strict=True))
    return east, north


def _gauss(count: int) -> tuple[list[float], list[float]]:
    """Return places and weights of Gauss and Legendre's rule between 0 and 1."""
    places, weights = np.polynomial.legendre.leggauss(count)
    return (0.5 * (1.0 + places)).tolist(), (0.5 * weights).tolist()


GAUSS = _gauss(16)


@njit(GRADIENT, **KEPT, forceinline=True)
def plane_slope(_x_m: float, _y_m: float, parameters: NDArray[np.float64]) -> tuple[float, float]:
    """Return the one gradient (dz/dx, dz/dy) [ratio] that a plane has everywhere.

    Parameters
    ----------
    parameters : ndarray
        The gradient, shape (2,) [ratio].

    Returns
    -------
    tuple of float
        The same gradient.
    """
    return parameters[0], parameters[1]


@dataclass(frozen=True)
class Plane:
    """A uniform slope.

    Attributes
    ----------
    tilt : float
        Slope [ratio], 0 or more: 0.02 is 2 percent.
    downhill_rad : float
        The way water runs [rad], counter-clockwise from +x.
    """

    tilt: float
    downhill_rad: float

    @property
    def steepest(self) -> float:
        """Its slope [ratio]."""
        return self.tilt

    @property
    def step_m(self) -> float:
        """Any step will do."""
        return math.inf

    @property
    def jumps(self) -> NDArray[np.float64]:
        """None."""
        return NO_JUMPS

    @property
    def slope(self) -> Any:
        """Compiled slope function of signature `GRADIENT`."""
        return plane_slope

    @property
    def parameters(self) -> NDArray[np.float64]:
        """The gradient (dz/dx, dz/dy) [ratio]."""
        cos, sin = math.cos(self.downhill_rad), math.sin(self.downhill_rad)
        return np.array([-self.tilt * cos, -self.tilt * sin])

    def levels_m(self, x_m: NDArray[np.float64], y_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return levels [m] over that of the map's origin, of places on the map [m]."""
        east, north = self.parameters
        return np.asarray(east * x_m + north * y_m)

    def grade(self, bearing_rad: float) -> float:
        """Return the rise [ratio] toward a bearing, positive uphill."""
        return -self.tilt * math.cos(wrap_rad(self.downhill_rad - bearing_rad))

    def side_tilt_right(self, bearing_rad: float) -> float:
        """Return the fall [ratio] across a bearing, positive where the ground falls to the right."""
        return -self.tilt * math.sin(wrap_rad(self.downhill_rad - bearing_rad))


def plane_from_grade(grade: float, side_tilt_right: float, bearing_rad: float) -> Plane:
    """Return the plane that rises by `grade` along a bearing and falls to its right by `side_tilt_right`.

    Parameters
    ----------
    grade : float
        Rise [ratio] along the bearing.
    side_tilt_right : float
        Fall [ratio] to its right.
    bearing_rad : float
        Direction [rad], counter-clockwise from +x.

    Returns
    -------
    Plane
        The plane.
    """
    tilt = math.hypot(grade, side_tilt_right)
    turn = math.atan2(-side_tilt_right, -grade) if tilt > 0.0 else 0.0
    return Plane(tilt, wrap_rad(bearing_rad + turn))

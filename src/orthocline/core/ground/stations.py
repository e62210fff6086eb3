"""Ground read at stations along a putt: grade and side tilt at some shares of the way."""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np
from numba import njit
from numpy.typing import NDArray
from scipy.interpolate import PchipInterpolator

from orthocline.core.compiled import KEPT
from orthocline.core.ground.surface import GRADIENT

STEPS = 400
"""Steps that the way between ball and hole is worth."""
HEAD = 5
"""Figures before the stations in the parameters: ball x, y, cosine and sine of the bearing, how many."""


@dataclass(frozen=True)
class Station:
    """A reading on the ball-hole line.

    Attributes
    ----------
    at : float
        Share of the way from ball to hole; it may lie before or beyond.
    side : float
        Fall [ratio] to the golfer's right.
    grade : float
        Rise [ratio] toward the hole.
    sd : float or None
        Standard deviation [ratio] of each; None where it says nothing of its own.
    """

    at: float
    side: float
    grade: float
    sd: float | None = None


@njit(GRADIENT, **KEPT, forceinline=True)
def stations_slope(x_m: float, y_m: float, parameters: NDArray[np.float64]) -> tuple[float, float]:
    """Return the gradient (dz/dx, dz/dy) [ratio] of ground read at stations.

    z = h(u) + v t(u), u along the ball-hole line and v to its left; h' is the grade and t the side tilt, each
    a monotone cubic through the readings and held beyond them.

    Parameters
    ----------
    x_m : float
        Place on the map, east [m].
    y_m : float
        Place on the map, north [m].
    parameters : ndarray
        `Stations.parameters`.

    Returns
    -------
    tuple of float
        Gradient on the map [ratio].
    """
    cos, sin, count = parameters[2], parameters[3], int(parameters[4])
    east, north = x_m - parameters[0], y_m - parameters[1]
    u, v = east * cos + north * sin, north * cos - east * sin
    first, last = parameters[HEAD], parameters[HEAD + count - 1]
    inside = first < u < last
    here = min(max(u, first), last)
    i = 0
    while i < count - 2 and here >= parameters[HEAD + i + 1]:
        i += 1
    step = here - parameters[HEAD + i]
    row = HEAD + count + 8 * i
    grade = ((parameters[row] * step + parameters[row + 1]) * step + parameters[row + 2]) * step
    side = ((parameters[row + 4] * step + parameters[row + 5]) * step + parameters[row + 6]) * step
    grade, side = grade + parameters[row + 3], side + parameters[row + 7]
    turning = 0.0
    if inside:
        turning = (3.0 * parameters[row + 4] * step + 2.0 * parameters[row + 5]) * step + parameters[row + 6]
    along = grade + v * turning
    return along * cos - side * sin, along * sin + side * cos


@dataclass(frozen=True)
class Stations:
    """Ground given by readings along a putt.

    Attributes
    ----------
    ball_m, hole_m : tuple of two float
        Places on the map between which the shares count [m].
    readings : tuple of Station
        One or more, each at a place of its own, in the order of the way. One makes a plane.
    """

    ball_m: tuple[float, float]
    hole_m: tuple[float, float]
    readings: tuple[Station, ...]

    @property
    def slope(self) -> Any:
        """Compiled slope function of signature `GRADIENT`."""
        return stations_slope

    @property
    def length_m(self) -> float:
        """Distance [m] between the two places."""
        return math.dist(self.ball_m, self.hole_m)

    @property
    def step_m(self) -> float:
        """Short, for beside the line the slope jumps where the readings end; longer on long putts."""
        return max(0.03, self.length_m / STEPS)

    @property
    def steepest(self) -> float:
        """The steepest slope [ratio] on the line, by the readings."""
        return max(math.hypot(one.side, one.grade) for one in self.readings)

    @cached_property
    def parameters(self) -> NDArray[np.float64]:
        """The line, the stations [m] and the cubics between them, as one row."""
        east, north = self.hole_m[0] - self.ball_m[0], self.hole_m[1] - self.ball_m[1]
        length = self.length_m
        readings = self.readings if len(self.readings) > 1 else self.readings * 2
        places = length * np.array([one.at for one in readings])
        if len(self.readings) == 1:
            places = places + np.array([0.0, length])
        cubics = [
            PchipInterpolator(places, [getattr(one, name) for one in readings]).c.T
            for name in ("grade", "side")
        ]
        head = [*self.ball_m, east / length, north / length, len(readings)]
        return np.concatenate([head, places, np.hstack(cubics).ravel()])

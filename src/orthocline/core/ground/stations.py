"""Ground read at stations along a putt: grade and side tilt at some shares of the way."""

import math
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Any, NamedTuple

import numpy as np
from numba import njit
from numpy.typing import NDArray
from scipy.interpolate import PchipInterpolator, PPoly

from orthocline.core.compiled import BUILT_IN, KEPT
from orthocline.core.ground.surface import GRADIENT

STEPS = 400
"""Steps that the way between ball and hole is worth."""
HEAD = 9
"""Figures before the cubics in the parameters: ball x, y, cosine and sine of the bearing, how many readings
of the grade, and of the side tilt; where it leans besides [m], and how much ahead and to the right."""
BEGINS_OVER_M = 0.3
"""What leans besides begins over so much of the way [m], for no grass changes at a stroke."""
ROW = 5
"""Figures of a reading in the parameters: where it stands, and the cubic from there to the next."""


@dataclass(frozen=True)
class Station:
    """A reading on the ball-hole line.

    Attributes
    ----------
    at : float
        Share of the way from ball to hole; it may lie before or beyond.
    side : float or None
        Fall [ratio] to the golfer's right; None where only the grade was read.
    grade : float or None
        Rise [ratio] toward the hole; None where only the side tilt was read.
    sd : float or None
        Standard deviation [ratio] of what was read; None where it says nothing of its own.
    """

    at: float
    side: float | None
    grade: float | None
    sd: float | None = None


class Lean(NamedTuple):
    """What pushes a ball as a slope does from a share of the way on: fall ahead and to the right [ratio]."""

    since: float
    ahead: float
    right: float


NO_LEAN = Lean(0.0, 0.0, 0.0)


@njit(**BUILT_IN)
def _cubic(u: float, parameters: NDArray[np.float64], start: int, count: int) -> tuple[float, float]:
    """Return the value of the cubics at a place, held beyond their ends, and how it changes there."""
    last = start + ROW * (count - 1)
    here = min(max(u, parameters[start]), parameters[last])
    row = start
    while row < last - ROW and here >= parameters[row + ROW]:
        row += ROW
    a, b, c, d = parameters[row + 1], parameters[row + 2], parameters[row + 3], parameters[row + 4]
    step = here - parameters[row]
    turning = (3.0 * a * step + 2.0 * b) * step + c if parameters[start] < u < parameters[last] else 0.0
    return ((a * step + b) * step + c) * step + d, turning


@njit(GRADIENT, **KEPT, forceinline=True)
def stations_slope(x_m: float, y_m: float, parameters: NDArray[np.float64]) -> tuple[float, float]:
    """Return the gradient (dz/dx, dz/dy) [ratio] of ground read at stations.

    z = h(u) + v t(u), u along the ball-hole line and v to its left; h' is the grade and t the side tilt, each
    a monotone cubic through the readings and held beyond them. What leans besides is added.

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
    cos, sin = parameters[2], parameters[3]
    grades, sides = int(parameters[4]), int(parameters[5])
    east, north = x_m - parameters[0], y_m - parameters[1]
    u, v = east * cos + north * sin, north * cos - east * sin
    grade, _ = _cubic(u, parameters, HEAD, grades)
    side, turning = _cubic(u, parameters, HEAD + ROW * grades, sides)
    begun = min(max((u - parameters[6]) / BEGINS_OVER_M + 0.5, 0.0), 1.0)
    along, side = grade + v * turning - begun * parameters[7], side + begun * parameters[8]
    return along * cos - side * sin, along * sin + side * cos


@dataclass(frozen=True)
class Stations:
    """Ground given by readings along a putt.

    Attributes
    ----------
    ball_m, hole_m : tuple of two float
        Places on the map between which the shares count [m].
    readings : tuple of Station
        In the order of the way; each of the two slopes is read at one place or more, once at each. One makes
        a plane.
    lean : Lean
        What is added to their slopes.
    """

    ball_m: tuple[float, float]
    hole_m: tuple[float, float]
    readings: tuple[Station, ...]
    lean: Lean = NO_LEAN

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
    def jumps(self) -> NDArray[np.float64]:
        """Across the line where it was read, and where what leans besides begins."""
        begins, (x, y, east, north) = BEGINS_OVER_M / 2.0, self.parameters[:4]
        read = {place for name in ("grade", "side") for place in self.read(name)[0]}
        along = [self.length_m * share for share in sorted(read)]
        since = self.length_m * self.lean.since
        along += [since - begins, since + begins] if self.lean != NO_LEAN else []
        return np.array([(east, north, x * east + y * north + at) for at in along])

    @property
    def steepest(self) -> float:
        """The steepest slope [ratio] on the line, by the readings."""
        places = [one.at for one in self.readings]
        return float(np.hypot(*(np.interp(places, *self.read(name)) for name in ("grade", "side"))).max())

    def leaning(self, since: float, ahead: float, right: float) -> "Stations":
        """Return the ground with a slope that is added from some place on.

        Parameters
        ----------
        since : float
            Share of the way from ball to hole.
        ahead, right : float
            Fall toward the hole, and to the right [ratio].

        Returns
        -------
        Stations
            The same readings, which are not what a ball rolls on then.
        """
        return replace(self, lean=Lean(since, ahead, right))

    def read(self, component: str) -> tuple[list[float], list[float]]:
        """Return the places where a slope was read, and what it is there.

        Parameters
        ----------
        component : str
            `grade` or `side`.

        Returns
        -------
        tuple of list
            Shares of the way, and slopes [ratio].
        """
        found = [(one.at, slope) for one in self.readings if (slope := getattr(one, component)) is not None]
        return [at for at, _ in found], [slope for _, slope in found]

    def levels_m(self, x_m: NDArray[np.float64], y_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return levels [m] over that of the ball, of places on the map [m]: z = h(u) + v t(u)."""
        _, _, cos, sin = self.parameters[:4]
        east, north = x_m - self.ball_m[0], y_m - self.ball_m[1]
        grade, side = self._held
        u, v = east * cos + north * sin, north * cos - east * sin
        return np.asarray(grade.rises(u) + v * side.values(u))

    @cached_property
    def _held(self) -> "tuple[_Held, _Held]":
        """The grade and the side tilt along the way."""
        return _Held(*self.read("grade"), self.length_m), _Held(*self.read("side"), self.length_m)

    @cached_property
    def parameters(self) -> NDArray[np.float64]:
        """The line, the stations [m] and the cubics between them, as one row."""
        east, north = self.hole_m[0] - self.ball_m[0], self.hole_m[1] - self.ball_m[1]
        length = self.length_m
        rows = [_cubics(*self.read(name), length) for name in ("grade", "side")]
        since, ahead, right = self.lean
        counts = (len(one) for one in rows)
        head = [*self.ball_m, east / length, north / length, *counts, length * since, ahead, right]
        return np.concatenate([head, *(one.ravel() for one in rows)])


class _Held:
    """A slope along the way, held beyond where it was read, and the rise that it makes."""

    def __init__(self, shares: list[float], slopes: list[float], length_m: float) -> None:
        self.places = length_m * np.array(shares)
        cubics, ends = _cubics(shares, slopes, length_m), np.append(self.places, self.places[-1] + 1.0)
        self.slopes = PPoly(cubics[:, 1:].T, ends)
        self.rise = self.slopes.antiderivative()
        self.first = float(self._from_first(np.zeros(1))[0])

    def values(self, along_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the slope [ratio] at places along the way [m]."""
        return np.asarray(self.slopes(self._within(along_m)))

    def rises(self, along_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the rise [m] to places along the way from its beginning."""
        return self._from_first(along_m) - self.first

    def _from_first(self, along_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the rise [m] from where it was first read."""
        within = self._within(along_m)
        rises, beyond = np.asarray(self.rise(within)), along_m - within
        return rises + beyond * self.slopes(within) if beyond.any() else rises

    def _within(self, along_m: NDArray[np.float64]) -> NDArray[np.float64]:
        return np.clip(along_m, self.places[0], self.places[-1])


def _cubics(shares: list[float], slopes: list[float], length_m: float) -> NDArray[np.float64]:
    """Return where each reading stands [m], and the cubic from there to the next; shape (n, 5)."""
    places = length_m * np.array(shares)
    if len(places) == 1:
        return np.column_stack([places, np.zeros((1, 3)), slopes])
    cubics = PchipInterpolator(places, slopes).c.T
    return np.column_stack([places, np.vstack([cubics, [0.0, 0.0, 0.0, slopes[-1]]])])

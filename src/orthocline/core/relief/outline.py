"""The edge of a green: a smooth closed curve through the places that were tapped or walked."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Final

import numpy as np
import shapely
from numpy.typing import NDArray
from scipy.interpolate import CubicSpline

Figures = NDArray[np.float64]
Place = tuple[float, float]
FEWEST_CORNERS: Final = 3
EVERY_M: Final = 0.25
"""Places of the curve lie about so far apart."""
OVAL_CORNERS: Final = 8
CURVES_KEPT: Final = 512
"""Edges whose curves are kept, for those who list or draw their greens again."""


@dataclass(frozen=True)
class Outline:
    """The edge of a green.

    Attributes
    ----------
    corners : tuple of tuple of float
        Places on the map [m] that it goes through, in their order, three or more.
    """

    corners: tuple[Place, ...]

    @cached_property
    def curve(self) -> Figures:
        """The closed curve [m], shape (n, 2), its first place once."""
        return _curve(self.corners)

    @cached_property
    def box(self) -> tuple[Place, Place]:
        """Its lowest and highest coordinates [m]."""
        least, most = self.curve.min(axis=0), self.curve.max(axis=0)
        return (float(least[0]), float(least[1])), (float(most[0]), float(most[1]))

    @cached_property
    def area_m2(self) -> float:
        """What it encloses [square metres]."""
        x, y = self.curve.T
        return abs(0.5 * float(np.dot(x, np.roll(y, -1)) - np.dot(y, np.roll(x, -1))))

    @cached_property
    def front(self) -> Place:
        """The middle of its front edge [m]: where play comes in, half-way between its sides."""
        middle = 0.5 * (self.box[0][0] + self.box[1][0])
        ends = np.concatenate([self.curve, self.curve[:1]])
        crossed = np.nonzero((ends[:-1, 0] < middle) != (ends[1:, 0] < middle))[0]
        shares = (middle - ends[crossed, 0]) / (ends[crossed + 1, 0] - ends[crossed, 0])
        return middle, float((ends[crossed, 1] + shares * (ends[crossed + 1, 1] - ends[crossed, 1])).min())

    def holds(self, places: Figures) -> NDArray[np.bool_]:
        """Return which places [m] lie within.

        Parameters
        ----------
        places : ndarray
            Shape (..., 2).

        Returns
        -------
        ndarray
            Shape (...,): where a ray to the right crosses the curve an odd number of times.
        """
        return np.asarray(shapely.contains_xy(_area(self.corners), places[..., 0], places[..., 1]))


@lru_cache(CURVES_KEPT)
def _curve(corners: tuple[Place, ...]) -> Figures:
    """Return the closed curve through corners; nobody writes on it."""
    through = np.array([*corners, corners[0]])
    apart = np.hypot(*np.diff(through, axis=0).T)
    # Square roots of the distances keep the curve from looping where corners are unevenly far apart.
    along = np.concatenate([[0.0], np.cumsum(np.sqrt(np.maximum(apart, 1e-6)))])
    count = max(round(float(apart.sum()) / EVERY_M), 4 * len(corners))
    spline = CubicSpline(along, through, bc_type="periodic")
    curve = np.asarray(spline(np.linspace(0.0, along[-1], count, endpoint=False)))
    curve.flags.writeable = False
    return curve


@lru_cache(CURVES_KEPT)
def _area(corners: tuple[Place, ...]) -> shapely.Polygon:
    """Return what the curve through corners encloses, with all that is looked up in it: threads share it."""
    area = shapely.Polygon(_curve(corners))
    shapely.prepare(area)
    shapely.contains_xy(area, 0.0, 0.0)
    return area


def oval(deep_m: float, wide_m: float) -> Outline:
    """Return the outline of a green of which only its size is known, its front edge at the origin.

    Parameters
    ----------
    deep_m : float
        From its front edge to its back [m].
    wide_m : float
        From side to side [m].

    Returns
    -------
    Outline
        An oval.
    """
    turns = np.linspace(0.0, 2.0 * math.pi, OVAL_CORNERS, endpoint=False) - 0.5 * math.pi
    return Outline(
        tuple((0.5 * wide_m * math.cos(one), 0.5 * deep_m * (1.0 + math.sin(one))) for one in turns)
    )


@dataclass(frozen=True)
class Walked:
    """An edge that was walked.

    Attributes
    ----------
    corners : tuple of tuple of float
        Where its legs ended [m], what it missed spread over them.
    missed_m : float
        How far from where it began it ended [m].
    """

    corners: tuple[Place, ...]
    missed_m: float


def walked(legs: Sequence[tuple[float, float]]) -> Walked:
    """Return the corners of an edge that was walked leg by leg from its front and back to it.

    Parameters
    ----------
    legs : sequence of tuple of float
        Length [m] and bearing [rad] of each, clockwise from the way play comes in.

    Returns
    -------
    Walked
        Its corners, the first at the origin.

    Notes
    -----
    What the last leg misses the first place by is shared out by the length walked, as surveyors do with a
    compass (Bowditch's rule, 1808).
    """
    steps = np.array([(length * math.sin(way), length * math.cos(way)) for length, way in legs])
    ends = np.cumsum(steps, axis=0)
    along = np.cumsum(np.hypot(*steps.T))
    even = ends - np.outer(along / along[-1], ends[-1])
    corners = [(0.0, 0.0), *((float(x), float(y)) for x, y in even[:-1])]
    return Walked(tuple(corners), float(np.hypot(*ends[-1])))

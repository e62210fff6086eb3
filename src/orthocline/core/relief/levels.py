"""Lines of one height, and areas above a figure, over the ground of a green."""

import itertools
import math
from typing import NamedTuple

import numpy as np
from contourpy import FillType, contour_generator
from numpy.typing import NDArray

from orthocline.core.relief.lattice import Relief

Figures = NDArray[np.float64]


class Contour(NamedTuple):
    """A line of one height [m], through places [m] of shape (n, 2)."""

    height_m: float
    places: Figures


class Region(NamedTuple):
    """An area [m]: its edge, and the edges of what is left out of it."""

    edge: Figures
    holes: tuple[Figures, ...]


def contours(relief: Relief, interval_m: float) -> list[Contour]:
    """Return the lines of equal height at whole multiples of an interval.

    Parameters
    ----------
    relief : Relief
        The ground.
    interval_m : float
        Height between two [m].

    Returns
    -------
    list of Contour
        From the lowest to the highest that the green has, beyond its outline too.
    """
    heights = relief.grid.heights_m
    on_green = heights[relief.inside] if relief.inside.any() else heights
    first = math.ceil(float(on_green.min()) / interval_m)
    last = math.floor(float(on_green.max()) / interval_m)
    lines = contour_generator(relief.x_m, relief.y_m, heights)
    return [
        Contour(number * interval_m, np.asarray(places))
        for number in range(first, last + 1)
        for places in lines.lines(number * interval_m)
    ]


def regions_above(x_m: Figures, y_m: Figures, figures: Figures, level: float) -> list[Region]:
    """Return where a figure on a grid is above a level.

    Parameters
    ----------
    x_m, y_m : ndarray
        Where columns and rows lie [m].
    figures : ndarray
        Shape (rows, columns).
    level : float
        In the unit of the figures [any].

    Returns
    -------
    list of Region
        Each with what is left out of it.
    """
    areas = contour_generator(x_m, y_m, figures, fill_type=FillType.OuterOffset)
    found = []
    for places, offsets in zip(*areas.filled(level, math.inf), strict=True):
        rings = [np.asarray(places[a:b]) for a, b in itertools.pairwise(offsets)]
        found.append(Region(rings[0], tuple(rings[1:])))
    return found


def steeper_than(relief: Relief, slope: float) -> list[Region]:
    """Return where the ground is steeper than a slope [ratio]: where that holds no ball, none can rest.

    Parameters
    ----------
    relief : Relief
        The ground.
    slope : float
        Slope [ratio].

    Returns
    -------
    list of Region
        Beyond its outline too.
    """
    return regions_above(relief.x_m, relief.y_m, relief.steepness, slope)

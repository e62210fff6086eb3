"""Where water runs that is poured on a green, and where a fall line comes from."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numba import njit
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.ground import Surface, ground_of, slope_at
from orthocline.core.relief.outline import Outline

Figures = NDArray[np.float64]
Place = tuple[float, float]
STEP_M: Final = 0.1
FARTHEST_M: Final = 200.0
"""Water is followed no further."""
STILL: Final = 1e-5
"""Ground that slopes less [ratio] is level."""


@dataclass(frozen=True)
class Water:
    """The way of water.

    Attributes
    ----------
    places : ndarray
        Where it runs [m], from where it was poured, shape (n, 2).
    leaves : bool
        Whether it leaves the green; else it stays in the last place.
    """

    places: Figures
    leaves: bool

    @property
    def end(self) -> Place:
        """Where it leaves the green, or stays [m]."""
        x, y = self.places[-1]
        return float(x), float(y)


def pour(ground: Surface, outline: Outline, at: Place) -> Water:
    """Return where water runs that is poured on a green.

    Parameters
    ----------
    ground : Surface
        The ground.
    outline : Outline
        The green's edge.
    at : tuple of float
        Where [m].

    Returns
    -------
    Water
        Its way down the slope to the edge, or to where it stays.
    """
    return _within(_runs(ground_of(ground), at[0], at[1], -1.0), outline)


def climbed(ground: Surface, outline: Outline, at: Place) -> Water:
    """Return where the water of a place comes from: its fall line, followed up.

    Parameters
    ----------
    ground : Surface
        The ground.
    outline : Outline
        The green's edge.
    at : tuple of float
        Where [m].

    Returns
    -------
    Water
        Up to the edge, or to a crown.
    """
    return _within(_runs(ground_of(ground), at[0], at[1], 1.0), outline)


def _within(places: Figures, outline: Outline) -> Water:
    """Return the way up to where it leaves the outline."""
    off = np.nonzero(~outline.holds(places))[0]
    if not off.size:
        return Water(places, leaves=False)
    return Water(places[: max(int(off[0]) + 1, 1)], leaves=True)


@njit(**KEPT)
def _runs(ground, x_m, y_m, way):  # type: ignore[no-untyped-def]
    """Return places down (way -1) or up (1) the slope by the midpoint rule, until it is level or turns."""
    most = int(FARTHEST_M / STEP_M)
    places = np.empty((most, 2))
    count, x, y = 0, x_m, y_m
    before_east, before_north = 0.0, 0.0
    while count < most:
        places[count, 0], places[count, 1] = x, y
        count += 1
        east, north = slope_at(ground, x, y)
        steep = math.hypot(east, north)
        if steep < STILL or east * before_east + north * before_north < 0.0:
            break
        half = 0.5 * way * STEP_M / steep
        mid_east, mid_north = slope_at(ground, x + half * east, y + half * north)
        middle = math.hypot(mid_east, mid_north)
        if middle < STILL:
            break
        x += way * STEP_M * mid_east / middle
        y += way * STEP_M * mid_north / middle
        before_east, before_north = east, north
    return places[:count]

"""Where a green lies in the coordinates of those who measured it."""

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

Figures = NDArray[np.float64]


@dataclass(frozen=True)
class Site:
    """The place of a chart's front edge, and which way it faces.

    Attributes
    ----------
    system : str
        The coordinate system, as those who define them number it: ``EPSG:25832``; empty for a surveyor's own.
    east_m, north_m : float
        Of the chart's origin in it [m].
    up_rad : float
        The way play comes in, clockwise from its north.
    height_m : float
        What the chart's heights are counted from [m].
    """

    system: str
    east_m: float
    north_m: float
    up_rad: float = 0.0
    height_m: float = 0.0

    def onto_chart(self, places: Figures) -> Figures:
        """Return places in the chart's own metres.

        Parameters
        ----------
        places : ndarray
            East and north, and perhaps height [m], shape (n, 2) or (n, 3).

        Returns
        -------
        ndarray
            The same shape.
        """
        off = places - self._origin[: places.shape[1]]
        off[:, :2] = off[:, :2] @ self._turn.T
        return np.asarray(off)

    def off_chart(self, places: Figures) -> Figures:
        """Return places of the chart in the coordinates of those who measured it.

        Parameters
        ----------
        places : ndarray
            Right and beyond, and perhaps height [m], shape (n, 2) or (n, 3).

        Returns
        -------
        ndarray
            The same shape.
        """
        turned = places.copy()
        turned[:, :2] = places[:, :2] @ self._turn
        return np.asarray(turned + self._origin[: places.shape[1]])

    @property
    def _origin(self) -> Figures:
        return np.array([self.east_m, self.north_m, self.height_m])

    @cached_property
    def _turn(self) -> Figures:
        """Turns east and north to right and beyond."""
        cos, sin = math.cos(self.up_rad), math.sin(self.up_rad)
        return np.array([[cos, -sin], [sin, cos]])

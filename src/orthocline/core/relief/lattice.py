"""The ground of a green at even places: its heights, slopes and curvature, from the grid it is known on."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates

from orthocline.core.ground import Grid
from orthocline.core.relief.outline import Outline

Figures = NDArray[np.float64]
Place = tuple[float, float]


@dataclass(frozen=True, eq=False)
class Relief:
    """The ground within an outline.

    Attributes
    ----------
    grid : Grid
        Its heights, beyond the outline too.
    outline : Outline
        Its edge.
    """

    grid: Grid
    outline: Outline

    @cached_property
    def x_m(self) -> Figures:
        """Where the columns of the grid lie [m]."""
        return _even(self.grid.origin_m[0], self.grid.spacing_m, self.grid.heights_m.shape[1])

    @cached_property
    def y_m(self) -> Figures:
        """Where its rows lie [m]."""
        return _even(self.grid.origin_m[1], self.grid.spacing_m, self.grid.heights_m.shape[0])

    @cached_property
    def places(self) -> Figures:
        """The nodes [m], shape (rows, columns, 2)."""
        return np.stack(np.meshgrid(self.x_m, self.y_m), axis=-1)

    @cached_property
    def inside(self) -> NDArray[np.bool_]:
        """Which nodes lie on the green, shape (rows, columns)."""
        return self.outline.holds(self.places)

    @cached_property
    def slopes(self) -> Figures:
        """The slopes east and north at the nodes [ratio], shape (2, rows, columns)."""
        return np.moveaxis(self.grid.node_slopes, -1, 0)

    @cached_property
    def steepness(self) -> Figures:
        """How steep the nodes are [ratio], shape (rows, columns)."""
        return np.asarray(np.hypot(*self.slopes))

    @cached_property
    def curvature(self) -> Figures:
        """How slopes change [1/m]: the symmetric matrix at each node, shape (rows, columns, 2, 2)."""
        (east_north, east_east), (north_north, north_east) = (
            np.gradient(one, self.grid.spacing_m) for one in self.slopes
        )
        mixed = 0.5 * (east_north + north_east)
        rows = [np.stack([east_east, mixed], axis=-1), np.stack([mixed, north_north], axis=-1)]
        return np.stack(rows, axis=-2)

    def slopes_at(self, places: Figures) -> Figures:
        """Return the slopes [ratio] at places, by the nodes round them.

        Parameters
        ----------
        places : ndarray
            Places on the map [m], shape (..., 2).

        Returns
        -------
        ndarray
            East and north, shape (..., 2).
        """
        u = (places[..., 0] - self.grid.origin_m[0]) / self.grid.spacing_m
        v = (places[..., 1] - self.grid.origin_m[1]) / self.grid.spacing_m
        found = [map_coordinates(one, [v, u], order=1, mode="nearest") for one in self.slopes]
        return np.stack(found, axis=-1)

    @cached_property
    def highest(self) -> Place:
        """The highest place on the green [m]."""
        return self._at(int(np.argmax(np.where(self.inside, self.grid.heights_m, -np.inf))))

    @cached_property
    def lowest(self) -> Place:
        """The lowest place on the green [m]."""
        return self._at(int(np.argmin(np.where(self.inside, self.grid.heights_m, np.inf))))

    def _at(self, node: int) -> Place:
        x, y = self.places.reshape(-1, 2)[node]
        return float(x), float(y)

    @cached_property
    def rise_m(self) -> float:
        """How much higher the highest place is than the lowest [m]."""
        heights = self.grid.heights_m[self.inside]
        return float(np.ptp(heights)) if heights.size else 0.0


def _even(first: float, spacing: float, count: int) -> Figures:
    return np.asarray(first + spacing * np.arange(count, dtype=float))

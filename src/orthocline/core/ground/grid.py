"""Ground given by heights on a grid, as a survey or a scan gives it."""

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Any

import numpy as np
from numba import njit
from numpy.typing import NDArray
from scipy.interpolate import RectBivariateSpline

from orthocline.core.compiled import BUILT_IN, KEPT
from orthocline.core.ground.surface import GRADIENT

HEAD = 6
"""Figures before the nodes in the parameters: origin x, y, spacing, columns, rows, whether nodes lean."""
LEAST_NODES = 4
"""A cubic spline needs so many heights each way."""


@njit(**BUILT_IN)
def hermite(share: float) -> tuple[float, float, float, float]:
    """Return the weights of value and slope at the near end of a cell, then at its far end.

    Parameters
    ----------
    share : float
        Share of the cell, 0 to 1.

    Returns
    -------
    tuple of float
        The weights.
    """
    rest = 1.0 - share
    return (
        rest * rest * (1.0 + 2.0 * share),
        share * rest * rest,
        share * share * (3.0 - 2.0 * share),
        (-share * share * rest),
    )


@njit(**BUILT_IN)
def hermite_slopes(share: float) -> tuple[float, float, float, float]:
    """Return how fast the weights of `hermite` change.

    Parameters
    ----------
    share : float
        Share of the cell, 0 to 1.

    Returns
    -------
    tuple of float
        Their slopes, per cell.
    """
    turn = 6.0 * share * (share - 1.0)
    return turn, (1.0 - share) * (1.0 - 3.0 * share), -turn, share * (3.0 * share - 2.0)


@njit(GRADIENT, **KEPT, forceinline=True)
def grid_slope(x_m: float, y_m: float, parameters: NDArray[np.float64]) -> tuple[float, float]:
    """Return the gradient (dz/dx, dz/dy) [ratio] of ground on a grid: that of the bicubic in its cell.

    Where the nodes lean that is added, by the four round the place.

    Beyond the grid it is that of the nearest place on its edge.

    Parameters
    ----------
    x_m : float
        Place on the map, east [m].
    y_m : float
        Place on the map, north [m].
    parameters : ndarray
        `Grid.parameters`.

    Returns
    -------
    tuple of float
        Gradient on the map [ratio].
    """
    per_m, columns, rows = 1.0 / parameters[2], int(parameters[3]), int(parameters[4])
    u = min(max((x_m - parameters[0]) * per_m, 0.0), columns - 1.0)
    v = min(max((y_m - parameters[1]) * per_m, 0.0), rows - 1.0)
    i, j = min(int(u), columns - 2), min(int(v), rows - 2)
    a0, a1, a2, a3 = hermite(u - i)
    d0, d1, d2, d3 = hermite_slopes(u - i)
    y0, y1, y2, y3 = hermite(v - j)
    e0, e1, e2, e3 = hermite_slopes(v - j)
    # Along both sides of the cell: height and its slope toward the other side, and how they change along it.
    n = HEAD + 4 * (j * columns + i)
    z, zx, zy, zxy = parameters[n], parameters[n + 1], parameters[n + 2], parameters[n + 3]
    w, wx, wy, wxy = parameters[n + 4], parameters[n + 5], parameters[n + 6], parameters[n + 7]
    low, low_y = a0 * z + a1 * zx + a2 * w + a3 * wx, a0 * zy + a1 * zxy + a2 * wy + a3 * wxy
    low_x, low_xy = d0 * z + d1 * zx + d2 * w + d3 * wx, d0 * zy + d1 * zxy + d2 * wy + d3 * wxy
    n += 4 * columns
    z, zx, zy, zxy = parameters[n], parameters[n + 1], parameters[n + 2], parameters[n + 3]
    w, wx, wy, wxy = parameters[n + 4], parameters[n + 5], parameters[n + 6], parameters[n + 7]
    top, top_y = a0 * z + a1 * zx + a2 * w + a3 * wx, a0 * zy + a1 * zxy + a2 * wy + a3 * wxy
    top_x, top_xy = d0 * z + d1 * zx + d2 * w + d3 * wx, d0 * zy + d1 * zxy + d2 * wy + d3 * wxy
    east = per_m * (y0 * low_x + y1 * low_xy + y2 * top_x + y3 * top_xy)
    north = per_m * (e0 * low + e1 * low_y + e2 * top + e3 * top_y)
    if parameters[5] > 0.0:
        s, t = u - i, v - j
        n = HEAD + 4 * columns * rows + 2 * (j * columns + i)
        m = n + 2 * columns
        for w, k in (((1 - s) * (1 - t), n), (s * (1 - t), n + 2), ((1 - s) * t, m), (s * t, m + 2)):
            east += w * parameters[k]
            north += w * parameters[k + 1]
    return east, north


@dataclass(frozen=True, eq=False)
class Grid:
    """Ground given by heights at the nodes of a square grid.

    Attributes
    ----------
    origin_m : tuple of two float
        Place of the first node on the map [m].
    spacing_m : float
        Distance between nodes [m].
    heights_m : ndarray, shape (rows, columns)
        Heights [m]; the first row lies at the smallest y.
    leans : ndarray or None
        What is added to the gradient at the nodes [ratio], shape (rows, columns, 2): pulls that no heights
        have, such as those of grass that grows one way in one place and another way in the next.
    """

    origin_m: tuple[float, float]
    spacing_m: float
    heights_m: NDArray[np.float64]
    leans: NDArray[np.float64] | None = None

    @property
    def slope(self) -> Any:
        """Compiled slope function of signature `GRADIENT`."""
        return grid_slope

    @property
    def step_m(self) -> float:
        """Six tenths of a cell, within 0.03 and 0.15 m."""
        return min(max(0.6 * self.spacing_m, 0.03), 0.15)

    @property
    def node_slopes(self) -> NDArray[np.float64]:
        """The gradient at the nodes [ratio], shape (rows, columns, 2)."""
        nodes = self.parameters[HEAD : HEAD + 4 * self.heights_m.size]
        return nodes.reshape(*self.heights_m.shape, 4)[..., 1:3] / self.spacing_m

    @property
    def steepest(self) -> float:
        """The steepest slope [ratio] at any node."""
        return float(np.hypot(*np.moveaxis(self.node_slopes, -1, 0)).max())

    def holds(self, x_m: float, y_m: float) -> bool:
        """Return whether a place on the map [m] lies on the grid."""
        rows, columns = self.heights_m.shape
        u, v = (x_m - self.origin_m[0]) / self.spacing_m, (y_m - self.origin_m[1]) / self.spacing_m
        return bool(0.0 <= u <= columns - 1.0 and 0.0 <= v <= rows - 1.0)

    @cached_property
    def parameters(self) -> NDArray[np.float64]:
        """The grid, and at each node height [m], its slopes and its twist per cell, as one row.

        They are those of the one cubic spline through all heights, which has continuous curvature.
        """
        rows, columns = self.heights_m.shape
        down, across = np.arange(rows, dtype=float), np.arange(columns, dtype=float)
        nodes = [self._spline(down, across, dx=dy, dy=dx) for dx, dy in ((0, 0), (1, 0), (0, 1), (1, 1))]
        leans = np.empty(0) if self.leans is None else self.leans.ravel()
        head = [*self.origin_m, self.spacing_m, columns, rows, float(leans.size > 0)]
        return np.concatenate([head, np.stack(nodes, axis=-1).ravel(), leans])

    @cached_property
    def _spline(self) -> RectBivariateSpline:
        """Heights [m] by row and column."""
        rows, columns = self.heights_m.shape
        return RectBivariateSpline(np.arange(rows), np.arange(columns), self.heights_m, s=0)

    def levels_m(self, x_m: NDArray[np.float64], y_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return levels [m] of places on the map [m]; beyond the grid as its edge there goes on."""
        rows, columns = self.heights_m.shape
        u, v = (x_m - self.origin_m[0]) / self.spacing_m, (y_m - self.origin_m[1]) / self.spacing_m
        across, down = np.clip(u, 0.0, columns - 1.0), np.clip(v, 0.0, rows - 1.0)
        levels = np.asarray(self._spline.ev(down, across))
        out = (across != u) | (down != v)
        if np.any(out):
            edge = down[out], across[out]
            levels[out] += (u - across)[out] * self._spline.ev(*edge, dy=1)
            levels[out] += (v - down)[out] * self._spline.ev(*edge, dx=1)
        return levels

    def leaning(self, leans: NDArray[np.float64]) -> "Grid":
        """Return the same ground with other leans, without working its heights out again.

        Parameters
        ----------
        leans : ndarray
            What is added to the gradient at the nodes [ratio], shape (rows, columns, 2).

        Returns
        -------
        Grid
            The same heights.
        """
        other = replace(self, leans=leans)
        nodes = self.parameters[: HEAD + 4 * self.heights_m.size].copy()
        nodes[HEAD - 1] = 1.0
        other.__dict__["_spline"] = self._spline
        other.__dict__["parameters"] = np.concatenate([nodes, leans.ravel()])
        return other

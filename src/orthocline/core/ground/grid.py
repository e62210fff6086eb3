"""Ground given by heights on a grid, as a survey or a scan gives it."""

from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np
from numba import njit, types
from numpy.typing import NDArray
from scipy.interpolate import RectBivariateSpline

from orthocline.core.ground.surface import GRADIENT

HEAD = 5
"""Figures before the nodes in the parameters: origin x, y, spacing, columns, rows."""
LEAST_NODES = 4
"""A cubic spline needs so many heights each way."""


@njit(types.UniTuple(types.UniTuple(types.float64, 4), 2)(types.float64), cache=True, nogil=True)
def hermite(share: float) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """Return the weights of value and slope at the near end of a cell, then at its far end.

    Parameters
    ----------
    share : float
        Share of the cell, 0 to 1.

    Returns
    -------
    tuple of (tuple of float)
        The weights, and their slopes.
    """
    s2 = share * share
    s3 = s2 * share
    values = 1.0 - 3.0 * s2 + 2.0 * s3, share - 2.0 * s2 + s3, 3.0 * s2 - 2.0 * s3, s3 - s2
    turn = 6.0 * (s2 - share)
    return values, (turn, 1.0 - 4.0 * share + 3.0 * s2, -turn, 3.0 * s2 - 2.0 * share)


@njit(GRADIENT, cache=True, nogil=True)
def grid_slope(x_m: float, y_m: float, parameters: NDArray[np.float64]) -> tuple[float, float]:
    """Return the gradient (dz/dx, dz/dy) [ratio] of ground on a grid: that of the bicubic in its cell.

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
    spacing, columns, rows = parameters[2], int(parameters[3]), int(parameters[4])
    u = min(max((x_m - parameters[0]) / spacing, 0.0), columns - 1.0)
    v = min(max((y_m - parameters[1]) / spacing, 0.0), rows - 1.0)
    i, j = min(int(u), columns - 2), min(int(v), rows - 2)
    bx, dx = hermite(u - i)
    by, dy = hermite(v - j)
    east, north = 0.0, 0.0
    for k in range(2):
        for m in range(2):
            n = HEAD + 4 * ((j + m) * columns + i + k)
            z, zx, zy, zxy = parameters[n], parameters[n + 1], parameters[n + 2], parameters[n + 3]
            a, b, c, d = 2 * k, 2 * k + 1, 2 * m, 2 * m + 1
            east += (dx[a] * z + dx[b] * zx) * by[c] + (dx[a] * zy + dx[b] * zxy) * by[d]
            north += (bx[a] * z + bx[b] * zx) * dy[c] + (bx[a] * zy + bx[b] * zxy) * dy[d]
    return east / spacing, north / spacing


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
    """

    origin_m: tuple[float, float]
    spacing_m: float
    heights_m: NDArray[np.float64]

    @property
    def slope(self) -> Any:
        """Compiled slope function of signature `GRADIENT`."""
        return grid_slope

    @property
    def steepest(self) -> float:
        """The steepest slope [ratio] at any node."""
        nodes = self.parameters[HEAD:].reshape(-1, 4)
        return float(np.hypot(nodes[:, 1], nodes[:, 2]).max()) / self.spacing_m

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
        spline = RectBivariateSpline(down, across, self.heights_m, s=0)
        nodes = [spline(down, across, dx=dy, dy=dx) for dx, dy in ((0, 0), (1, 0), (0, 1), (1, 1))]
        head = [*self.origin_m, self.spacing_m, columns, rows]
        return np.concatenate([head, np.stack(nodes, axis=-1).ravel()])

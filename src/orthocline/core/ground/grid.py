"""Ground given by heights on a grid, as a survey or a scan gives it."""

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Any

import numpy as np
from numba import njit
from numpy.typing import NDArray
from scipy.interpolate import RectBivariateSpline

from orthocline.core.compiled import KEPT
from orthocline.core.ground.surface import GRADIENT, NO_JUMPS

HEAD, CELL = 6, 16
"""Figures before the cells in the parameters (origin x, y, spacing, columns, rows, whether nodes lean), and
figures of a cell."""
BY_POWERS = np.array([[1.0, 0, 0, 0], [0, 0, 1, 0], [-3, 3, -2, -1], [2, -2, 1, 1]])
"""A cubic over 0 to 1 by its powers, from its values at both ends and its slopes there."""
LEAST_NODES = 4
"""A cubic spline needs so many heights each way."""


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
    s, t = u - i, v - j
    # Each of four rows of the cell's cubic is one in s; `q` is how it changes along it.
    n = HEAD + CELL * (j * (columns - 1) + i)
    a, b, c, d = parameters[n], parameters[n + 1], parameters[n + 2], parameters[n + 3]
    q0 = b + s * (2.0 * c + s * 3.0 * d)
    a, b, c, d = parameters[n + 4], parameters[n + 5], parameters[n + 6], parameters[n + 7]
    p1, q1 = a + s * (b + s * (c + s * d)), b + s * (2.0 * c + s * 3.0 * d)
    a, b, c, d = parameters[n + 8], parameters[n + 9], parameters[n + 10], parameters[n + 11]
    p2, q2 = a + s * (b + s * (c + s * d)), b + s * (2.0 * c + s * 3.0 * d)
    a, b, c, d = parameters[n + 12], parameters[n + 13], parameters[n + 14], parameters[n + 15]
    p3, q3 = a + s * (b + s * (c + s * d)), b + s * (2.0 * c + s * 3.0 * d)
    east = per_m * (q0 + t * (q1 + t * (q2 + t * q3)))
    north = per_m * (p1 + t * (2.0 * p2 + t * 3.0 * p3))
    if parameters[5] > 0.0:
        n = HEAD + CELL * (columns - 1) * (rows - 1) + 2 * (j * columns + i)
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
    def jumps(self) -> NDArray[np.float64]:
        """None."""
        return NO_JUMPS

    @cached_property
    def node_slopes(self) -> NDArray[np.float64]:
        """The gradient at the nodes [ratio], shape (rows, columns, 2)."""
        return np.stack([self._at_nodes(across=1), self._at_nodes(up=1)], axis=-1) / self.spacing_m

    @cached_property
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
        """The grid, each cell's height [m] as a cubic of its shares both ways, and the leans, as one row.

        A cell's sixteen figures are its powers across, 0 to 3, for each power up, 0 to 3. They are those of
        the one cubic spline through all heights, which has continuous curvature.
        """
        rows, columns = self.heights_m.shape
        nodes = {(across, up): self._at_nodes(across, up) for across in (0, 1) for up in (0, 1)}
        # At either end across and up, the value and then the slope there.
        ends = [
            [
                nodes[across, up][up_end : rows - 1 + up_end, end : columns - 1 + end]
                for up in (0, 1)
                for up_end in (0, 1)
            ]
            for across in (0, 1)
            for end in (0, 1)
        ]
        cells = np.einsum("ia,jb,abrc->rcji", BY_POWERS, BY_POWERS, np.array(ends), optimize=True)
        leans = np.empty(0) if self.leans is None else self.leans.ravel()
        head = [*self.origin_m, self.spacing_m, columns, rows, float(leans.size > 0)]
        return np.concatenate([head, cells.ravel(), leans])

    def _at_nodes(self, across: int = 0, up: int = 0) -> NDArray[np.float64]:
        """Return the spline's heights at the nodes [m], or how they change per cell across or up."""
        rows, columns = self.heights_m.shape
        return np.asarray(self._spline(np.arange(rows), np.arange(columns), dx=up, dy=across))

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
        rows, columns = self.heights_m.shape
        cells = self.parameters[: HEAD + CELL * (rows - 1) * (columns - 1)].copy()
        cells[HEAD - 1] = 1.0
        other.__dict__["_spline"] = self._spline
        other.__dict__["parameters"] = np.concatenate([cells, leans.ravel()])
        return other

"""Heights of many points, of which some are wrong, made into a grid."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy import sparse
from scipy.sparse.linalg import spsolve

from orthocline.core.ground import LEAST_NODES, Grid

Figures = NDArray[np.float64]
MAD_SD: Final = 1.4826
"""Standard deviations of a normal spread in its median absolute deviation."""
OUTLYING: Final = 4.0
"""A cell so many spreads off the smooth ground is taken for a tuft, a foot or a mistake."""
ROUNDS: Final = 3
STIFFNESS: Final = 2.0
"""The ground bends as a sheet does that evens out what is shorter than about so many cells."""
LEAST_SPREAD_M: Final = 1e-4


@dataclass(frozen=True, eq=False)
class Gridded:
    """Points made into a grid.

    Attributes
    ----------
    grid : Grid
        Smooth, and continued where there are no points.
    roughness_m : float
        How far the cells' medians spread about it [m].
    left_out : int
        Cells that were not believed.
    """

    grid: Grid
    roughness_m: float
    left_out: int


def gridded(points: Figures, spacing_m: float) -> Gridded:
    """Return the grid of many points.

    Parameters
    ----------
    points : ndarray
        Places and heights [m], shape (n, 3); in four cells or more each way.
    spacing_m : float
        Distance between nodes [m].

    Returns
    -------
    Gridded
        By the median of each cell, smoothed as a bent sheet, twice more without what lies off it.

    Notes
    -----
    A thin plate through weighted heights (Wahba 1990, Spline Models for Observational Data, chapter 2), by
    second differences; medians and their absolute deviations withstand half of wrong points (Huber 1981,
    Robust Statistics, chapter 5).
    """
    origin = points[:, :2].min(axis=0)
    # A cell's median is that of its middle only where the ground does not slope: the plane is laid aside.
    slope = _plane_slope(points)
    cells = np.rint((points[:, :2] - origin) / spacing_m).astype(int)
    columns, rows = (max(int(one) + 1, LEAST_NODES) for one in cells.max(axis=0))
    filled, medians = _medians(
        cells[:, 1] * columns + cells[:, 0], points[:, 2] - (points[:, :2] - origin) @ slope
    )
    bends = _bending(rows, columns)
    weights = np.ones(len(filled))
    for _ in range(ROUNDS):
        heights = _smoothed(filled, medians, weights, bends, rows * columns)
        off = medians - heights[filled]
        spread = max(MAD_SD * float(np.median(np.abs(off - np.median(off)))), LEAST_SPREAD_M)
        weights = (np.abs(off) <= OUTLYING * spread).astype(float)
    nodes = spacing_m * np.stack(np.meshgrid(np.arange(columns), np.arange(rows)), axis=-1)
    whole = heights.reshape(rows, columns) + nodes @ slope
    grid = Grid((float(origin[0]), float(origin[1])), spacing_m, whole)
    return Gridded(grid, spread, int((weights == 0.0).sum()))


def _plane_slope(points: Figures) -> Figures:
    """Return the slopes of the plane through points [ratio], shape (2,)."""
    off = points - points.mean(axis=0)
    return np.asarray(np.linalg.lstsq(off[:, :2], off[:, 2], rcond=None)[0])


def _medians(cells: NDArray[np.int64], heights: Figures) -> tuple[NDArray[np.int64], Figures]:
    """Return the cells that have points, and the median height of each."""
    order = np.lexsort((heights, cells))
    cells, heights = cells[order], heights[order]
    filled, starts, counts = np.unique(cells, return_index=True, return_counts=True)
    low, high = heights[starts + (counts - 1) // 2], heights[starts + counts // 2]
    return filled, 0.5 * (low + high)


def _bending(rows: int, columns: int) -> sparse.csr_array:
    """Return the squared second differences of a grid's heights, both ways and askew."""

    def second(count: int) -> sparse.dia_array:
        return sparse.diags_array([1.0, -2.0, 1.0], offsets=[0, 1, 2], shape=(count - 2, count))

    def first(count: int) -> sparse.dia_array:
        return sparse.diags_array([-1.0, 1.0], offsets=[0, 1], shape=(count - 1, count))

    along = sparse.kron(sparse.eye_array(rows), second(columns))
    up = sparse.kron(second(rows), sparse.eye_array(columns))
    askew = sparse.kron(first(rows), first(columns))
    return sparse.csr_array(along.T @ along + up.T @ up + 2.0 * askew.T @ askew)


def _smoothed(
    filled: NDArray[np.int64], heights: Figures, weights: Figures, bends: sparse.csr_array, count: int
) -> Figures:
    """Return the heights of all nodes that lie near those of the filled ones and bend least."""
    diagonal, asked = np.zeros(count), np.zeros(count)
    diagonal[filled], asked[filled] = weights, weights * heights
    return np.asarray(spsolve(sparse.csc_array(sparse.diags_array(diagonal) + STIFFNESS * bends), asked))

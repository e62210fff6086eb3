"""What was understood of a file of a green, to be looked at before anything is kept."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.chart.as_survey import surveyed
from orthocline.core.chart.chart import Chart
from orthocline.core.chart.known import Known

Figures = NDArray[np.float64]
CELLS: Final = 64
"""The whole of a file is shown by so many cells each way at most."""
FINEST_M: Final = 0.25


@dataclass(frozen=True)
class Facts:
    """What was understood of a file.

    Attributes
    ----------
    called, system : str
        What its coordinate system is called, and which its metres have; empty for none.
    says_system, says_heights : bool
        Whether the file says them itself.
    unit, height_unit : str
        Of its figures.
    values, points : int
        How many points or cells it has, and how many of them lie on the green.
    spacing : float or None
        Of a grid, in its unit.
    low_m, high_m : tuple of float or None
        Its lowest and highest coordinates: east, north and up [m].
    steepest : float or None
        The steepest slope on the green [ratio].
    slope_sd : float or None
        How sure a slope of its scan is.
    hole_share : float
        The share of the green of which nothing was measured.
    pins, readings, grain : int
        So many things besides.
    notes : tuple of str
        What was left out, and why.
    """

    called: str = ""
    system: str = ""
    says_system: bool = False
    says_heights: bool = False
    unit: str = "metres"
    height_unit: str = "metres"
    values: int = 0
    points: int = 0
    spacing: float | None = None
    low_m: tuple[float, ...] | None = None
    high_m: tuple[float, ...] | None = None
    steepest: float | None = None
    slope_sd: float | None = None
    hole_share: float = 0.0
    pins: int = 0
    readings: int = 0
    grain: int = 0
    notes: tuple[str, ...] = ()


@dataclass(frozen=True)
class Overview:
    """The whole of a file from above: heights of even cells [m], None where there are none; rows upward."""

    left_m: float
    low_m: float
    cell_m: float
    heights_m: list[list[float | None]]


def overview_of(points: Figures) -> Overview | None:
    """Return the whole of what was measured, by the mean height of even cells.

    Parameters
    ----------
    points : ndarray
        Places and heights [m], shape (n, 3).

    Returns
    -------
    Overview or None
        None for no points.
    """
    if not len(points):
        return None
    low, high = points[:, :2].min(axis=0), points[:, :2].max(axis=0)
    cell = max(float((high - low).max()) / CELLS, FINEST_M)
    columns, rows = (np.floor((high - low) / cell).astype(int) + 1).tolist()
    at = np.floor((points[:, :2] - low) / cell).astype(int)
    flat = at[:, 1] * columns + at[:, 0]
    counts = np.bincount(flat, minlength=rows * columns)
    sums = np.bincount(flat, points[:, 2], rows * columns)
    means = np.where(counts > 0, sums / np.maximum(counts, 1), np.nan).reshape(rows, columns)
    heights = [[None if np.isnan(one) else round(one, 3) for one in row] for row in means.tolist()]
    left, bottom = low.tolist()
    return Overview(left, bottom, cell, heights)


def steepest_of(chart: Chart) -> float | None:
    """Return the steepest slope on a green.

    Parameters
    ----------
    chart : Chart
        Any.

    Returns
    -------
    float or None
        A slope [ratio]; None where nothing is known of the green.
    """
    if chart.outline is None or not chart.has_ground:
        return None
    relief = Known(surveyed(chart.readings, {}), chart.outline, chart.grain, chart.scan).relief
    return float(relief.steepness[relief.inside].max(initial=0.0))


def hole_share_of(chart: Chart) -> float:
    """Return the share of a green of which its scan saw nothing.

    Parameters
    ----------
    chart : Chart
        Any.

    Returns
    -------
    float
        0 without a scan [ratio].
    """
    if chart.scan is None or chart.outline is None:
        return 0.0
    grid, seen = chart.scan.grid, chart.scan.seen
    x, y = (
        first + grid.spacing_m * np.arange(count)
        for first, count in zip(grid.origin_m, seen.shape[::-1], strict=True)
    )
    on = chart.outline.holds(np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2)).reshape(seen.shape)
    return float((on & ~seen).sum() / max(on.sum(), 1))

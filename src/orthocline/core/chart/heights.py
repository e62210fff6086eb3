"""Heights of many points, as a laser or a receiver lists them, on a chart: readings of it, or a scan."""

import math
from dataclasses import replace
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.spatial import cKDTree

from orthocline.core.chart.chart import MOST, Chart, ChartError, ChartReading
from orthocline.core.relief import Outline
from orthocline.core.survey import Scan, gridded

Figures = NDArray[np.float64]
STAFF: Final = "staff"
ROUND_M: Final = 1.5
"""Points so far round a green count for its scan: further off lie banks and bunkers."""
FINEST_M, COARSEST_M = 0.25, 1.0
"""Between these lies the spacing of a scan [m]: half of how far points lie apart."""
LEAST_SPREAD_M: Final = 0.3
"""Points have to spread so far to each side (a standard deviation) to be ground."""
REACH: Final = 1.5
"""Ground is seen so many times as far as points lie apart: of scattered ones one in a thousand is not."""
MOST_NODES: Final = 40_000


def with_heights(chart: Chart, points: Figures) -> Chart:
    """Return a chart with the heights of points: each a reading of it, or of too many a scan.

    Parameters
    ----------
    chart : Chart
        With an edge.
    points : ndarray
        Places and heights [m], shape (n, 3); those off the green are left out.

    Returns
    -------
    Chart
        Its scan is the new one, or what it was.

    Raises
    ------
    ChartError
        Where no point lies on the green, or it has no edge.
    """
    if chart.outline is None:
        raise ChartError("Draw the green's edge first: heights are kept of what lies within.")
    held = points[chart.outline.holds(points[:, :2])]
    if not len(held):
        raise ChartError("None of these heights lies on the green.")
    if len(held) + len(chart.readings) > MOST["readings"]:
        return replace(chart, scan=scan_of(points, chart.outline))
    return chart.read(tuple(ChartReading((x, y), STAFF, 0.0, z) for x, y, z in held.tolist()))


def broad(points: Figures) -> Figures:
    """Return points unless they lie in one line, or in one place: no ground goes through such.

    Parameters
    ----------
    points : ndarray
        Places [m], shape (n, 2) or more columns.

    Returns
    -------
    ndarray
        The same; none are taken.

    Raises
    ------
    ChartError
        Where they spread less than `LEAST_SPREAD_M` to one side.
    """
    off = points[:, :2] - points[:, :2].mean(axis=0) if len(points) else np.eye(2)
    if math.sqrt(max(float(np.linalg.eigvalsh(off.T @ off)[0]) / len(off), 0.0)) < LEAST_SPREAD_M:
        raise ChartError("These heights lie in one line or in one place: that is no green.")
    return points


def scan_of(points: Figures, outline: Outline) -> Scan:
    """Return the scan of a green that points make.

    Parameters
    ----------
    points : ndarray
        Places and heights [m], shape (n, 3).
    outline : Outline
        The green's edge.

    Returns
    -------
    Scan
        Of those on the green and close round it.

    Raises
    ------
    ChartError
        Where they lie in one line.
    """
    close = cKDTree(outline.curve).query(points[:, :2], distance_upper_bound=ROUND_M)[0] < math.inf
    held = broad(points[close | outline.holds(points[:, :2])])
    area = float(np.prod(np.maximum(np.ptp(held[:, :2], axis=0), 1.0)))
    apart = math.sqrt(area / len(held))
    spacing = max(min(max(0.5 * apart, FINEST_M), COARSEST_M), math.sqrt(area / MOST_NODES))
    return gridded(held, spacing, REACH * apart)

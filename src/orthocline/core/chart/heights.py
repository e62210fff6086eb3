"""Heights of many points, as a laser or a receiver lists them, made into readings of a chart."""

import math

import numpy as np
from numpy.typing import NDArray

from orthocline.core.chart.chart import ChartError, ChartReading
from orthocline.core.instruments import STAFF_SD_M
from orthocline.core.relief import Outline
from orthocline.core.survey import gridded

Figures = NDArray[np.float64]
STAFF = "staff"
A_CELL, FINEST_M = 2.0, 0.25
"""Points for each cell of the grid that is smoothed, and its least spacing [m]; some nodes are readings."""


def height_readings(points: Figures, outline: Outline, most: int) -> tuple[ChartReading, ...]:
    """Return the heights of points as readings: each point, or of too many a robust grid's nodes.

    Parameters
    ----------
    points : ndarray
        Places and heights [m], shape (n, 3); those off the green are left out.
    outline : Outline
        The green's edge.
    most : int
        So many readings at most.

    Returns
    -------
    tuple of ChartReading
        Spot heights; those of a grid are as sure as its cells are rough.

    Raises
    ------
    ChartError
        Where no point lies on the green, or there is no room for any.
    """
    held = points[outline.holds(points[:, :2])]
    if not len(held) or most <= 0:
        raise ChartError("None of these heights lies on the green, or the chart is full.")
    if len(held) <= most:
        return tuple(ChartReading((x, y), STAFF, 0.0, z) for x, y, z in held.tolist())
    apart = math.sqrt(outline.area_m2 / most)
    every = math.ceil(apart / max(math.sqrt(outline.area_m2 * A_CELL / len(held)), FINEST_M))
    spacing = apart / every
    made = gridded(held, spacing)
    heights = made.grid.heights_m[::every, ::every]
    y, x = (every * spacing * np.arange(count) for count in heights.shape)
    nodes = np.array(made.grid.origin_m) + np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2)
    within = 2.0 * max(made.roughness_m, STAFF_SD_M)
    told = zip(nodes.tolist(), heights.ravel().tolist(), outline.holds(nodes).tolist(), strict=True)
    return tuple(ChartReading((x, y), STAFF, 0.0, z, within) for (x, y), z, on in told if on)[:most]

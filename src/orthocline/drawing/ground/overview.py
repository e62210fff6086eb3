"""The whole of a file from above, north up, with the green in it."""

import math
from typing import Final

import numpy as np
from contourpy import contour_generator

from orthocline.core.chart import Chart, Overview
from orthocline.drawing.scene import (
    Area,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Spots,
    Words,
    arrowhead,
    spots_of,
)
from orthocline.drawing.ticks import tick_step

WIDTH: Final = 288.0
"""As wide as it is shown: where it is tapped is said in its own units."""
INSET: Final = 34.0
MOST_CONTOURS: Final = 12
ARROW, HEAD, HALF = 30.0, 9.0, 4.5
LEAST_RISE_M: Final = 0.02


def overview_sheet(overview: Overview, chart: Chart) -> tuple[Scene, tuple[float, float], float]:
    """Return the sheet, the place of its upper left corner [m], and how many metres a unit of it has.

    Parameters
    ----------
    overview : Overview
        Heights of even cells.
    chart : Chart
        The green, with its site.
    """
    heights = np.array(
        [[np.nan if one is None else one for one in row] for row in overview.heights_m], dtype=float
    )
    rows, columns = heights.shape
    wide, deep = columns * overview.cell_m, rows * overview.cell_m
    scale = (WIDTH - 2.0 * INSET) / max(wide, deep)
    left, top = overview.left_m - INSET / scale, overview.low_m + deep + INSET / scale

    def spots(places: Spots) -> Spots:
        return np.column_stack([scale * (places[:, 0] - left), scale * (top - places[:, 1])])

    corner = np.array([[overview.left_m, overview.low_m], [overview.left_m + wide, overview.low_m + deep]])
    (x0, y1), (x1, y0) = spots(corner).tolist()
    items: list[Item] = [Area(spots_of((x0, y0), (x1, y0), (x1, y1), (x0, y1)), Sign.RULE, Fill.OPEN)]
    items += [Line(spots(line), Sign.FALL, 0.8) for line in _contours(overview, heights)]
    if chart.outline and chart.site:
        edge = spots(chart.site.off_chart(chart.outline.curve))
        items.append(Line(np.vstack([edge, edge[:1]]), Sign.DO, 3.0, name="edge"))
        items += _way_in(spots(chart.site.off_chart(np.array([chart.outline.front]))), chart.site.up_rad)
    height = scale * deep + 2.0 * INSET
    items.append(Words("north up", Spot(WIDTH - INSET, height - 10.0), Sign.QUIET, anchor="end"))
    return (
        Scene("overview", WIDTH, height, "The whole file from above", tuple(items)),
        (left, top),
        1.0 / scale,
    )


def _contours(overview: Overview, heights: Spots) -> list[Spots]:
    """Return lines of equal height through the cells that have any."""
    rows, columns = heights.shape
    if min(rows, columns) < 2 or np.isnan(heights).all():
        return []
    least, most = float(np.nanmin(heights)), float(np.nanmax(heights))
    step = tick_step(max(most - least, LEAST_RISE_M) / MOST_CONTOURS)
    x = overview.left_m + overview.cell_m * (np.arange(columns) + 0.5)
    y = overview.low_m + overview.cell_m * (np.arange(rows) + 0.5)
    lines = contour_generator(x, y, np.ma.masked_invalid(heights))
    levels = step * np.arange(math.ceil(least / step), math.floor(most / step) + 1)
    return [np.asarray(line) for level in levels.tolist() for line in lines.lines(level)]


def _way_in(front: Spots, up_rad: float) -> list[Item]:
    """Return the arrow by which play comes in to the front edge."""
    way = math.sin(up_rad), -math.cos(up_rad)
    x, y = front[0].tolist()
    tip, tail = Spot(x, y), (x - ARROW * way[0], y - ARROW * way[1])
    return [
        Line(spots_of(tail, (tip.x - HEAD * way[0], tip.y - HEAD * way[1])), Sign.INK, 2.5),
        Area(arrowhead(tip, way, HEAD, HALF), Sign.INK, Fill.SOLID),
    ]

"""What surveyors measured of a green, laid onto a chart."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
import shapely
from numpy.typing import NDArray
from scipy.spatial import ConvexHull

from orthocline.core.chart.chart import FARTHEST_M, LEAST_AREA_M2, MOST, Chart, ChartError, Place
from orthocline.core.chart.heights import broad, with_heights
from orthocline.core.chart.site import Site
from orthocline.core.relief import FEWEST_CORNERS, Outline, oval

Figures = NDArray[np.float64]
NARROWEST_M, WIDEST_M, USUAL_M = 3.0, 50.0, 25.0
"""Greens are so wide and deep; one of which nothing is said is as usual where much more was measured."""
STRAIGHTER: Final = 1.3
"""An edge with too many corners loses those that lie least off; each time this much further off."""
LEAST_OFF_M: Final = 0.02
SMALLER: Final = 0.97


@dataclass(frozen=True)
class Wanted:
    """How a green is to be laid onto its chart.

    Attributes
    ----------
    up_rad : float or None
        The way play comes in, clockwise from north; None for as its chart has it, or else north.
    middle : tuple of float or None
        Where its middle lies, east and north [m]; None for that of what was measured.
    deep_m, wide_m : float or None
        Its size, where nothing says its edge [m].
    """

    up_rad: float | None = None
    middle: Place | None = None
    deep_m: float | None = None
    wide_m: float | None = None


def laid_out(
    points: Figures, corners: Sequence[Place], system: str, wanted: Wanted, onto: Chart, level_m: float = 0.0
) -> Chart:
    """Return a chart with its site, and the edge that was measured, or said.

    Parameters
    ----------
    points : ndarray
        Places and heights as they were measured [m], shape (n, 3); perhaps none.
    corners : sequence of tuple of float
        Of its edge [m]; perhaps none.
    system : str
        Their coordinate system; empty for none.
    wanted : Wanted
    onto : Chart
        As it was; its edge stays where none was measured.
    level_m : float
        What the heights of a new site are counted from [m].

    Returns
    -------
    Chart
        Without the heights.

    Raises
    ------
    ChartError
        For an edge that is none, or a chart of which nothing says where it lies.
    """
    free = wanted.up_rad is None and wanted.middle is None
    if onto.site and onto.site.system == system and onto.corners and not corners and free:
        return onto
    if not corners and not len(points) and wanted.middle is None:
        raise ChartError("Nothing in this file says where the green lies: it has no edge and no heights.")
    up = wanted.up_rad if wanted.up_rad is not None else onto.site.up_rad if onto.site else 0.0
    turned = Site(system, 0.0, 0.0, up)
    if corners:
        shape = _edge(turned.onto_chart(np.array(corners)))
    else:
        on = broad(turned.onto_chart(points))
        middle = turned.onto_chart(np.array([_middle(points, wanted)]))[0]
        shape = _shape(on, middle, wanted, onto)
        (left, low), (right, top) = shape.box
        off = middle - 0.5 * np.array([left + right, low + top])
        shape = Outline(tuple((x + float(off[0]), y + float(off[1])) for x, y in shape.corners))
    front = shape.front
    east, north = turned.off_chart(np.array([front]))[0].tolist()
    site = Site(system, round(east, 4), round(north, 4), up, round(level_m, 2))
    own = tuple((x - front[0], y - front[1]) for x, y in shape.corners)
    return replace(onto, site=site).edged(own)


def _middle(points: Figures, wanted: Wanted) -> Place:
    if wanted.middle is not None:
        return wanted.middle
    x, y = (0.5 * (points[:, :2].min(axis=0) + points[:, :2].max(axis=0))).tolist()
    return x, y


def _shape(on: Figures, middle: Figures, wanted: Wanted, onto: Chart) -> Outline:
    """Return the edge of a green where none was measured: its chart's, or an oval of its size."""
    if onto.outline and wanted.deep_m is None and wanted.wide_m is None:
        return onto.outline
    sizes = np.ptp(on[:, :2], axis=0).tolist() if len(on) else (USUAL_M, USUAL_M)
    usual = [size if size <= WIDEST_M else USUAL_M for size in sizes]
    said = wanted.wide_m, wanted.deep_m
    wide, deep = (usual[k] if one is None else one for k, one in enumerate(said))
    if not (NARROWEST_M <= deep <= WIDEST_M and NARROWEST_M <= wide <= WIDEST_M):
        raise ChartError(f"A green is between {NARROWEST_M:g} and {WIDEST_M:g} metres across.")
    return oval(deep, wide) if None not in said or not len(on) else _within(on, middle, deep, wide)


def _within(on: Figures, middle: Figures, deep_m: float, wide_m: float) -> Outline:
    """Return the oval of a green, smaller until it lies within what was measured."""
    hull = shapely.Polygon(on[ConvexHull(on[:, :2]).vertices, :2]).buffer(LEAST_OFF_M)
    edge, share = oval(deep_m, wide_m), 1.0
    while SMALLER * share * min(deep_m, wide_m) > NARROWEST_M:
        around = edge.curve + middle - (0.0, 0.5 * share * deep_m)
        if hull.covers(shapely.Polygon(around)):
            break
        share *= SMALLER
        edge = oval(share * deep_m, share * wide_m)
    return edge


def _edge(corners: Figures) -> Outline:
    """Return an edge with so many corners as a chart holds; raises ChartError for what is no green's."""
    if len(corners) < FEWEST_CORNERS:
        raise ChartError("The edge in this file has fewer than three corners.")
    if np.ptp(corners, axis=0).max() > 2.0 * FARTHEST_M:
        raise ChartError(
            f"The edge in this file is more than {2.0 * FARTHEST_M:g} metres across: no green's."
        )
    if shapely.Polygon(corners).convex_hull.area < LEAST_AREA_M2:
        raise ChartError("The edge in this file encloses no green: it has no room within.")
    ring, off = shapely.LinearRing(corners[:, :2]), LEAST_OFF_M
    while len(ring.coords) - 1 > MOST["corners"]:
        ring = ring.simplify(off)
        off *= STRAIGHTER
    return Outline(tuple((x, y) for x, y in list(ring.coords)[:-1]))


def scanned(chart: Chart, points: Figures) -> Chart:
    """Return a chart with heights that were measured where its site is.

    Parameters
    ----------
    chart : Chart
        With its site and its edge.
    points : ndarray
        Places and heights as they were measured [m], shape (n, 3).

    Returns
    -------
    Chart
        With readings, or with a scan.

    Raises
    ------
    ChartError
        Where no point lies on the green.
    """
    assert chart.site is not None, "what is laid out has a site"
    return with_heights(chart, chart.site.onto_chart(points))


def way_on_chart(north_deg: float, site: Site) -> float:
    """Return a way that was measured clockwise from north [deg] as a chart has it.

    Parameters
    ----------
    north_deg : float
        Clockwise from the north of the site's system [deg].
    site : Site
        Of the chart.

    Returns
    -------
    float
        Counter-clockwise from +x [deg]; the same formula leads back.
    """
    return 90.0 - north_deg + math.degrees(site.up_rad)

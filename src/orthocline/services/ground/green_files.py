"""Files of greens: what one holds, laid onto a chart and understood; and a chart as files take it."""

from collections.abc import Iterator
from dataclasses import asdict, dataclass
from io import BytesIO
from typing import Any, Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.chart import (
    Chart,
    ChartError,
    Facts,
    Known,
    Overview,
    Site,
    Wanted,
    hole_share_of,
    laid_out,
    overview_of,
    scanned,
    steepest_of,
    surveyed,
)
from orthocline.drawing.ground.green_map import Shown, green_map
from orthocline.drawing.svg import svg_file
from orthocline.formats.chart_document import chart_document
from orthocline.formats.green_features import chart_in, edge_of, features_of, level_of, with_features
from orthocline.formats.green_files.apart import Read, read_apart
from orthocline.formats.green_files.out import USUAL_SPACING_M, GreenOut
from orthocline.formats.green_files.registry import GreenFormat
from orthocline.formats.green_files.source import FileError, Said
from orthocline.formats.green_files.systems import unit_of
from orthocline.wording.wording import Wording

Figures = NDArray[np.float64]
HOME: Final = Site("", 0.0, 0.0)
"""A chart whose place nobody knows is written in its own metres."""


@dataclass(frozen=True)
class Understood:
    """A file that was understood: the chart that it makes, and what that is.

    Attributes
    ----------
    middle : tuple of float or None
        Where the green's middle lies in the file's metres.
    up_deg : float
        The way play comes in, clockwise from north.
    """

    chart: Chart
    facts: Facts
    overview: Overview | None
    middle: tuple[float, float] | None
    up_deg: float = 0.0

    @property
    def document(self) -> dict[str, Any]:
        """All of it as open data."""
        told = {"facts": asdict(self.facts), "middle": self.middle, "up_deg": self.up_deg}
        overview = asdict(self.overview) if self.overview else None
        return told | {"overview": overview, "chart": chart_document(self.chart)}


def understand(
    path: str, kind: GreenFormat, said: Said, wanted: Wanted, onto: Chart
) -> Iterator[float | Understood]:
    """Yield how far a file is read, now and then, and at last what was understood.

    Parameters
    ----------
    path : str
        The file.
    kind : GreenFormat
        Its format.
    said : Said
        What is said of it.
    wanted : Wanted
        How the green is to lie.
    onto : Chart
        The green as it is charted; an empty one for a new green.

    Raises
    ------
    FileError
        For a file that is not taken, or makes no chart.
    """
    for step in read_apart(path, kind.name, said):
        if isinstance(step, float):
            yield step
            continue
        try:
            yield _understood(step, wanted, onto)
        except ChartError as error:
            raise FileError(str(error)) from error


def _understood(read: Read, wanted: Wanted, onto: Chart) -> Understood:
    whole = chart_in(read.features)
    if whole is not None:
        return Understood(whole, _facts(read, whole), None, None)
    level = level_of(read.points[:, 2], read.features)
    laid = laid_out(read.points, edge_of(read.features), read.told["system"], wanted, onto, level)
    chart = with_features(laid, read.features)
    if len(read.points):
        chart = scanned(chart, read.points)
    site, outline = chart.site, chart.outline
    assert site is not None
    assert outline is not None
    (left, low), (right, top) = outline.box
    middle = site.off_chart(np.array([[0.5 * (left + right), 0.5 * (low + top)]]))[0].tolist()
    at = round(middle[0], 2), round(middle[1], 2)
    up_deg = round(float(np.degrees(site.up_rad)) % 360.0, 4)
    return Understood(chart, _facts(read, chart), overview_of(read.points), at, up_deg)


def _facts(read: Read, chart: Chart) -> Facts:
    told, outline = read.told, chart.outline
    values: dict[str, Any] = {
        "pins": len(chart.pins),
        "readings": len(chart.readings),
        "grain": len(chart.grain),
        "steepest": steepest_of(chart),
        "slope_sd": chart.scan.field.slope_sd if chart.scan else None,
        "hole_share": hole_share_of(chart),
        "notes": tuple(told["notes"]),
    }
    if told["whole"]:
        return Facts(**values)
    if outline and chart.site and len(read.points):
        values["points"] = int(outline.holds(chart.site.onto_chart(read.points)[:, :2]).sum())
    named = ("called", "system", "says_system", "says_heights", "unit", "height_unit", "values", "spacing")
    values |= {name: told[name] for name in named}
    values |= {f"{name}_m": tuple(told[name]) if told[name] else None for name in ("low", "high")}
    return Facts(**values)


def green_out(name: str, chart: Chart, wording: Wording, spacing_m: float = USUAL_SPACING_M) -> GreenOut:
    """Return a chart as writers take it; raises FileError for one without an edge."""
    outline, site = chart.outline, chart.site or HOME
    if outline is None:
        raise FileError("This green has no edge yet: there is nothing to write.")
    readings = surveyed(chart.readings, {})
    known = Known(readings, outline, chart.grain, chart.scan) if chart.has_ground else None
    corners = site.off_chart(outline.curve)
    (left, low), (right, top) = corners.min(axis=0).tolist(), corners.max(axis=0).tolist()

    def heights(places: Figures) -> Figures:
        if known is None:
            raise FileError("Nothing is read of this green yet: it has no heights to write.")
        on = site.onto_chart(places)
        told = np.full(len(on), np.nan)
        inside = outline.holds(on)
        told[inside] = known.heights(on[inside]) + site.height_m
        return told

    def drawn() -> str:
        return svg_file(green_map(chart, known, outline, wording, name, Shown()).scene)

    return GreenOut(
        name,
        site.system,
        unit_of(site.system),
        ((left, low), (right, top)),
        heights,
        features_of(chart, site),
        chart_document(chart),
        drawn,
        spacing_m,
    )


def file_of(green: GreenOut, kind: GreenFormat) -> bytes:
    """Return a green as a file; raises FileError for what it has not."""
    file = BytesIO()
    kind.write(green, file)
    return file.getvalue()

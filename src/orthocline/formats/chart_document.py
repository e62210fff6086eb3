"""A chart of a green as open data: outline, readings, pins and grain, each in metres and degrees."""

import math
from typing import Annotated, Any

from pydantic import Field

from orthocline.core.chart import FARTHEST_M, MOST, Chart, ChartPin, ChartReading, Site
from orthocline.core.instruments import INSTRUMENTS, Gives
from orthocline.core.roll import RANGES
from orthocline.core.units import PERCENT, wrap_rad
from orthocline.formats.part import Part
from orthocline.formats.scan_part import ScanPart, scan_members
from orthocline.formats.surface_parts import GrainAreaPart, grain_members

PIN_LENGTH, SYSTEM_LENGTH = 24, 12
DECIMALS = 4
CHARTED = {
    one.name: one.gives
    for one in INSTRUMENTS.values()
    if one.gives in (Gives.SLOPE, Gives.FELT, Gives.WAY, Gives.ARROW, Gives.HEIGHT)
}
"""What instruments read of a place on a green."""
Coordinate = Annotated[float, Field(ge=-FARTHEST_M, le=FARTHEST_M)]
At = Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
Angle = Annotated[float, Field(ge=-36000, le=36000)]


class _Reading(Part):
    at_m: At
    by: Annotated[str, Field(pattern="|".join(f"^{name}$" for name in CHARTED))]
    falls_toward_deg: Angle = 0.0
    percent: Annotated[float, Field(ge=0.0, le=RANGES.tilt[1] / PERCENT)] | None = None
    height_m: Annotated[float, Field(ge=-20.0, le=20.0)] | None = None
    within: Annotated[float, Field(gt=0.0, le=25.0)] | None = None


class _Pin(Part):
    at_m: At
    name: Annotated[str, Field(min_length=1, max_length=PIN_LENGTH)]
    retired: bool = False


class _Site(Part):
    system: Annotated[str, Field(max_length=SYSTEM_LENGTH, pattern=r"^(EPSG:\d{4,6})?$")]
    at_m: Annotated[list[Annotated[float, Field(ge=-1e8, le=1e8)]], Field(min_length=2, max_length=2)]
    up_deg: Angle = 0.0
    height_m: Annotated[float, Field(ge=-1e5, le=1e5)] = 0.0


class ChartPart(Part):
    """A chart of a green."""

    outline_m: Annotated[list[At], Field(max_length=MOST["corners"])] = Field(default_factory=list)
    readings: Annotated[list[_Reading], Field(max_length=MOST["readings"])] = Field(default_factory=list)
    pins: Annotated[list[_Pin], Field(max_length=MOST["pins"])] = Field(default_factory=list)
    grain: Annotated[list[GrainAreaPart], Field(max_length=MOST["grain"])] = Field(default_factory=list)
    scan: ScanPart | None = None
    site: _Site | None = None


def chart_document(chart: Chart) -> dict[str, Any]:
    """Return a chart as a document has it, places to a tenth of a millimetre."""
    return {
        "outline_m": [_at(one) for one in chart.corners],
        "readings": [_reading_members(one) for one in chart.readings],
        "pins": [
            {"at_m": _at(one.at_m), "name": one.name} | ({"retired": True} if one.retired else {})
            for one in chart.pins
        ],
        "grain": [_rounded(grain_members(one)) for one in chart.grain],
        **({"scan": scan_members(chart.scan)} if chart.scan else {}),
        **({"site": _site_members(chart.site)} if chart.site else {}),
    }


def chart_of(document: dict[str, Any]) -> Chart:
    """Return the chart of a document; raises pydantic's ValidationError for one that is none."""
    part = ChartPart.model_validate(document)
    return Chart(
        tuple((x, y) for x, y in part.outline_m),
        tuple(_reading(one) for one in part.readings),
        tuple(ChartPin((one.at_m[0], one.at_m[1]), one.name, one.retired) for one in part.pins),
        tuple(one.area for one in part.grain),
        part.scan.scan if part.scan else None,
        _site(part.site) if part.site else None,
    )


def _at(place: tuple[float, float]) -> list[float]:
    return [round(one, DECIMALS) for one in place]


def _degrees(angle_rad: float) -> float:
    return round(math.degrees(wrap_rad(angle_rad)), DECIMALS)


def _site_members(site: Site) -> dict[str, Any]:
    at = [round(site.east_m, DECIMALS), round(site.north_m, DECIMALS)]
    turned, height = _degrees(site.up_rad), round(site.height_m, DECIMALS)
    return {"system": site.system, "at_m": at, "up_deg": turned, "height_m": height}


def _site(part: _Site) -> Site:
    return Site(part.system, part.at_m[0], part.at_m[1], math.radians(part.up_deg), part.height_m)


def _reading_members(one: ChartReading) -> dict[str, Any]:
    told: dict[str, Any] = {"at_m": _at(one.at_m), "by": one.by}
    if one.gives is Gives.HEIGHT:
        return told | _said(height_m=one.size, within=one.within)
    told["falls_toward_deg"] = _degrees(one.toward_rad)
    percent, within = (None if size is None else size / PERCENT for size in (one.size, one.within))
    return told | _said(percent=percent, within=within)


def _said(**members: float | None) -> dict[str, float]:
    return {name: round(value, DECIMALS) for name, value in members.items() if value is not None}


def _reading(one: _Reading) -> ChartReading:
    at = one.at_m[0], one.at_m[1]
    if CHARTED[one.by] is Gives.HEIGHT:
        return ChartReading(at, one.by, 0.0, one.height_m, one.within)
    size, within = (None if value is None else value * PERCENT for value in (one.percent, one.within))
    return ChartReading(at, one.by, math.radians(one.falls_toward_deg), size, within)


def _rounded(members: dict[str, Any]) -> dict[str, Any]:
    at = [round(one, DECIMALS) for one in members["at_m"]]
    return {name: round(value, DECIMALS) for name, value in members.items() if name != "at_m"} | {"at_m": at}

"""A chart of a green as open data: outline, readings, pins and grain, each in metres and degrees."""

import math
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field

from orthocline.core.chart import FARTHEST_M, MOST, Chart, ChartPin, ChartReading, GrainArea
from orthocline.core.instruments import INSTRUMENTS, Gives
from orthocline.core.roll import RANGES
from orthocline.core.units import PERCENT, wrap_rad

PIN_LENGTH = 24
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


class _Part(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)


class _Reading(_Part):
    at_m: At
    by: Annotated[str, Field(pattern="|".join(f"^{name}$" for name in CHARTED))]
    falls_toward_deg: Angle = 0.0
    percent: Annotated[float, Field(ge=0.0, le=RANGES.tilt[1] / PERCENT)] | None = None
    height_m: Annotated[float, Field(ge=-20.0, le=20.0)] | None = None
    within: Annotated[float, Field(gt=0.0, le=25.0)] | None = None


class _Pin(_Part):
    at_m: At
    name: Annotated[str, Field(min_length=1, max_length=PIN_LENGTH)]
    retired: bool = False


class _Grain(_Part):
    at_m: At
    radius_m: Annotated[float, Field(gt=0.0, le=FARTHEST_M)]
    toward_deg: Angle
    strength: Annotated[float, Field(ge=RANGES.grain[0], le=RANGES.grain[1])]
    within_deg: Annotated[float, Field(gt=0.0, le=180.0)]
    within_share: Annotated[float, Field(gt=0.0, le=2.0)]


class _Chart(_Part):
    outline_m: Annotated[list[At], Field(max_length=MOST["corners"])] = Field(default_factory=list)
    readings: Annotated[list[_Reading], Field(max_length=MOST["readings"])] = Field(default_factory=list)
    pins: Annotated[list[_Pin], Field(max_length=MOST["pins"])] = Field(default_factory=list)
    grain: Annotated[list[_Grain], Field(max_length=MOST["grain"])] = Field(default_factory=list)


def chart_document(chart: Chart) -> dict[str, Any]:
    """Return a chart as a document has it, places to a tenth of a millimetre."""
    return {
        "outline_m": [_at(one) for one in chart.corners],
        "readings": [_reading_members(one) for one in chart.readings],
        "pins": [
            {"at_m": _at(one.at_m), "name": one.name} | ({"retired": True} if one.retired else {})
            for one in chart.pins
        ],
        "grain": [_grain_members(one) for one in chart.grain],
    }


def chart_of(document: dict[str, Any]) -> Chart:
    """Return the chart of a document; raises pydantic's ValidationError for one that is none."""
    part = _Chart.model_validate(document)
    return Chart(
        tuple((x, y) for x, y in part.outline_m),
        tuple(_reading(one) for one in part.readings),
        tuple(ChartPin((one.at_m[0], one.at_m[1]), one.name, one.retired) for one in part.pins),
        tuple(_grain(one) for one in part.grain),
    )


def _at(place: tuple[float, float]) -> list[float]:
    return [round(one, DECIMALS) for one in place]


def _degrees(angle_rad: float) -> float:
    return round(math.degrees(wrap_rad(angle_rad)), DECIMALS)


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


def _grain_members(one: GrainArea) -> dict[str, Any]:
    return {
        "at_m": _at(one.at_m),
        "radius_m": round(one.radius_m, DECIMALS),
        "toward_deg": _degrees(one.toward_rad),
        "strength": round(one.strength, DECIMALS),
        "within_deg": round(2.0 * math.degrees(one.way_sd_rad), DECIMALS),
        "within_share": round(2.0 * one.strength_share, DECIMALS),
    }


def _grain(one: _Grain) -> GrainArea:
    return GrainArea(
        (one.at_m[0], one.at_m[1]),
        one.radius_m,
        math.radians(one.toward_deg),
        one.strength,
        0.5 * math.radians(one.within_deg),
        0.5 * one.within_share,
    )

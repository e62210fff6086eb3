"""The kinds of surface of the putt document: a registry, one entry a kind of ground."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import reduce
from operator import or_
from typing import Annotated, Any, Literal

import numpy as np
from pydantic import Field, PlainValidator, field_validator, model_validator
from pydantic.json_schema import SkipJsonSchema
from pydantic_core import PydanticCustomError

from orthocline.core.ground import LEAST_NODES, Grid, Plane, Station, Stations, Surface
from orthocline.core.roll import RANGES, PuttError
from orthocline.core.survey import (
    GrainArea,
    HeightReading,
    Scan,
    SlopeReading,
    Survey,
    SurveyReading,
    WayReading,
)
from orthocline.core.units import PERCENT, wrap_rad
from orthocline.formats.part import Coordinate, Height, Part, even_rows
from orthocline.formats.scan_part import ScanPart, scan_members

MOST_CELLS = 4_000_000
MOST_READINGS = 200
MOST_SURVEYED = 2000
MOST_AREAS = 12
FARTHEST_READ_M = 100.0
SCAN_MARGIN_M = 8.0
"""So far round a putt its document has what was scanned."""
KINDS_OF_READING = {
    "slope_percent": frozenset({"slope_percent", "toward_deg", "within_percent"}),
    "downhill_deg": frozenset({"downhill_deg", "within_deg"}),
    "height_m": frozenset({"height_m", "within_m"}),
}
"""The members of each kind of reading of a survey."""
Ends = tuple[tuple[float, float], tuple[float, float]]
"""Where ball and hole lie [m]."""
MEMBERS = frozenset[str]().union(*KINDS_OF_READING.values())
READING_ALLOWED = (
    "must give slope_percent, toward_deg and within_percent, or downhill_deg and within_deg, or height_m and"
    " within_m"
)


def within(limits: tuple[float, float], scale: float = 1.0) -> Any:
    """Return the field of a figure between two limits, in another unit."""
    return Field(ge=limits[0] * scale, le=limits[1] * scale)


Angle = Annotated[float, Field(ge=-36000, le=36000, description="degrees counter-clockwise from +x")]
Slope = Annotated[
    float, Field(ge=-RANGES.tilt[1] / PERCENT, le=RANGES.tilt[1] / PERCENT, description="percent")
]


class SurfacePart(Part):
    """A surface of one kind; its member `kind` says which."""

    def surface(self, ball_m: list[float], hole_m: list[float]) -> Surface:
        """Return the ground of a putt; raises PuttError where ball or hole lie off it."""
        raise NotImplementedError


class PlanePart(SurfacePart):
    """A uniform slope."""

    kind: Literal["plane"]
    tilt_percent: Annotated[float, within(RANGES.tilt, 1 / PERCENT)]
    downhill_deg: Angle

    def surface(self, _ball_m: list[float], _hole_m: list[float]) -> Plane:
        """Return the plane."""
        return Plane(self.tilt_percent * PERCENT, wrap_rad(math.radians(self.downhill_deg)))


class ReadingPart(Part):
    """A reading at a share of the way: fall to the right, or rise toward the hole, or both."""

    at: Annotated[float, Field(ge=-1.0, le=2.0, description="share of the way from ball to hole")]
    side_percent: Slope | SkipJsonSchema[None] = None
    grade_percent: Slope | SkipJsonSchema[None] = None
    within_percent: Annotated[float, Field(ge=0.0, le=25.0, description="95 %")] | SkipJsonSchema[None] = None

    @property
    def station(self) -> Station:
        """The reading as the core has it."""
        side, grade, within = (
            None if figure is None else figure * PERCENT
            for figure in (self.side_percent, self.grade_percent, self.within_percent)
        )
        return Station(self.at, side, grade, None if within is None else 0.5 * within)


class StationsPart(SurfacePart):
    """Readings along the ball-hole line."""

    kind: Literal["stations"]
    readings: Annotated[list[ReadingPart], Field(min_length=1, max_length=MOST_READINGS)]

    @field_validator("readings")
    @classmethod
    def _apart(cls, readings: list[ReadingPart]) -> list[ReadingPart]:
        for name in ("side_percent", "grade_percent"):
            places = [one.at for one in readings if getattr(one, name) is not None]
            if len(set(places)) < len(places):
                raise ValueError("two readings stand at the same place")
        return readings

    def surface(self, ball_m: list[float], hole_m: list[float]) -> Stations:
        """Return the ground along the putt; raises PuttError where no reading gives one of the slopes."""
        for name in ("side_percent", "grade_percent"):
            if all(getattr(one, name) is None for one in self.readings):
                raise PuttError(f"/surface/readings/0/{name}", "is missing")
        readings = sorted(self.readings, key=lambda one: one.at)
        stations = tuple(one.station for one in readings)
        return Stations((ball_m[0], ball_m[1]), (hole_m[0], hole_m[1]), stations)


class GridPart(SurfacePart):
    """Heights on a square grid; the first row lies at the smallest y."""

    kind: Literal["grid"]
    origin_m: Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
    spacing_m: Annotated[float, Field(ge=0.01, le=10.0)]
    heights_m: Annotated[list[list[Height]], Field(min_length=LEAST_NODES)]

    @field_validator("heights_m")
    @classmethod
    def _even(cls, heights: list[list[float]]) -> list[list[float]]:
        return even_rows(heights, MOST_CELLS)

    def surface(self, ball_m: list[float], hole_m: list[float]) -> Grid:
        """Return the ground; raises PuttError where ball or hole lie off it."""
        grid = Grid((self.origin_m[0], self.origin_m[1]), self.spacing_m, np.array(self.heights_m))
        for member, place in (("/ball_m", ball_m), ("/hole_m", hole_m)):
            if not grid.holds(place[0], place[1]):
                raise PuttError(member, "lies off the grid")
        return grid


class SurveyReadingPart(Part):
    """A reading anywhere on a green: of a slope along a way, of the way of fall, or of a height."""

    at_m: Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
    slope_percent: Slope | SkipJsonSchema[None] = None
    toward_deg: Angle | SkipJsonSchema[None] = None
    within_percent: Annotated[float, Field(gt=0.0, le=25.0, description="95 %")] | SkipJsonSchema[None] = None
    downhill_deg: Angle | SkipJsonSchema[None] = None
    within_deg: Annotated[float, Field(gt=0.0, le=180.0, description="95 %")] | SkipJsonSchema[None] = None
    height_m: Annotated[float, Field(ge=-1e4, le=1e4)] | SkipJsonSchema[None] = None
    within_m: Annotated[float, Field(gt=0.0, le=10.0, description="95 %")] | SkipJsonSchema[None] = None

    @model_validator(mode="after")
    def _one_kind(self) -> "SurveyReadingPart":
        said = frozenset(name for name in MEMBERS if getattr(self, name) is not None)
        if said not in KINDS_OF_READING.values():
            raise ValueError(READING_ALLOWED)
        return self

    @property
    def reading(self) -> SurveyReading:
        """The reading as the core has it."""
        at = self.at_m[0], self.at_m[1]
        if self.slope_percent is not None:
            toward = wrap_rad(math.radians(self.toward_deg or 0.0))
            sd = 0.5 * PERCENT * (self.within_percent or 0.0)
            return SlopeReading(at, PERCENT * self.slope_percent, toward, sd)
        if self.downhill_deg is not None:
            downhill = wrap_rad(math.radians(self.downhill_deg))
            return WayReading(at, downhill, 0.5 * math.radians(self.within_deg or 0.0))
        return HeightReading(at, self.height_m or 0.0, 0.5 * (self.within_m or 0.0))


class GrainAreaPart(Part):
    """A round part of a green whose grass grows one way."""

    at_m: Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
    radius_m: Annotated[float, Field(gt=0.0, le=FARTHEST_READ_M)]
    toward_deg: Angle
    strength: Annotated[float, within(RANGES.grain)]
    within_deg: Annotated[float, Field(gt=0.0, le=180.0, description="95 %")]
    within_share: Annotated[float, Field(gt=0.0, le=2.0, description="95 %, of the strength")]

    @property
    def area(self) -> GrainArea:
        """The part as the core has it."""
        toward, sd = wrap_rad(math.radians(self.toward_deg)), 0.5 * math.radians(self.within_deg)
        at = self.at_m[0], self.at_m[1]
        return GrainArea(at, self.radius_m, toward, self.strength, sd, 0.5 * self.within_share)


def grain_members(one: GrainArea) -> dict[str, Any]:
    """Return the grain of a part of a green as a document has it."""
    return {
        "at_m": list(one.at_m),
        "radius_m": one.radius_m,
        "toward_deg": math.degrees(one.toward_rad),
        "strength": one.strength,
        "within_deg": 2.0 * math.degrees(one.way_sd_rad),
        "within_share": 2.0 * one.strength_share,
    }


class SurveyPart(SurfacePart):
    """A green known by readings anywhere on it."""

    kind: Literal["survey"]
    readings: Annotated[list[SurveyReadingPart], Field(max_length=MOST_SURVEYED)]
    grain: Annotated[list[GrainAreaPart], Field(max_length=MOST_AREAS)] = Field(default_factory=list)
    scan: ScanPart | SkipJsonSchema[None] = None

    def surface(self, ball_m: list[float], hole_m: list[float]) -> Survey:
        """Return the ground; raises PuttError where a reading lies too far off, or nothing is known."""
        if not self.readings and self.scan is None:
            raise PuttError("/surface/readings", "must have a reading where there is no scan")
        readings = tuple(one.reading for one in self.readings)
        around = (ball_m[0], ball_m[1]), (hole_m[0], hole_m[1])
        for i, one in enumerate(readings):
            if math.dist(around[0], one.at_m) > FARTHEST_READ_M:
                raise PuttError(f"/surface/readings/{i}/at_m", "lies more than 100 m from the ball")
        return Survey(readings, around, tuple(one.area for one in self.grain), self._scan(ball_m, hole_m))

    def _scan(self, ball_m: list[float], hole_m: list[float]) -> Scan | None:
        if self.scan is None:
            return None
        try:
            scan = self.scan.scan
        except ValueError as error:
            raise PuttError("/surface/scan/unseen", "leaves nothing seen") from error
        for member, place in (("/ball_m", ball_m), ("/hole_m", hole_m)):
            if not scan.grid.holds(place[0], place[1]):
                raise PuttError(member, "lies off the scan")
        return scan


@dataclass(frozen=True)
class SurfaceKind:
    """How one kind of ground stands in a document.

    Attributes
    ----------
    name : str
        Its member `kind`.
    ground : type
        The surface of the core.
    part : type
        What is read.
    members : callable
        The other members of a surface that is written, about ball and hole.
    """

    name: str
    ground: type
    part: type[SurfacePart]
    members: Callable[[Any, Ends], dict[str, Any]]


def _plane_members(plane: Plane, _ends: Ends) -> dict[str, Any]:
    return {"tilt_percent": plane.tilt / PERCENT, "downhill_deg": math.degrees(plane.downhill_rad)}


def _stations_members(stations: Stations, _ends: Ends) -> dict[str, Any]:
    return {"readings": [_reading_members(one) for one in stations.readings]}


def _reading_members(one: Station) -> dict[str, float]:
    within = None if one.sd is None else 2.0 * one.sd
    members = {"side_percent": one.side, "grade_percent": one.grade, "within_percent": within}
    return {"at": one.at} | {name: said / PERCENT for name, said in members.items() if said is not None}


def _grid_members(grid: Grid, _ends: Ends) -> dict[str, Any]:
    return {
        "origin_m": list(grid.origin_m),
        "spacing_m": grid.spacing_m,
        "heights_m": grid.heights_m.tolist(),
    }


def _survey_members(survey: Survey, ends: Ends) -> dict[str, Any]:
    grain = {"grain": [grain_members(one) for one in survey.grain]} if survey.grain else {}
    scan = {"scan": scan_members(survey.scan.about(ends, SCAN_MARGIN_M))} if survey.scan else {}
    return {"readings": [_surveyed_members(one) for one in survey.readings], **grain, **scan}


def _surveyed_members(one: SurveyReading) -> dict[str, Any]:
    at = list(one.at_m)
    if isinstance(one, SlopeReading):
        slope, within = one.slope / PERCENT, 2.0 * one.sd / PERCENT
        toward = math.degrees(one.toward_rad)
        return {"at_m": at, "slope_percent": slope, "toward_deg": toward, "within_percent": within}
    if isinstance(one, WayReading):
        within = 2.0 * math.degrees(one.sd)
        return {"at_m": at, "downhill_deg": math.degrees(one.downhill_rad), "within_deg": within}
    return {"at_m": at, "height_m": one.height_m, "within_m": 2.0 * one.sd}


SURFACES = {
    kind.name: kind
    for kind in (
        SurfaceKind("plane", Plane, PlanePart, _plane_members),
        SurfaceKind("stations", Stations, StationsPart, _stations_members),
        SurfaceKind("grid", Grid, GridPart, _grid_members),
        SurfaceKind("survey", Survey, SurveyPart, _survey_members),
    )
}


def surface_document(surface: Surface, ends: Ends) -> dict[str, Any]:
    """Return a surface about ball and hole as the document has it; raises TypeError for a kind it has not."""
    for kind in SURFACES.values():
        if isinstance(surface, kind.ground):
            return {"kind": kind.name, **kind.members(surface, ends)}
    raise TypeError(f"no document has a {type(surface).__name__}")


def _surface_part(data: Any) -> SurfacePart:
    """Return the part of a surface's members, by its kind."""
    if not isinstance(data, dict):
        raise PydanticCustomError("no_object", "must be an object")
    if "kind" not in data:
        raise PydanticCustomError("no_kind", "is missing")
    kind = SURFACES.get(data["kind"]) if isinstance(data["kind"], str) else None
    if kind is None:
        raise PydanticCustomError("no_such_kind", "must be one of {kinds}", {"kinds": ", ".join(SURFACES)})
    return kind.part.model_validate(data)


_LISTED: Any = Annotated[reduce(or_, (kind.part for kind in SURFACES.values())), Field(discriminator="kind")]
AnySurface = Annotated[SurfacePart, PlainValidator(_surface_part, json_schema_input_type=_LISTED)]
"""A surface of any kind that is registered; the schema lists those that ship."""

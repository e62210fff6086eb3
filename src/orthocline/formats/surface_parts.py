"""The kinds of surface of the putt document."""

import math
from typing import Annotated, Any, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field, field_validator

from orthocline.core.ground import LEAST_NODES, Grid, Plane, Station, Stations, Surface
from orthocline.core.roll import TILT_RANGE, PuttError
from orthocline.core.units import PERCENT, wrap_rad

MOST_CELLS = 4_000_000
MOST_READINGS = 200


class Part(BaseModel):
    """A part of a document: unknown members and figures that are none are errors."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)


def within(limits: tuple[float, float], scale: float = 1.0) -> Any:
    """Return the field of a figure between two limits, in another unit."""
    return Field(ge=limits[0] * scale, le=limits[1] * scale)


Angle = Annotated[float, Field(ge=-36000, le=36000, description="degrees counter-clockwise from +x")]
Coordinate = Annotated[float, Field(ge=-1e5, le=1e5, description="metres")]
Slope = Annotated[
    float, Field(ge=-TILT_RANGE[1] / PERCENT, le=TILT_RANGE[1] / PERCENT, description="percent")
]


class PlanePart(Part):
    """A uniform slope."""

    kind: Literal["plane"]
    tilt_percent: Annotated[float, within(TILT_RANGE, 1 / PERCENT)]
    downhill_deg: Angle

    def surface(self, _ball_m: list[float], _hole_m: list[float]) -> Plane:
        """Return the plane."""
        return Plane(self.tilt_percent * PERCENT, wrap_rad(math.radians(self.downhill_deg)))


class ReadingPart(Part):
    """A reading at a share of the way: fall to the right, and rise toward the hole."""

    at: Annotated[float, Field(ge=-1.0, le=2.0, description="share of the way from ball to hole")]
    side_percent: Slope
    grade_percent: Slope


class StationsPart(Part):
    """Readings along the ball-hole line."""

    kind: Literal["stations"]
    readings: Annotated[list[ReadingPart], Field(min_length=1, max_length=MOST_READINGS)]

    @field_validator("readings")
    @classmethod
    def _apart(cls, readings: list[ReadingPart]) -> list[ReadingPart]:
        places = [one.at for one in readings]
        if len(set(places)) < len(places):
            raise ValueError("two readings stand at the same place")
        return readings

    def surface(self, ball_m: list[float], hole_m: list[float]) -> Stations:
        """Return the ground along the putt."""
        readings = sorted(self.readings, key=lambda one: one.at)
        stations = (
            Station(one.at, one.side_percent * PERCENT, one.grade_percent * PERCENT) for one in readings
        )
        return Stations((ball_m[0], ball_m[1]), (hole_m[0], hole_m[1]), tuple(stations))


class GridPart(Part):
    """Heights on a square grid; the first row lies at the smallest y."""

    kind: Literal["grid"]
    origin_m: Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
    spacing_m: Annotated[float, Field(ge=0.01, le=10.0)]
    heights_m: Annotated[list[list[Annotated[float, Field(ge=-1e4, le=1e4)]]], Field(min_length=LEAST_NODES)]

    @field_validator("heights_m")
    @classmethod
    def _even(cls, heights: list[list[float]]) -> list[list[float]]:
        columns = {len(row) for row in heights}
        if len(columns) > 1:
            raise ValueError("the rows are not of one length")
        if min(columns) < LEAST_NODES:
            raise ValueError(f"a row must have at least {LEAST_NODES} heights")
        if len(heights) * len(heights[0]) > MOST_CELLS:
            raise ValueError(f"more than {MOST_CELLS} cells")
        return heights

    def surface(self, ball_m: list[float], hole_m: list[float]) -> Grid:
        """Return the ground; raises PuttError where ball or hole lie off it."""
        grid = Grid((self.origin_m[0], self.origin_m[1]), self.spacing_m, np.array(self.heights_m))
        for member, place in (("/ball_m", ball_m), ("/hole_m", hole_m)):
            if not grid.holds(place[0], place[1]):
                raise PuttError(member, "lies off the grid")
        return grid


KINDS = ("plane", "stations", "grid")


def surface_document(surface: Surface) -> dict[str, Any]:
    """Return a surface as the document has it; raises TypeError for a kind that it has not."""
    match surface:
        case Plane():
            downhill = math.degrees(surface.downhill_rad)
            return {"kind": "plane", "tilt_percent": surface.tilt / PERCENT, "downhill_deg": downhill}
        case Stations():
            readings = [
                {"at": one.at, "side_percent": one.side / PERCENT, "grade_percent": one.grade / PERCENT}
                for one in surface.readings
            ]
            return {"kind": "stations", "readings": readings}
        case Grid():
            return {
                "kind": "grid",
                "origin_m": list(surface.origin_m),
                "spacing_m": surface.spacing_m,
                "heights_m": surface.heights_m.tolist(),
            }
    raise TypeError(f"no document has a {type(surface).__name__}")

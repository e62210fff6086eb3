"""The question: one putt as it is asked, and the ranges in which it can be answered."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, field
from functools import cached_property
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import Plane, Stations, Surface, mean_gradient, plane_from_grade


class Ranges(NamedTuple):
    """Least and most of each figure that can be read, both included."""

    length_m: tuple[float, float] = (0.15, 60.0)
    green_speed_ft: tuple[float, float] = (3.0, 20.0)
    tilt: tuple[float, float] = (0.0, 0.25)
    past_m: tuple[float, float] = (0.0, 5.0)
    speed_at_hole_mps: tuple[float, float] = (0.05, 5.0)
    grain: tuple[float, float] = (0.0, 0.5)
    grain_since: tuple[float, float] = (0.0, 0.95)
    wind_mps: tuple[float, float] = (0.0, 25.0)
    line: tuple[int, int] = (1, 8)
    coordinate_m: tuple[float, float] = (-1e5, 1e5)


RANGES = Ranges()


class PuttError(ValueError):
    """A putt outside what can be read.

    Attributes
    ----------
    member : str
        JSON Pointer of the member of the putt document at fault, such as ``/pace/past_m``.
    """

    def __init__(self, member: str, message: str) -> None:
        super().__init__(message)
        self.member = member


@dataclass(frozen=True)
class Point:
    """A place on the map [m], x east and y north."""

    x_m: float
    y_m: float


@dataclass(frozen=True)
class RollPast:
    """Pace as the path length [m] beyond a covered hole at which the ball would rest."""

    past_m: float


@dataclass(frozen=True)
class SpeedAtHole:
    """Pace as the rolling speed [m/s] at the hole's centre."""

    speed_mps: float


Pace = RollPast | SpeedAtHole


@dataclass(frozen=True)
class Grain:
    """Grass that grows one way.

    Attributes
    ----------
    strength : float
        Its gamma, 0 to 0.5.
    toward_rad : float
        The way it grows, counter-clockwise from +x.
    since : float
        Share of the way from ball to hole from which it does, to the hole and beyond; before it has none.
    """

    strength: float
    toward_rad: float
    since: float = 0.0


@dataclass(frozen=True)
class Wind:
    """Mean wind [m/s] at ten metres, blowing `toward_rad` counter-clockwise from +x."""

    speed_mps: float
    toward_rad: float


NO_GRAIN = Grain(0.0, 0.0)
STILL_AIR = Wind(0.0, 0.0)


@dataclass(frozen=True)
class Putt:
    """One putt: where the ball and the hole lie, on what ground, at what green speed and pace.

    Where several lines lead to the hole at that pace, `line` says which is read: 1 is the most direct.

    Raises
    ------
    PuttError
        When a figure is outside its range; the ranges are the constants of this module.
    """

    ball: Point
    hole: Point
    surface: Surface
    green_speed_ft: float
    pace: Pace
    grain: Grain = field(default=NO_GRAIN)
    wind: Wind = field(default=STILL_AIR)
    line: int = 1

    def __post_init__(self) -> None:
        for member, value, (least, most), what in self._figures():
            if not least <= value <= most:
                raise PuttError(member, f"{what} must be between {least:g} and {most:g}")
        if self.grain.since and not isinstance(self.surface, (Plane, Stations)):
            raise PuttError("/grain/since", "grain of a part of the way goes with a plane or stations")
        if not RANGES.length_m[0] <= self.length_m <= RANGES.length_m[1]:
            least, most = RANGES.length_m
            raise PuttError(
                "/hole_m", f"the hole must be between {least:g} and {most:g} metres from the ball"
            )

    def _figures(self) -> Iterator[tuple[str, float, tuple[float, float], str]]:
        for name, point in (("ball_m", self.ball), ("hole_m", self.hole)):
            yield f"/{name}/0", point.x_m, RANGES.coordinate_m, "a place in metres"
            yield f"/{name}/1", point.y_m, RANGES.coordinate_m, "a place in metres"
        percent = (100.0 * RANGES.tilt[0], 100.0 * RANGES.tilt[1])
        member = "/surface/tilt_percent" if isinstance(self.surface, Plane) else "/surface"
        yield member, 100.0 * self.surface.steepest, percent, "tilt in percent"
        yield "/green_speed_ft", self.green_speed_ft, RANGES.green_speed_ft, "green speed in feet"
        if isinstance(self.pace, RollPast):
            yield "/pace/past_m", self.pace.past_m, RANGES.past_m, "the roll-past in metres"
        else:
            speed = self.pace.speed_mps
            allowed = RANGES.speed_at_hole_mps
            yield "/pace/speed_at_hole_mps", speed, allowed, "the speed at the hole in m/s"
        yield "/grain/strength", self.grain.strength, RANGES.grain, "the strength of the grain"
        since = self.grain.since
        yield "/grain/since", since, RANGES.grain_since, "the share of the way from which the grain grows so"
        yield "/line", self.line, RANGES.line, "the line"
        yield "/wind/speed_mps", self.wind.speed_mps, RANGES.wind_mps, "the wind in m/s"

    @property
    def length_m(self) -> float:
        """Straight distance [m] from the ball to the hole's centre."""
        return math.hypot(self.hole.x_m - self.ball.x_m, self.hole.y_m - self.ball.y_m)

    @property
    def bearing_rad(self) -> float:
        """Direction [rad] from the ball to the hole, counter-clockwise from +x."""
        return math.atan2(self.hole.y_m - self.ball.y_m, self.hole.x_m - self.ball.x_m)

    @cached_property
    def _mean_slopes(self) -> tuple[float, float]:
        """Mean rise toward the hole and fall to the right [ratio] along the ball-hole line."""
        ball, hole = (self.ball.x_m, self.ball.y_m), (self.hole.x_m, self.hole.y_m)
        east, north = mean_gradient(self.surface, ball, hole)
        cos, sin = math.cos(self.bearing_rad), math.sin(self.bearing_rad)
        return east * cos + north * sin, north * cos - east * sin

    @property
    def grade(self) -> float:
        """Mean rise [ratio] of the ground toward the hole, positive uphill."""
        return self._mean_slopes[0]

    @property
    def side_tilt_right(self) -> float:
        """Mean fall [ratio] across the ball-hole line, positive where the ground falls to the right."""
        return self._mean_slopes[1]

    @property
    def mean_plane(self) -> Plane:
        """The plane that slopes as the ground does on the mean along the ball-hole line."""
        if isinstance(self.surface, Plane):
            return self.surface
        return plane_from_grade(self.grade, self.side_tilt_right, self.bearing_rad)

    def along_and_right_m(self, point: Point) -> tuple[float, float]:
        """Return how far [m] a place lies along the ball-hole line from the ball, and to its right."""
        east, north = point.x_m - self.ball.x_m, point.y_m - self.ball.y_m
        cos, sin = math.cos(self.bearing_rad), math.sin(self.bearing_rad)
        return east * cos + north * sin, east * sin - north * cos

    def levels_m(self, along_m: NDArray[np.float64], right_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return levels [m] of the ground over the ball's, so far along the line and to its right [m]."""
        cos, sin = math.cos(self.bearing_rad), math.sin(self.bearing_rad)
        east, north = along_m * cos + right_m * sin, along_m * sin - right_m * cos
        levels = self.surface.levels_m(self.ball.x_m + east, self.ball.y_m + north)
        return levels - self._level_of_ball_m

    @cached_property
    def _level_of_ball_m(self) -> float:
        x, y = np.array([self.ball.x_m]), np.array([self.ball.y_m])
        return float(self.surface.levels_m(x, y)[0])

    def fall_right_at(self, along_m: float) -> float:
        """Return how the ground falls across the line [ratio], to the right, so far along it [m]."""
        place = self.place(along_m, 0.0)
        east, north = self.surface.slope(place.x_m, place.y_m, self.surface.parameters)
        cos, sin = math.cos(self.bearing_rad), math.sin(self.bearing_rad)
        return float(north * cos - east * sin)

    def place(self, along_m: float, right_m: float) -> Point:
        """Return the place that lies so far along the ball-hole line and to its right."""
        cos, sin = math.cos(self.bearing_rad), math.sin(self.bearing_rad)
        return Point(
            self.ball.x_m + along_m * cos + right_m * sin,
            self.ball.y_m + along_m * sin - right_m * cos,
        )

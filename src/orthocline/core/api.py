"""The door of the core: the only module that upper layers import."""

from orthocline.core.aim import Aim, Launch, aim, roller
from orthocline.core.calls.marks import Mark
from orthocline.core.capture import Meeting, meet
from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M, MODEL_VERSION
from orthocline.core.forces import grain_worth
from orthocline.core.make_window import Window
from orthocline.core.own_read import OwnRoll, own_roll
from orthocline.core.putt import (
    GRAIN_RANGE,
    GREEN_SPEED_RANGE_FT,
    LENGTH_RANGE_M,
    NO_GRAIN,
    PAST_RANGE_M,
    SPEED_AT_HOLE_RANGE_MPS,
    STILL_AIR,
    TILT_RANGE,
    WIND_RANGE_MPS,
    Grain,
    Point,
    Putt,
    PuttError,
    RollPast,
    SpeedAtHole,
    Wind,
)
from orthocline.core.read import Read, read
from orthocline.core.surface import Plane, plane_from_grade
from orthocline.core.units import (
    FOOT_M,
    INCH_M,
    KILOMETRE_PER_HOUR_MPS,
    MILE_PER_HOUR_MPS,
    PACE_M,
    PERCENT,
    YARD_M,
    feet,
    inches,
    wrap_rad,
)

__all__ = [
    "BALL_RADIUS_M",
    "FOOT_M",
    "GRAIN_RANGE",
    "GREEN_SPEED_RANGE_FT",
    "HOLE_RADIUS_M",
    "INCH_M",
    "KILOMETRE_PER_HOUR_MPS",
    "LENGTH_RANGE_M",
    "MILE_PER_HOUR_MPS",
    "MODEL_VERSION",
    "NO_GRAIN",
    "PACE_M",
    "PAST_RANGE_M",
    "PERCENT",
    "SPEED_AT_HOLE_RANGE_MPS",
    "STILL_AIR",
    "TILT_RANGE",
    "WIND_RANGE_MPS",
    "YARD_M",
    "Aim",
    "Grain",
    "Launch",
    "Mark",
    "Meeting",
    "OwnRoll",
    "Plane",
    "Point",
    "Putt",
    "PuttError",
    "Read",
    "RollPast",
    "SpeedAtHole",
    "Wind",
    "Window",
    "aim",
    "feet",
    "grain_worth",
    "inches",
    "meet",
    "own_roll",
    "plane_from_grade",
    "read",
    "roller",
    "wrap_rad",
]

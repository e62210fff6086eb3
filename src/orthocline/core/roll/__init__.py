"""The roll: a putt, the forces on the ball, its way, the aim that holes it, and the read of it all."""

from orthocline.core.roll.aim import Aim, Launch, roller
from orthocline.core.roll.capture import meet
from orthocline.core.roll.forces import forces_of, grain_worth
from orthocline.core.roll.green_speed import rolling_deceleration_mps2, steepest_holding_slope
from orthocline.core.roll.integrator import roll
from orthocline.core.roll.make_window import Window
from orthocline.core.roll.marks import Mark
from orthocline.core.roll.own_read import OwnRoll, own_roll
from orthocline.core.roll.putt import (
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
from orthocline.core.roll.reading import Read, ReadWarning, read, read_as_solved

__all__ = [
    "GRAIN_RANGE",
    "GREEN_SPEED_RANGE_FT",
    "LENGTH_RANGE_M",
    "NO_GRAIN",
    "PAST_RANGE_M",
    "SPEED_AT_HOLE_RANGE_MPS",
    "STILL_AIR",
    "TILT_RANGE",
    "WIND_RANGE_MPS",
    "Aim",
    "Grain",
    "Launch",
    "Mark",
    "OwnRoll",
    "Point",
    "Putt",
    "PuttError",
    "Read",
    "ReadWarning",
    "RollPast",
    "SpeedAtHole",
    "Wind",
    "Window",
    "forces_of",
    "grain_worth",
    "meet",
    "own_roll",
    "read",
    "read_as_solved",
    "roll",
    "roller",
    "rolling_deceleration_mps2",
    "steepest_holding_slope",
]

"""The roll: a putt, the accelerations on the ball, its way, the aim that holes it, and the read of it all."""

from orthocline.core.roll.accelerations import accelerations_of, grain_worth
from orthocline.core.roll.aim import WIDEST_AIM_RAD, Aim, Launch, aims
from orthocline.core.roll.capture import capture_of
from orthocline.core.roll.ends import Ends, ender, ends_of
from orthocline.core.roll.finish_launch import launch_to
from orthocline.core.roll.green_speed import rolling_deceleration_mps2, steepest_holding_slope
from orthocline.core.roll.make_window import Window
from orthocline.core.roll.own_read import OwnRoll, roll_of
from orthocline.core.roll.plane_frame import by_closed_form
from orthocline.core.roll.plane_sets import PlaneSets
from orthocline.core.roll.plane_ways import last_ways_of_sets
from orthocline.core.roll.putt import (
    NO_GRAIN,
    RANGES,
    STILL_AIR,
    Grain,
    Point,
    Putt,
    PuttError,
    RollPast,
    SpeedAtHole,
    Wind,
)
from orthocline.core.roll.reading import Read, ReadWarning, read, read_as_solved
from orthocline.core.roll.rollers import roller
from orthocline.core.roll.rolling import roll
from orthocline.core.roll.sensitivity import Sensitivity, sensitivity_of
from orthocline.core.roll.straight_in import softest_straight_in
from orthocline.core.roll.track import Track
from orthocline.core.roll.warming import compile_ahead

__all__ = [
    "NO_GRAIN",
    "RANGES",
    "STILL_AIR",
    "WIDEST_AIM_RAD",
    "Aim",
    "Ends",
    "Grain",
    "Launch",
    "OwnRoll",
    "PlaneSets",
    "Point",
    "Putt",
    "PuttError",
    "Read",
    "ReadWarning",
    "RollPast",
    "Sensitivity",
    "SpeedAtHole",
    "Track",
    "Wind",
    "Window",
    "accelerations_of",
    "aims",
    "by_closed_form",
    "capture_of",
    "compile_ahead",
    "ender",
    "ends_of",
    "grain_worth",
    "last_ways_of_sets",
    "launch_to",
    "read",
    "read_as_solved",
    "roll",
    "roll_of",
    "roller",
    "rolling_deceleration_mps2",
    "sensitivity_of",
    "softest_straight_in",
    "steepest_holding_slope",
]

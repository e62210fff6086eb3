"""The door of the core: the only module that upper layers import."""

from orthocline.core.aim import Aim, Launch, aim, roller
from orthocline.core.beat import Beat, tempo_beat
from orthocline.core.calls.level_twin import LevelTwin
from orthocline.core.calls.marks import Mark
from orthocline.core.capture import Meeting, meet
from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M, MODEL_VERSION
from orthocline.core.estimate import Estimate, combine
from orthocline.core.forces import grain_worth
from orthocline.core.instruments import (
    LEVEL_BUMP_SD,
    LEVEL_SD,
    PACING_SD,
    POSTED_SD_FT,
    USUAL_PACING_SD,
    USUAL_SHOE_M,
)
from orthocline.core.make_window import Window
from orthocline.core.other_speeds import STALE_H, aged, posted_speed, timed_speed
from orthocline.core.own_measures import StrideTry, stride
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
from orthocline.core.ramp import STANDARD_RAMP, Groove, Ramp, RampError, Rods
from orthocline.core.ramp_rolls import ROLL_RANGE_M, OneWay, RampSpeed, one_way, speed_from_rolls
from orthocline.core.read import Read, read
from orthocline.core.simulated_ramp import (
    HIDDEN_GRAIN_RANGE,
    HIDDEN_SLOPE_RANGE,
    HIDDEN_SPEED_RANGE_FT,
    HiddenGreen,
    setting_up,
    simulated_roll_m,
    some_green,
)
from orthocline.core.stroke import (
    StrokePutt,
    rule_of_thumb_stroke_m,
    speed_from_strokes,
    stroke_length_m,
    stroke_rate,
)
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
from orthocline.core.zero_putts import ZeroScore, score_zero_putts

__all__ = [
    "BALL_RADIUS_M",
    "FOOT_M",
    "GRAIN_RANGE",
    "GREEN_SPEED_RANGE_FT",
    "HIDDEN_GRAIN_RANGE",
    "HIDDEN_SLOPE_RANGE",
    "HIDDEN_SPEED_RANGE_FT",
    "HOLE_RADIUS_M",
    "INCH_M",
    "KILOMETRE_PER_HOUR_MPS",
    "LENGTH_RANGE_M",
    "LEVEL_BUMP_SD",
    "LEVEL_SD",
    "MILE_PER_HOUR_MPS",
    "MODEL_VERSION",
    "NO_GRAIN",
    "PACE_M",
    "PACING_SD",
    "PAST_RANGE_M",
    "PERCENT",
    "POSTED_SD_FT",
    "ROLL_RANGE_M",
    "SPEED_AT_HOLE_RANGE_MPS",
    "STALE_H",
    "STANDARD_RAMP",
    "STILL_AIR",
    "TILT_RANGE",
    "USUAL_PACING_SD",
    "USUAL_SHOE_M",
    "WIND_RANGE_MPS",
    "YARD_M",
    "Aim",
    "Beat",
    "Estimate",
    "Grain",
    "Groove",
    "HiddenGreen",
    "Launch",
    "LevelTwin",
    "Mark",
    "Meeting",
    "OneWay",
    "OwnRoll",
    "Plane",
    "Point",
    "Putt",
    "PuttError",
    "Ramp",
    "RampError",
    "RampSpeed",
    "Read",
    "Rods",
    "RollPast",
    "SpeedAtHole",
    "StrideTry",
    "StrokePutt",
    "Wind",
    "Window",
    "ZeroScore",
    "aged",
    "aim",
    "combine",
    "feet",
    "grain_worth",
    "inches",
    "meet",
    "one_way",
    "own_roll",
    "plane_from_grade",
    "posted_speed",
    "read",
    "roller",
    "rule_of_thumb_stroke_m",
    "score_zero_putts",
    "setting_up",
    "simulated_roll_m",
    "some_green",
    "speed_from_rolls",
    "speed_from_strokes",
    "stride",
    "stroke_length_m",
    "stroke_rate",
    "tempo_beat",
    "timed_speed",
    "wrap_rad",
]

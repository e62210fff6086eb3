"""Drills: what their files mean, the balls that a seed gives, and how the model's golfers do."""

from orthocline.core.drills.drill import (
    LATEST_S,
    MOST_ASIDE_M,
    TRAINS,
    Ball,
    Drill,
    Event,
    Mark,
    MarkKind,
    Measured,
    Outcome,
    Own,
    Target,
    drill_of,
)
from orthocline.core.drills.laid import HiddenPlace, level_on, phone_on, place_on, plate_on
from orthocline.core.drills.members import DrillError
from orthocline.core.drills.plans import balls_of, mirrored
from orthocline.core.drills.sessions import LONGEST, QUESTIONS, SHORTEST, Slot, session_of
from orthocline.core.drills.stand_in import Swing, struck, swing_launch
from orthocline.core.drills.targets import share_of, target_of
from orthocline.core.drills.trends import Trend, trend_of

__all__ = [
    "LATEST_S",
    "LONGEST",
    "MOST_ASIDE_M",
    "QUESTIONS",
    "SHORTEST",
    "TRAINS",
    "Ball",
    "Drill",
    "DrillError",
    "Event",
    "HiddenPlace",
    "Mark",
    "MarkKind",
    "Measured",
    "Outcome",
    "Own",
    "Slot",
    "Swing",
    "Target",
    "Trend",
    "balls_of",
    "drill_of",
    "level_on",
    "mirrored",
    "phone_on",
    "place_on",
    "plate_on",
    "session_of",
    "share_of",
    "struck",
    "swing_launch",
    "target_of",
    "trend_of",
]

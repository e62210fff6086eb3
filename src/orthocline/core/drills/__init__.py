"""Drills: what their files mean, the balls that a seed gives, and how the model's golfers do."""

from orthocline.core.drills.drill import (
    TRAINS,
    Ball,
    Drill,
    Event,
    Mark,
    MarkKind,
    Outcome,
    Own,
    Target,
    drill_of,
)
from orthocline.core.drills.members import DrillError
from orthocline.core.drills.plans import balls_of
from orthocline.core.drills.sessions import LONGEST, QUESTIONS, SHORTEST, Slot, session_of
from orthocline.core.drills.stand_in import Swing, struck, swing_launch
from orthocline.core.drills.targets import share_of, target_of

__all__ = [
    "LONGEST",
    "QUESTIONS",
    "SHORTEST",
    "TRAINS",
    "Ball",
    "Drill",
    "DrillError",
    "Event",
    "Mark",
    "MarkKind",
    "Outcome",
    "Own",
    "Slot",
    "Swing",
    "Target",
    "balls_of",
    "drill_of",
    "session_of",
    "share_of",
    "struck",
    "swing_launch",
    "target_of",
]

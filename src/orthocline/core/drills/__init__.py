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
from orthocline.core.drills.targets import share_of, target_of

__all__ = [
    "TRAINS",
    "Ball",
    "Drill",
    "DrillError",
    "Event",
    "Mark",
    "MarkKind",
    "Outcome",
    "Own",
    "Target",
    "balls_of",
    "drill_of",
    "share_of",
    "target_of",
]

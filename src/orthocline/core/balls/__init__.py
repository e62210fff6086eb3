"""Balls that were watched, and the ground that they imply."""

from orthocline.core.balls.implied import (
    FINISH_SD_M,
    LAST_M,
    Conditions,
    Implied,
    OwnBall,
    SeenBall,
    implied_by_other,
    implied_by_own,
)
from orthocline.core.balls.placed import Way, readings_of, rolled_way

__all__ = [
    "FINISH_SD_M",
    "LAST_M",
    "Conditions",
    "Implied",
    "OwnBall",
    "SeenBall",
    "Way",
    "implied_by_other",
    "implied_by_own",
    "readings_of",
    "rolled_way",
]

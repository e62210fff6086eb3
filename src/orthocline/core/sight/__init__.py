"""Sight: where a golfer stands, what is seen from there, and what the ground hides."""

from orthocline.core.sight.eye import NEAREST_M, Eye
from orthocline.core.sight.horizon import Horizon, horizon_of
from orthocline.core.sight.seen_ground import ground_seen
from orthocline.core.sight.stand import Stand, eye_of, stand_at

__all__ = ["NEAREST_M", "Eye", "Horizon", "Stand", "eye_of", "ground_seen", "horizon_of", "stand_at"]

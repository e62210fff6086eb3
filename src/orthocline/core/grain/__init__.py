"""Grain: the way grass grows, by what is seen of it."""

from orthocline.core.grain.clues import CLUES, CONFLICT_RAD, Clue, ClueKind, GrainWay, at_odds, combined
from orthocline.core.grain.grasses import GRASSES, Grass

__all__ = [
    "CLUES",
    "CONFLICT_RAD",
    "GRASSES",
    "Clue",
    "ClueKind",
    "GrainWay",
    "Grass",
    "at_odds",
    "combined",
]

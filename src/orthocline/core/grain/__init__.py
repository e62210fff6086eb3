"""Grain: the way grass grows, by what is seen of it."""

from orthocline.core.grain.clues import CLUES, Clue, GrainWay, at_odds, combined
from orthocline.core.grain.grasses import GRASSES, Grass

__all__ = [
    "CLUES",
    "GRASSES",
    "Clue",
    "GrainWay",
    "Grass",
    "at_odds",
    "combined",
]

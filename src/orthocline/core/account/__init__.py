"""The golfer's own measures."""

from orthocline.core.account.golfers import GOLFERS, USUAL_LEVEL, USUAL_TRUENESS, Golfer, ground_of
from orthocline.core.account.pacing import PacedTape, stride
from orthocline.core.account.pasts import LEVEL_GRADE, USUAL_PASTS, UsualPasts

__all__ = [
    "GOLFERS",
    "LEVEL_GRADE",
    "USUAL_LEVEL",
    "USUAL_PASTS",
    "USUAL_TRUENESS",
    "Golfer",
    "PacedTape",
    "UsualPasts",
    "ground_of",
    "stride",
]

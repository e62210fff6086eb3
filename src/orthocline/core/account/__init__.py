"""The golfer's own measures."""

from orthocline.core.account.pacing import PacedTape, stride
from orthocline.core.account.pasts import LEVEL_GRADE, UsualPasts

__all__ = [
    "LEVEL_GRADE",
    "PacedTape",
    "UsualPasts",
    "stride",
]

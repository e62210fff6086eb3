"""The golfer's own measures."""

from orthocline.core.account.pacing import PacedTape, stride

__all__ = [
    "PacedTape",
    "stride",
]

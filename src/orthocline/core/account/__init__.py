"""The golfer's own measures."""

from orthocline.core.account.pacing import StrideTry, stride

__all__ = [
    "StrideTry",
    "stride",
]

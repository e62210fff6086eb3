"""The scale of roll-pasts, on which everything of how firm is drawn."""

from dataclasses import dataclass

from orthocline.core.holing import FIRMEST_M
from orthocline.core.units import INCH_M
from orthocline.wording.wording import Wording

INCHES, CENTIMETRES = (0, 12, 24, 36), (0, 30, 60, 90)
"""Figures of the scale."""


@dataclass(frozen=True)
class PastScale:
    """From no roll-past at `left` to the firmest at `right` of the sheet."""

    left: float
    right: float

    def x(self, past_m: float) -> float:
        """Return where a roll-past lies; one that is firmer than any at the end."""
        share = min(past_m, FIRMEST_M) / FIRMEST_M
        return round(self.left + (self.right - self.left) * share, 1)

    def marks(self, wording: Wording) -> list[tuple[str, float]]:
        """Return the figures of the scale, and where they lie."""
        one_m = 0.01 if wording.units.metric else INCH_M
        figures = CENTIMETRES if wording.units.metric else INCHES
        return [(str(figure), self.x(figure * one_m)) for figure in figures]

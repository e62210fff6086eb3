"""How one golfer says and types everything: units, own lengths, words, hand, and the clock."""

from dataclasses import dataclass
from enum import StrEnum

from orthocline.wording.calibration import USUAL_CALIBRATION, Calibration
from orthocline.wording.dates import HERE, Calendar
from orthocline.wording.figures import tidy
from orthocline.wording.format import Format


class Hand(StrEnum):
    """From which side a golfer putts: drawings of the stroke are seen from there."""

    RIGHT = "right"
    LEFT = "left"


class Bend(StrEnum):
    """The word for how far to the side a putt is aimed."""

    BREAK = "break"
    BORROW = "borrow"


@dataclass(frozen=True)
class Wording(Format):
    """The units and formats of `Format`, and what else is a golfer's own.

    Attributes
    ----------
    calibration : Calibration
        Lengths of paces and shoes.
    bend : Bend
    hand : Hand
    calendar : Calendar
        Days and times by the golfer's clock.
    """

    calibration: Calibration = USUAL_CALIBRATION
    bend: Bend = Bend.BREAK
    hand: Hand = Hand.RIGHT
    calendar: Calendar = HERE

    def paces(self, length_m: float) -> str:
        """Return a length in the golfer's paces: ``4.7 paces``."""
        count = tidy(length_m / self.calibration.pace_m)
        return f"{count} {'pace' if count == '1' else 'paces'}"


USUAL_WORDING = Wording()
"""Feet, percent and break, with usual paces: whoever has not said otherwise."""

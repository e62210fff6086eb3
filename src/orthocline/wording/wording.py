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
    aside_share, roll_width_m : float
        How wide the range of a read's figures is: of those beside the line as a share of each, of how far a
        strike rolls [m]. They are rounded to what it bears.
    """

    calibration: Calibration = USUAL_CALIBRATION
    bend: Bend = Bend.BREAK
    hand: Hand = Hand.RIGHT
    calendar: Calendar = HERE
    aside_share: float = 0.0
    roll_width_m: float = 0.0

    def aside(self, right_m: float) -> str:
        """Return how far beside the line an aim or a mark lies, rounded to what its range bears."""
        return self.short(right_m, self.aside_share * abs(right_m))

    def rolled(self, length_m: float) -> str:
        """Return how far past or short a strike rolls, rounded to what its range bears."""
        return self.short(length_m, self.roll_width_m)

    def paces(self, length_m: float) -> str:
        """Return a length in the golfer's paces: ``4.7 paces``."""
        count = tidy(length_m / self.calibration.pace_m)
        return f"{count} {'pace' if count == '1' else 'paces'}"


USUAL_WORDING = Wording()
"""Feet, percent and break, with usual paces: whoever has not said otherwise."""

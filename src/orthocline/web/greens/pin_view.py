"""What a pin is like: how it falls there, whether it holds a ball, its straight putt and its dial."""

from dataclasses import dataclass

from orthocline.drawing.ground.straight import DialSheet, dial_sheet
from orthocline.services.ground.maps import Looked, PinFacts
from orthocline.wording.ground.dial import hour_words
from orthocline.wording.ground.greens import fall_words, holds_words
from orthocline.wording.wording import Wording

STRAIGHT, HOURS = 6.0, 12.0
"""The hour of the straight putt uphill on its own dial, and how many there are."""


@dataclass(frozen=True)
class PinView:
    """A pin that is chosen."""

    facts: PinFacts
    looked: Looked
    wording: Wording

    @property
    def holds(self) -> str:
        """Whether it holds a ball."""
        return holds_words(self.facts.ground, self.facts.putt.green_speed_ft, self.facts.holding)

    @property
    def fall(self) -> str:
        """How the ground falls at it."""
        return fall_words(self.looked.fall, self.looked.height_m, self.wording)

    @property
    def straight(self) -> str:
        """From where the straight putt comes to it."""
        dial = self.facts.dial
        if dial is None:
            return "Level here: every putt is straight."
        hour = (2.0 * STRAIGHT - dial.hour) % HOURS or HOURS
        return f"The straight putt uphill comes from {hour_words(hour)}, 6 being the way you come in."

    @property
    def dial(self) -> DialSheet:
        """Its dial."""
        says = f"{self.straight} {self.holds}"
        return dial_sheet(self.facts.putt, self.facts.ground.fall, self.facts.dial, self.wording, says)

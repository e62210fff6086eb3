"""The variables of the straight putt."""

import math
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.calls import GolferFigures
from orthocline.core.roll import Read
from orthocline.drawing.ground.straight import SIZE, DialSheet, dial_sheet
from orthocline.services.account.access import Viewer
from orthocline.services.read.straight import Straight, straight_putt
from orthocline.web.shared.calls import call_of
from orthocline.web.shared.placing import Pin, pin_at
from orthocline.web.shared.read_request import ReadRequest
from orthocline.web.straight.request import WAYS, StraightAsked
from orthocline.wording.figures import tidy
from orthocline.wording.ground.dial import (
    Placed,
    own_words,
    place_text,
    sure_words,
    walk_words,
)
from orthocline.wording.ground.readings import fall_words, hour_text
from orthocline.wording.ground.straight import WAY_WORDS
from orthocline.wording.read.call import Call
from orthocline.wording.wording import Wording


class WayLink(NamedTuple):
    """A way to find the fall: what it says, its address, and whether it is taken."""

    says: str
    address: str
    here: bool


@dataclass(frozen=True)
class StraightView:
    """Everything that the page shows.

    Attributes
    ----------
    solved : Read or None
        The golfer's own putt; None where it cannot be read.
    """

    viewer: Viewer
    wanted: StraightAsked
    golfer: GolferFigures
    wording: Wording
    now: datetime
    solved: Read | None

    @property
    def read(self) -> ReadRequest | None:
        """What is read."""
        return self.wanted.asked.read

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by field."""
        return self.wanted.asked.errors

    @property
    def fields(self) -> dict[str, str]:
        """The fields of the address that the page keeps as they are."""
        shown = ("length", *(f"spot-{i}-{part}" for i in (0, 1) for part in self._open_parts))
        said = self.read.exact if self.read else self.wanted.asked.typed
        return {name: text for name, text in said.items() if text and name not in shown}

    @property
    def _open_parts(self) -> tuple[str, ...]:
        """The parts of a reading that have fields of their own here."""
        return {"plate": ("size",), "feet": ("size", "falls"), "level": ("size", "falls")}.get(self.way, ())

    @property
    def way(self) -> str:
        """How the fall is found."""
        return self.wanted.way

    @property
    def shown(self) -> dict[str, str]:
        """The fields as they are shown."""
        return self.read.shown if self.read else self.wanted.asked.typed

    @property
    def ways(self) -> list[WayLink]:
        """The ways to find the fall."""
        said = {} if self.read is None else self.read.exact
        here = self.way
        return [
            WayLink(WAY_WORDS[by], f"/straight?{urlencode({**said, 'by': by})}", by == here) for by in WAYS
        ]

    @cached_property
    def straight(self) -> Straight | None:
        """The straight putt."""
        if self.solved is None or self.read is None:
            return None
        uncertainty = self.read.uncertainty(self.now)
        return straight_putt(self.viewer, self.solved.putt, self.read.readings.plain, uncertainty)

    @property
    def lead(self) -> str:
        """Where to stand."""
        if self.straight is None:
            return "Not found yet."
        if self.straight.dial is None:
            return "Level ground: every putt here is straight."
        return walk_words(self.straight.dial, self.wording)

    @property
    def own(self) -> str:
        """Where the own putt lies on the dial, and what it breaks."""
        dial = self.straight.dial if self.straight else None
        if dial is None:
            return ""
        said = own_words(dial)
        return said if dial.share is None else f"{said} It breaks {tidy(dial.share, 2)} of one square across."

    @property
    def sure(self) -> str:
        """How sure the straight putt's place is."""
        if self.straight is None or self.straight.dial is None or self.solved is None:
            return ""
        return sure_words(self.straight.fall, self.solved.putt, self.wording)

    @property
    def fall(self) -> str:
        """How the ground falls."""
        if self.straight is None:
            return ""
        return WAY_WORDS["unknown"] if self.way == "plate" else fall_words(self.straight.fall, self.wording)

    @cached_property
    def sheet(self) -> DialSheet | None:
        """The drawing."""
        if self.straight is None or self.solved is None:
            return None
        turn = math.radians(self.wanted.turn_deg)
        return dial_sheet(
            self.solved.putt, self.straight.fall, self.straight.dial, self.wording, self.lead, turn
        )

    @property
    def pins(self) -> list[Pin]:
        """What can be dragged."""
        if self.sheet is None or not self.read or not self.read.readings.at_hole:
            return []
        spots = {"ball": self.sheet.ball}
        if self.sheet.fall and self.way in ("", "plate"):
            spots["fall"] = self.sheet.fall
        return [pin_at(name, PIN_WORDS[name], at, SIZE) for name, at in spots.items()]

    @property
    def ball(self) -> str:
        """Where the ball lies, as it would be typed."""
        if self.wanted.typed:
            return self.wanted.typed
        dial = self.straight.dial if self.straight else None
        if dial is None or self.solved is None:
            return ""
        return place_text(Placed(self.solved.putt.length_m, -dial.round_rad), self.wording)

    @property
    def hour(self) -> str:
        """The hour toward which a plate says the ground falls."""
        if self.errors.get("spot-0-size") or self.read is None:
            return self.shown.get("spot-0-size", "")
        return f"{hour_text(self.read.noted[0].reading.toward_rad)} h"

    @cached_property
    def call(self) -> Call | None:
        """The call of the own putt."""
        return call_of(self.viewer, self.read, self.solved, self.golfer, self.now)

    @property
    def read_address(self) -> str:
        """The read of the own putt."""
        return f"/read?{self.read.query}" if self.read else "/read"


PIN_WORDS = {
    "ball": ("Your ball, round the hole", "drag it round, or use the arrow keys"),
    "fall": ("Which way the ground falls", "drag it, or use the arrow keys"),
}
"""What each handle is."""

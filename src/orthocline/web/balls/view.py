"""The variables of watched balls."""

from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import Final
from urllib.parse import urlencode

from orthocline.core.calls import GolferFigures
from orthocline.core.instruments import FIRST_LOOK
from orthocline.core.roll import Read
from orthocline.drawing.ground.watched import SIZE, Seen, WatchedSheet, watched_sheet
from orthocline.services.account.access import Viewer
from orthocline.services.errors import InvalidError
from orthocline.services.read.balls import BallSaid, ball_says
from orthocline.services.read.reading import read_putt
from orthocline.web.balls.forms import BALL_FIELDS
from orthocline.web.balls.request import BallAsked
from orthocline.web.shared.calls import call_of
from orthocline.web.shared.placing import Pin, pin_at
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.ground.balls import (
    ODD_OTHER,
    ODD_OWN,
    WHY_LAST,
    WHY_WIDE,
    narrowed_words,
    readings_words,
    said_words,
    sure_words,
)
from orthocline.wording.read.call import Call
from orthocline.wording.wording import Wording

PIN_WORDS: Final = {
    "start": ("Where it started", "drag it, or use the arrow keys"),
    "stop": ("Where it stopped", "drag it, or use the arrow keys"),
    "line": ("Its start line", "drag it, or type it"),
    "last": ("Its last feet", "drag it, or type it"),
}


@dataclass(frozen=True)
class BallView:
    """Everything that the page shows.

    Attributes
    ----------
    solved : Read or None
        The own putt as it was read before; None where it cannot be read.
    """

    viewer: Viewer
    wanted: BallAsked
    golfer: GolferFigures
    wording: Wording
    now: datetime
    solved: Read | None

    @property
    def read(self) -> ReadRequest | None:
        """The own read."""
        return self.wanted.asked.read

    @property
    def own(self) -> bool:
        """Whether it is the golfer's own ball."""
        return self.wanted.own

    @property
    def typed(self) -> dict[str, str]:
        """The fields of the ball."""
        return self.wanted.typed

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by field."""
        return {**self.wanted.asked.errors, **self.wanted.errors}

    @property
    def fields(self) -> dict[str, str]:
        """The fields of the read, which the page keeps as they are."""
        said = self.read.exact if self.read else self.wanted.asked.typed
        return {name: text for name, text in said.items() if text}

    @property
    def address(self) -> str:
        """The address of the page as it stands."""
        return self.as_whose(self.typed["whose"])

    def as_whose(self, whose: str) -> str:
        """Return the address of the page for another's ball, or the own."""
        said = {**self.fields, **{name: self.typed[name] for name in BALL_FIELDS if self.typed[name]}}
        return f"/balls?{urlencode({**said, 'whose': whose})}"

    @cached_property
    def said(self) -> BallSaid | None:
        """What the ball says."""
        if self.solved is None or self.in_places is None or self.wanted.ball is None:
            return None
        sure = self.in_places.uncertainty(self.now)
        places = [one.at for one in self.in_places.readings.plain]
        return ball_says(self.viewer, self.solved.putt, sure, self.wanted.ball, places)

    @property
    def lead(self) -> str:
        """What it says, in words."""
        return said_words(self.said.implied, self.wording, own=self.own) if self.said else "Not read yet."

    @property
    def sure(self) -> str:
        """How sure that is."""
        return sure_words(self.said.implied, self.wording, own=self.own) if self.said else ""

    @property
    def notes(self) -> list[str]:
        """Why the band is wide, and what fits no green."""
        ball = self.wanted.ball
        if ball is None or self.said is None:
            return []
        if self.said.implied.odd:
            return [ODD_OWN if self.own else ODD_OTHER]
        if self.own or ball.start_right_rad is not None:
            return []
        return [WHY_WIDE if ball.last_right_rad is None else WHY_LAST]

    @property
    def on_putt(self) -> str:
        """What it says on the own putt."""
        return readings_words(self.said.readings, self.wording) if self.said else ""

    @cached_property
    def in_places(self) -> ReadRequest | None:
        """The read before, in places; a first look stays one."""
        if self.read is None:
            return None
        known = self.read.known
        looked = known.side.by == known.rise.by == FIRST_LOOK
        return self.read if self.read.noted or looked else self.read.in_places()

    @cached_property
    def added(self) -> ReadRequest | None:
        """The read with what the ball says."""
        if self.said is None or self.in_places is None:
            return None
        read = self.in_places
        for one in self.said.readings:
            read = read.read_in(read.readings.noting(one))
        return read

    @cached_property
    def before(self) -> Call | None:
        """The call without it, in places as the one with it is: what the ground does between them counts."""
        return self._call(self.in_places)

    @cached_property
    def after(self) -> Call | None:
        """The call with it."""
        return self._call(self.added)

    def _call(self, read: ReadRequest | None) -> Call | None:
        if read is None:
            return None
        try:
            solved = read_putt(self.viewer, read.asked_putt)
        except InvalidError:
            return None
        return call_of(self.viewer, read, solved, self.golfer, self.now)

    @property
    def narrowed(self) -> str:
        """What the ball does to the range of the own aim."""
        if self.before is None or self.after is None:
            return ""
        return narrowed_words(self.before.range, self.after.range)

    @property
    def coin(self) -> str:
        """Of the own ball: where to put the coin for the next one."""
        lines = self.after.lines if self.own and self.after else ()
        return next(
            (
                f"Next ball: a coin {line.figures}, putted to as on a floor."
                for line in lines
                if line.school == "level_twin"
            ),
            "",
        )

    @cached_property
    def sheet(self) -> WatchedSheet | None:
        """The drawing."""
        ball = self.wanted.ball
        if self.said is None or self.solved is None or ball is None:
            return None
        seen = Seen(
            *(ball.way, self.said.rolled_m, self.said.readings, ball.start_right_rad, ball.last_right_rad),
            own=self.own,
        )
        held = self.read.held if self.read else None
        return watched_sheet(self.solved.putt, seen, self.wording, self.lead, held)

    @property
    def pins(self) -> list[Pin]:
        """What can be dragged."""
        spots = self.sheet.spots if self.sheet else {}
        return [pin_at(name, PIN_WORDS[name], at, SIZE) for name, at in spots.items()]

    @property
    def read_address(self) -> str:
        """The read as it was."""
        return f"/read?{self.read.query}" if self.read else "/read"

    @property
    def added_address(self) -> str:
        """The read with what the ball says."""
        return f"/read?{self.added.query}" if self.added else self.read_address

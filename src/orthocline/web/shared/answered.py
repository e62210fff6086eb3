"""A read that was asked for, with its answer unless that is held back: what every page of one putt shows."""

from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from urllib.parse import urlencode

from orthocline.core.calls import Answer, GolferFigures
from orthocline.core.roll import OwnRoll, Read, ReadWarning
from orthocline.core.sure import Sureness
from orthocline.services.account.access import Viewer
from orthocline.services.read.holing import try_launch
from orthocline.services.read.reading import compare_own, how_sure
from orthocline.web.shared.asked import Asked
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.read.call import Call, call
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class Answered:
    """What was asked, by whom, and the solved putt; a part that is not shown is not worked out.

    Attributes
    ----------
    asked : Asked
    viewer : Viewer
    golfer : GolferFigures
    now : datetime
    solved : Read or None
        None while the putt cannot be read.
    """

    asked: Asked
    viewer: Viewer
    golfer: GolferFigures
    now: datetime
    solved: Read | None

    @property
    def wording(self) -> Wording:
        """How the golfer says figures."""
        return self.asked.wording

    @cached_property
    def read(self) -> ReadRequest | None:
        """What is read: what was asked, by another line where that one is not there."""
        if self.solved and self.asked.read and ReadWarning.LINE_NOT_THERE in self.solved.warnings:
            return self.asked.read.by_line(len(self.solved.lines))
        return self.asked.read

    @cached_property
    def exact(self) -> dict[str, str]:
        """The fields of the address that say something."""
        return (
            self.read.exact if self.read else {name: said for name, said in self.asked.typed.items() if said}
        )

    @cached_property
    def query(self) -> str:
        """The query of this read's address."""
        return urlencode(self.exact)

    @property
    def hidden(self) -> bool:
        """My read first: the call is held back until the golfer has entered an own aim."""
        return self.read is not None and self.read.hidden

    @cached_property
    def answer(self) -> Read | None:
        """The read, unless it is held back."""
        return None if self.hidden else self.solved

    @cached_property
    def sure(self) -> Sureness | None:
        """How far the read can be trusted."""
        if self.answer is None:
            return None
        return how_sure(self.viewer, self.answer, self.the_read.uncertainty(self.now))

    @cached_property
    def words(self) -> Call | None:
        """The call; None while the putt cannot be read, or the read is held back."""
        if self.answer is None or self.sure is None:
            return None
        return call(self.answer, self.wording, self.golfer, self.sure.range)

    @cached_property
    def own_roll(self) -> OwnRoll | None:
        """The roll of the golfer's own read."""
        if self.answer is None or self.the_read.own is None:
            return None
        return compare_own(self.viewer, self.answer, self.the_read.own, self.golfer)

    @cached_property
    def impression_roll(self) -> OwnRoll | None:
        """The roll of the first impression."""
        if self.answer is None or self.the_read.impression_m is None:
            return None
        return compare_own(self.viewer, self.answer, Answer("aim_spot", (self.the_read.impression_m,)))

    @cached_property
    def rolls(self) -> dict[str, OwnRoll]:
        """The rolls beside the read's: of the golfer's own, and of a launch that is tried."""
        rolls = {"your read": self.own_roll} if self.own_roll else {}
        if self.impression_roll:
            rolls["first impression"] = self.impression_roll
        tried = self.the_read.playing.tried if self.answer else None
        if self.answer and tried:
            rolls["tried"] = try_launch(self.viewer, self.answer, *tried)
        return rolls

    @property
    def the_read(self) -> ReadRequest:
        """What is read, where there is a solved putt."""
        assert self.read is not None, "there is a solved putt"
        return self.read

"""What a file of putts would do, as its page shows it."""

from dataclasses import dataclass
from datetime import datetime
from typing import NamedTuple

from orthocline.core.log import Finish
from orthocline.services.log.putts_in import Trial, Tried
from orthocline.wording.log.putt import finish_words, putt_words, turn_words
from orthocline.wording.wording import Wording

A_PAGE = 200
DOES = {"new": "new", "there": "in your log already", "wrong": "not taken"}


class Line(NamedTuple):
    """A line of the file in words."""

    number: int
    does: str
    says: str
    words: str


@dataclass(frozen=True)
class TrialView:
    """A page of the lines; those that are wrong come first of all."""

    trial: Trial
    asked_from: int
    wording: Wording

    @property
    def first(self) -> int:
        """The place of the first line that is shown, from 0."""
        return min(self.asked_from, max(len(self.trial.lines) - 1, 0)) // A_PAGE * A_PAGE

    @property
    def lines(self) -> list[Line]:
        """The lines of the page."""
        return [self._line(one) for one in self.trial.lines[self.first : self.first + A_PAGE]]

    @property
    def wrong(self) -> list[Line]:
        """The first of those that are wrong."""
        return [self._line(one) for one in self.trial.those("wrong")[:A_PAGE]]

    @property
    def counts(self) -> dict[str, int]:
        """How many lines do what."""
        return {does: len(self.trial.those(does)) for does in DOES}

    @property
    def pages(self) -> list[int]:
        """Where further pages begin."""
        return list(range(0, len(self.trial.lines), A_PAGE))

    def _line(self, one: Tried) -> Line:
        if one.does == "wrong":
            return Line(one.number, one.does, DOES[one.does], f"{one.column}: {one.message}".strip(": "))
        putt = one.putt
        finish = None if putt["along_m"] is None else Finish(putt["along_m"], putt["right_m"])
        told = (
            self.wording.calendar.moment(datetime.fromisoformat(putt["at"])),
            putt["place"],
            turn_words(putt["hole"], putt["number"]),
            putt_words(putt["length_m"], None, self.wording),
            finish_words(putt["holed"], finish, self.wording) or "no finish yet",
        )
        return Line(one.number, one.does, DOES[one.does], " · ".join(words for words in told if words))

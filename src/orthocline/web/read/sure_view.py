"""How far the read on the page can be trusted: the page's variables for that."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.sure import NextReading, StartLines, Sureness
from orthocline.drawing.scene import Scene
from orthocline.drawing.sure.fan import fan
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.figures import capital
from orthocline.wording.sure.counting import counting_words
from orthocline.wording.sure.next_reading import best_words, leaves_words, reading_words
from orthocline.wording.sure.start_lines import fan_words, try_words
from orthocline.wording.wording import Wording


class NextLine(NamedTuple):
    """A further reading: what to do, what it would leave, by what, and the address where it is noted."""

    words: str
    leaves: str
    by: str
    address: str


class Try(NamedTuple):
    """A candidate line of the golfer's own, and the addresses that make it the read or take it away."""

    words: str
    address: str
    without: str


@dataclass(frozen=True)
class SureView:
    """What the page says of how sure a read is; a part that is not shown is not worked out."""

    asked: ReadRequest
    sure: Sureness
    wording: Wording

    @property
    def best(self) -> str:
        """The one reading that would narrow the range most, as a sentence."""
        readings = self.sure.next_readings
        return best_words(readings[0], self.sure.read, self.wording) if readings else ""

    @property
    def next_lines(self) -> tuple[NextLine, ...]:
        """What to find out next, the best first."""
        return tuple(self._next_lines())

    @property
    def counting(self) -> str:
        """Where the slope counts."""
        return counting_words(self.sure.counting)

    @cached_property
    def start_lines(self) -> StartLines | None:
        """Which start lines drop."""
        return self.sure.start_lines

    @property
    def fan(self) -> Scene | None:
        """The start lines at the hole, drawn large, with the golfer's candidate lines."""
        lines = self.start_lines
        return fan(self.sure.read, lines, self.asked.tries_m, self.wording) if lines else None

    @property
    def fan_words(self) -> str:
        """Which start lines drop, surely and perhaps."""
        if self.start_lines is None:
            return "At this pace no start line drops."
        return fan_words(self.start_lines, self.sure.read.putt.length_m, self.wording)

    @property
    def tries(self) -> tuple[Try, ...]:
        """The candidate lines that are left."""
        lines, length = self.start_lines, self.sure.read.putt.length_m
        if lines is None:
            return ()
        return tuple(
            Try(
                try_words(aim, lines, length, self.wording),
                f"/read?{self.asked.own_aim(aim).query}",
                f"/read?{self.asked.without_try(i).query}",
            )
            for i, aim in enumerate(self.asked.tries_m)
        )

    def _next_lines(self) -> Iterator[NextLine]:
        """Yield each further reading, with the address where one of the slope is noted."""
        for reading in self.sure.next_readings:
            words = capital(reading_words(reading, self.sure.read, self.wording))
            yield NextLine(words, leaves_words(reading, self.wording), reading.by, self._noting(reading))

    def _noting(self, reading: NextReading) -> str:
        if reading.across is None:
            return ""
        noted, at_m = self.asked.noted, reading.at_m or 0.0
        if reading.by == "phone":
            way = "across" if reading.across else "along"
            at = {"at": f"{100.0 * at_m / self.asked.putt.length_m:.0f} %"} if noted else {}
            return f"/level?{urlencode({'way': way, **at, 'read': self.asked.query})}"
        if noted:
            further = self.asked.readings.to_be_read(at_m, reading.by, across=reading.across)
            return f"/read?{self.asked.read_in(further).query}#spot-{len(noted)}-size"
        read = self.asked.read_by(reading.by, across=reading.across)
        return f"/read?{read.query}#{'side' if reading.across else 'rise'}"

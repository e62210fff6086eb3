"""The variables of a training record."""

from dataclasses import dataclass
from datetime import datetime
from statistics import fmean
from typing import NamedTuple

from orthocline.core.train import GOOD, Asks
from orthocline.drawing.log.reads_seen import SeenRow, reads_seen
from orthocline.drawing.scene import Scene
from orthocline.drawing.train.levels import LevelRow, levels_drawing
from orthocline.services.train.record import Record
from orthocline.wording.figures import capital, hundred, tidy
from orthocline.wording.train.questions import QUESTIONS
from orthocline.wording.train.record import SIDES, bias_words, seen_words, so_far_words
from orthocline.wording.wording import Wording

ENOUGH = 20
"""From so many answers on how much of the break is seen is drawn as known."""


class AskedRow(NamedTuple):
    """How one question goes: its name, level, share of good answers, how many, and the bias."""

    name: str
    level: str
    good: str
    answers: int
    bias: str


@dataclass(frozen=True)
class RecordView:
    """Everything the page shows."""

    record: Record
    wording: Wording
    now: datetime

    @property
    def headline(self) -> str:
        """What is surest of the eyes."""
        said = [words for breaks, reads in self.record.seen.items() if (words := seen_words(breaks, reads))]
        if said:
            return said[0]
        sure = [one for one in self.record.asked if one.bias and one.bias.sure]
        if sure:
            return capital(bias_words(sure[0].asks, sure[0].bias, self.wording)) + "."
        best, worst = self._ends
        return so_far_words(self.good, self.record.answers, best, worst)

    @property
    def good(self) -> int:
        """How many answers were good."""
        return sum((row.score or 0.0) >= GOOD for one in self.record.asked for row in one.rows)

    @property
    def _ends(self) -> tuple[Asks, Asks]:
        """What goes best and worst, by the mean score."""
        means = {
            one.asks: fmean(row.score or 0.0 for row in one.rows) for one in self.record.asked if one.rows
        }
        return max(means, key=means.__getitem__), min(means, key=means.__getitem__)

    @property
    def rows(self) -> list[AskedRow]:
        """The questions."""
        return [
            AskedRow(
                QUESTIONS[one.asks].name,
                tidy(one.level),
                f"{hundred(one.good_share)} of 100",
                len(one.rows),
                bias_words(one.asks, one.bias, self.wording) if one.bias else "",
            )
            for one in self.record.asked
        ]

    @property
    def levels(self) -> Scene:
        """How each level went."""
        rows = [
            LevelRow(QUESTIONS[one.asks].name, (*(row.level for row in one.rows), one.level))
            for one in self.record.asked
        ]
        return levels_drawing(rows, "; ".join(f"{row.name} {row.level}" for row in self.rows))

    @property
    def seen(self) -> Scene | None:
        """How much of the break is seen, by side."""
        if not self.record.seen:
            return None
        rows = [
            SeenRow(SIDES[breaks], reads.putts, reads.factor, reads.putts >= ENOUGH)
            for breaks, reads in self.record.seen.items()
        ]
        return reads_seen(rows, self.headline)

    @property
    def amounts(self) -> int:
        """How many amounts were answered."""
        return sum(len(one.rows) for one in self.record.asked if one.asks is Asks.AMOUNT)

    @property
    def due(self) -> str:
        """What has come back, or when something does."""
        if self.record.due:
            return f"{self.record.due} {'kind has' if self.record.due == 1 else 'kinds have'} come back."
        if self.record.next_due is None:
            return ""
        return f"The next kind comes back {self.wording.calendar.moment(self.record.next_due)}."

"""The variables of a coach's pages."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthocline.core.drills import TRAINS
from orthocline.drawing.log.bands import Column, columns_drawing, scale_round
from orthocline.drawing.scene import Scene
from orthocline.services.account.access import Share
from orthocline.services.share.pupils import LATELY, Pupil
from orthocline.services.train.drills import Shelf
from orthocline.web.shared.log_charts import LEAST_STROKES, LogCharts
from orthocline.web.shared.set_sessions import SetRow, session_row
from orthocline.wording.figures import tidy
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.log.statistics import Said, figure_text, said, title
from orthocline.wording.share.sharing import what_words
from orthocline.wording.train.drills import TRAINS_WORDS, score_words
from orthocline.wording.train.practice import weak_words
from orthocline.wording.wording import Wording

BESIDE = ("gained_a_putt", "holed", "three_far")
"""Figures that pupils are compared by."""
NAME_LETTERS = 14
MOST_RUNS = 6


class RunRow(NamedTuple):
    """A drill as a pupil did it last."""

    name: str
    score: str
    when: str


@dataclass(frozen=True)
class PupilView:
    """One pupil, in words and charts."""

    pupil: Pupil
    level: str
    shelf: Shelf
    wording: Wording

    def sees(self, what: str) -> bool:
        """Whether the pupil lets that be seen."""
        return self.pupil.who.sees(Share(what))

    @property
    def what(self) -> str:
        """What the pupil lets be seen."""
        return what_words(self.pupil.who.of.what) if self.pupil.who.of else ""

    @property
    def putts(self) -> int | None:
        """How many putts there are of late."""
        return self.pupil.lately.count if self.pupil.lately else None

    @property
    def last(self) -> str:
        """When the last putt was."""
        return self.wording.calendar.day(self.pupil.last.created_at) if self.pupil.last else ""

    @cached_property
    def figures(self) -> list[tuple[str, Said | None]]:
        """What pupils are compared by, each of late."""
        lately = self.pupil.lately
        return [
            (
                title(name, self.level, self.wording),
                said(name, lately.figures[name], self.wording) if lately else None,
            )
            for name in BESIDE
        ]

    @property
    def charts(self) -> LogCharts | None:
        """The charts of late, beside what was before."""
        if self.pupil.lately is None:
            return None
        return LogCharts(self.pupil.lately, self.pupil.before, self.level, self.wording)

    @property
    def days(self) -> int:
        """How long "of late" is."""
        return LATELY.days

    @property
    def has_before(self) -> bool:
        """Whether there is anything from before."""
        return self.pupil.before is not None and self.pupil.before.count > 0

    @property
    def weakest(self) -> str:
        """What is needed most; empty where nothing says so."""
        found = self.pupil.weakest
        return weak_words(found[0], found[1].by) if found else ""

    @property
    def runs(self) -> list[RunRow]:
        """The drills done last, the newest first."""
        known, rows = self.shelf.drills, [*self.pupil.runs.items()]
        rows.sort(key=lambda one: one[1].begun_at, reverse=True)
        return [
            RunRow(
                known[name].name,
                score_words(run.points, run.best),
                self.wording.calendar.day(run.begun_at),
            )
            for name, run in rows
            if name in known
        ][:MOST_RUNS]

    @property
    def sessions(self) -> list[SetRow]:
        """The sessions that were set, the newest first."""
        return [session_row(one, self.shelf, self.wording) for one in self.pupil.sessions]


class ShelfRow(NamedTuple):
    """A drill on the shelf, with when its turn is; 0 for not at all."""

    key: str
    name: str
    purpose: str
    minutes: str
    turn: int


def shelf_rows(shelf: Shelf, turns: Mapping[str, int]) -> list[tuple[str, list[ShelfRow]]]:
    """Return the drills there are, by what they train."""
    found = []
    for what in TRAINS:
        rows = [
            ShelfRow(one.key, one.name, one.purpose, f"{tidy(one.minutes)} min", turns.get(one.key, 0))
            for one in shelf.drills.values()
            if one.trains[0] == what
        ]
        found.append((TRAINS_WORDS[what], rows))
    return [(what, rows) for what, rows in found if rows]


@dataclass(frozen=True)
class SideView:
    """All pupils side by side."""

    pupils: Sequence[PupilView]
    level: str
    wording: Wording

    @property
    def usual(self) -> str:
        """Whom they are compared with."""
        return f"a {LEVEL_WORDS[self.level]} golfer"

    @property
    def days(self) -> int:
        """How long "of late" is."""
        return LATELY.days

    @property
    def has_before(self) -> bool:
        """Whether there is anything from before, of anybody."""
        return any(one.has_before for one in self.pupils)

    @property
    def gained(self) -> Scene | None:
        """What a putt gains, pupil by pupil."""
        columns = [
            Column(
                _short(one.pupil.name),
                one.pupil.lately.figures["gained_a_putt"],
                other=one.pupil.before.figures["gained_a_putt"] if one.pupil.before else None,
            )
            for one in self.pupils
            if one.pupil.lately
        ]
        if not columns:
            return None
        told = "; ".join(
            f"{one.name} {figure_text('strokes', one.figure.value, self.wording)}"
            for one in columns
            if one.figure.value is not None
        )
        heading = f"strokes gained a putt on {self.usual}"
        scale = scale_round(columns, LEAST_STROKES)
        return columns_drawing("pupils", columns, scale, heading, f"Gained a putt: {told}")


def _short(name: str) -> str:
    """Return a first name, short enough to stand under a column."""
    first = name.split()[0]
    return first if len(first) <= NAME_LETTERS else f"{first[: NAME_LETTERS - 1]}…"

"""The variables of the shelf, of one drill, and of a run."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthocline.core.account import GOLFERS
from orthocline.core.drills import TRAINS, Drill, Measured, balls_of, target_of, trend_of
from orthocline.core.speed import Tempo
from orthocline.drawing.scene import Scene
from orthocline.drawing.train.runs import runs_drawing
from orthocline.drawing.train.setup import setup_drawing
from orthocline.services.train.checks import Check
from orthocline.services.train.drills import DrillRun, Run, Shelf
from orthocline.web.drills.request import AskedDrill
from orthocline.web.shared.checks import CheckView, check_view
from orthocline.wording.figures import hundred, tidy
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.train.checks import CHECK_WORDS
from orthocline.wording.train.drills import (
    TRAINS_WORDS,
    ball_words,
    beside_words,
    score_words,
    target_words,
    trend_words,
)
from orthocline.wording.wording import Wording

DAY_S = 86400.0
TARGET_SEED = 1
"""Of balls that are drawn, these are what a target is told by."""


class DrillRow(NamedTuple):
    """A drill on the shelf: its name, what for, how long it takes, and how it went last."""

    key: str
    name: str
    purpose: str
    minutes: str
    last: str


@dataclass(frozen=True)
class ShelfView:
    """The drills there are, by what they train."""

    shelf: Shelf
    last: Mapping[str, DrillRun]
    going: Run | None

    @property
    def groups(self) -> list[tuple[str, list[DrillRow]]]:
        """Drills by what they train first."""
        found = []
        for what in TRAINS:
            rows = [self._row(one) for one in self.shelf.drills.values() if one.trains[0] == what]
            found.append((TRAINS_WORDS[what], rows))
        return [(what, rows) for what, rows in found if rows]

    def _row(self, drill: Drill) -> DrillRow:
        run = self.last.get(drill.key)
        last = score_words(run.points, run.best) if run else ""
        return DrillRow(drill.key, drill.name, drill.purpose, f"{tidy(drill.minutes)} min", last)


@dataclass(frozen=True)
class DrillView:
    """One drill: how it is set up, what the model's golfer does, how it went so far."""

    asked: AskedDrill
    level: str
    runs: Sequence[DrillRun]
    check: Check | None
    wording: Wording

    @property
    def drill(self) -> Drill:
        """The drill."""
        return self.asked.drill

    @cached_property
    def target(self) -> float | None:
        """What the model's golfer of this level does."""
        return target_of(self.drill, balls_of(self.drill, TARGET_SEED), GOLFERS[self.level])

    @property
    def usual(self) -> str:
        """The same in words."""
        return target_words(self.target, LEVEL_WORDS[self.level])

    @property
    def setup(self) -> Scene:
        """How it is set up."""
        return setup_drawing(self.drill, self.wording)

    @property
    def balls(self) -> int:
        """How many balls it has."""
        return len(balls_of(self.drill, TARGET_SEED))

    @property
    def history(self) -> Scene | None:
        """How it went time after time."""
        if not self.runs:
            return None
        rows = [*reversed(self.runs)]
        calendar = self.wording.calendar
        days = calendar.day(rows[0].begun_at), calendar.day(rows[-1].begun_at)
        shares = [row.points / row.best for row in rows]
        says = f"{len(rows)} times, last {hundred(shares[-1])} of 100"
        return runs_drawing(shares, self.target, days, says)

    @property
    def trend(self) -> str:
        """Whether it goes better from week to week."""
        days = [one.begun_at.timestamp() / DAY_S for one in self.runs]
        return trend_words(trend_of(days, [one.points / one.best for one in self.runs]))

    @property
    def own(self) -> CheckView | None:
        """The golfer's own bias and spread, of a drill that measures."""
        return check_view(self.check, self.wording) if self.check else None


@dataclass(frozen=True)
class RunView:
    """A drill as it is being done; `error` is what is wrong with what was `typed`."""

    run: Run
    level: str
    tempo: Tempo
    check: Check | None
    wording: Wording
    error: str = ""
    typed: str = ""

    @property
    def drill(self) -> Drill:
        """The drill."""
        return self.run.drill

    @property
    def number(self) -> int:
        """The number of the ball that is putted next."""
        return len(self.run.row.noted) + 1

    @property
    def next(self) -> str:
        """What is putted next; empty where it is over."""
        ball = self.run.next_ball
        return ball_words(ball, self.wording) if ball else ""

    @property
    def setup(self) -> Scene:
        """How it is set up, with the line of the ball that is putted next."""
        return setup_drawing(self.drill, self.wording, self.run.next_ball)

    @property
    def score(self) -> str:
        """How it stands."""
        return score_words(self.run.row.points, self.run.row.best)

    @property
    def tally(self) -> list[tuple[str, bool]]:
        """What was noted, ball by ball, and whether it was worth anything."""
        said = {one.name: one.says for one in self.drill.outcomes}
        return [(said.get(one, one), self.drill.points(one) > 0.0) for one in self.run.row.noted]

    @property
    def measures(self) -> Measured | None:
        """The habit that it measures, if any."""
        return self.drill.measures

    @property
    def grades(self) -> str:
        """What the outcomes count, of a drill that measures."""
        return CHECK_WORDS[self.measures].grades if self.measures else ""

    @property
    def off_example(self) -> str:
        """How far off may be typed."""
        if self.measures is Measured.AIM:
            return f"{self.wording.exact(0.0254)} left"
        return "0.05 s late"

    @property
    def own(self) -> CheckView | None:
        """The golfer's own bias and spread, of a drill that measures."""
        return check_view(self.check, self.wording) if self.check else None

    @property
    def beside(self) -> str:
        """How it stands beside the model's golfer."""
        balls = self.run.balls[: len(self.run.row.noted)]
        target = target_of(self.drill, balls, GOLFERS[self.level]) if balls else None
        return f"{target_words(target, LEVEL_WORDS[self.level])} {beside_words(self.run.share, target)}"

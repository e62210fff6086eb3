"""The variables of the shelf, of one drill, and of a run."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthocline.core.account import GOLFERS
from orthocline.core.drills import TRAINS, Drill, balls_of, target_of
from orthocline.drawing.scene import Scene
from orthocline.drawing.train.runs import runs_drawing
from orthocline.drawing.train.setup import setup_drawing
from orthocline.services.train.drills import DrillRun, Run, Shelf
from orthocline.web.drills.request import AskedDrill
from orthocline.wording.figures import hundred, tidy
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.train.drills import (
    TRAINS_WORDS,
    ball_words,
    beside_words,
    score_words,
    target_words,
)
from orthocline.wording.wording import Wording

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
        days = calendar.moment(rows[0].begun_at), calendar.moment(rows[-1].begun_at)
        shares = [row.points / row.best for row in rows]
        says = f"{len(rows)} times, last {hundred(shares[-1])} of 100"
        return runs_drawing(shares, self.target, days, says)


@dataclass(frozen=True)
class RunView:
    """A drill as it is being done."""

    run: Run
    level: str
    wording: Wording

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
    def score(self) -> str:
        """How it stands."""
        return score_words(self.run.row.points, self.run.row.best)

    @property
    def tally(self) -> list[tuple[str, bool]]:
        """What was noted, ball by ball, and whether it was worth anything."""
        said = {one.name: one.says for one in self.drill.outcomes}
        return [(said.get(one, one), self.drill.points(one) > 0.0) for one in self.run.row.noted]

    @property
    def beside(self) -> str:
        """How it stands beside the model's golfer."""
        balls = self.run.balls[: len(self.run.row.noted)]
        target = target_of(self.drill, balls, GOLFERS[self.level]) if balls else None
        return f"{target_words(target, LEVEL_WORDS[self.level])} {beside_words(self.run.share, target)}"

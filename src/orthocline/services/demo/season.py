"""Seasons of the demo's golfers: rounds and practices at Ternholm, rolled by golfers with habits.

What the habits are stands here and nowhere else: the log has to show them.
"""

import math
from bisect import bisect_left
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime, timedelta
from typing import Final
from uuid import UUID

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS
from orthocline.core.calls import USUAL_GOLFER, Answer
from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.log import Finish, Judged, Seen, breaks_right
from orthocline.core.roll import Aim, Launch, Point, Putt, PuttError, RollPast, aims, capture_of, read, roller
from orthocline.core.sure import CERTAIN
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.db.account.models import Golfer
from orthocline.db.ground.models import Course, Green
from orthocline.db.ground.queries import kept_course, kept_green
from orthocline.db.log.models import LoggedPutt
from orthocline.services.account.access import Viewer
from orthocline.services.demo.greens import ChartedDemo
from orthocline.services.demo.speeds import COURSE
from orthocline.services.log.entries import OwnKept, Result, Turn
from orthocline.services.log.outings import keep_outing
from orthocline.services.log.rows import noted_row, read_row, take_judged, take_result, take_turn

MOST_PUTTS: Final = 5
ROUND_OFF_M: Final = 0.5 * FOOT_M
SEEN_RAD: Final = math.radians(0.8)
"""From so far aside on a golfer sees that a ball did not start on its line."""
NEAREST_M: Final = 0.3
COUNTS: Final = range(-60, 61)
"""Steps in which a method says an aim."""
FAST_GREEN: Final = 2
FASTER_FT: Final = 1.5
"""One green runs so much faster than is said of it, and than its putts are struck for."""
HOLE_TIME, PUTT_TIME = timedelta(minutes=13), timedelta(minutes=1)


@dataclass(frozen=True)
class Player:
    """A golfer of the demo, and what they do again and again.

    Attributes
    ----------
    level : str
        Whose scatter is theirs, one of `GOLFERS`.
    sees_left, sees_right : float
        Which share of the break they aim for on putts that break left, and right.
    method : str
        By what they read in practice, one of the schools that says an aim.
    method_sees : float
        Which share of the break that method aims for.
    method_step : float
        How finely its figure is said, in its SI unit.
    push_rad : float
        How far right of their line they start the ball [rad].
    stronger : float
        By which share the ball has more energy than meant.
    past_m : float
        How far past the hole they mean to roll it [m].
    rounds, practices, putts : int
        How many of each their log has.
    every : timedelta
        From one round to the next.
    read_rounds : int
        On how many of their last rounds first putts are read; in practice all are.
    """

    name: str
    level: str
    sees_left: float
    sees_right: float
    method: str
    method_sees: float
    method_step: float
    push_rad: float
    stronger: float
    past_m: float
    rounds: int
    practices: int
    putts: int
    every: timedelta
    read_rounds: int


WREN: Final = Player(
    name="Wren Halloran",
    level="low",
    sees_left=0.95,
    sees_right=0.62,
    method="hand_gauge",
    method_sees=0.95,
    method_step=0.5,
    push_rad=math.radians(0.3),
    stronger=0.04,
    past_m=12.0 * INCH_M,
    rounds=12,
    practices=12,
    putts=300,
    every=timedelta(days=8),
    read_rounds=6,
)
TOVE: Final = Player(
    name="Tove",
    level="new",
    sees_left=0.55,
    sees_right=0.55,
    method="aim_spot",
    method_sees=0.55,
    method_step=INCH_M,
    push_rad=math.radians(0.0),
    stronger=-0.12,
    past_m=6.0 * INCH_M,
    rounds=3,
    practices=3,
    putts=84,
    every=timedelta(days=11),
    read_rounds=3,
)
IDRIS: Final = Player(
    name="Idris",
    level="low",
    sees_left=1.2,
    sees_right=1.1,
    method="curve_gate",
    method_sees=1.0,
    method_step=0.02,
    push_rad=math.radians(-0.5),
    stronger=0.08,
    past_m=18.0 * INCH_M,
    rounds=4,
    practices=3,
    putts=96,
    every=timedelta(days=9),
    read_rounds=4,
)


@dataclass(frozen=True)
class Rolled:
    """A putt as it was: on what ground, meant how, and how it ended."""

    putt: Putt
    solved: Aim
    own_m: float
    started_rad: float
    finish: Finish | None

    @property
    def read_m(self) -> float:
        """The aim that would have been right [m]."""
        return self.putt.length_m * math.tan(self.solved.launch.right_rad)


@dataclass(frozen=True)
class Season:
    """Whose season it is, on which greens, and the luck in it."""

    session: Session
    golfer: Golfer
    player: Player
    greens: Sequence[ChartedDemo]
    rng: np.random.Generator
    places: dict[str, tuple[Course, Green]] = field(default_factory=dict)

    @property
    def viewer(self) -> Viewer:
        """The golfer."""
        return Viewer(self.golfer)

    def log(self, end: datetime) -> None:
        """Log all rounds and practices up to a time, as many putts as the player's log has."""
        player, done = self.player, 0
        for number in range(player.rounds):
            day = end - player.every * (player.rounds - number)
            done += self._round(day, read=player.rounds - number <= player.read_rounds)
        for number in range(player.practices):
            left = player.practices - number
            day = end - player.every * left + timedelta(days=3, hours=1)
            count = math.ceil((player.putts - done) / left)
            done += self._practice(day, count)

    def _round(self, at: datetime, *, read: bool) -> int:
        """Log a round; return how many putts it took."""
        begun = at.replace(hour=9, minute=int(self.rng.integers(60)))
        outing = keep_outing(self.viewer, self.session, "round", COURSE, begun)
        putts = 0
        for hole, on in enumerate(self.greens, start=1):
            rolled = self._visit(on, self.player.sees_left, self.player.sees_right)
            self._played(on, rolled, Turn(outing.id, hole), begun + hole * HOLE_TIME, read=read)
            putts += len(rolled)
        return putts

    def _played(
        self,
        on: ChartedDemo,
        visit: Sequence[Rolled],
        turn: Turn,
        at: datetime,
        *,
        read: bool = True,
        gauged: bool = False,
    ) -> None:
        """Log a visit to a green, its first putt as it was read, if it was."""
        if not read:
            return self._note(on, visit, turn, at)
        kept = self._read(on, visit[0], turn, at, gauged=gauged)
        return self._note(on, visit[1:], replace(turn, number=2, visit=kept.visit), at)

    def _note(self, on: ChartedDemo, visit: Sequence[Rolled], turn: Turn, at: datetime) -> None:
        """Note the putts of a visit as a golfer paces and sees them."""
        first: LoggedPutt | None = None
        for number, one in enumerate(visit, start=turn.number):
            at += PUTT_TIME
            paced = max(ROUND_OFF_M, ROUND_OFF_M * round(one.putt.length_m / ROUND_OFF_M))
            here = replace(turn, number=number, visit=first.visit if first else turn.visit)
            noted = noted_row(
                self.golfer.id,
                paced,
                self._seen(one),
                "eye",
                breaks_right(one.own_m),
                at=at,
                key=self._key(),
            )
            self._add(noted, on, here)
            first = first or noted
        if first and turn.number == 1 and self.rng.random() < 0.6:
            take_judged(first, self._judged(visit[0]))

    def _add(self, putt: LoggedPutt, on: ChartedDemo, turn: Turn) -> None:
        """Add a putt to the log, where it lies."""
        take_turn(putt, replace(turn, visit=turn.visit or self._key()))
        course, green = on.green.place.course, on.green.place.green
        if green not in self.places:
            kept = kept_course(self.session, self.golfer.id, course)
            self.places[green] = kept, kept_green(self.session, kept, green)
        putt.course, putt.green = self.places[green]
        self.session.add(putt)

    def _practice(self, at: datetime, count: int) -> int:
        """Log a practice of so many putts: each first one is read where the player reads."""
        begun = at.replace(hour=17, minute=int(self.rng.integers(60)))
        outing = keep_outing(self.viewer, self.session, "practice", COURSE, begun)
        done = 0
        while done < count:
            on = self.greens[int(self.rng.integers(len(self.greens)))]
            gauged = self.rng.random() < 0.5
            sees = self.player.method_sees
            visit = self._visit(
                on, *((sees, sees) if gauged else (self.player.sees_left, self.player.sees_right))
            )
            visit, at = visit[: count - done], begun + (done + 1) * timedelta(minutes=3)
            self._played(on, visit, Turn(outing.id), at, gauged=gauged)
            done += len(visit)
        return done

    def _read(self, on: ChartedDemo, one: Rolled, turn: Turn, at: datetime, *, gauged: bool) -> LoggedPutt:
        """Save a read as the player makes it, with the own one before, and where the ball stopped."""
        said_ft = one.putt.green_speed_ft - self._faster_ft(on)
        asked = replace(one.putt, surface=on.known.survey, green_speed_ft=said_ft)
        solved = read(asked)
        answer = Answer("aim_spot", (one.own_m,))
        if gauged:
            answer = self._in_method(asked, one.own_m)
        impression = round(one.read_m * self.rng.normal(0.6, 0.35) / INCH_M) * INCH_M
        own = OwnKept(one.own_m, answer, impression)
        kept = read_row(self.golfer.id, solved, own, CERTAIN, key=self._key())
        kept.created_at = at
        take_result(kept, self._seen(one))
        take_judged(kept, self._judged(one))
        self._add(kept, on, turn)
        return kept

    def _in_method(self, asked: Putt, own_m: float) -> Answer:
        """Return the own aim in the words of the player's method, as near as its steps say it."""

        def says(count: int) -> Answer:
            return Answer(self.player.method, (count * self.player.method_step,))

        def aims_at(count: int) -> float:
            launch = says(count).launch(asked, USUAL_GOLFER)
            if launch is None:
                return math.copysign(math.inf, count)
            return asked.length_m * math.tan(launch.right_rad)

        first = bisect_left(COUNTS, own_m, key=aims_at)
        return says(COUNTS[first]) if first < len(COUNTS) else Answer("aim_spot", (own_m,))

    def _visit(self, on: ChartedDemo, sees_left: float, sees_right: float) -> list[Rolled]:
        """Return the putts of a visit to a green, holed out."""
        while True:
            visit = list(self._rolls(on, sees_left, sees_right))
            if visit and visit[-1].finish is None:
                return visit

    def _rolls(self, on: ChartedDemo, sees_left: float, sees_right: float) -> Iterator[Rolled]:
        """Yield putts until one drops, or the ball leaves the green."""
        ball, hole = self._places(on)
        speed = float(np.round(self.rng.normal(10.0, 0.4), 1))
        for _ in range(MOST_PUTTS):
            if not on.known.outline.holds(np.array([ball]))[0]:
                return
            putt = Putt(Point(*ball), Point(*hole), on.green.ground, speed, RollPast(self.player.past_m))
            try:
                solved = aims(putt)[0]
            except PuttError:
                return
            firmer = speed / (speed - self._faster_ft(on))
            rolled = self._roll(putt, solved, sees_left, sees_right, firmer)
            if rolled.finish is not None and not rolled.finish.plausible:
                return
            yield rolled
            if rolled.finish is None:
                return
            ball = self._stopped(putt, rolled.finish)

    def _stopped(self, putt: Putt, finish: Finish) -> tuple[float, float]:
        """Return where a ball stopped; one on the edge as far from the hole as a putt is long at least."""
        far = max(1.0, NEAREST_M / max(math.hypot(finish.along_m, finish.across_m), HOLE_RADIUS_M))
        at = putt.place(putt.length_m + far * finish.along_m, far * finish.across_m)
        return at.x_m, at.y_m

    def _places(self, on: ChartedDemo) -> tuple[tuple[float, float], tuple[float, float]]:
        hole = on.chart.pins[int(self.rng.integers(len(on.chart.pins)))].at_m
        length = float(self.rng.gamma(2.2, 7.0) + 3.0) * FOOT_M
        way = float(self.rng.uniform(0.0, 2.0 * math.pi))
        return (hole[0] - length * math.cos(way), hole[1] - length * math.sin(way)), hole

    def _faster_ft(self, on: ChartedDemo) -> float:
        return FASTER_FT if on is self.greens[FAST_GREEN - 1] else 0.0

    def _roll(self, putt: Putt, solved: Aim, sees_left: float, sees_right: float, firmer: float) -> Rolled:
        player, golfer = self.player, GOLFERS[self.player.level]
        right_m = putt.length_m * math.tan(solved.launch.right_rad)
        sees = sees_left if right_m > 0.0 else sees_right
        own_m = round(right_m * max(0.0, self.rng.normal(sees, 0.22)) / INCH_M) * INCH_M
        aside = math.hypot(golfer.start_line_rad, golfer.ground_rad * math.sqrt(putt.length_m / 3.048))
        started = float(self.rng.normal(player.push_rad, aside))
        energy = max(0.1, firmer * (1.0 + player.stronger) * (1.0 + self.rng.normal(0.0, golfer.energy)))
        struck = Launch(
            math.atan2(own_m, putt.length_m) + started, solved.launch.speed_mps * math.sqrt(energy)
        )
        track = roller(putt, solved)(struck)
        if capture_of(track, putt.hole).drops:
            return Rolled(putt, solved, own_m, started, None)
        along, right = putt.along_and_right_m(track.finish)
        return Rolled(putt, solved, own_m, started, Finish(along - putt.length_m, right))

    def _seen(self, one: Rolled) -> Result:
        """Return how a putt ended, with what was seen of it as often as one looks."""
        started = None
        if self.rng.random() < 0.7:
            started = 0 if abs(one.started_rad) < SEEN_RAD else int(math.copysign(1, one.started_rad))
        passed = None
        if one.finish is not None and abs(one.finish.across_m) > 0.15:
            passed = int(math.copysign(1, one.finish.across_m))
        return Result(one.finish is None, one.finish, Seen(started, passed))

    def _judged(self, one: Rolled) -> Judged:
        """Return what the golfer says afterwards: what they notice, not what was."""
        well_read = abs(one.own_m - one.read_m) < 0.35 * abs(one.read_m) + 2.0 * INCH_M
        paced = one.finish is None or -0.1 < one.finish.along_m < 0.9
        line = abs(one.started_rad) < 1.5 * SEEN_RAD
        return Judged(well_read, line, paced, bool(self.rng.random() < 0.8))

    def _key(self) -> UUID:
        return UUID(bytes=self.rng.bytes(16), version=4)


def season_end() -> datetime:
    """Return the day up to which seasons go: yesterday."""
    return datetime.now(UTC).replace(minute=0, second=0, microsecond=0) - timedelta(days=1)

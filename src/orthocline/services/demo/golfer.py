"""The Ternholm demo: an invented golfer's log, rolled by the model with honest scatter."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from uuid import UUID

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.calls import Answer
from orthocline.core.ground import plane_from_grade
from orthocline.core.log import Finish
from orthocline.core.roll import Launch, Point, Putt, RollPast, capture_of, read, roller
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.db.account.models import Golfer
from orthocline.db.account.queries import golfer_of_key
from orthocline.db.demo import copy_all, delete_demo_copies, demo_template
from orthocline.db.entries import hold
from orthocline.db.speed.queries import newest_speed
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.demo.greens import ChartedDemo, load_demo_greens
from orthocline.services.demo.speeds import COURSE, load_demo_speeds
from orthocline.services.errors import NotFoundError
from orthocline.services.ground.places import Place
from orthocline.services.log.putts import OwnKept, record_finish, save_read

DEMO_GOLFER = "Wren Halloran"
START_SPREAD_RAD, LENGTH_SPREAD = math.radians(1.5), 0.12
"""Spread of a middle golfer's start line and roll length (docs/model.md), one standard deviation."""
GREENS = (
    "Saltings",
    "Curlew",
    "Lantern",
    "Spindrift",
    "Marram",
    "Breakwater",
    "Samphire",
    "Anvil",
    "Homeward",
)
PUTTS_LOGGED = 26
PLAYED = 9
"""Greens with a hole to play; the practice green comes after them."""
COPY_LIFE, MOST_COPIES = timedelta(days=1), 500
"""A copy lives so long, unless so many visitors come after it."""
LOADING_DEMO = 7_501_003
"""Key of the lock under which the demo is loaded, and copied."""


@dataclass(frozen=True)
class DemoPutt:
    """A putt as a golfer would ask for it."""

    green: int
    length_ft: float
    side_right: float
    grade: float
    speed_ft: float
    past_in: float

    @property
    def place(self) -> Place:
        """Where it lies."""
        return Place(COURSE, f"green {self.green}, {GREENS[self.green - 1]}")

    @property
    def putt(self) -> Putt:
        """The putt on its plane, the ball at the origin and the hole along +x."""
        return Putt(
            Point(0.0, 0.0),
            Point(self.length_ft * FOOT_M, 0.0),
            plane_from_grade(self.grade, self.side_right, 0.0),
            self.speed_ft,
            RollPast(self.past_in * INCH_M),
        )


SPINDRIFT = DemoPutt(4, 14.0, -0.021, 0.009, 10.2, 9.0)
"""The demo putt: green 4, 14 ft, 2.1 % falling left, 0.9 % up, speed 10.2, nine inches past."""


@anyone
def load_demo(session: Session, seed: int = 4) -> bool:
    """Load the demo's golfer and all of hers, once; return whether it was loaded now."""
    hold(session, LOADING_DEMO)
    if demo_template(session):
        return False
    golfer = Golfer(name=DEMO_GOLFER, password_hash="", demo="template")
    session.add(golfer)
    session.flush()
    greens = load_demo_greens(session, golfer, np.random.default_rng(seed + 2))
    _log_season(session, golfer, greens[:PLAYED], np.random.default_rng(seed))
    load_demo_speeds(session, golfer, np.random.default_rng(seed + 1))
    return True


@anyone
def demo_copy(session: Session, now: datetime, key: UUID | None = None) -> Golfer:
    """Return a copy of the demo's golfer that is one visitor's alone, as if she had measured this morning.

    Copies are swept away after `COPY_LIFE`. The same `key` again is the same copy.

    Raises
    ------
    NotFoundError
        When the demo was not loaded.
    """
    hold(session, LOADING_DEMO)
    delete_demo_copies(session, now - COPY_LIFE, MOST_COPIES)
    template = demo_template(session)
    if template is None:
        raise NotFoundError("There is no demo here.")
    copy = golfer_of_key(session, key)
    if copy is None:
        copy = Golfer(name=template.name, password_hash="", demo="copy", key=key)
        session.add(copy)
        session.flush()
        copy_all(session, template, copy, _days_since(session, template, now))
    return copy


def _days_since(session: Session, template: Golfer, now: datetime) -> timedelta:
    """Return for how many whole days the demo has been lying there."""
    newest = newest_speed(session, template.id)
    return timedelta(days=(now - newest.measured_at).days if newest else 0)


def _log_season(
    session: Session, golfer: Golfer, greens: Sequence[ChartedDemo], rng: np.random.Generator
) -> None:
    morning = datetime.now(UTC).replace(hour=7, minute=0, second=0, microsecond=0)
    for i in range(PUTTS_LOGGED):
        days = round(2.3 * (PUTTS_LOGGED - i))
        when = morning - timedelta(days=days) + timedelta(minutes=float(rng.uniform(0, 660)))
        while not _log_one(session, golfer, greens[int(rng.integers(len(greens)))], rng, when):
            pass  # off the green, or rolled off it: another putt


def _some_putt(on: ChartedDemo, rng: np.random.Generator) -> Putt | None:
    """Return a putt to one of a green's pins; None where its ball would lie off the green."""
    x, y = on.chart.pins[int(rng.integers(len(on.chart.pins)))].at_m
    length = float(round(rng.gamma(2.2, 5.5) + 3.0)) * FOOT_M
    way = float(rng.uniform(0.0, 2.0 * math.pi))
    ball = x - length * math.cos(way), y - length * math.sin(way)
    if not on.known.outline.holds(np.array([ball]))[0]:
        return None
    speed, past = float(np.round(rng.normal(10.0, 0.4), 1)), float(rng.choice((6.0, 9.0, 12.0, 16.0)))
    return Putt(Point(*ball), Point(x, y), on.known.survey, speed, RollPast(past * INCH_M))


def _log_one(
    session: Session, golfer: Golfer, on: ChartedDemo, rng: np.random.Generator, when: datetime
) -> bool:
    """Log a putt on a green, read by its chart and rolled on what it really is; return whether it was."""
    putt = _some_putt(on, rng)
    solved = read(putt) if putt else None
    if putt is None or solved is None or solved.aim_right_m is None:
        return False
    struck = Launch(
        solved.launch_right_rad + rng.normal(0.0, START_SPREAD_RAD),
        solved.launch_speed_mps * math.sqrt(max(0.4, 1.0 + rng.normal(0.0, LENGTH_SPREAD))),
    )
    track = roller(replace(putt, surface=on.green.ground), solved.aim)(struck)
    along, right = putt.along_and_right_m(track.finish)
    finish = None if capture_of(track, putt.hole).drops else Finish(along - putt.length_m, right)
    if finish and not finish.plausible:
        return False
    seen = rng.normal(0.75, 0.25)  # golfers under-read
    wren, own = Viewer(golfer), round(solved.aim_right_m * seen / INCH_M) * INCH_M
    logged = save_read(
        wren, session, solved, place=on.green.place, own=OwnKept(own, Answer("aim_spot", (own,)))
    )
    logged.created_at = when
    session.flush()
    record_finish(wren, session, logged.id, finish)
    return True

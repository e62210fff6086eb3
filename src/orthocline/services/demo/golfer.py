"""The Ternholm demo: invented golfers, their greens, speeds and logs; copies of them for visitors."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.db.account.models import Golfer, OwnMeasures
from orthocline.db.account.queries import golfer_of_key
from orthocline.db.demo import copy_all, delete_demo_copies, demo_template
from orthocline.db.entries import hold
from orthocline.db.speed.queries import newest_speed
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.demo.carry import carry_demo
from orthocline.services.demo.drills import drill_demo
from orthocline.services.demo.greens import DEMO_GREENS, load_demo_greens
from orthocline.services.demo.season import IDRIS, TOVE, WREN, Season, season_end
from orthocline.services.demo.sharing import found_demo_club, share_demo
from orthocline.services.demo.speeds import COURSE, load_demo_speeds
from orthocline.services.demo.study import study_demo
from orthocline.services.demo.training import train_demo
from orthocline.services.errors import NotFoundError
from orthocline.services.ground.places import Place
from orthocline.services.jobs.task import Task
from orthocline.services.log.learning import work_out_habits

PLAYERS = (WREN, TOVE, IDRIS)
"""The demo's golfer, whose greens are charted, and her two pupils."""
DEMO_GOLFER, *PUPILS = (player.name for player in PLAYERS)
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
PUTTS_LOGGED = WREN.putts
PLAYED = 9
"""Greens with a hole to play; the practice green comes after them."""
CLUBS_GREENS = DEMO_GREENS[2:9:2]
"""Greens that the club charted too."""
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


SEED, OF_GREENS = 4, 2
"""What is drawn for the demo begins with it; for its greens with so much more."""
SPINDRIFT = DemoPutt(4, 14.0, -0.021, 0.009, 10.2, 9.0)
"""The demo putt: green 4, 14 ft, 2.1 % falling left, 0.9 % up, speed 10.2, nine inches past."""


@anyone
def load_demo(session: Session, seed: int = SEED) -> bool:
    """Load the demo's golfer and all of hers, once; return whether it was loaded now."""
    hold(session, LOADING_DEMO)
    if demo_template(session, DEMO_GOLFER):
        return False
    golfer = Golfer(name=DEMO_GOLFER, password_hash="", demo="template")
    session.add(golfer)
    session.flush()
    greens = load_demo_greens(session, golfer, np.random.default_rng(seed + OF_GREENS))
    load_demo_speeds(session, golfer, np.random.default_rng(seed + 1))
    golfers = [golfer]
    for number, player in enumerate(PLAYERS):
        if number:
            golfer = Golfer(name=player.name, password_hash="", demo="template")
            session.add(golfer)
            session.flush()
            session.add(OwnMeasures(golfer_id=golfer.id, golfer_level=player.level))
            golfers.append(golfer)
        rng = np.random.default_rng(seed + 10 * number)
        Season(session, golfer, player, greens[:PLAYED], rng).log(season_end())
        session.flush()
        train_demo(session, golfer, season_end(), np.random.default_rng(seed + 50 + number))
        drill_demo(session, golfer, season_end(), np.random.default_rng(seed + 60 + number))
        work_out_habits(Viewer(golfer), session, Task())
        if not number:
            carry_demo(session, golfer, season_end())
            study_demo(session, golfer, season_end())
    share_demo(session, golfers[0], golfers[1:], season_end())
    found_demo_club(session, golfers, CLUBS_GREENS, np.random.default_rng(seed + 70))
    return True


@anyone
def demo_copy(session: Session, now: datetime, key: UUID | None = None, name: str = DEMO_GOLFER) -> Golfer:
    """Return a copy of a golfer of the demo that is one visitor's alone, as if she had measured this morning.

    Copies are swept away after `COPY_LIFE`. The same `key` again is the same copy, and opens nothing else.

    Raises
    ------
    NotFoundError
        When the demo was not loaded, or has no golfer of that name.
    """
    hold(session, LOADING_DEMO)
    delete_demo_copies(session, now - COPY_LIFE, MOST_COPIES)
    template = demo_template(session, name)
    if template is None:
        raise NotFoundError("There is no demo here.")
    before = golfer_of_key(session, key)
    if before and before.demo == "copy":
        return before
    copy = Golfer(name=template.name, password_hash="", demo="copy", key=None if before else key)
    session.add(copy)
    session.flush()
    copy_all(session, template, copy, _days_since(session, template, now))
    return copy


def _days_since(session: Session, template: Golfer, now: datetime) -> timedelta:
    """Return for how many whole days the demo has been lying there."""
    wren = demo_template(session, DEMO_GOLFER) or template
    newest = newest_speed(session, wren.id)
    return timedelta(days=(now - newest.measured_at).days if newest else 0)

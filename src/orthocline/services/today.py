"""Today: the day's order of work, and where to go on."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlalchemy.orm import Session

from orthocline.db.log.models import LoggedPutt
from orthocline.db.log.queries import count_putts, putts_of
from orthocline.db.share.models import Sharing
from orthocline.db.share.queries import taken_by
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.log.putts import MOST_COUNTED, Which
from orthocline.services.share.coaching import CoachNote, SetSession, last_note, sessions_of
from orthocline.services.speed.book import DaySpeed, day_speed

LAST_PUTTS = 5
LATELY = timedelta(days=14)
"""What a coach left stands on the start page for so long."""


@dataclass(frozen=True)
class Step:
    """One thing to do: a `name`, what it is for, and the part of the application that does it, if any."""

    name: str
    what: str
    place: str


@dataclass(frozen=True)
class Today:
    """What the start page says."""

    steps: tuple[Step, ...]
    last: Sequence[LoggedPutt]
    unfinished: int
    speed: DaySpeed | None = None
    pupils: int = 0
    clubs: Sequence[Sharing] = ()
    note: CoachNote | None = None
    session: SetSession | None = None


PRACTICE_STEPS = (
    Step("Measure", "the green's speed: every read uses it.", "speed"),
    Step("Carry", "pocket cards and a green book.", "cards"),
    Step("Go out", "with today's reads, signal or not.", "course"),
    Step("Look", "round it: feet, eyes, a level.", "look"),
    Step("Read", "aim and pace.", "read"),
    Step("Roll", "one ball, and watch its last yard.", ""),
    Step("Log", "where it stopped.", "log"),
    Step("Train", "what your log says you need.", "train"),
)
COMPETITION_STEPS = (
    Step("Carry", "the cards and books that you kept before.", "prints"),
    Step("Go out", "and note where there is no signal.", "course"),
    Step("Look", "in your order, by the clock, no more.", "look"),
    Step("Play", "by your own eyes and feet: reading is off.", ""),
    Step("Log", "the putt and where it finished.", "log"),
)


@anyone
def today(viewer: Viewer, session: Session, now: datetime) -> Today:
    """Return the day's work, a golfer's last putts and green speed, and what others share with them."""
    steps = COMPETITION_STEPS if viewer.in_competition else PRACTICE_STEPS
    if viewer.golfer is None:
        return Today(steps, (), 0)
    last = putts_of(session, viewer.owner_id, limit=LAST_PUTTS)
    unfinished = count_putts(session, viewer.owner_id, Which(opened=True), most=MOST_COUNTED)
    speed = None if viewer.in_competition else day_speed(viewer, session, now)
    taken = taken_by(session, viewer.owner_id)
    clubs = [one for one in taken if one.giver.club]
    note, waits = (None, None) if viewer.in_competition else _left(viewer, session, now)
    return Today(steps, last, unfinished, speed, len(taken) - len(clubs), clubs, note, waits)


def _left(viewer: Viewer, session: Session, now: datetime) -> tuple[CoachNote | None, SetSession | None]:
    """Return what coaches left of late: the newest note, and the newest session that is not begun."""
    note = last_note(viewer, session)
    waits = next((one for one in sessions_of(viewer, session) if one.plan is None), None)
    return (
        note if note and now - note.left_at < LATELY else None,
        waits if waits and now - waits.row.left_at < LATELY else None,
    )

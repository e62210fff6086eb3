"""Practice sessions: what is weakest, a plan for the minutes at hand, and how far it has come."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS, Golfer
from orthocline.core.drills import LONGEST, SHORTEST, Slot, balls_of, session_of, target_of
from orthocline.core.train import GOOD_SHARE, READING
from orthocline.db.entries import add_once, one_at_a_time
from orthocline.db.train.models import PracticePlan
from orthocline.db.train.runs import open_plan
from orthocline.services.account.access import Share, Viewer, open_play
from orthocline.services.account.measures import Measures, golfer_of
from orthocline.services.errors import InvalidError
from orthocline.services.log.habits import habits_of
from orthocline.services.log.outings import begin_outing, open_outing
from orthocline.services.train.drills import ROOM, drill_named, newest_runs, shelf
from orthocline.services.train.record import record_of

FEWEST: Final = 10
"""So many answers of the trainer count."""
MOST_NEED: Final = 3.0
PER_SHARE: Final = 2.0
"""What falls short by a share is needed so many times as much more."""
Told = tuple[str, float, str]
"""What is needed, how much [1], and by what that is told."""


@dataclass(frozen=True)
class Need:
    """How much something is needed [1], and by what that is told: ``log``, ``trainer`` or ``drills``."""

    much: float
    by: str


@dataclass(frozen=True)
class Practice:
    """A practice session as far as it has come.

    Attributes
    ----------
    slots : tuple of Slot
    spent_s : float
        Practised so far [s], pauses left out.
    """

    row: PracticePlan
    slots: tuple[Slot, ...]
    spent_s: float

    @property
    def now(self) -> Slot | None:
        """The part that is on; None where all are done."""
        return self.slots[self.row.done] if self.row.done < len(self.slots) else None

    @property
    def paused(self) -> bool:
        """Whether it is paused."""
        return self.row.running_since is None


@open_play(ROOM)
def needs_of(viewer: Viewer, session: Session, measures: Measures | None, now: datetime) -> dict[str, Need]:
    """Return how much what is needed, by what drills train; 1 where nothing is known of it.

    The log tells of the start line and the pace, as multiples of the usual golfer's of that level, and of how
    much break is not seen; the trainer of answers that are not good; drills of what falls short of the
    model's golfer. What tells most counts.
    """
    usual = GOLFERS[golfer_of(measures).level]
    found: dict[str, Need] = {}
    told: list[Told] = []
    if viewer.sees(Share.FIGURES):
        told += _by_log(viewer, session, usual)
    if viewer.sees(Share.DRILLS):
        told += (*_by_trainer(viewer, session, now), *_by_drills(viewer, session, usual))
    for what, much, by in told:
        if what not in found or much > found[what].much:
            found[what] = Need(min(much, MOST_NEED), by)
    return found


def _by_log(viewer: Viewer, session: Session, usual: Golfer) -> Iterator[Told]:
    known = habits_of(viewer, session)
    if known is None:
        return
    if known.stroke.own:
        yield "line", known.stroke.start_sd_rad.value / usual.start_line_rad, "log"
        yield "pace", known.stroke.energy_sd.value / usual.energy, "log"
    for group in known.of("side"):
        if group.enough:
            yield "read", 1.0 + PER_SHARE * abs(1.0 - group.factor.value), "log"


def _by_trainer(viewer: Viewer, session: Session, now: datetime) -> Iterator[Told]:
    reading = [one for one in record_of(viewer, session, now).asked if one.asks in READING]
    answers = sum(len(one.rows) for one in reading)
    if answers >= FEWEST:
        good = sum(one.good_share * len(one.rows) for one in reading) / answers
        yield "read", 1.0 + PER_SHARE * max(GOOD_SHARE - good, 0.0), "trainer"


def _by_drills(viewer: Viewer, session: Session, usual: Golfer) -> Iterator[Told]:
    known = shelf(viewer).drills
    for name, run in newest_runs(viewer, session).items():
        if name not in known:
            continue
        drill = drill_named(viewer, name, run.own)
        target = target_of(drill, balls_of(drill, run.seed), usual)
        if target is not None:
            short = max(target - run.points / run.best, 0.0)
            yield drill.trains[0], 1.0 + PER_SHARE * short, "drills"


@open_play(ROOM)
def plan_for(
    viewer: Viewer, session: Session, minutes: float, needs: Mapping[str, Need], now: datetime
) -> tuple[Slot, ...]:
    """Return a session for the minutes at hand.

    Raises
    ------
    InvalidError
        For fewer or more minutes than a session has.
    """
    if not SHORTEST <= minutes <= LONGEST:
        raise InvalidError("minutes", f"A session has {SHORTEST:g} to {LONGEST:g} minutes.")
    days = {
        name: (now - run.begun_at).total_seconds() / 86400.0
        for name, run in (newest_runs(viewer, session) if viewer.golfer else {}).items()
    }
    much = {what: one.much for what, one in needs.items()}
    return session_of(minutes, list(shelf(viewer).drills.values()), much, days)


@open_play(ROOM)
def begin_practice(
    viewer: Viewer,
    session: Session,
    minutes: float,
    measures: Measures | None,
    now: datetime,
    key: UUID | None = None,
) -> None:
    """Begin a practice session, and a practice in the log unless one goes on; another session ends.

    The same `key` again is the same session. Raises as `plan_for` does.
    """
    slots = plan_for(viewer, session, minutes, needs_of(viewer, session, measures, now), now)
    begin_slots(viewer, session, slots, minutes, now, key)


@open_play(ROOM)
def begin_slots(
    viewer: Viewer,
    session: Session,
    slots: Sequence[Slot],
    minutes: float,
    now: datetime,
    key: UUID | None = None,
) -> PracticePlan:
    """Begin a practice session of these parts, as `begin_practice` does, and return it."""
    one_at_a_time(session, viewer.owner_id)
    held = open_plan(session, viewer.owner_id)
    if held and held.key == key:
        return held
    if held:
        _end(held, now)
        session.flush()
    outing = open_outing(viewer, session, now) or begin_outing(viewer, session, "practice", "", now)
    plan = PracticePlan(
        golfer_id=viewer.owner_id,
        key=key,
        minutes=minutes,
        slots=slot_members(slots),
        outing_id=outing.id,
        begun_at=now,
        running_since=now,
    )
    return add_once(session, plan)


def slot_members(slots: Sequence[Slot]) -> list[dict[str, Any]]:
    """Return the parts of a session as they are kept."""
    return [{"what": one.what, "minutes": one.minutes, "trains": one.trains} for one in slots]


def slots_of(members: Sequence[Mapping[str, Any]]) -> tuple[Slot, ...]:
    """Return the parts of a session that were kept, each with when it begins."""
    slots, begins = [], 0.0
    for one in members:
        slots.append(Slot(one["what"], begins, one["minutes"], one["trains"]))
        begins += one["minutes"]
    return tuple(slots)


@open_play(ROOM)
def going_practice(viewer: Viewer, session: Session, now: datetime) -> Practice | None:
    """Return the practice session that a golfer is in, if any; refused in Competition."""
    held = open_plan(session, viewer.owner_id)
    if held is None:
        return None
    running = (now - held.running_since).total_seconds() if held.running_since else 0.0
    return Practice(held, slots_of(held.slots), held.spent_s + max(running, 0.0))


@open_play(ROOM)
def done_with(viewer: Viewer, session: Session, number: int, now: datetime) -> None:
    """Be done with a part of the session that goes on, by its number from 1; the last one ends it."""
    one_at_a_time(session, viewer.owner_id)
    held = open_plan(session, viewer.owner_id)
    if held and number == held.done + 1:
        held.done += 1
        if held.done >= len(held.slots):
            _end(held, now)


@open_play(ROOM)
def pause(viewer: Viewer, session: Session, now: datetime) -> None:
    """Pause the session that goes on, if any."""
    one_at_a_time(session, viewer.owner_id)
    held = open_plan(session, viewer.owner_id)
    if held:
        _stop_clock(held, now)


@open_play(ROOM)
def take_up(viewer: Viewer, session: Session, now: datetime) -> None:
    """Take a paused session up again, if there is one."""
    one_at_a_time(session, viewer.owner_id)
    held = open_plan(session, viewer.owner_id)
    if held and held.running_since is None:
        held.running_since = now


@open_play(ROOM)
def end_practice(viewer: Viewer, session: Session, now: datetime) -> None:
    """End the session that goes on, if any; what was done stays in the log of the practice."""
    one_at_a_time(session, viewer.owner_id)
    held = open_plan(session, viewer.owner_id)
    if held:
        _end(held, now)


def _stop_clock(held: PracticePlan, now: datetime) -> None:
    if held.running_since is not None:
        held.spent_s += max((now - held.running_since).total_seconds(), 0.0)
        held.running_since = None


def _end(held: PracticePlan, now: datetime) -> None:
    _stop_clock(held, now)
    held.ended_at = now

"""Rounds and practices: begun by a tap, ended by another, each with its putts."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.log import MOST_HOLES
from orthocline.db.entries import add_once, entry_of
from orthocline.db.ground.queries import kept_course
from orthocline.db.log.models import NOTE_LENGTH, LoggedPutt
from orthocline.db.log.models import Outing as Outing
from orthocline.db.log.outings import (
    OutingCounts,
    mark_putts_of,
    outing_counts,
    outings_of,
    putts_in,
    unended_outing,
)
from orthocline.services.account.access import Mode, Viewer, own_data
from orthocline.services.account.competition import set_mode
from orthocline.services.errors import InvalidError
from orthocline.services.ground.places import COURSE_LENGTH
from orthocline.services.text import short_text
from orthocline.services.undo import delete_entry, find_entry, restore_entry

KINDS = ("round", "practice")
GOES_ON = timedelta(hours=12)
"""A round or practice that nobody ended ends by itself."""
MISSING = "round or practice in your log"
MOST_LISTED, MOST_OUTINGS = 100, 1_000_000
SOON = timedelta(days=1)
"""Nothing was played later than this from now: clocks differ by zones."""


@dataclass(frozen=True)
class OutingRow:
    """A round or practice with what its putts add up to."""

    outing: Outing
    counts: OutingCounts


@own_data
def begin_outing(
    viewer: Viewer,
    session: Session,
    kind: str,
    course: str,
    now: datetime,
    key: UUID | None = None,
    *,
    competition: bool = False,
) -> Outing:
    """Begin a round or a practice; one that goes on ends. The same `key` again is the same.

    With a round Competition begins where that is asked for, and lasts with it until midnight.

    Raises
    ------
    InvalidError
        For a kind that is none, a practice in Competition, or a name that is too long.
    """
    if competition and kind != "round":
        raise InvalidError("kind", "Competition is for a round: a practice is open play.")
    outing = Outing(golfer_id=viewer.owner_id, key=key, begun_at=now)
    _take(viewer, session, outing, kind, course)
    outing.competition = kind == "round" and (competition or viewer.in_competition)
    if outing.competition:
        set_mode(viewer, Mode.COMPETITION, now)
    going = open_outing(viewer, session, now)
    begun = add_once(session, outing)
    if going and going is not begun and going.begun_at <= now:
        going.ended_at = now
    return begun


@own_data
def keep_outing(
    viewer: Viewer,
    session: Session,
    kind: str,
    course: str,
    begun_at: datetime,
    *,
    holes: int | None = None,
    note: str = "",
    key: UUID | None = None,
) -> Outing:
    """Keep one that is over; raises as `edit_outing` does. The same `key` again is the same."""
    outing = Outing(golfer_id=viewer.owner_id, key=key, begun_at=begun_at, ended_at=begun_at)
    _take(viewer, session, outing, kind, course)
    _take_rest(outing, begun_at, holes, note)
    return add_once(session, outing)


@own_data
def edit_outing(
    viewer: Viewer,
    session: Session,
    outing_id: int,
    *,
    kind: str,
    course: str,
    begun_at: datetime,
    holes: int | None,
    note: str,
) -> None:
    """Change what is said of a round or practice.

    Raises
    ------
    InvalidError
        For a kind that is none, a time to come, more holes than a round has, or words that are too long.
    NotFoundError
        When there is none of that number.
    """
    outing = find_outing(viewer, session, outing_id)
    _take(viewer, session, outing, kind, course)
    _take_rest(outing, begun_at, holes, note)


def _take(viewer: Viewer, session: Session, outing: Outing, kind: str, course: str) -> None:
    if kind not in KINDS:
        raise InvalidError("kind", "It is a round or a practice.")
    name = short_text("course", course, COURSE_LENGTH)
    outing.kind = kind
    outing.course = kept_course(session, viewer.owner_id, name) if name else None


def _take_rest(outing: Outing, begun_at: datetime, holes: int | None, note: str) -> None:
    require_past(begun_at)
    if holes is not None and not 1 <= holes <= MOST_HOLES:
        raise InvalidError("holes", f"A round has 1 to {MOST_HOLES} holes.")
    outing.begun_at, outing.holes = begun_at, holes
    outing.note = short_text("note", note, NOTE_LENGTH)


def require_past(when: datetime) -> None:
    """Refuse a time that is still to come; raises InvalidError."""
    if when > datetime.now(UTC) + SOON:
        raise InvalidError("when", "That day is still to come.")


@own_data
def open_outing(viewer: Viewer, session: Session, now: datetime) -> Outing | None:
    """Return the round or practice that goes on; None if there is none."""
    return unended_outing(session, viewer.owner_id, now - GOES_ON)


@own_data
def find_outing(viewer: Viewer, session: Session, outing_id: int) -> Outing:
    """Return a round or practice of the golfer's own; raises as `find_entry` does."""
    return find_entry(viewer, session, Outing, outing_id, MISSING)


@own_data
def end_outing(viewer: Viewer, session: Session, outing_id: int, now: datetime) -> bool:
    """End a round or practice; raises as `find_entry` does. One that ended stays as it is.

    Return whether Competition ended with it, which had begun with it.
    """
    outing = find_outing(viewer, session, outing_id)
    ends = outing.competition and outing.ended_at is None and viewer.in_competition
    if ends:
        set_mode(viewer, Mode.OPEN_PLAY, now)
    outing.ended_at = outing.ended_at or now
    return ends


@own_data
def list_outings(viewer: Viewer, session: Session, after: int = 0) -> Sequence[OutingRow]:
    """Return the golfer's rounds and practices, newest first, `MOST_LISTED` of them, after so many."""
    outings = outings_of(session, viewer.owner_id, limit=MOST_LISTED, after=min(after, MOST_OUTINGS))
    counts = outing_counts(session, viewer.owner_id, [one.id for one in outings])
    return [OutingRow(one, counts.get(one.id, OutingCounts())) for one in outings]


@own_data
def outing_row(viewer: Viewer, session: Session, outing: Outing) -> OutingRow:
    """Return one round or practice with what its putts add up to."""
    counts = outing_counts(session, viewer.owner_id, [outing.id])
    return OutingRow(outing, counts.get(outing.id, OutingCounts()))


@own_data
def putts_of_outing(viewer: Viewer, session: Session, outing_id: int) -> Sequence[LoggedPutt]:
    """Return the putts of a round or practice in the order in which they were played."""
    return putts_in(session, viewer.owner_id, outing_id)


@own_data
def delete_outing(viewer: Viewer, session: Session, outing_id: int) -> None:
    """Delete a round or practice with its putts, with a way back; raises as `delete_entry` does."""
    outing = find_outing(viewer, session, outing_id)
    delete_entry(viewer, session, Outing, outing_id, MISSING)
    mark_putts_of(session, viewer.owner_id, outing_id, None, outing.deleted_at)


@own_data
def restore_outing(viewer: Viewer, session: Session, outing_id: int) -> Outing:
    """Bring a round or practice back with the putts that went with it; raises as `restore_entry` does."""
    deleted = entry_of(session, Outing, viewer.owner_id, outing_id)
    deleted_at = deleted.deleted_at if deleted else None
    outing = restore_entry(viewer, session, Outing, outing_id)
    if deleted_at:
        mark_putts_of(session, viewer.owner_id, outing_id, deleted_at, None)
    return outing

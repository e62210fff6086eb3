"""Queries, each scoped to the golfer whose rows they are."""

from collections.abc import Iterator, Sequence
from datetime import datetime, timedelta
from typing import TypeVar
from uuid import UUID

from sqlalchemy import ColumnElement, DateTime, Select, delete, func, insert, literal, or_, select, tuple_
from sqlalchemy.dialects.postgresql import distinct_on
from sqlalchemy.orm import InstrumentedAttribute, Session

from orthocline.db.models import (
    Entry,
    Golfer,
    LoggedPutt,
    OwnMeasures,
    SpeedNote,
    StrideTrial,
    StrokeTrial,
)

Kept = TypeVar("Kept", bound=Entry)
NEWEST_PUTT = (LoggedPutt.created_at.desc(), LoggedPutt.id.desc())
FETCHED = 500
"""Rows that are fetched at once where all are taken one after another."""
LARGEST_ID = 2**63 - 1
"""No row has a larger number: the column's own limit."""


def same(column: InstrumentedAttribute[str], words: str) -> ColumnElement[bool]:
    """Return whether a name is the same: capitals, and ways to write a letter, aside.

    The database alone compares: its `folded` and Python's lower() differ on letters of several alphabets.
    """
    return func.folded(column) == func.folded(words)


def golfer_named(session: Session, name: str) -> Golfer | None:
    """Return the golfer of that name, not counting the demo's."""
    return session.scalar(select(Golfer).where(same(Golfer.name, name), Golfer.demo.is_(None)))


def golfer_of_key(session: Session, key: UUID | None) -> Golfer | None:
    """Return the golfer who was made by the form of that key, if any."""
    return session.scalar(select(Golfer).where(Golfer.key == key)) if key else None


def golfer_by_id(session: Session, golfer_id: int) -> Golfer | None:
    """Return a golfer."""
    return session.get(Golfer, golfer_id) if golfer_id <= LARGEST_ID else None


def demo_template(session: Session) -> Golfer | None:
    """Return the demo's golfer, of whom visitors get copies, if the demo was loaded."""
    return session.scalar(select(Golfer).where(Golfer.demo == "template"))


def copy_all(session: Session, template: Golfer, copy: Golfer, later: timedelta) -> None:
    """Copy everything of one golfer to another, with all times that much later."""
    for kind in (OwnMeasures, StrideTrial, StrokeTrial, LoggedPutt, SpeedNote):
        columns = {column.key: column for column in kind.__table__.columns}
        for name in ("id", "key", "golfer_id"):
            columns.pop(name, None)
        values = [c + later if isinstance(c.type, DateTime) else c for c in columns.values()]
        rows = select(literal(copy.id), *values).where(kind.golfer_id == template.id)
        if "id" in kind.__table__.columns:
            rows = rows.order_by(kind.__table__.columns["id"])
        session.execute(insert(kind).from_select(["golfer_id", *columns], rows))


def delete_demo_copies(session: Session, before: datetime, most: int) -> None:
    """Delete the copies of the demo's golfer that were made before a time, and all but the newest `most`."""
    newest = select(Golfer.id).where(Golfer.demo == "copy").order_by(Golfer.id.desc()).limit(most)
    too_many = Golfer.id.not_in(newest.scalar_subquery())
    session.execute(delete(Golfer).where(Golfer.demo == "copy", or_(Golfer.created_at < before, too_many)))


def hold(session: Session, lock: int) -> None:
    """Wait for a lock of the database that no two hold at once, and hold it until the transaction ends."""
    session.execute(select(func.pg_advisory_xact_lock(lock)))


def one_at_a_time(session: Session, golfer_id: int) -> None:
    """Wait until nothing else is being entered by a golfer, and hold that until the transaction ends."""
    session.execute(select(Golfer.id).where(Golfer.id == golfer_id).with_for_update(key_share=True))


def with_same_key(session: Session, entry: Kept) -> Kept | None:
    """Return what a golfer entered before under the key of an entry, if it has one and there is any."""
    if entry.key is None:
        return None
    kind = type(entry)
    return session.scalar(select(kind).where(kind.golfer_id == entry.golfer_id, kind.key == entry.key))


def add_once(session: Session, entry: Kept) -> Kept:
    """Add what a golfer enters, or return what was entered before under the same key."""
    one_at_a_time(session, entry.golfer_id)
    found = with_same_key(session, entry)
    if found:
        return found
    session.add(entry)
    session.flush()
    return entry


def entry_of(session: Session, kind: type[Kept], golfer_id: int, entry_id: int) -> Kept | None:
    """Return one entry of a golfer's own, deleted or not, or None if there is none of that number."""
    if entry_id > LARGEST_ID:
        return None
    return session.scalar(select(kind).where(kind.golfer_id == golfer_id, kind.id == entry_id))


def count_of(session: Session, kind: type[Entry], golfer_id: int) -> int:
    """Return how many entries of a kind a golfer has."""
    query = select(func.count()).select_from(kind).where(kind.golfer_id == golfer_id)
    return session.scalar(query) or 0


def putt_of(session: Session, golfer_id: int, putt_id: int) -> LoggedPutt | None:
    """Return one putt of the golfer's log, or None if there is none of that number."""
    putt = entry_of(session, LoggedPutt, golfer_id, putt_id)
    return None if putt is None or putt.deleted_at else putt


Place = tuple[datetime, int]
"""Where a putt stands in the log: when it was logged, and its number."""


def putts_of(
    session: Session,
    golfer_id: int,
    *,
    result: str = "",
    place: str = "",
    before: Place | None = None,
    limit: int,
) -> Sequence[LoggedPutt]:
    """Return so many of a golfer's putts, newest first.

    Parameters
    ----------
    result : str
        ``holed``, ``missed``, ``open`` (finish not recorded) or empty for all.
    place : str
        Part of the place's name.
    before : tuple of datetime and int, or None
        Only those that stand after this one in the log: further pages cost no more than the first.
    """
    query = _filtered(golfer_id, result, place)
    if before:
        here = tuple_(LoggedPutt.created_at, LoggedPutt.id)
        query = query.where(here < tuple_(literal(before[0]), literal(before[1])))
    numbers = query.with_only_columns(LoggedPutt.id).order_by(*NEWEST_PUTT).limit(limit)
    return session.scalars(
        select(LoggedPutt).where(LoggedPutt.id.in_(numbers.scalar_subquery())).order_by(*NEWEST_PUTT)
    ).all()


def count_putts(session: Session, golfer_id: int, *, result: str = "", place: str = "", most: int) -> int:
    """Return how many putts of a golfer fit, counting no further than `most`."""
    numbers = _filtered(golfer_id, result, place).with_only_columns(LoggedPutt.id).limit(most)
    return session.scalar(select(func.count()).select_from(numbers.subquery())) or 0


def all_putts(session: Session, golfer_id: int) -> Iterator[LoggedPutt]:
    """Return all putts of a golfer, newest first, fetched as they are taken."""
    query = _putts(golfer_id).order_by(*NEWEST_PUTT)
    return iter(session.scalars(query.execution_options(yield_per=FETCHED)))


def all_speeds(session: Session, golfer_id: int) -> Iterator[SpeedNote]:
    """Return all speeds of a golfer, newest first, fetched as they are taken."""
    query = _speeds(golfer_id).order_by(SpeedNote.measured_at.desc(), SpeedNote.id.desc())
    return iter(session.scalars(query.execution_options(yield_per=FETCHED)))


def measures_of(session: Session, golfer_id: int) -> OwnMeasures | None:
    """Return a golfer's own measures, if any were kept."""
    return session.get(OwnMeasures, golfer_id)


def speed_of(session: Session, golfer_id: int, note_id: int) -> SpeedNote | None:
    """Return one speed of the golfer's book, or None if there is none of that number."""
    note = entry_of(session, SpeedNote, golfer_id, note_id)
    return None if note is None or note.deleted_at else note


def speeds_of(
    session: Session, golfer_id: int, *, course: str = "", green: str = "", since: datetime | None = None
) -> Sequence[SpeedNote]:
    """Return a golfer's speeds, newest first; those of one `course`, one `green` of it, `since` a time."""
    query = _speeds(golfer_id).order_by(SpeedNote.measured_at.desc(), SpeedNote.id.desc())
    if course:
        query = query.where(same(SpeedNote.course, course))
    if green:
        query = query.where(same(SpeedNote.green, green))
    if since:
        query = query.where(SpeedNote.measured_at >= since)
    return session.scalars(query).all()


def newest_speed(session: Session, golfer_id: int, *, course: str = "", method: str = "") -> SpeedNote | None:
    """Return the speed that was measured last: of all, of one `course`, by one `method`."""
    query = _speeds(golfer_id).order_by(SpeedNote.measured_at.desc(), SpeedNote.id.desc())
    if course:
        query = query.where(same(SpeedNote.course, course))
    if method:
        query = query.where(SpeedNote.method == method)
    return session.scalar(query.limit(1))


def courses_of(session: Session, golfer_id: int) -> Sequence[str]:
    """Return the courses of a golfer's speeds in order, each once, as it was written last."""
    name = func.folded(SpeedNote.course)
    query = _speeds(golfer_id).ext(distinct_on(name)).order_by(name, SpeedNote.measured_at.desc())
    return [note.course for note in session.scalars(query)]


def purge_deleted(session: Session, golfer_id: int, before: datetime) -> None:
    """Delete for good what a golfer deleted before that time."""
    for kind in (LoggedPutt, SpeedNote):
        session.execute(delete(kind).where(kind.golfer_id == golfer_id, kind.deleted_at < before))


def _putts(golfer_id: int) -> Select[LoggedPutt]:
    return select(LoggedPutt).where(LoggedPutt.golfer_id == golfer_id, LoggedPutt.deleted_at.is_(None))


def _filtered(golfer_id: int, result: str, place: str) -> Select[LoggedPutt]:
    query = _putts(golfer_id)
    if result == "open":
        query = query.where(LoggedPutt.holed.is_(None))
    elif result:
        query = query.where(LoggedPutt.holed.is_(result == "holed"))
    if place:
        query = query.where(func.strpos(func.folded(LoggedPutt.place), func.folded(place)) > 0)
    return query


def _speeds(golfer_id: int) -> Select[SpeedNote]:
    return select(SpeedNote).where(SpeedNote.golfer_id == golfer_id, SpeedNote.deleted_at.is_(None))

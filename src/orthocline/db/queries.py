"""Queries, each scoped to the golfer whose rows they are."""

from collections.abc import Sequence
from datetime import datetime

from sqlalchemy import ColumnElement, Select, delete, func, select
from sqlalchemy.dialects.postgresql import distinct_on
from sqlalchemy.orm import InstrumentedAttribute, Session

from orthocline.db.models import Golfer, LoggedPutt, OwnMeasures, SpeedNote

LARGEST_ID = 2**63 - 1
"""No row has a larger number: the column's own limit."""


def same(column: InstrumentedAttribute[str], words: str) -> ColumnElement[bool]:
    """Return whether a name is the same: capitals, and ways to write a letter, aside.

    The database alone compares: its `folded` and Python's lower() differ on letters of several alphabets.
    """
    return func.folded(column) == func.folded(words)


def golfer_named(session: Session, name: str) -> Golfer | None:
    """Return the golfer of that name."""
    return session.scalar(select(Golfer).where(same(Golfer.name, name)))


def golfer_by_id(session: Session, golfer_id: int) -> Golfer | None:
    """Return a golfer."""
    return session.get(Golfer, golfer_id)


def putt_of(session: Session, golfer_id: int, putt_id: int, *, deleted: bool = False) -> LoggedPutt | None:
    """Return one putt of the golfer's log, or None if there is none of that number."""
    if putt_id > LARGEST_ID:
        return None
    return session.scalar(_putts(golfer_id, deleted=deleted).where(LoggedPutt.id == putt_id))


def putts_of(
    session: Session, golfer_id: int, *, result: str = "", place: str = "", limit: int | None = None
) -> Sequence[LoggedPutt]:
    """Return a golfer's putts, newest first.

    Parameters
    ----------
    result : str
        ``holed``, ``missed``, ``open`` (finish not recorded) or empty for all.
    place : str
        Part of the place's name.
    """
    query = _putts(golfer_id).order_by(LoggedPutt.created_at.desc(), LoggedPutt.id.desc())
    if result == "open":
        query = query.where(LoggedPutt.holed.is_(None))
    elif result:
        query = query.where(LoggedPutt.holed.is_(result == "holed"))
    if place:
        query = query.where(func.strpos(func.folded(LoggedPutt.place), func.folded(place)) > 0)
    return session.scalars(query.limit(limit)).all()


def unfinished_putts(session: Session, golfer_id: int) -> int:
    """Return how many putts of a golfer have no finish yet."""
    query = _putts(golfer_id).where(LoggedPutt.holed.is_(None))
    return session.scalar(select(func.count()).select_from(query.subquery())) or 0


def measures_of(session: Session, golfer_id: int) -> OwnMeasures | None:
    """Return a golfer's own measures, if any were kept."""
    return session.get(OwnMeasures, golfer_id)


def speed_of(session: Session, golfer_id: int, note_id: int, *, deleted: bool = False) -> SpeedNote | None:
    """Return one speed of the golfer's book, or None if there is none of that number."""
    if note_id > LARGEST_ID:
        return None
    return session.scalar(_speeds(golfer_id, deleted=deleted).where(SpeedNote.id == note_id))


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


def _putts(golfer_id: int, *, deleted: bool = False) -> Select[LoggedPutt]:
    gone = LoggedPutt.deleted_at
    return select(LoggedPutt).where(
        LoggedPutt.golfer_id == golfer_id, gone.is_not(None) if deleted else gone.is_(None)
    )


def _speeds(golfer_id: int, *, deleted: bool = False) -> Select[SpeedNote]:
    gone = SpeedNote.deleted_at
    return select(SpeedNote).where(
        SpeedNote.golfer_id == golfer_id, gone.is_not(None) if deleted else gone.is_(None)
    )

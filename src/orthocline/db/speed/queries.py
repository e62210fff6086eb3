"""A golfer's green speeds."""

from collections.abc import Iterator, Sequence
from datetime import datetime

from sqlalchemy import Select, func, select
from sqlalchemy.dialects.postgresql import distinct_on
from sqlalchemy.orm import Session

from orthocline.db.entries import FETCHED, same
from orthocline.db.speed.models import SpeedNote


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


def all_speeds(session: Session, golfer_id: int) -> Iterator[SpeedNote]:
    """Return all speeds of a golfer, newest first, fetched as they are taken."""
    query = _speeds(golfer_id).order_by(SpeedNote.measured_at.desc(), SpeedNote.id.desc())
    return iter(session.scalars(query.execution_options(yield_per=FETCHED)))


def _speeds(golfer_id: int) -> Select[SpeedNote]:
    return select(SpeedNote).where(SpeedNote.golfer_id == golfer_id, SpeedNote.deleted_at.is_(None))

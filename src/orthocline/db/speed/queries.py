"""A golfer's green speeds."""

from collections.abc import Sequence
from datetime import datetime

from sqlalchemy import Select, func, select
from sqlalchemy.orm import Session

from orthocline.db.ground.models import Course
from orthocline.db.speed.models import SpeedNote


def speeds_of(
    session: Session,
    golfer_id: int,
    *,
    course: Course | None = None,
    since: datetime | None = None,
) -> Sequence[SpeedNote]:
    """Return a golfer's speeds, newest first; those of one `course`, `since` a time."""
    query = _speeds(golfer_id).order_by(SpeedNote.measured_at.desc(), SpeedNote.id.desc())
    if course:
        query = query.where(SpeedNote.course_id == course.id)
    if since:
        query = query.where(SpeedNote.measured_at >= since)
    return session.scalars(query).all()


def newest_speed(
    session: Session, golfer_id: int, *, course: Course | None = None, method: str = ""
) -> SpeedNote | None:
    """Return the speed that was measured last: of all, of one `course`, by one `method`."""
    query = _speeds(golfer_id).order_by(SpeedNote.measured_at.desc(), SpeedNote.id.desc())
    if course:
        query = query.where(SpeedNote.course_id == course.id)
    if method:
        query = query.where(SpeedNote.method == method)
    return session.scalar(query.limit(1))


def median_speed_ft(session: Session, golfer_id: int, least: int) -> float | None:
    """Return the median of a golfer's speeds [ft], None for fewer than so many."""
    median = func.percentile_cont(0.5).within_group(SpeedNote.speed_ft)
    query = _speeds(golfer_id).with_only_columns(median, func.count())
    found, count = session.execute(query).one()
    return float(found) if count >= least else None


def measured_courses(session: Session, golfer_id: int) -> Sequence[Course]:
    """Return the courses of a golfer's speeds in the order of their names."""
    measured = _speeds(golfer_id).with_only_columns(SpeedNote.course_id)
    return session.scalars(
        select(Course).where(Course.id.in_(measured)).order_by(func.folded(Course.name))
    ).all()


def _speeds(golfer_id: int) -> Select[SpeedNote]:
    return select(SpeedNote).where(SpeedNote.golfer_id == golfer_id, SpeedNote.deleted_at.is_(None))

"""A golfer's putts: by number, by page, all."""

from collections.abc import Iterator, Sequence
from datetime import datetime

from sqlalchemy import ColumnElement, Select, func, literal, or_, select, tuple_
from sqlalchemy.orm import Session

from orthocline.db.entries import FETCHED
from orthocline.db.ground.models import Course, Green
from orthocline.db.log.models import LoggedPutt

NEWEST_PUTT = (LoggedPutt.created_at.desc(), LoggedPutt.id.desc())

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
        Part of the names of course and green.
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


def _putts(golfer_id: int) -> Select[LoggedPutt]:
    return select(LoggedPutt).where(LoggedPutt.golfer_id == golfer_id, LoggedPutt.deleted_at.is_(None))


def _filtered(golfer_id: int, result: str, place: str) -> Select[LoggedPutt]:
    query = _putts(golfer_id)
    if result == "open":
        query = query.where(LoggedPutt.holed.is_(None))
    elif result:
        query = query.where(LoggedPutt.holed.is_(result == "holed"))
    return query.where(_lies_at(golfer_id, place)) if place else query


def _lies_at(golfer_id: int, place: str) -> ColumnElement[bool]:
    """Return whether a putt's course, or course and green, have a part of that name."""

    def has_it(name: ColumnElement[str]) -> ColumnElement[bool]:
        return func.strpos(func.folded(name), func.folded(place)) > 0

    courses = select(Course.id).where(Course.golfer_id == golfer_id, has_it(Course.name.expression))
    both = Course.name + ", " + Green.name
    greens = select(Green.id).join(Course).where(Green.golfer_id == golfer_id, has_it(both))
    return or_(LoggedPutt.course_id.in_(courses), LoggedPutt.green_id.in_(greens))

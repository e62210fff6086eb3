"""A golfer's rounds and practices, and their putts."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from sqlalchemy import ColumnElement, distinct, func, select, update
from sqlalchemy.orm import Session

from orthocline.db.log.models import LoggedPutt, Outing

THREE = 3


@dataclass(frozen=True)
class OutingCounts:
    """What the putts of a round or practice add up to: putts, greens, three-putts, putts that dropped."""

    putts: int = 0
    greens: int = 0
    three_putts: int = 0
    holed: int = 0


def outings_of(
    session: Session, golfer_id: int, *, limit: int | None = None, after: int = 0
) -> Sequence[Outing]:
    """Return a golfer's rounds and practices, newest first: all, or so many after so many."""
    query = select(Outing).where(_kept(golfer_id)).offset(after)
    return session.scalars(query.order_by(Outing.begun_at.desc(), Outing.id.desc()).limit(limit)).all()


def round_holes(session: Session, golfer_id: int) -> dict[int, int]:
    """Return how many holes a card says of each of a golfer's rounds, 0 where none does, by their numbers."""
    query = select(Outing.id, Outing.holes).where(_kept(golfer_id), Outing.kind == "round")
    return {row[0]: row[1] or 0 for row in session.execute(query)}


def unended_outing(session: Session, golfer_id: int, since: datetime) -> Outing | None:
    """Return the newest round or practice that was begun since a time and is not ended."""
    query = select(Outing).where(_kept(golfer_id), Outing.ended_at.is_(None), Outing.begun_at >= since)
    return session.scalar(query.order_by(Outing.begun_at.desc(), Outing.id.desc()).limit(1))


def outing_keyed(session: Session, golfer_id: int, key: UUID) -> int | None:
    """Return the number of a golfer's round or practice that has a key; None for none that is kept."""
    return session.scalar(select(Outing.id).where(_kept(golfer_id), Outing.key == key))


def outing_counts(session: Session, golfer_id: int, numbers: Sequence[int]) -> dict[int, OutingCounts]:
    """Return what the putts of rounds and practices add up to, by their numbers."""
    putts = (
        select(
            LoggedPutt.outing_id,
            func.count(),
            func.count(distinct(LoggedPutt.visit)),
            func.count(distinct(LoggedPutt.visit)).filter(LoggedPutt.number >= THREE),
            func.count().filter(LoggedPutt.holed.is_(True)),
        )
        .where(_putts(golfer_id), LoggedPutt.outing_id.in_(numbers))
        .group_by(LoggedPutt.outing_id)
    )
    rows = session.execute(putts)
    return {row[0]: OutingCounts(*row[1:]) for row in rows if row[0] is not None}


def putts_in(session: Session, golfer_id: int, outing_id: int) -> Sequence[LoggedPutt]:
    """Return the putts of a round or practice in the order in which they were played."""
    order = LoggedPutt.hole.nulls_last(), LoggedPutt.created_at, LoggedPutt.number, LoggedPutt.id
    query = select(LoggedPutt).where(_putts(golfer_id), LoggedPutt.outing_id == outing_id)
    return session.scalars(query.order_by(*order)).all()


def last_putt_of(session: Session, golfer_id: int, outing_id: int | None) -> LoggedPutt | None:
    """Return the putt that was noted last in a round or practice; with None in no one."""
    query = select(LoggedPutt).where(_putts(golfer_id), LoggedPutt.outing_id.is_not_distinct_from(outing_id))
    order = LoggedPutt.created_at.desc(), LoggedPutt.id.desc()
    return session.scalar(query.order_by(*order).limit(1))


def first_putt_of(session: Session, golfer_id: int, visit: UUID) -> LoggedPutt | None:
    """Return the first putt of a golfer's visit to a green, if it was noted."""
    query = select(LoggedPutt).where(_putts(golfer_id), LoggedPutt.visit == visit, LoggedPutt.number == 1)
    return session.scalar(query.order_by(LoggedPutt.id).limit(1))


def mark_putts_of(
    session: Session, golfer_id: int, outing_id: int, was: datetime | None, now: datetime | None
) -> None:
    """Let the putts of a round or practice that were deleted at a time be deleted at another, or never."""
    of_it = (
        LoggedPutt.golfer_id == golfer_id,
        LoggedPutt.outing_id == outing_id,
        LoggedPutt.deleted_at.is_not_distinct_from(was),
    )
    session.execute(update(LoggedPutt).where(*of_it).values(deleted_at=now))


def _kept(golfer_id: int) -> ColumnElement[bool]:
    return (Outing.golfer_id == golfer_id) & Outing.deleted_at.is_(None)


def _putts(golfer_id: int) -> ColumnElement[bool]:
    return (LoggedPutt.golfer_id == golfer_id) & LoggedPutt.deleted_at.is_(None)

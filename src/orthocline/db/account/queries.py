"""Golfers by name, number and key; their measures."""

from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer, OwnMeasures
from orthocline.db.entries import LARGEST_ID, same


def golfer_named(session: Session, name: str, *, locked: bool = False) -> Golfer | None:
    """Return the golfer of that name, not counting the demo's, nor clubs; `locked`, one change at a time."""
    named = same(Golfer.name, name), Golfer.demo.is_(None), Golfer.club.is_(False)
    query = select(Golfer).where(*named)
    return session.scalar(query.with_for_update() if locked else query)


def golfer_of_key(session: Session, key: UUID | None) -> Golfer | None:
    """Return the golfer who was made by the form of that key, if any."""
    return session.scalar(select(Golfer).where(Golfer.key == key)) if key else None


def golfer_by_id(session: Session, golfer_id: int) -> Golfer | None:
    """Return a golfer."""
    return session.get(Golfer, golfer_id) if golfer_id <= LARGEST_ID else None


def measures_of(session: Session, golfer_id: int) -> OwnMeasures | None:
    """Return a golfer's own measures, if any were kept."""
    return session.get(OwnMeasures, golfer_id)

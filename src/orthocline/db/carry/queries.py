"""A golfer's prints."""

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthocline.db.carry.models import Arrival, Print


def prints_of(session: Session, golfer_id: int) -> Sequence[Print]:
    """Return a golfer's prints, newest first, without their pages."""
    query = select(Print).where(Print.golfer_id == golfer_id, Print.deleted_at.is_(None))
    return session.scalars(query.order_by(Print.asked_at.desc(), Print.id.desc())).all()


def print_like(session: Session, golfer_id: int, digest: str) -> Print | None:
    """Return the newest print of a golfer's that was made of the same."""
    query = select(Print).where(
        Print.golfer_id == golfer_id, Print.digest == digest, Print.deleted_at.is_(None)
    )
    return session.scalars(query.order_by(Print.id.desc())).first()


def arrivals_among(session: Session, golfer_id: int, keys: Sequence[UUID]) -> set[UUID]:
    """Return those of some keys under which something of a golfer's has come in."""
    query = select(Arrival.key).where(Arrival.golfer_id == golfer_id, Arrival.key.in_(keys))
    return set(session.scalars(query))

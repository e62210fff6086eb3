"""What golfers enter: once, one at a time, compared in one place, each scoped to its golfer."""

from datetime import datetime
from typing import TypeVar

from sqlalchemy import ColumnElement, delete, func, select
from sqlalchemy.orm import InstrumentedAttribute, Session

from orthocline.db.account.models import Golfer
from orthocline.db.base import Entry, UndoableEntry

Kept = TypeVar("Kept", bound=Entry)

FETCHED = 500
"""Rows that are fetched at once where all are taken one after another."""

LARGEST_ID = 2**63 - 1
"""No row has a larger number: the column's own limit."""


def same(column: InstrumentedAttribute[str] | ColumnElement[str], words: str) -> ColumnElement[bool]:
    """Return whether a name is the same: capitals, and ways to write a letter, aside.

    The database alone compares: its `folded` and Python's lower() differ on letters of several alphabets.
    """
    return func.folded(column) == func.folded(words)


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
    before = with_same_key(session, entry)
    if before:
        return before
    session.add(entry)
    session.flush()
    return entry


def entry_of(session: Session, kind: type[Kept], golfer_id: int, entry_id: int) -> Kept | None:
    """Return one entry of a golfer's own, deleted or not, or None if there is none of that number."""
    if entry_id > LARGEST_ID:
        return None
    return session.scalar(select(kind).where(kind.golfer_id == golfer_id, kind.id == entry_id))


def row_of(session: Session, kind: type[Kept], entry_id: int) -> Kept | None:
    """Return one entry as it is now, whoever's it is; whether it may be seen is another question."""
    return session.get(kind, entry_id, populate_existing=True) if entry_id <= LARGEST_ID else None


def count_of(session: Session, kind: type[Entry], golfer_id: int) -> int:
    """Return how many entries of a kind a golfer has."""
    query = select(func.count()).select_from(kind).where(kind.golfer_id == golfer_id)
    return session.scalar(query) or 0


def purge_deleted(session: Session, kind: type[UndoableEntry], golfer_id: int, before: datetime) -> None:
    """Delete for good what a golfer deleted of a kind before that time."""
    session.execute(delete(kind).where(kind.golfer_id == golfer_id, kind.deleted_at < before))

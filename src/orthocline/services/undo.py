"""Deleting with a way back: a day long, and twice is as good as once."""

from datetime import UTC, datetime, timedelta
from typing import TypeVar

from sqlalchemy.orm import Session

from orthocline.db.base import UndoableEntry
from orthocline.db.entries import entry_of, purge_deleted
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.errors import NotFoundError

UNDO_TIME = timedelta(days=1)
"""How long what was deleted can be brought back before it is deleted for good."""
Undoable = TypeVar("Undoable", bound=UndoableEntry)


@own_data
def find_entry(
    viewer: Viewer, session: Session, kind: type[Undoable], entry_id: int, missing: str
) -> Undoable:
    """Return a golfer's own entry that is not deleted.

    Raises
    ------
    NotFoundError
        When there is none of that number, whether or not somebody else has one; it says what is `missing`.
    """
    entry = entry_of(session, kind, viewer.owner_id, entry_id)
    if entry is None or entry.deleted_at:
        raise NotFoundError(f"There is no such {missing}. It may have been deleted.")
    return entry


@own_data
def delete_entry(
    viewer: Viewer, session: Session, kind: type[UndoableEntry], entry_id: int, missing: str
) -> None:
    """Delete an entry; what was deleted before the last day is gone for good now.

    Raises
    ------
    NotFoundError
        When there is none of that number.
    """
    entry, now = entry_of(session, kind, viewer.owner_id, entry_id), datetime.now(UTC)
    if entry is None:
        raise NotFoundError(f"There is no such {missing}. It may have been deleted.")
    entry.deleted_at = entry.deleted_at or now
    purge_deleted(session, kind, viewer.owner_id, now - UNDO_TIME)


@own_data
def restore_entry(viewer: Viewer, session: Session, kind: type[Undoable], entry_id: int) -> Undoable:
    """Bring a deleted entry back.

    Raises
    ------
    NotFoundError
        When it is gone for good, or is not the golfer's.
    """
    entry = entry_of(session, kind, viewer.owner_id, entry_id)
    if entry is None:
        raise NotFoundError("That cannot be brought back any more.")
    entry.deleted_at = None
    return entry

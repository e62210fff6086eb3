"""Many putts at once."""

from collections.abc import Sequence
from typing import Any
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthocline.db.base import Base
from orthocline.db.copying import copy_rows
from orthocline.db.log.models import LoggedPutt


def keys_of(session: Session, golfer_id: int, keys: Sequence[UUID]) -> set[UUID]:
    """Return those of some keys under which a golfer has a putt, deleted or not."""
    query = select(LoggedPutt.key).where(LoggedPutt.golfer_id == golfer_id, LoggedPutt.key.in_(keys))
    return set(session.scalars(query))


def add_putts(session: Session, rows: Sequence[dict[str, Any]]) -> None:
    """Add putts by their columns, all with the same ones."""
    copy_rows(session, Base.metadata.tables[LoggedPutt.__tablename__], rows)

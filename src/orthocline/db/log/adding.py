"""Many putts at once."""

from collections.abc import Sequence
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb
from sqlalchemy import select
from sqlalchemy.orm import Session

from orthocline.db.log.models import LoggedPutt

COPY = "COPY logged_putts ({columns}) FROM STDIN"


def keys_of(session: Session, golfer_id: int, keys: Sequence[UUID]) -> set[UUID]:
    """Return those of some keys under which a golfer has a putt, deleted or not."""
    query = select(LoggedPutt.key).where(LoggedPutt.golfer_id == golfer_id, LoggedPutt.key.in_(keys))
    return set(session.scalars(query))


def add_putts(session: Session, rows: Sequence[dict[str, Any]]) -> None:
    """Add putts by their columns, all with the same ones.

    They are copied in: statements of many rows take the driver several times as long to write down.
    """
    if not rows:
        return
    connection: Any = session.connection().connection.driver_connection
    with connection.cursor().copy(COPY.format(columns=", ".join(rows[0]))) as copy:
        for row in rows:
            copy.write_row([Jsonb(value) if isinstance(value, dict) else value for value in row.values()])

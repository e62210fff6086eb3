"""Many rows at once."""

from collections.abc import Sequence
from typing import Any

from psycopg.types.json import Jsonb
from sqlalchemy import Table
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Session

from orthocline.db.base import not_tiny


def copy_rows(session: Session, table: Table, rows: Sequence[dict[str, Any]]) -> None:
    """Add rows to a table by their columns, all with the same ones.

    They are copied in: statements of many rows take the driver several times as long to write down.
    """
    if not rows:
        return
    documents = {name for name in rows[0] if isinstance(table.columns[name].type, JSONB)}
    connection: Any = session.connection().connection.driver_connection
    with connection.cursor().copy(f"COPY {table.name} ({', '.join(rows[0])}) FROM STDIN") as copy:
        for row in rows:
            copy.write_row(
                [
                    Jsonb(value) if name in documents and value is not None else _written(value)
                    for name, value in row.items()
                ]
            )


def _written(value: Any) -> Any:
    return not_tiny(value) if isinstance(value, float) else value

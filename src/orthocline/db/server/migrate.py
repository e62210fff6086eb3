"""Migrations: to the newest tables and back."""

from collections.abc import Mapping
from functools import cache
from pathlib import Path

from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, Engine, NullPool, create_engine, func, inspect, select, table

from orthocline.db.jobs.queue import QUEUE_TABLES
from orthocline.db.tables import METADATA

SCRIPTS = Path(__file__).parents[1] / "migrations"
MIGRATING = 7_501_001
"""Key of the lock that a migration holds."""


def _engine(url: str) -> Engine:
    return create_engine(url, poolclass=NullPool)


def _config(connection: Connection) -> Config:
    config = Config()
    config.set_main_option("script_location", str(SCRIPTS))
    config.attributes["connection"] = connection
    return config


class RowsWouldBeLostError(Exception):
    """A way back would drop tables that hold something; `rows` counts it by table."""

    def __init__(self, rows: Mapping[str, int]) -> None:
        super().__init__(", ".join(f"{name}: {count}" for name, count in rows.items()))
        self.rows = rows


def upgrade(url: str, revision: str = "head") -> None:
    """Bring a database to a revision, the newest unless another is named; two at once wait for each other."""
    with _engine(url).begin() as connection:
        connection.execute(select(func.pg_advisory_xact_lock(MIGRATING)))
        command.upgrade(_config(connection), revision)


@cache
def _newest() -> str | None:
    return ScriptDirectory(str(SCRIPTS)).get_current_head()


def is_newest(connection: Connection) -> bool:
    """Return whether the tables are those of this version."""
    return MigrationContext.configure(connection).get_current_revision() == _newest()


def downgrade(url: str, revision: str, *, even_rows: bool = False) -> None:
    """Take a database back to a revision, ``base`` being none.

    Raises
    ------
    RowsWouldBeLostError
        When a table that holds rows would be dropped and `even_rows` is not said; nothing is changed then.
    """
    with _engine(url).begin() as connection:
        connection.execute(select(func.pg_advisory_xact_lock(MIGRATING)))
        before = _rows(connection)
        command.downgrade(_config(connection), revision)
        kept = set(inspect(connection).get_table_names())
        lost = {name: count for name, count in before.items() if count and name not in kept}
        if lost and not even_rows:
            raise RowsWouldBeLostError(lost)


def _rows(connection: Connection) -> dict[str, int]:
    names = [name for name in inspect(connection).get_table_names() if _is_ours(name)]
    return {name: connection.scalar(select(func.count()).select_from(table(name))) or 0 for name in names}


def differences(url: str) -> list[object]:
    """Return how the database differs from the models: nothing, when all migrations are written."""
    with _engine(url).connect() as connection:
        context = MigrationContext.configure(connection, opts={"include_name": _is_compared})
        return list(compare_metadata(context, METADATA))


def _is_compared(name: str | None, kind: str, _parents: object) -> bool:
    return kind != "table" or name is None or _is_ours(name)


def _is_ours(table_name: str) -> bool:
    """Return whether a table is the application's, and not that of migrations or of the queue."""
    return table_name != "alembic_version" and not table_name.startswith(QUEUE_TABLES)

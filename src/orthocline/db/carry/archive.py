"""The tables of an account's archive: their rows out, with keys for numbers, and in again."""

from collections.abc import Iterator, Mapping
from typing import Any, Final
from uuid import UUID

from psycopg import DataError, IntegrityError
from sqlalchemy import Column, FromClause, Table, func, select, text, update
from sqlalchemy.orm import Session

from orthocline.db.base import Base
from orthocline.db.entries import FETCHED, same
from orthocline.db.tables import OWN

ARCHIVED: Final[Mapping[str, Table]] = {
    model.__tablename__: Base.metadata.tables[model.__tablename__] for model in OWN
}
"""By name. What waits, and what follows from the log again, is not carried."""
NAMED: Final = ("courses", "greens")
"""What is known by its name: the same name is the same thing, whatever its key."""
REFUSED: Final = (IntegrityError, DataError)
"""What the database says of a row that cannot be kept."""
Row = dict[str, Any]


def referred(column: Column[Any]) -> Table | None:
    """Return the table of an archive to whose numbers a column refers."""
    for foreign in column.foreign_keys:
        if foreign.column.name == "id" and foreign.column.table.name in ARCHIVED:
            return foreign.column.table
    return None


def carried(table: Table) -> list[Column[Any]]:
    """Return the columns that an archive holds: all that are not numbers of this database, nor worked out."""
    own = [one for one in table.columns if one.name not in ("id", "golfer_id") and one.computed is None]
    return [one for one in own if not one.foreign_keys or referred(one) is not None]


def rows_of(session: Session, golfer_id: int, table: Table) -> Iterator[Row]:
    """Yield a golfer's rows of a table, what they refer to by its key."""
    wanted: list[Any] = []
    joined: FromClause = table
    for column in carried(table):
        target = referred(column)
        if target is None:
            wanted.append(column)
        else:
            other = target.alias()
            joined = joined.outerjoin(other, other.c.id == column)
            wanted.append(other.c.key.label(column.name))
    query = select(*wanted).select_from(joined).where(table.c.golfer_id == golfer_id)
    ordered = query.order_by(*table.primary_key).execution_options(yield_per=FETCHED)
    for row in session.execute(ordered).mappings():
        yield dict(row)


def count_of_rows(session: Session, golfer_id: int) -> int:
    """Return how many rows a golfer's archive has."""
    counts = [
        select(func.count()).select_from(table).where(table.c.golfer_id == golfer_id).scalar_subquery()
        for table in ARCHIVED.values()
    ]
    return sum(session.execute(select(*counts)).one())


def schema_version(session: Session) -> str:
    """Return the state of the tables: the last migration."""
    return session.scalar(text("SELECT version_num FROM alembic_version")) or ""


class Numbers:
    """The numbers that rows have here, by the keys that an archive has for them."""

    def __init__(self, session: Session, golfer_id: int) -> None:
        self._session, self._golfer_id = session, golfer_id
        self._known: dict[str, dict[UUID, int]] = {}
        self._others: dict[tuple[str, UUID], int] = {}

    def of(self, table: Table, key: UUID) -> int | None:
        """Return the number of a row; None where there is none."""
        return self._all(table).get(key) or self._others.get((table.name, key))

    def alias(self, table: Table, key: UUID, number: int) -> None:
        """Let a key of the archive stand for a row that has another one here."""
        self._others[table.name, key] = number

    def forget(self, table: Table) -> None:
        """Look them up anew: rows have been added."""
        self._known.pop(table.name, None)

    def _all(self, table: Table) -> dict[UUID, int]:
        if table.name not in self._known:
            query = select(table.c.key, table.c.id).where(table.c.golfer_id == self._golfer_id)
            self._known[table.name] = {row.key: row.id for row in self._session.execute(query)}
        return self._known[table.name]


def natural(table: Table) -> tuple[str, ...]:
    """Return by which columns a golfer's rows of a table are told apart."""
    if "key" in table.columns:
        return ("key",)
    return tuple(one.name for one in table.primary_key if one.name != "golfer_id")


def there(session: Session, golfer_id: int, table: Table) -> set[tuple[Any, ...]]:
    """Return what tells a golfer's rows of a table apart, of all that are there."""
    names = natural(table)
    columns = [table.c[name] for name in names] or [table.c.golfer_id]
    query = select(*columns).where(table.c.golfer_id == golfer_id)
    return {tuple(row)[: len(names)] for row in session.execute(query)}


def same_named(session: Session, golfer_id: int, table: Table, row: Row) -> int | None:
    """Return the number of a course or a green of the same name, whatever its key."""
    query = select(table.c.id).where(table.c.golfer_id == golfer_id, same(table.c.name, row["name"]))
    if "course_id" in table.columns:
        query = query.where(table.c.course_id == row["course_id"])
    return session.scalar(query)


def take_chart_number(session: Session, green_id: int, number: int) -> None:
    """Let the chart of an archive hold on a green that had none here."""
    green = ARCHIVED["greens"]
    query = update(green).where(green.c.id == green_id, green.c.chart_number == 0)
    session.execute(query.values(chart_number=number))

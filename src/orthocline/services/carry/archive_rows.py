"""Rows of an archive as lines of JSON: what each column may hold comes from the tables themselves."""

from collections.abc import Iterator
from functools import cache
from typing import Annotated, Any, Final
from uuid import UUID

from pydantic import (
    AwareDatetime,
    Base64Bytes,
    BaseModel,
    ConfigDict,
    Field,
    JsonValue,
    ValidationError,
    create_model,
)
from pydantic_core import from_json
from sqlalchemy import (
    ARRAY,
    BigInteger,
    Boolean,
    Column,
    DateTime,
    Float,
    LargeBinary,
    SmallInteger,
    String,
    Table,
    TypeDecorator,
    Uuid,
)
from sqlalchemy import Integer as AnyInteger
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.types import TypeEngine

from orthocline.db.carry.archive import ARCHIVED, carried, referred
from orthocline.formats.archive_file import Archive, ArchiveError, file_name, first_of
from orthocline.services.carry.archive_checks import CHECKS

BITS: Final = {SmallInteger: 15, BigInteger: 63, AnyInteger: 31}
ROWS: Final = 500
BYTES: Final = 5_000_000
"""So many rows are looked at in one go, or so long ones."""
LARGEST_FIGURE: Final = 1e6
"""No golfer measured anything that is larger: work with it would fail."""
Row = dict[str, Any]


@cache
def row_model(table: Table) -> type[BaseModel]:
    """Return what a row of a table must be: all of its columns, each of its type, and no longer."""
    fields: Any = {column.name: (_type_of(column), ...) for column in carried(table)}
    settings = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)
    return create_model(f"{table.name}_row", __config__=settings, **fields)


def line_of(table: Table, row: Row) -> bytes:
    """Return a row as a line."""
    return row_model(table).model_construct(**row).model_dump_json().encode()


def rows_in(archive: Archive, table: str) -> Iterator[list[tuple[int, Row]]]:
    """Yield the rows of an archive's table with the numbers of their lines, some at a time.

    Raises
    ------
    ArchiveError
        For a line that is no such row; it says where and why.
    """
    batch: list[tuple[int, Row]] = []
    length = 0
    for number, line in archive.lines(table):
        batch.append((number, _row_of(table, number, line)))
        length += len(line)
        if len(batch) == ROWS or length > BYTES:
            yield batch
            batch, length = [], 0
    if batch:
        yield batch


def _row_of(table: str, number: int, line: bytes) -> Row:
    """Return the row of a line; raises as `rows_in` does."""
    model, check = row_model(ARCHIVED[table]), CHECKS.get(table)
    try:
        # The reader of rows takes what is no number for one, inside of documents.
        from_json(line, allow_inf_nan=False)
        told = model.model_validate_json(line)
        row = {name: getattr(told, name) for name in model.model_fields}
        if check:
            check(row)
    except ValidationError as error:
        raise ArchiveError(f"{file_name(table)}, line {number}: {first_of(error)}") from error
    except (ValueError, LookupError, TypeError, AttributeError, ArithmeticError) as error:
        why = f"{error}"[:200] or "it is no such row"
        raise ArchiveError(f"{file_name(table)}, line {number}: {why}.") from error
    return row


def _type_of(column: Column[Any]) -> Any:
    kind = Uuid() if referred(column) is not None else column.type
    found = _type(kind)
    return found | None if column.nullable else found


def _type(kind: TypeEngine[Any]) -> Any:
    if isinstance(kind, TypeDecorator):
        return _type(kind.impl_instance)
    if isinstance(kind, ARRAY):
        return list[_type(kind.item_type)]  # type: ignore[misc]
    if isinstance(kind, String):
        return Annotated[str, Field(max_length=kind.length)]
    for integer, bits in BITS.items():
        if isinstance(kind, integer):
            return Annotated[int, Field(ge=-(2**bits), lt=2**bits)]
    return next(found for known, found in _PLAIN if isinstance(kind, known))


_PLAIN: Final[tuple[tuple[type[TypeEngine[Any]], Any], ...]] = (
    (Boolean, bool),
    (Float, Annotated[float, Field(ge=-LARGEST_FIGURE, le=LARGEST_FIGURE)]),
    (DateTime, AwareDatetime),
    (Uuid, UUID),
    (JSONB, JsonValue),
    (LargeBinary, Base64Bytes),
)

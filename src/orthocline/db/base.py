"""Tables: how they are named, and what golfers enter."""

from datetime import datetime
from uuid import UUID

from sqlalchemy import (
    BigInteger,
    DateTime,
    Dialect,
    Float,
    ForeignKey,
    Identity,
    MetaData,
    TypeDecorator,
    text,
)
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

CONVENTION = {
    "ix": "ix_%(table_name)s_%(column_0_N_name)s",
    "uq": "uq_%(table_name)s_%(column_0_N_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_N_name)s",
    "pk": "pk_%(table_name)s",
}


TINY = 1e-30
"""Nothing that golfers measure is smaller, and no `real` of the database holds much less."""


def not_tiny(value: float | None) -> float | None:
    """Return a figure that the database can pack: 0 for one that is next to nothing."""
    return 0.0 if value is not None and abs(value) < TINY else value


class Figure(TypeDecorator[float]):
    """A figure, next to nothing taken for nothing."""

    impl = Float
    cache_ok = True

    def process_bind_param(self, value: float | None, _dialect: Dialect) -> float | None:
        """Return what is written down."""
        return not_tiny(value)


class Base(DeclarativeBase):
    """All tables."""

    metadata = MetaData(naming_convention=CONVENTION)
    type_annotation_map = {float: Figure}  # noqa: RUF012 - the base class takes a dictionary


class Entry:
    """What a golfer enters: a row with the one-time key of the form, or later the phone, that made it.

    The same entry sent twice has the same key, and is one row.
    """

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    golfer_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"))
    key: Mapped[UUID] = mapped_column(server_default=text("gen_random_uuid()"))


class UndoableEntry(Entry):
    """An entry that can be brought back for a while after it was deleted."""

    deleted_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))

"""What is kept: golfers and the putts they log."""

from datetime import datetime
from typing import Any

from sqlalchemy import (
    BigInteger,
    CheckConstraint,
    DateTime,
    ForeignKey,
    Identity,
    Index,
    MetaData,
    String,
    func,
    text,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

NAME_LENGTH, PLACE_LENGTH, NOTE_LENGTH = 60, 80, 500
CONVENTION = {
    "ix": "ix_%(table_name)s_%(column_0_N_name)s",
    "uq": "uq_%(table_name)s_%(column_0_N_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_N_name)s",
    "pk": "pk_%(table_name)s",
}


class Base(DeclarativeBase):
    """All tables."""

    metadata = MetaData(naming_convention=CONVENTION)


class Golfer(Base):
    """Someone who signs in. Names differ by more than capitals."""

    __tablename__ = "golfers"
    __table_args__ = (
        CheckConstraint("mode IN ('practice', 'competition')", name="mode"),
        Index("uq_golfers_name", text("lower(name)"), unique=True),
    )

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    name: Mapped[str] = mapped_column(String(NAME_LENGTH))
    password_hash: Mapped[str] = mapped_column(String(200))
    mode: Mapped[str] = mapped_column(String(20), server_default="practice")
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class LoggedPutt(Base):
    """A putt in the log: the read it was played by (if any), the intention, and the finish.

    `putt_document` and `read_document` are the open formats; a putt noted in Competition has neither. The
    finish is measured from the hole's centre: `finish_along_m` beyond it, `finish_across_m` to the golfer's
    right; both are NULL for a holed ball and until it is recorded (`holed` NULL).
    """

    __tablename__ = "logged_putts"
    __table_args__ = (
        CheckConstraint("length_m > 0 AND length_m <= 100", name="length_m"),
        CheckConstraint("(putt_document IS NULL) = (read_document IS NULL)", name="documents"),
        CheckConstraint("(putt_document IS NULL) = (model_version IS NULL)", name="model_version"),
        CheckConstraint("(finish_along_m IS NULL) = (finish_across_m IS NULL)", name="finish"),
        CheckConstraint("(holed IS NOT DISTINCT FROM false) = (finish_along_m IS NOT NULL)", name="holed"),
        Index("ix_logged_putts_golfer_id_created_at", "golfer_id", "created_at"),
    )

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    golfer_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"))
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    place: Mapped[str] = mapped_column(String(PLACE_LENGTH), server_default="")
    length_m: Mapped[float]
    green_speed_ft: Mapped[float | None]
    putt_document: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    read_document: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    model_version: Mapped[str | None] = mapped_column(String(20))
    own_aim_right_m: Mapped[float | None]
    note: Mapped[str] = mapped_column(String(NOTE_LENGTH), server_default="")
    holed: Mapped[bool | None]
    finish_along_m: Mapped[float | None]
    finish_across_m: Mapped[float | None]
    deleted_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))

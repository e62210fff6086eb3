"""What golfers print or keep before a round, and what came in from their phones."""

from datetime import datetime
from typing import Any

from sqlalchemy import (
    ARRAY,
    BigInteger,
    CheckConstraint,
    DateTime,
    ForeignKey,
    Index,
    LargeBinary,
    String,
    UniqueConstraint,
    func,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.base import Base, Entry, UndoableEntry

TITLE_LENGTH, DIGEST_LENGTH, KIND_LENGTH = 120, 64, 10


class Print(UndoableEntry, Base):
    """Cards, a book or the sheet of a study as made: what was asked, and every page, to be read and printed.

    `digest` is that of everything a page depends on: the same again is the same print. `job_id` is the work
    that makes it, NULL once that is swept away; `made_at` is NULL until it is made. `pages` are titles with
    drawings, `pictures` the same as PNG, `document` all of them as PDF.
    """

    __tablename__ = "prints"
    __table_args__ = (
        CheckConstraint("kind IN ('cards', 'book', 'holes')", name="kind"),
        CheckConstraint("(made_at IS NULL) = (document IS NULL)", name="made"),
        UniqueConstraint("golfer_id", "key"),
        Index("ix_prints_golfer_id_digest", "golfer_id", "digest"),
    )

    kind: Mapped[str] = mapped_column(String(10))
    title: Mapped[str] = mapped_column(String(TITLE_LENGTH))
    digest: Mapped[str] = mapped_column(String(DIGEST_LENGTH))
    asked: Mapped[dict[str, Any]] = mapped_column(JSONB)
    asked_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    job_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("jobs.id", ondelete="SET NULL"), index=True
    )
    made_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    pages: Mapped[list[dict[str, str]]] = mapped_column(JSONB, server_default="[]", deferred=True)
    pictures: Mapped[list[bytes]] = mapped_column(ARRAY(LargeBinary), server_default="{}", deferred=True)
    document: Mapped[bytes | None] = mapped_column(LargeBinary, deferred=True)


class Arrival(Entry, Base):
    """Something that was entered on a phone, perhaps without a signal, and has come in: each does so once.

    `key` was made on the phone, at `entered_at` by its clock.
    """

    __tablename__ = "arrivals"
    __table_args__ = (UniqueConstraint("golfer_id", "key"),)

    kind: Mapped[str] = mapped_column(String(KIND_LENGTH))
    entered_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))
    arrived_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())

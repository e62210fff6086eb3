"""Work that a golfer asked for and waits for, how far it is, and the pieces of what it makes."""

from datetime import datetime
from typing import Any

from sqlalchemy import (
    BigInteger,
    CheckConstraint,
    DateTime,
    ForeignKey,
    LargeBinary,
    String,
    UniqueConstraint,
    func,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.base import Base, Entry

FILE_NAME_LENGTH, WHY_LENGTH = 120, 300


class GivenFile(Entry, Base):
    """A file that a golfer gave for work on it; it goes when that is cancelled, or is a day old."""

    __tablename__ = "given_files"
    __table_args__ = (UniqueConstraint("golfer_id", "key"),)

    name: Mapped[str] = mapped_column(String(FILE_NAME_LENGTH))
    size: Mapped[int] = mapped_column(BigInteger)
    given_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class FilePiece(Base):
    """One piece of such a file, in its order."""

    __tablename__ = "given_file_pieces"

    file_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("given_files.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int] = mapped_column(primary_key=True)
    content: Mapped[bytes] = mapped_column(LargeBinary)


class Job(Entry, Base):
    """Something that takes longer than a request may: of which kind, how far, and how it ended.

    `mode` is the one in which the golfer was as they asked for it, `asked` what they asked, `file_id` the
    file that it works on, and `why` says why it failed where that can be said.
    """

    __tablename__ = "jobs"
    __table_args__ = (
        CheckConstraint("state IN ('waiting', 'running', 'done', 'cancelled', 'failed')", name="state"),
        CheckConstraint("0 <= done AND done <= total", name="done"),
        UniqueConstraint("golfer_id", "key"),
    )

    kind: Mapped[str] = mapped_column(String(20))
    mode: Mapped[str] = mapped_column(String(20), server_default="open_play")
    state: Mapped[str] = mapped_column(String(10), server_default="waiting")
    done: Mapped[int] = mapped_column(BigInteger, server_default="0")
    total: Mapped[int] = mapped_column(BigInteger, server_default="0")
    asked: Mapped[dict[str, Any]] = mapped_column(JSONB, server_default="{}")
    file_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("given_files.id", ondelete="SET NULL"), index=True
    )
    why: Mapped[str] = mapped_column(String(WHY_LENGTH), server_default="")
    asked_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class JobPiece(Base):
    """One piece of what a job makes, in its order."""

    __tablename__ = "job_pieces"

    job_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("jobs.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int] = mapped_column(primary_key=True)
    content: Mapped[bytes] = mapped_column(LargeBinary)

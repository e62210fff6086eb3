"""Work that a golfer asked for and waits for, how far it is, and the pieces of what it makes."""

from datetime import datetime

from sqlalchemy import BigInteger, CheckConstraint, DateTime, ForeignKey, String, Text, UniqueConstraint, func
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.base import Base, Entry


class Job(Entry, Base):
    """Something that takes longer than a request may: of which kind, how far, and how it ended.

    `mode` is the one in which the golfer was as they asked for it.
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
    asked_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class JobPiece(Base):
    """One piece of what a job makes, in its order."""

    __tablename__ = "job_pieces"

    job_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("jobs.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int] = mapped_column(primary_key=True)
    content: Mapped[str] = mapped_column(Text)

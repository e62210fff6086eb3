"""The speed book."""

from datetime import datetime
from typing import Any

from sqlalchemy import BigInteger, CheckConstraint, DateTime, ForeignKey, Index, String, UniqueConstraint
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.base import Base, UndoableEntry
from orthocline.db.ground.models import Placed

NOTE_LENGTH = 500


class SpeedNote(UndoableEntry, Placed, Base):
    """A green speed in the golfer's book: what, where, when, by which method, and how the green was.

    `evidence` holds the figures that it was found from (`formats.sheet`), so that it can be gone over again;
    `model_version` is the version of the model that it was worked out by.
    """

    __tablename__ = "speed_notes"
    __table_args__ = (
        CheckConstraint("speed_ft >= 3 AND speed_ft <= 20", name="speed_ft"),
        CheckConstraint("sd_ft > 0", name="sd_ft"),
        CheckConstraint("method <> ''", name="method"),
        CheckConstraint("trueness BETWEEN 1 AND 5", name="trueness"),
        CheckConstraint("smoothness BETWEEN 1 AND 5", name="smoothness"),
        Index("ix_speed_notes_golfer_id_measured_at", "golfer_id", "measured_at"),
        UniqueConstraint("golfer_id", "key"),
    )

    course_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("courses.id"), index=True)
    measured_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))
    method: Mapped[str] = mapped_column(String(20))
    speed_ft: Mapped[float]
    sd_ft: Mapped[float]
    evidence: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    model_version: Mapped[str] = mapped_column(String(10), server_default="1")
    mowing: Mapped[str] = mapped_column(String(20), server_default="")
    moisture: Mapped[str] = mapped_column(String(20), server_default="")
    firmness: Mapped[str] = mapped_column(String(20), server_default="")
    trueness: Mapped[int | None]
    smoothness: Mapped[int | None]
    note: Mapped[str] = mapped_column(String(NOTE_LENGTH), server_default="")

"""The log."""

from datetime import datetime
from typing import Any

from sqlalchemy import ARRAY, CheckConstraint, DateTime, Float, Index, String, UniqueConstraint, func, text
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.account.models import CALL_LENGTH
from orthocline.db.base import Base, UndoableEntry
from orthocline.db.ground.models import Placed

NOTE_LENGTH = 500


class LoggedPutt(UndoableEntry, Placed, Base):
    """A putt in the log: the read it was played by (if any), the intention, and the finish.

    `own_school` and `own_figures` are the golfer's own read in a school's words, in SI units, and
    `own_aim_right_m` the aim that it means; `impression_right_m` is the aim of the first impression.

    `putt_document` and `read_document` are the open formats; a putt noted in Competition has neither. The
    finish is measured from the hole's centre: `finish_along_m` beyond it, `finish_across_m` to the golfer's
    right; both are NULL for a holed ball and until it is recorded (`holed` NULL).
    """

    __tablename__ = "logged_putts"
    __table_args__ = (
        CheckConstraint("length_m > 0 AND length_m <= 100", name="length_m"),
        CheckConstraint("(putt_document IS NULL) = (read_document IS NULL)", name="documents"),
        CheckConstraint("(putt_document IS NULL) = (model_version IS NULL)", name="model_version"),
        CheckConstraint("(own_school IS NULL) = (own_figures IS NULL)", name="own_read"),
        CheckConstraint("(finish_along_m IS NULL) = (finish_across_m IS NULL)", name="finish"),
        CheckConstraint("(holed IS NOT DISTINCT FROM false) = (finish_along_m IS NOT NULL)", name="holed"),
        # Pages and filters of the log need nothing but this index, and fifty rows.
        Index(
            "ix_logged_putts_newest",
            "golfer_id",
            text("created_at DESC"),
            text("id DESC"),
            postgresql_include=["course_id", "green_id", "holed"],
            postgresql_where=text("deleted_at IS NULL"),
        ),
        UniqueConstraint("golfer_id", "key"),
    )

    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    length_m: Mapped[float]
    green_speed_ft: Mapped[float | None]
    putt_document: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    read_document: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    model_version: Mapped[str | None] = mapped_column(String(20))
    own_aim_right_m: Mapped[float | None]
    own_school: Mapped[str | None] = mapped_column(String(CALL_LENGTH))
    own_figures: Mapped[list[float] | None] = mapped_column(ARRAY(Float))
    impression_right_m: Mapped[float | None]
    note: Mapped[str] = mapped_column(String(NOTE_LENGTH), server_default="")
    holed: Mapped[bool | None]
    finish_along_m: Mapped[float | None]
    finish_across_m: Mapped[float | None]

"""The log: rounds and practices, and their putts."""

from datetime import datetime
from typing import Any
from uuid import UUID

from sqlalchemy import (
    ARRAY,
    BigInteger,
    CheckConstraint,
    Computed,
    DateTime,
    Float,
    ForeignKey,
    Index,
    LargeBinary,
    SmallInteger,
    String,
    UniqueConstraint,
    func,
    text,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column, relationship

from orthocline.db.account.models import CALL_LENGTH
from orthocline.db.base import Base, UndoableEntry
from orthocline.db.ground.models import Course, Placed
from orthocline.db.log.packed import PACKED

NOTE_LENGTH = 500
SIGNED = ("started_right", "passed_right", "breaks_right")
"""Columns that say a side: -1 left, 0 neither, 1 right."""


class Outing(UndoableEntry, Base):
    """A round or a practice of a golfer's, on one day; `ended_at` is NULL while it goes on.

    `competition` says whether it was begun in Competition.
    `holes` is how many holes it had, where a card says so; else they are counted from its putts.
    """

    __tablename__ = "outings"
    __table_args__ = (
        CheckConstraint("kind IN ('round', 'practice')", name="kind"),
        CheckConstraint("holes BETWEEN 1 AND 18", name="holes"),
        Index("ix_outings_golfer_id_begun_at", "golfer_id", text("begun_at DESC")),
        UniqueConstraint("golfer_id", "key"),
    )

    kind: Mapped[str] = mapped_column(String(10))
    course_id: Mapped[int | None] = mapped_column(BigInteger, ForeignKey("courses.id"), index=True)
    begun_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    ended_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    competition: Mapped[bool] = mapped_column(server_default="false")
    holes: Mapped[int | None] = mapped_column(SmallInteger)
    note: Mapped[str] = mapped_column(String(NOTE_LENGTH), server_default="")
    course: Mapped[Course | None] = relationship(lazy="joined")


class LoggedPutt(UndoableEntry, Placed, Base):
    """A putt in the log: the read it was played by (if any), the intention, what was seen, and the finish.

    `hole` and `number` say which putt of a round it is; all putts of one visit to a green share `visit`.
    `length_m` is NULL where a card does not say it. `breaks_right` is the way the putt breaks, by the read or
    the golfer; `started_right` and `passed_right` what was seen: -1 for left, 1 for right. `start_right_rad`
    is how far right of the line meant it started, as its finish implies. `read_was_right` and the like are
    what the golfer says after the hole. `packed` has its figures, for thousands to be read at once.
    `tilt_right` and `grade` are the mean slopes [ratio] that it was read on, so that a list need not work
    them out of the ground again; NULL in rows older than them.
    `own_school` and `own_figures` are the golfer's own read in a school's words, in SI units, and
    `own_aim_right_m` the aim that it means, by `corrected_by` of which it was played where a correction was
    on; `impression_right_m` is the aim of the first impression.

    `putt_document` and `read_document` are the open formats; a putt noted in Competition has neither. The
    finish is measured from the hole's centre: `finish_along_m` beyond it, `finish_across_m` to the golfer's
    right; both are NULL for a holed ball, until it is recorded (`holed` NULL), and of a miss not measured.
    """

    __tablename__ = "logged_putts"
    __table_args__ = (
        CheckConstraint("length_m > 0 AND length_m <= 100", name="length_m"),
        CheckConstraint("read_document IS NULL OR putt_document IS NOT NULL", name="documents"),
        CheckConstraint("(read_document IS NULL) = (model_version IS NULL)", name="model_version"),
        CheckConstraint("(own_school IS NULL) = (own_figures IS NULL)", name="own_read"),
        CheckConstraint("(finish_along_m IS NULL) = (finish_across_m IS NULL)", name="finish"),
        CheckConstraint("finish_along_m IS NULL OR holed IS NOT DISTINCT FROM false", name="holed"),
        CheckConstraint("hole BETWEEN 1 AND 18", name="hole"),
        CheckConstraint("number BETWEEN 1 AND 9", name="number"),
        CheckConstraint("corrected_by > 0", name="corrected_by"),
        *(CheckConstraint(f"{name} BETWEEN -1 AND 1", name=name) for name in SIGNED),
        # Pages and filters of the log need nothing but this index, and fifty rows; its figures no row at all.
        Index(
            "ix_logged_putts_newest",
            "golfer_id",
            text("created_at DESC"),
            text("id DESC"),
            postgresql_include=[
                *("course_id", "green_id", "outing_id", "holed", "length_m"),
                *("number", "visit", "method", "breaks_right", "packed"),
            ],
            postgresql_where=text("deleted_at IS NULL"),
        ),
        UniqueConstraint("golfer_id", "key"),
    )

    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    outing_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("outings.id", ondelete="CASCADE"), index=True
    )
    hole: Mapped[int | None] = mapped_column(SmallInteger)
    number: Mapped[int] = mapped_column(SmallInteger, server_default="1")
    visit: Mapped[UUID] = mapped_column(server_default=text("gen_random_uuid()"))
    length_m: Mapped[float | None]
    green_speed_ft: Mapped[float | None]
    tilt_right: Mapped[float | None]
    grade: Mapped[float | None]
    putt_document: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    read_document: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    model_version: Mapped[str | None] = mapped_column(String(20))
    own_aim_right_m: Mapped[float | None]
    own_school: Mapped[str | None] = mapped_column(String(CALL_LENGTH))
    own_figures: Mapped[list[float] | None] = mapped_column(ARRAY(Float))
    corrected_by: Mapped[float | None]
    impression_right_m: Mapped[float | None]
    read_aim_right_m: Mapped[float | None]
    past_m: Mapped[float | None]
    breaks_right: Mapped[int | None] = mapped_column(SmallInteger)
    method: Mapped[str | None] = mapped_column(String(CALL_LENGTH))
    by_device: Mapped[bool] = mapped_column(server_default=text("false"))
    started_right: Mapped[int | None] = mapped_column(SmallInteger)
    passed_right: Mapped[int | None] = mapped_column(SmallInteger)
    gate_touched: Mapped[bool | None]
    struck_centre: Mapped[bool | None]
    start_right_rad: Mapped[float | None]
    read_was_right: Mapped[bool | None]
    line_was_right: Mapped[bool | None]
    pace_was_right: Mapped[bool | None]
    committed: Mapped[bool | None]
    packed: Mapped[bytes] = mapped_column(LargeBinary, Computed(PACKED, persisted=True), deferred=True)
    note: Mapped[str] = mapped_column(String(NOTE_LENGTH), server_default="")
    holed: Mapped[bool | None]
    finish_along_m: Mapped[float | None]
    finish_across_m: Mapped[float | None]

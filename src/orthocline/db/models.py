"""What is kept: golfers, their own measures, the green speeds they find and the putts they log."""

from datetime import datetime
from typing import Any
from uuid import UUID

from sqlalchemy import (
    BigInteger,
    CheckConstraint,
    DateTime,
    ForeignKey,
    Identity,
    Index,
    MetaData,
    String,
    UniqueConstraint,
    func,
    text,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship

NAME_LENGTH, PLACE_LENGTH, NOTE_LENGTH = 60, 80, 500
COURSE_LENGTH, GREEN_LENGTH = 50, 28
"""Course and green, with a comma and a space between them, make a place."""
EVIDENCE_LENGTH = 2000
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
    """Someone who signs in. Names differ by more than capitals.

    `session_version` stands in each signed-in browser's cookie: a new one ends all sessions. `demo` is NULL
    but for the demo's golfer, who is a ``template``, and the ``copy`` of it that a visitor looks round in.
    """

    __tablename__ = "golfers"
    __table_args__ = (
        CheckConstraint("mode IN ('practice', 'competition')", name="mode"),
        CheckConstraint("demo IN ('template', 'copy')", name="demo"),
        Index("uq_golfers_name", text("folded(name)"), unique=True, postgresql_where=text("demo IS NULL")),
    )

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    name: Mapped[str] = mapped_column(String(NAME_LENGTH))
    password_hash: Mapped[str] = mapped_column(String(200))
    mode: Mapped[str] = mapped_column(String(20), server_default="practice")
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    session_version: Mapped[int] = mapped_column(server_default="1")
    demo: Mapped[str | None] = mapped_column(String(10))
    key: Mapped[UUID | None] = mapped_column(unique=True)


class Entry:
    """What a golfer enters: a row with the one-time key of the form, or later the phone, that made it.

    The same entry sent twice has the same key, and is one row.
    """

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    golfer_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"))
    key: Mapped[UUID] = mapped_column(server_default=text("gen_random_uuid()"))


class LoggedPutt(Entry, Base):
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
        # Pages and filters of the log need nothing but this index, and fifty rows.
        Index(
            "ix_logged_putts_newest",
            "golfer_id",
            text("created_at DESC"),
            text("id DESC"),
            postgresql_include=["place", "holed"],
            postgresql_where=text("deleted_at IS NULL"),
        ),
        UniqueConstraint("golfer_id", "key"),
    )

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


class OwnMeasures(Base):
    """A golfer's own measures, units and words; NULL where the usual figure is used.

    Of stride and stroke what was tried is kept, in rows of their own; what follows from it is worked out.
    """

    __tablename__ = "own_measures"
    __table_args__ = (
        CheckConstraint("units IN ('feet', 'metres')", name="units"),
        CheckConstraint("slopes IN ('percent', 'degrees')", name="slopes"),
        CheckConstraint("bend IN ('break', 'borrow')", name="bend"),
        CheckConstraint("hand IN ('right', 'left')", name="hand"),
        CheckConstraint("eye IN ('right', 'left', 'unknown')", name="eye"),
        *(
            CheckConstraint(f"{name} > 0", name=name)
            for name in ("shoe_m", "finger_1_m", "finger_2_m", "finger_3_m", "arm_full_m", "arm_bent_m")
        ),
        CheckConstraint("usual_past_m >= 0", name="usual_past_m"),
    )

    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), primary_key=True
    )
    units: Mapped[str] = mapped_column(String(10), server_default="feet")
    slopes: Mapped[str] = mapped_column(String(10), server_default="percent")
    bend: Mapped[str] = mapped_column(String(10), server_default="break")
    hand: Mapped[str] = mapped_column(String(10), server_default="right")
    eye: Mapped[str] = mapped_column(String(10), server_default="unknown")
    shoe_m: Mapped[float | None]
    finger_1_m: Mapped[float | None]
    finger_2_m: Mapped[float | None]
    finger_3_m: Mapped[float | None]
    arm_full_m: Mapped[float | None]
    arm_bent_m: Mapped[float | None]
    usual_past_m: Mapped[float | None]
    stride_trials: Mapped[list["StrideTrial"]] = relationship(order_by="StrideTrial.id", viewonly=True)
    stroke_trials: Mapped[list["StrokeTrial"]] = relationship(order_by="StrokeTrial.id", viewonly=True)


class Trial(Entry):
    """One trial of a golfer's own measure."""

    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("own_measures.golfer_id", ondelete="CASCADE")
    )


class StrideTrial(Trial, Base):
    """So many paces along so much tape."""

    __tablename__ = "stride_trials"
    __table_args__ = (
        CheckConstraint("paces > 0", name="paces"),
        CheckConstraint("tape_m > 0", name="tape_m"),
        UniqueConstraint("golfer_id", "key"),
    )

    paces: Mapped[float]
    tape_m: Mapped[float]


class StrokeTrial(Trial, Base):
    """A putt that calibrates the stroke: its length, the roll, and the speed of the level green."""

    __tablename__ = "stroke_trials"
    __table_args__ = (
        CheckConstraint("stroke_m > 0", name="stroke_m"),
        CheckConstraint("roll_m > 0", name="roll_m"),
        CheckConstraint("green_speed_ft > 0", name="green_speed_ft"),
        UniqueConstraint("golfer_id", "key"),
    )

    stroke_m: Mapped[float]
    roll_m: Mapped[float]
    green_speed_ft: Mapped[float]


class SpeedNote(Entry, Base):
    """A green speed in the golfer's book: what, where, when, by which method, and how the green was.

    `evidence` holds the address of the page that found it, so that it can be gone over again.
    """

    __tablename__ = "speed_notes"
    __table_args__ = (
        CheckConstraint("speed_ft >= 3 AND speed_ft <= 20", name="speed_ft"),
        CheckConstraint("sd_ft > 0", name="sd_ft"),
        CheckConstraint("method IN ('ramp', 'posted', 'timed', 'stroke')", name="method"),
        CheckConstraint("trueness BETWEEN 1 AND 5", name="trueness"),
        CheckConstraint("smoothness BETWEEN 1 AND 5", name="smoothness"),
        Index("ix_speed_notes_golfer_id_measured_at", "golfer_id", "measured_at"),
        UniqueConstraint("golfer_id", "key"),
    )

    course: Mapped[str] = mapped_column(String(COURSE_LENGTH))
    green: Mapped[str] = mapped_column(String(GREEN_LENGTH), server_default="")
    measured_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))
    method: Mapped[str] = mapped_column(String(10))
    speed_ft: Mapped[float]
    sd_ft: Mapped[float]
    evidence: Mapped[str] = mapped_column(String(EVIDENCE_LENGTH), server_default="")
    mowing: Mapped[str] = mapped_column(String(20), server_default="")
    moisture: Mapped[str] = mapped_column(String(20), server_default="")
    firmness: Mapped[str] = mapped_column(String(20), server_default="")
    trueness: Mapped[int | None]
    smoothness: Mapped[int | None]
    note: Mapped[str] = mapped_column(String(NOTE_LENGTH), server_default="")
    deleted_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))


class RequestCount(Base):
    """How often an address asked for a kind of page until `ends_at`; then it counts anew."""

    __tablename__ = "request_counts"
    __table_args__ = (
        Index("ix_request_counts_ends_at", "ends_at"),
        {"prefixes": ["UNLOGGED"]},
    )

    key: Mapped[str] = mapped_column(String(200), primary_key=True)
    count: Mapped[int]
    ends_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))

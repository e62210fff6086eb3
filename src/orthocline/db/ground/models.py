"""Courses and greens, and what lies on them."""

from datetime import datetime
from typing import Any

from sqlalchemy import (
    ARRAY,
    BigInteger,
    CheckConstraint,
    DateTime,
    Float,
    ForeignKey,
    Index,
    String,
    UniqueConstraint,
    func,
    text,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, declared_attr, mapped_column, relationship

from orthocline.db.base import Base, Entry, UndoableEntry

COURSE_LENGTH, GREEN_LENGTH = 80, 80
MARK_LENGTH, LEVEL_LENGTH = 36, 20
CHARACTER_LENGTH, CHANGE_LENGTH, NOTE_LENGTH = 200, 80, 240


class Course(Entry, Base):
    """A course of a golfer's, by a name that differs from their others by more than capitals."""

    __tablename__ = "courses"
    __table_args__ = (
        CheckConstraint("name <> ''", name="name"),
        Index("uq_courses_golfer_id_name", "golfer_id", text("folded(name)"), unique=True),
        UniqueConstraint("golfer_id", "key"),
    )

    name: Mapped[str] = mapped_column(String(COURSE_LENGTH))
    greens: Mapped[list["Green"]] = relationship(order_by="Green.id", viewonly=True)


class Green(Entry, Base):
    """A green of a course, with a sentence on it and the golfer's own note.

    `chart_number` is that of the chart that holds; 0 where there is none, or none any more.
    """

    __tablename__ = "greens"
    __table_args__ = (
        CheckConstraint("name <> ''", name="name"),
        Index("uq_greens_course_id_name", "course_id", text("folded(name)"), unique=True),
        UniqueConstraint("golfer_id", "key"),
    )

    course_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("courses.id", ondelete="CASCADE"))
    name: Mapped[str] = mapped_column(String(GREEN_LENGTH))
    character: Mapped[str] = mapped_column(String(CHARACTER_LENGTH), server_default="")
    note: Mapped[str] = mapped_column(String(NOTE_LENGTH), server_default="")
    chart_number: Mapped[int] = mapped_column(server_default="0")


class GreenScan(Entry, Base):
    """The scan of charts of a green, in the open format."""

    __tablename__ = "green_scans"
    __table_args__ = (UniqueConstraint("golfer_id", "key"),)

    green_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("greens.id", ondelete="CASCADE"), index=True)
    scan: Mapped[dict[str, Any]] = mapped_column(JSONB)


class GreenChart(Entry, Base):
    """A chart of a green as one edit left it; `chart` is the open format, but for its scan."""

    __tablename__ = "green_charts"
    __table_args__ = (
        CheckConstraint("number > 0", name="number"),
        UniqueConstraint("green_id", "number"),
        UniqueConstraint("golfer_id", "key"),
    )

    green_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("greens.id", ondelete="CASCADE"))
    number: Mapped[int]
    chart: Mapped[dict[str, Any]] = mapped_column(JSONB)
    change: Mapped[str] = mapped_column(String(CHANGE_LENGTH))
    scan_id: Mapped[int | None] = mapped_column(BigInteger, ForeignKey("green_scans.id"))
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class GreenStudy(UndoableEntry, Base):
    """A study of a whole green: how a hole plays at each of its places, at some green speeds, for a golfer.

    `mark` tells which chart it is of, `level` who putts. `job_id` is the work on it, NULL once that is swept
    away; `made_at` and `found`, the open format, are NULL until it is worked out.
    """

    __tablename__ = "green_studies"
    __table_args__ = (
        CheckConstraint("(made_at IS NULL) = (found IS NULL)", name="made"),
        UniqueConstraint("golfer_id", "key"),
    )

    green_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("greens.id", ondelete="CASCADE"), index=True)
    mark: Mapped[str] = mapped_column(String(MARK_LENGTH))
    speeds_ft: Mapped[list[float]] = mapped_column(ARRAY(Float))
    level: Mapped[str] = mapped_column(String(LEVEL_LENGTH))
    asked_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    job_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("jobs.id", ondelete="SET NULL"), index=True
    )
    made_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    found: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True), deferred=True)


class Placed:
    """What lies on a course, and perhaps on a green that is known: an entry of a golfer's."""

    golfer_id: Mapped[int]
    course_id: Mapped[int | None] = mapped_column(BigInteger, ForeignKey("courses.id"), index=True)
    green_id: Mapped[int | None] = mapped_column(BigInteger, ForeignKey("greens.id"), index=True)

    @declared_attr
    def course(cls) -> Mapped[Course | None]:  # noqa: N805
        """The course."""
        return relationship(lazy="joined")

    @declared_attr
    def green(cls) -> Mapped[Green | None]:  # noqa: N805
        """The green."""
        return relationship(lazy="joined")

    @property
    def names(self) -> tuple[str, str]:
        """The names of course and green, empty for none."""
        return self.course.name if self.course else "", self.green.name if self.green else ""

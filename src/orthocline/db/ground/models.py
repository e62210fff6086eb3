"""Courses and greens, and what lies on them."""

from sqlalchemy import BigInteger, CheckConstraint, ForeignKey, Index, String, UniqueConstraint, text
from sqlalchemy.orm import Mapped, declared_attr, mapped_column, relationship

from orthocline.db.base import Base, Entry

COURSE_LENGTH, GREEN_LENGTH = 80, 80


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
    """A green of a course."""

    __tablename__ = "greens"
    __table_args__ = (
        CheckConstraint("name <> ''", name="name"),
        Index("uq_greens_course_id_name", "course_id", text("folded(name)"), unique=True),
        UniqueConstraint("golfer_id", "key"),
    )

    course_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("courses.id", ondelete="CASCADE"))
    name: Mapped[str] = mapped_column(String(GREEN_LENGTH))


class Placed:
    """What lies on a course, and perhaps on a green that is known."""

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

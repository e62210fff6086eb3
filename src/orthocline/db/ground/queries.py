"""A golfer's courses and greens by name."""

from collections.abc import Sequence

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthocline.db.entries import one_at_a_time, same
from orthocline.db.ground.models import Course, Green


def course_named(session: Session, golfer_id: int, name: str) -> Course | None:
    """Return a golfer's course of that name."""
    return session.scalar(select(Course).where(Course.golfer_id == golfer_id, same(Course.name, name)))


def place_named(
    session: Session, golfer_id: int, course: str, green: str
) -> tuple[Course | None, Green | None]:
    """Return a golfer's course and the green on it of those names, None for one that is not known."""
    there = (Green.course_id == Course.id) & same(Green.name, green)
    query = select(Course, Green).outerjoin(Green, there)
    row = session.execute(query.where(Course.golfer_id == golfer_id, same(Course.name, course))).first()
    return (row[0], row[1]) if row else (None, None)


def courses_of(session: Session, golfer_id: int) -> Sequence[Course]:
    """Return a golfer's courses, in the order in which they came."""
    return session.scalars(select(Course).where(Course.golfer_id == golfer_id).order_by(Course.id)).all()


def kept_course(session: Session, golfer_id: int, name: str) -> Course:
    """Return a golfer's course of that name, new if there is none; it is written as it was last."""
    one_at_a_time(session, golfer_id)
    course = course_named(session, golfer_id, name)
    if course is None:
        course = Course(golfer_id=golfer_id, name=name)
        session.add(course)
    course.name = name
    session.flush()
    return course


def kept_green(session: Session, course: Course, name: str) -> Green:
    """Return the green of that name on a course, new if there is none; it is written as it was last."""
    green = session.scalar(select(Green).where(Green.course_id == course.id, same(Green.name, name)))
    if green is None:
        green = Green(golfer_id=course.golfer_id, course_id=course.id, name=name)
        session.add(green)
    green.name = name
    session.flush()
    return green

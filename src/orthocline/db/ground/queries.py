"""A golfer's courses and greens by name."""

from collections.abc import Sequence
from typing import Any
from uuid import UUID

from sqlalchemy import delete, exists, func, select
from sqlalchemy.orm import Session, aliased

from orthocline.db.entries import one_at_a_time, same
from orthocline.db.ground.models import Course, Green, GreenChart, GreenScan, GreenStudy


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


def green_named(session: Session, course_id: int, name: str) -> Green | None:
    """Return the green of that name on a course."""
    return session.scalar(select(Green).where(Green.course_id == course_id, same(Green.name, name)))


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
    green = green_named(session, course.id, name)
    if green is None:
        green = Green(golfer_id=course.golfer_id, course_id=course.id, name=name)
        session.add(green)
    green.name = name
    session.flush()
    return green


def charted_greens(
    session: Session, golfer_id: int, *, unless_of: int | None = None
) -> Sequence[tuple[Course, Green, GreenChart | None]]:
    """Return a golfer's greens with their courses and the charts that hold, as they came.

    Those that another golfer, if one is meant, has charted by the same names are left out.
    """
    holds = (GreenChart.green_id == Green.id) & (GreenChart.number == Green.chart_number)
    query = select(Course, Green, GreenChart).join(Green, Green.course_id == Course.id)
    query = query.outerjoin(GreenChart, holds).where(Green.golfer_id == golfer_id)
    if unless_of is not None:
        course, green = aliased(Course), aliased(Green)
        charted = exists().where(
            green.golfer_id == unless_of,
            green.chart_number > 0,
            course.id == green.course_id,
            func.folded(course.name) == func.folded(Course.name),
            func.folded(green.name) == func.folded(Green.name),
        )
        query = query.where(~charted)
    return [(row[0], row[1], row[2]) for row in session.execute(query.order_by(Course.id, Green.id))]


def edits_since(session: Session, green: Green, mark: str) -> Sequence[UUID] | None:
    """Return the keys of the edits of a green's chart since one of them; None where that one is gone."""
    holding = (GreenChart.green_id == green.id) & (GreenChart.number <= green.chart_number)
    keys = session.scalars(select(GreenChart.key).where(holding).order_by(GreenChart.number.desc())).all()
    marks = [str(key) for key in keys]
    return keys[: marks.index(mark)] if mark in marks else None


def charts_near(session: Session, green: Green) -> dict[int, GreenChart]:
    """Return the chart of a green that holds, the one before it and the one after, by their numbers."""
    near = [green.chart_number - 1, green.chart_number, green.chart_number + 1]
    query = select(GreenChart).where(GreenChart.green_id == green.id, GreenChart.number.in_(near))
    return {one.number: one for one in session.scalars(query)}


def add_chart(session: Session, green: Green, chart: GreenChart, kept: int) -> None:
    """Let a chart hold in place of the one before it; what was undone goes, and all but the last `kept`."""
    number = green.chart_number + 1
    undone = (GreenChart.number >= number) | (GreenChart.number <= number - kept)
    old = delete(GreenChart).where(GreenChart.green_id == green.id, undone).returning(GreenChart.scan_id)
    scanned = any(session.scalars(old).all())
    chart.green_id, chart.golfer_id, chart.number = green.id, green.golfer_id, number
    session.add(chart)
    green.chart_number = number
    session.flush()
    if scanned:
        of_charts = GreenChart.green_id == green.id, GreenChart.scan_id.is_not(None)
        held = select(GreenChart.scan_id).where(*of_charts)
        session.execute(delete(GreenScan).where(GreenScan.green_id == green.id, GreenScan.id.not_in(held)))


def add_scan(session: Session, green: Green, scan: dict[str, Any]) -> int:
    """Keep a scan of a green, and return its number."""
    kept = GreenScan(golfer_id=green.golfer_id, green_id=green.id, scan=scan)
    session.add(kept)
    session.flush()
    return kept.id


def scan_key(session: Session, scan_id: int) -> UUID:
    """Return what no other scan is known by."""
    return session.scalars(select(GreenScan.key).where(GreenScan.id == scan_id)).one()


def scan_document(session: Session, scan_id: int) -> dict[str, Any]:
    """Return a scan in the open format."""
    scan: dict[str, Any] = session.scalars(select(GreenScan.scan).where(GreenScan.id == scan_id)).one()
    return scan


def studies_of_green(session: Session, green_id: int) -> Sequence[GreenStudy]:
    """Return the studies of a green, deleted or not, newest first, without what was found."""
    query = select(GreenStudy).where(GreenStudy.green_id == green_id)
    return session.scalars(query.order_by(GreenStudy.asked_at.desc(), GreenStudy.id.desc())).all()

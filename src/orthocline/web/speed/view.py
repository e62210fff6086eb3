"""The speed book's variables."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from flask import url_for

from orthocline.core.speed import METHODS, DayEffect
from orthocline.drawing.scene import Scene
from orthocline.drawing.speed.trend import Measured, trend
from orthocline.services.speed.book import Condition, DaySpeed, KeptSpeed
from orthocline.wording.dates import Calendar
from orthocline.wording.figures import speed_text
from orthocline.wording.speed.book import because, condition_words, how_words
from orthocline.wording.speed.day import day_words


@dataclass(frozen=True)
class Row:
    """One speed of the book."""

    id: int
    speed: str
    within: str
    place: str
    when: str
    iso: str
    how: str
    condition: str
    note: str
    evidence: str
    by: str = ""


@dataclass(frozen=True)
class BookView:
    """Everything the speed book shows.

    Attributes
    ----------
    day : DaySpeed or None
        None while the book is empty.
    because : str
        What the day's speed is made of, and how old it is.
    against : str
        How it is against the golfer's usual green.
    """

    rows: tuple[Row, ...]
    courses: tuple[str, ...]
    course: str
    day: DaySpeed | None = None
    because: str = ""
    against: str = ""
    trend: Scene | None = None


def book_view(
    notes: Sequence[KeptSpeed],
    courses: Sequence[str],
    day: DaySpeed | None,
    usual_ft: float | None,
    calendar: Calendar,
    now: datetime,
) -> BookView:
    """Return the book: the notes of one course, newest first, with the speed of its last day."""
    rows = tuple(row(note, calendar) for note in notes)
    if day is None or not notes:
        return BookView(rows, tuple(courses), "")
    course = day.place.course
    measured = [Measured(note.measured_at, note.speed_ft, note.method) for note in notes]
    drawn = trend(measured, day.speed_ft, calendar, now)
    return BookView(
        rows, tuple(courses), course, day, _because(day, calendar, now), _against(day, usual_ft), drawn
    )


def row(note: KeptSpeed, calendar: Calendar) -> Row:
    """Return one speed as the list shows it."""
    return Row(
        note.id,
        speed_text(note.speed_ft.value),
        f"±{speed_text(note.speed_ft.within)} ft",
        note.place.text,
        calendar.moment(note.measured_at),
        calendar.here(note.measured_at).isoformat(timespec="minutes"),
        how_words(note.method, note.was_ft),
        _condition(note.condition),
        note.condition.note,
        _again(note),
        note.by,
    )


def _again(note: KeptSpeed) -> str:
    """Return the address that goes over a speed again, on its method's own page where it has one."""
    if note.evidence is None:
        return ""
    page = url_for("other_methods.page" if METHODS[note.method].figures else f"{note.method}.page")
    return f"{page}?{note.evidence.choosing(course=note.place.course, green=note.place.green).query}"


def _condition(seen: Condition) -> str:
    return condition_words((seen.mowing, seen.moisture, seen.firmness), seen.trueness, seen.smoothness)


def _against(day: DaySpeed, usual_ft: float | None) -> str:
    speed_ft = day.speed_ft.value
    return day_words(speed_ft, usual_ft, DayEffect.on_the_level(speed_ft, usual_ft)) if usual_ft else ""


def _because(day: DaySpeed, calendar: Calendar, now: datetime) -> str:
    measures = [(note.method, note.speed_ft.value) for note in day.notes]
    return because(measures, calendar.ago(day.measured_at, now))

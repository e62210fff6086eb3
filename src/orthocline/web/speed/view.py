"""The speed book's variables."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from flask import url_for

from orthocline.drawing.scene import Scene
from orthocline.drawing.speed.trend import Measured, trend
from orthocline.services.speed.book import METHODS, Condition, DaySpeed, KeptSpeed
from orthocline.wording.figures import speed_text, when_words

PAGES = {
    "ramp": "ramp.page",
    "posted": "other_methods.page",
    "timed": "other_methods.page",
    "stroke": "other_methods.page",
}
"""The page that measures by a method."""


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


@dataclass(frozen=True)
class BookView:
    """Everything the speed book shows.

    Attributes
    ----------
    day : DaySpeed or None
        None while the book is empty.
    because : str
        What the day's speed is made of, and how old it is.
    """

    rows: tuple[Row, ...]
    courses: tuple[str, ...]
    course: str
    day: DaySpeed | None = None
    because: str = ""
    trend: Scene | None = None


def book_view(
    notes: Sequence[KeptSpeed], courses: Sequence[str], day: DaySpeed | None, now: datetime
) -> BookView:
    """Return the book: the notes of one course, newest first, with the speed of its last day."""
    rows = tuple(row(note) for note in notes)
    if day is None or not notes:
        return BookView(rows, tuple(courses), "")
    course = day.notes[0].course
    measured = [Measured(note.measured_at, note.speed_ft, note.method) for note in notes]
    drawn = trend(measured, day.speed_ft, now)
    return BookView(rows, tuple(courses), course, day, _because(day, now), drawn)


def row(note: KeptSpeed) -> Row:
    """Return one speed as the list shows it."""
    here = note.measured_at.astimezone()
    page = url_for(PAGES[note.method])
    return Row(
        note.id,
        speed_text(note.speed_ft.value),
        f"±{speed_text(note.speed_ft.within)} ft",
        note.place,
        f"{here:%-d %b, %H:%M}",
        here.isoformat(timespec="minutes"),
        METHODS[note.method],
        _condition(note.condition),
        note.condition.note,
        f"{page}?{note.evidence}" if note.evidence else "",
    )


def _condition(seen: Condition) -> str:
    words = [seen.mowing, seen.moisture, seen.firmness]
    words += [
        f"{name} {got}/5" for name, got in (("true", seen.trueness), ("smooth", seen.smoothness)) if got
    ]
    return ", ".join(word for word in words if word)


def _because(day: DaySpeed, now: datetime) -> str:
    when = when_words(day.measured_at, now)
    if len(day.notes) == 1:
        return f"By {METHODS[day.method]}, {when}."
    parts = ", ".join(f"{METHODS[note.method]} {speed_text(note.speed_ft.value)}" for note in day.notes)
    return f"From {len(day.notes)} measures, the surer ones weighing more ({parts}), {when}."

"""The speed book: green speeds kept by course, green and time, and the one that a read uses."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.constants import MODEL_VERSION
from orthocline.core.estimate import Estimate, combine
from orthocline.core.roll import RANGES
from orthocline.core.speed import METHODS, STALE_H, aged
from orthocline.db.entries import add_once
from orthocline.db.ground.queries import course_named, place_named
from orthocline.db.speed.models import NOTE_LENGTH as NOTE_LENGTH
from orthocline.db.speed.models import SpeedNote
from orthocline.db.speed.queries import measured_courses, median_speed_ft, newest_speed, speeds_of
from orthocline.formats.sheet import Sheet
from orthocline.formats.speed_origin import SEVERAL, SpeedOrigin
from orthocline.services.account.access import Share, Viewer, open_play, own_data
from orthocline.services.errors import InvalidError
from orthocline.services.ground.places import NOWHERE, Place, place_of, put_at
from orthocline.services.speed.notes import DAY, evidence_of, kept_speed
from orthocline.services.speed.notes import Condition as Condition
from orthocline.services.speed.notes import KeptSpeed as KeptSpeed
from orthocline.services.speed.posted import posted_speeds
from orthocline.services.text import short_text, tidy_text
from orthocline.services.undo import delete_entry, find_entry, restore_entry

MOWING = ("mown today", "rolled today", "mown yesterday", "not mown")
MOISTURE = ("dry", "damp", "wet")
FIRMNESS = ("soft", "medium", "firm")
RATINGS = range(1, 6)
MISSING = "speed in your book"
LEAST_SPEEDS = 3
"""So many speeds make a usual one."""
LONGEST_AGO = timedelta(days=3653)
SLACK = timedelta(minutes=5)
"""Clocks differ: a time so little ahead is not in the future."""


@dataclass(frozen=True)
class DaySpeed:
    """The speed of a day, from one or more notes.

    Attributes
    ----------
    speed_ft : Estimate
        As sure as it is now: each note aged, weighted and combined.
    notes : tuple of KeptSpeed
        Those that went into it, newest first.
    stale : bool
        Whether it was measured too long ago.
    """

    speed_ft: Estimate
    notes: tuple[KeptSpeed, ...]
    stale: bool

    @property
    def measured_at(self) -> datetime:
        """When the newest of them was measured."""
        return self.notes[0].measured_at

    @property
    def place(self) -> Place:
        """Where the golfer measured; what clubs posted is of the whole course."""
        own = [note for note in self.notes if not note.by] or self.notes
        first = own[0].place
        return first if all(note.place == first for note in own) else Place(first.course)

    @property
    def method(self) -> str:
        """How it was found: one of `METHODS`, or ``several``."""
        methods = {note.method for note in self.notes}
        return methods.pop() if len(methods) == 1 else SEVERAL

    @property
    def trueness(self) -> int | None:
        """How true the green rolls, as it was rated last."""
        return next((note.condition.trueness for note in self.notes if note.condition.trueness), None)

    @property
    def origin(self) -> SpeedOrigin:
        """The same as a read carries it in its address: as sure as it was when measured."""
        then = _combined(self.notes, self.measured_at)
        return SpeedOrigin(round(then.value, 1), round(then.within, 1), self.measured_at, self.method)


@open_play("Measuring green speed")
def keep_speed(
    viewer: Viewer,
    session: Session,
    *,
    speed_ft: Estimate,
    method: str,
    place: Place,
    measured_at: datetime,
    evidence: Sheet | None = None,
    condition: Condition | None = None,
    key: UUID | None = None,
) -> SpeedNote:
    """Keep a green speed in the book of the golfer, or of the club that they keep.

    The same `key` again is the same speed.

    Raises
    ------
    InvalidError
        For a missing course, words that are too long, a speed that no green has, or a time to come.
    KeyError
        For a method that is not one of `METHODS`.
    NotAllowedError
        In Competition.
    """
    least, most = RANGES.green_speed_ft
    if not least <= speed_ft.value <= most:
        raise InvalidError("speed", f"A green speed lies between {least:g} and {most:g} feet.")
    if measured_at > datetime.now(UTC) + SLACK:
        raise InvalidError("when", "That time is still to come.")
    if measured_at < datetime.now(UTC) - LONGEST_AGO:
        raise InvalidError("when", "That is more than ten years ago.")
    note = SpeedNote(
        golfer_id=viewer.kept_id(Share.SPEEDS),
        key=key,
        measured_at=measured_at,
        method=METHODS[method].name,
        speed_ft=speed_ft.value,
        sd_ft=speed_ft.sd,
        evidence=evidence.document if evidence else None,
        model_version=MODEL_VERSION,
    )
    _describe(session, note, place, condition or Condition())
    return add_once(session, note)


@open_play("Measuring green speed")
def last_sheet(viewer: Viewer, session: Session, method: str) -> Sheet | None:
    """Return what the golfer's last speed by a method was found from."""
    note = newest_speed(session, viewer.owner_id, method=method)
    return evidence_of(note) if note else None


@open_play("The speed book")
def describe_speed(
    viewer: Viewer, session: Session, note_id: int, *, place: Place, condition: Condition
) -> None:
    """Write anew where a kept speed was measured and how the green was.

    Raises
    ------
    InvalidError
        For a missing course or words that are too long.
    NotFoundError
        When there is none of that number.
    """
    note = find_entry(viewer, session, SpeedNote, note_id, MISSING)
    _describe(session, note, place, condition)


@own_data
def last_place(viewer: Viewer, session: Session) -> Place:
    """Return where a speed was measured last."""
    note = newest_speed(session, viewer.owner_id)
    return place_of(note) if note else NOWHERE


def _describe(session: Session, note: SpeedNote, place: Place, condition: Condition) -> None:
    if not tidy_text(place.course):
        raise InvalidError("course", "Which course? A name is enough.")
    put_at(session, note, place)
    note.mowing, note.moisture, note.firmness = condition.mowing, condition.moisture, condition.firmness
    note.trueness, note.smoothness = condition.trueness, condition.smoothness
    note.note = short_text("note", condition.note, NOTE_LENGTH)


@open_play("The speed book")
def list_speeds(viewer: Viewer, session: Session, course: str = "") -> list[KeptSpeed]:
    """Return the speeds of whoever is looked at, newest first, of all courses or of one."""
    owner_id = viewer.seen_id(Share.SPEEDS)
    known = course_named(session, owner_id, course) if course else None
    if course and known is None:
        return []
    return [kept_speed(note) for note in speeds_of(session, owner_id, course=known)]


@own_data
def list_courses(viewer: Viewer, session: Session) -> list[str]:
    """Return the courses of the golfer's book."""
    return [course.name for course in measured_courses(session, viewer.owner_id)]


@open_play("The speed book")
def find_speed(viewer: Viewer, session: Session, note_id: int) -> KeptSpeed:
    """Return one speed of the golfer's own book; raises as `find_entry` does."""
    return kept_speed(find_entry(viewer, session, SpeedNote, note_id, MISSING))


@own_data
def delete_speed(viewer: Viewer, session: Session, note_id: int) -> None:
    """Delete a speed, with a way back; raises as `delete_entry` does."""
    delete_entry(viewer, session, SpeedNote, note_id, MISSING)


@own_data
def restore_speed(viewer: Viewer, session: Session, note_id: int) -> None:
    """Bring a deleted speed back; raises as `restore_entry` does."""
    restore_entry(viewer, session, SpeedNote, note_id)


@open_play("The speed book")
def day_speed(viewer: Viewer, session: Session, now: datetime, place: Place = NOWHERE) -> DaySpeed | None:
    """Return the speed for a place: that of the day on which its course was measured last.

    The measures of one green are taken where the place names that green and it has any; else all of the
    course's. Without a course it is the one measured last of all. None where nothing was measured: another
    course's speed says nothing.
    """
    owner_id, name = viewer.owner_id, tidy_text(place.course)
    course, green = place_named(session, owner_id, name, tidy_text(place.green)) if name else (None, None)
    newest = newest_speed(session, owner_id, course=course) if course or not name else None
    posts = posted_speeds(viewer, session, newest.names[0] if newest else name)
    if newest is None and not name:
        posts = sorted(posts, key=lambda one: one.measured_at)[-1:]
    latest = max((one.measured_at for one in (newest, *posts) if one), default=None)
    if latest is None:
        return None
    begins = latest - DAY
    notes = speeds_of(session, owner_id, course=newest.course, since=begins) if newest else []
    notes = [note for note in notes if green and note.green_id == green.id] or notes
    found = [*map(kept_speed, notes), *(one for one in posts if one.measured_at >= begins)]
    found.sort(key=lambda one: one.measured_at, reverse=True)
    return combined(tuple(found), now)


@open_play("The speed book")
def usual_speed_ft(viewer: Viewer, session: Session) -> float | None:
    """Return the speed [ft] of the golfer's usual green, the median of the book; None for a few speeds."""
    return median_speed_ft(session, viewer.owner_id, LEAST_SPEEDS)


def combined(notes: tuple[KeptSpeed, ...], now: datetime) -> DaySpeed:
    """Return the speed that notes, newest first, make together now."""
    return DaySpeed(_combined(notes, now), notes, is_stale(notes[0].measured_at, now))


def is_stale(measured_at: datetime, now: datetime) -> bool:
    """Return whether a speed was measured too long ago to be used without a thought."""
    return now - measured_at > timedelta(hours=STALE_H)


def aged_note(note: KeptSpeed, now: datetime) -> Estimate:
    """Return a kept speed [ft] as sure as it is now."""
    return aged(note.speed_ft, hours_since(note.measured_at, now))


def beside_the_book(
    speed_ft: Estimate, day: DaySpeed | None, now: datetime, most: int
) -> tuple[list[tuple[KeptSpeed, Estimate]], Estimate | None]:
    """Return what the book has beside a speed just found, and what all of it makes together.

    Kept speeds, at `most` so many, each with how sure it is now; nothing where the day's speed is old.
    """
    if day is None or day.stale:
        return [], None
    kept = [(note, aged_note(note, now)) for note in day.notes[:most]]
    return kept, combine([speed_ft, _combined(day.notes[:most], now)])


def hours_since(then: datetime, now: datetime) -> float:
    """Return the hours from one time to another."""
    return (now - then).total_seconds() / 3600.0


def _combined(notes: Sequence[KeptSpeed], at: datetime) -> Estimate:
    """Return what a day's notes, newest first, make together: the green has aged for all of them at once."""
    newest = notes[0].measured_at
    return aged(combine([aged_note(note, newest) for note in notes]), hours_since(newest, at))

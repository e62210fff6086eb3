"""The log: save a read, note a putt, record where the ball finished, and find it again."""

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.calls import SCHOOLS, Answer
from orthocline.core.constants import MODEL_VERSION
from orthocline.core.log import FARTHEST_FINISH_M, Finish
from orthocline.core.roll import Putt, Read
from orthocline.core.sure import CERTAIN, Sureness, Uncertainty
from orthocline.db.entries import LARGEST_ID, add_once
from orthocline.db.log.models import NOTE_LENGTH as NOTE_LENGTH
from orthocline.db.log.models import LoggedPutt
from orthocline.db.log.queries import count_putts, putts_of
from orthocline.formats.putt_document import document_of
from orthocline.formats.putt_document import putt_of as putt_of_document
from orthocline.formats.read_document import summary_document
from orthocline.services.account.access import Viewer, open_play, own_data
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.ground.places import NOWHERE, Place, place_of, put_at
from orthocline.services.text import short_text, tidy_text
from orthocline.services.undo import delete_entry, find_entry, restore_entry
from orthocline.wording.read.warnings import warning_words

PUTTS_A_PAGE = 50
MOST_COUNTED = 1000
"""Nobody needs to know how many more there are than so many."""
EPOCH = datetime(1970, 1, 1, tzinfo=UTC)
MISSING = "putt in your log"
LONGEST_M = 100.0


@dataclass(frozen=True)
class OwnKept:
    """What the golfer read before the call was shown, as it is kept with a putt.

    Attributes
    ----------
    aim_right_m : float or None
        The aim of the own read [m], positive to the right.
    answer : Answer or None
        The own read in its own words.
    impression_m : float or None
        The aim of the first impression [m].
    """

    aim_right_m: float | None = None
    answer: Answer | None = None
    impression_m: float | None = None


NOTHING_OWN = OwnKept()


@dataclass(frozen=True)
class Entry:
    """A putt of the log as its golfer may see it; what was read is None in Competition, or where nothing was.

    Attributes
    ----------
    green_id : int or None
        The number of its green, where that is known.
    finish : Finish or None
        None for a holed ball, and until it is recorded (`holed` None).
    putt : Putt or None
        What was asked.
    read : dict or None
        The summary of the read.
    """

    id: int
    created_at: datetime
    place: Place
    green_id: int | None
    length_m: float
    note: str
    holed: bool | None
    finish: Finish | None
    putt: Putt | None
    read: dict[str, Any] | None
    own: OwnKept


@dataclass(frozen=True)
class LogPage:
    """A page of the log; how many there are in all, up to `MOST_COUNTED`; the mark of older ones, if any."""

    putts: tuple[LoggedPutt, ...]
    total: int
    older: str


@open_play("Saving a read")
def save_read(
    viewer: Viewer,
    session: Session,
    read: Read,
    *,
    place: Place = NOWHERE,
    own: OwnKept = NOTHING_OWN,
    uncertainty: Uncertainty = CERTAIN,
    note: str = "",
    key: UUID | None = None,
) -> LoggedPutt:
    """Log a read with its intention; the finish is recorded later. The same `key` again is the same putt."""
    putt = LoggedPutt(
        golfer_id=viewer.owner_id,
        key=key,
        length_m=read.putt.length_m,
        green_speed_ft=read.putt.green_speed_ft,
        putt_document=document_of(read.putt, uncertainty),
        read_document=summary_document(read, warning_words(read), Sureness(read, uncertainty)),
        model_version=MODEL_VERSION,
        own_aim_right_m=own.aim_right_m,
        own_school=own.answer.name if own.answer else None,
        own_figures=list(own.answer.figures) if own.answer else None,
        impression_right_m=own.impression_m,
        note=short_text("note", note, NOTE_LENGTH),
    )
    put_at(viewer, session, putt, place)
    return add_once(session, putt)


@own_data
def note_putt(
    viewer: Viewer,
    session: Session,
    *,
    length_m: float,
    place: Place = NOWHERE,
    note: str = "",
    key: UUID | None = None,
) -> LoggedPutt:
    """Log a putt without a read, as Competition allows. The same `key` again is the same putt."""
    if not 0.0 < length_m <= LONGEST_M:
        raise InvalidError("length", f"A putt is up to {LONGEST_M:g} metres long.")
    putt = LoggedPutt(
        golfer_id=viewer.owner_id,
        key=key,
        length_m=length_m,
        note=short_text("note", note, NOTE_LENGTH),
    )
    put_at(viewer, session, putt, place)
    return add_once(session, putt)


@own_data
def find_putt(viewer: Viewer, session: Session, putt_id: int) -> LoggedPutt:
    """Return a putt of the golfer's own log; raises as `find_entry` does."""
    return find_entry(viewer, session, LoggedPutt, putt_id, MISSING)


@own_data
def list_putts(
    viewer: Viewer, session: Session, *, result: str = "", place: str = "", before: str = ""
) -> LogPage:
    """Return a page of the golfer's putts, newest first, filtered by result and part of the place.

    Raises
    ------
    NotFoundError
        For a `before` that no page has given.
    """
    tidy, start = tidy_text(place), _place_of(before) if before else None
    putts = putts_of(
        session, viewer.owner_id, result=result, place=tidy, before=start, limit=PUTTS_A_PAGE + 1
    )
    page, more = tuple(putts[:PUTTS_A_PAGE]), len(putts) > PUTTS_A_PAGE
    if not more and not before:
        return LogPage(page, len(page), "")
    total = count_putts(session, viewer.owner_id, result=result, place=tidy, most=MOST_COUNTED)
    return LogPage(page, total, _mark_of(page[-1]) if more else "")


@own_data
def shown(viewer: Viewer, putt: LoggedPutt) -> Entry:
    """Return what a golfer may see of a putt of theirs: in Competition nothing that was measured or read."""
    return Entry(
        putt.id,
        putt.created_at,
        place_of(putt),
        putt.green_id,
        putt.length_m,
        putt.note,
        putt.holed,
        None
        if putt.finish_along_m is None or putt.finish_across_m is None
        else Finish(putt.finish_along_m, putt.finish_across_m),
        *((None, None, NOTHING_OWN) if viewer.in_competition else _read_part(putt)),
    )


def _read_part(putt: LoggedPutt) -> tuple[Putt | None, dict[str, Any] | None, OwnKept]:
    asked = putt_of_document(putt.putt_document) if putt.putt_document else None
    answer = None
    if putt.own_school in SCHOOLS and putt.own_figures:
        answer = Answer(putt.own_school, tuple(putt.own_figures))
    return asked, putt.read_document, OwnKept(putt.own_aim_right_m, answer, putt.impression_right_m)


def _mark_of(putt: LoggedPutt) -> str:
    since = putt.created_at - EPOCH
    return f"{since // timedelta(microseconds=1)}-{putt.id}"


def _place_of(mark: str) -> tuple[datetime, int]:
    when, _, number = mark.partition("-")
    try:
        place = EPOCH + timedelta(microseconds=int(when)), int(number)
    except (ValueError, OverflowError) as error:
        raise NotFoundError("There is no such page of your log.") from error
    if not 0 <= place[1] <= LARGEST_ID:
        raise NotFoundError("There is no such page of your log.")
    return place


@own_data
def record_finish(viewer: Viewer, session: Session, putt_id: int, finish: Finish | None) -> None:
    """Keep where the ball finished; None if it was holed.

    Raises
    ------
    InvalidError
        When the place is further from the hole than any putt finishes.
    NotFoundError
        When there is none of that number.
    """
    putt = find_putt(viewer, session, putt_id)
    if finish and not finish.plausible:
        raise InvalidError("finish", f"A finish lies within {FARTHEST_FINISH_M:g} metres of the hole.")
    putt.holed = finish is None
    putt.finish_along_m = finish.along_m if finish else None
    putt.finish_across_m = finish.across_m if finish else None


@own_data
def edit_putt(viewer: Viewer, session: Session, putt_id: int, *, place: Place, note: str) -> None:
    """Change what was written of a putt; raises as `find_entry` does."""
    putt = find_putt(viewer, session, putt_id)
    putt.note = short_text("note", note, NOTE_LENGTH)
    put_at(viewer, session, putt, place)


@own_data
def delete_putt(viewer: Viewer, session: Session, putt_id: int) -> None:
    """Delete a putt, with a way back; raises as `delete_entry` does."""
    delete_entry(viewer, session, LoggedPutt, putt_id, MISSING)


@own_data
def restore_putt(viewer: Viewer, session: Session, putt_id: int) -> LoggedPutt:
    """Bring a deleted putt back; raises as `restore_entry` does."""
    return restore_entry(viewer, session, LoggedPutt, putt_id)

"""The log: save a read, note a putt, record where the ball finished, and find it again."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.api import MODEL_VERSION, Read
from orthocline.db.models import NOTE_LENGTH, PLACE_LENGTH, Golfer, LoggedPutt
from orthocline.db.queries import add_once, entry_of, purge_deleted, putt_of, putts_of
from orthocline.formats.putt_document import document_of
from orthocline.formats.read_document import summary_document
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.text import short_text, tidy_text

UNDO_TIME = timedelta(days=1)
"""How long a deleted putt can be brought back before it is deleted for good."""
NO_PUTT = "There is no such putt in your log. It may have been deleted."
FARTHEST_FINISH_M = 30.0
LONGEST_M = 100.0


@dataclass(frozen=True)
class Finish:
    """Where the ball rested from the hole's centre: beyond it and to the right [m]; None if holed."""

    along_m: float
    across_m: float


def save_read(
    session: Session,
    golfer: Golfer,
    answer: Read,
    *,
    place: str = "",
    own_aim_right_m: float | None = None,
    note: str = "",
    key: UUID | None = None,
) -> LoggedPutt:
    """Log a read with its intention; the finish is recorded later. The same `key` again is the same putt."""
    putt = LoggedPutt(
        golfer_id=golfer.id,
        key=key,
        place=short_text("place", place, PLACE_LENGTH),
        length_m=answer.putt.length_m,
        green_speed_ft=answer.putt.green_speed_ft,
        putt_document=document_of(answer.putt),
        read_document=summary_document(answer),
        model_version=MODEL_VERSION,
        own_aim_right_m=own_aim_right_m,
        note=short_text("note", note, NOTE_LENGTH),
    )
    return add_once(session, putt)


def note_putt(
    session: Session, golfer: Golfer, *, length_m: float, place: str, note: str, key: UUID | None = None
) -> LoggedPutt:
    """Log a putt without a read, as Competition allows. The same `key` again is the same putt."""
    if not 0.0 < length_m <= LONGEST_M:
        raise InvalidError("length", f"A putt is up to {LONGEST_M:g} metres long.")
    putt = LoggedPutt(
        golfer_id=golfer.id,
        key=key,
        place=short_text("place", place, PLACE_LENGTH),
        length_m=length_m,
        note=short_text("note", note, NOTE_LENGTH),
    )
    return add_once(session, putt)


def find_putt(session: Session, golfer: Golfer, putt_id: int) -> LoggedPutt:
    """Return a putt of the golfer's own log.

    Raises
    ------
    NotFoundError
        When there is none of that number, whether or not somebody else has one.
    """
    putt = putt_of(session, golfer.id, putt_id)
    if putt is None:
        raise NotFoundError(NO_PUTT)
    return putt


def list_putts(
    session: Session, golfer: Golfer, *, result: str = "", place: str = ""
) -> Sequence[LoggedPutt]:
    """Return the golfer's putts, newest first, filtered by result and part of the place."""
    return putts_of(session, golfer.id, result=result, place=tidy_text(place))


def record_finish(putt: LoggedPutt, finish: Finish | None) -> None:
    """Keep where the ball finished; None if it was holed.

    Raises
    ------
    InvalidError
        When the place is further from the hole than any putt finishes.
    """
    if finish and not max(abs(finish.along_m), abs(finish.across_m)) <= FARTHEST_FINISH_M:
        raise InvalidError("finish", f"A finish lies within {FARTHEST_FINISH_M:g} metres of the hole.")
    putt.holed = finish is None
    putt.finish_along_m = finish.along_m if finish else None
    putt.finish_across_m = finish.across_m if finish else None


def edit_putt(putt: LoggedPutt, *, place: str, note: str) -> None:
    """Change what was written of a putt."""
    putt.place, putt.note = short_text("place", place, PLACE_LENGTH), short_text("note", note, NOTE_LENGTH)


def delete_putt(session: Session, golfer: Golfer, putt_id: int) -> None:
    """Delete a putt; it can be restored for a day, and is then deleted for good. Twice is as good as once.

    Raises
    ------
    NotFoundError
        When there is none of that number.
    """
    putt, now = entry_of(session, LoggedPutt, golfer.id, putt_id), datetime.now(UTC)
    if putt is None:
        raise NotFoundError(NO_PUTT)
    putt.deleted_at = putt.deleted_at or now
    purge_deleted(session, golfer.id, now - UNDO_TIME)


def restore_putt(session: Session, golfer: Golfer, putt_id: int) -> LoggedPutt:
    """Bring a deleted putt back. Twice is as good as once.

    Raises
    ------
    NotFoundError
        When it is gone for good, or is not the golfer's.
    """
    putt = entry_of(session, LoggedPutt, golfer.id, putt_id)
    if putt is None:
        raise NotFoundError("That putt cannot be brought back any more.")
    putt.deleted_at = None
    return putt

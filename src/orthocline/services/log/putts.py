"""The log: find putts again, page by page; change what is written of one; delete with a way back."""

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from sqlalchemy.orm import Session

from orthocline.db.entries import LARGEST_ID, entry_of
from orthocline.db.log.models import NOTE_LENGTH as NOTE_LENGTH
from orthocline.db.log.models import LoggedPutt as LoggedPutt
from orthocline.db.log.queries import count_putts, putts_of
from orthocline.db.log.which import ALL as ALL
from orthocline.db.log.which import Which as Which
from orthocline.services.account.access import Share, Viewer, own_data, shared_data
from orthocline.services.errors import NotFoundError
from orthocline.services.undo import delete_entry, find_entry, restore_entry

PUTTS_A_PAGE = 50
MOST_COUNTED = 1000
"""Nobody needs to know how many more there are than so many."""
EPOCH = datetime(1970, 1, 1, tzinfo=UTC)
MISSING = "putt in your log"


@dataclass(frozen=True)
class LogPage:
    """A page of the log; how many there are in all, up to `MOST_COUNTED`; the mark of older ones, if any."""

    putts: tuple[LoggedPutt, ...]
    total: int
    older: str


@own_data
def find_putt(viewer: Viewer, session: Session, putt_id: int) -> LoggedPutt:
    """Return a putt of the golfer's own log; raises as `find_entry` does."""
    return find_entry(viewer, session, LoggedPutt, putt_id, MISSING)


@shared_data(Share.LOG)
def seen_putt(viewer: Viewer, session: Session, putt_id: int) -> LoggedPutt:
    """Return a putt of the log that is looked at, to be looked at alone.

    Raises
    ------
    NotFoundError
        When there is none of that number in it.
    """
    putt = entry_of(session, LoggedPutt, viewer.seen_id(Share.LOG), putt_id)
    if putt is None or putt.deleted_at:
        raise NotFoundError(f"There is no such {MISSING}. It may have been deleted.")
    return putt


@shared_data(Share.LOG)
def list_putts(viewer: Viewer, session: Session, which: Which = ALL, *, before: str = "") -> LogPage:
    """Return a page of those putts of the log that is looked at that are meant, newest first.

    Raises
    ------
    NotFoundError
        For a `before` that no page has given.
    """
    start = _place_of(before) if before else None
    putts = putts_of(session, viewer.seen_id(Share.LOG), which, before=start, limit=PUTTS_A_PAGE + 1)
    page, more = tuple(putts[:PUTTS_A_PAGE]), len(putts) > PUTTS_A_PAGE
    if not more and not before:
        return LogPage(page, len(page), "")
    total = count_putts(session, viewer.seen_id(Share.LOG), which, most=MOST_COUNTED)
    return LogPage(page, total, _mark_of(page[-1]) if more else "")


@own_data
def delete_putt(viewer: Viewer, session: Session, putt_id: int) -> None:
    """Delete a putt, with a way back; raises as `delete_entry` does."""
    delete_entry(viewer, session, LoggedPutt, putt_id, MISSING)


@own_data
def restore_putt(viewer: Viewer, session: Session, putt_id: int) -> LoggedPutt:
    """Bring a deleted putt back; raises as `restore_entry` does."""
    return restore_entry(viewer, session, LoggedPutt, putt_id)


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

"""Sessions that coaches set, as both sides see them."""

from typing import NamedTuple

from orthocline.services.share.coaching import SetSession
from orthocline.services.train.drills import Shelf
from orthocline.wording.share.sharing import state_words
from orthocline.wording.wording import Wording


class SetRow(NamedTuple):
    """A session that was set: by whom, what it is, and what became of it."""

    number: int
    coach: str
    drills: str
    minutes: str
    words: str
    when: str
    state: str
    begun: bool


def session_row(one: SetSession, shelf: Shelf, wording: Wording) -> SetRow:
    """Return a set session as it is listed."""
    names = [shelf.drills[slot.what].name if slot.what in shelf.drills else slot.what for slot in one.slots]
    plan, calendar = one.plan, wording.calendar
    done, begun_at = (plan.done, plan.begun_at) if plan else (0, None)
    return SetRow(
        one.row.id,
        one.row.coach_name,
        ", ".join(names),
        f"{one.minutes:g} min",
        one.row.words,
        calendar.day(one.row.left_at),
        state_words(done, len(one.slots), begun_at, calendar),
        plan is not None,
    )

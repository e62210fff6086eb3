"""What a coach leaves for pupils: a note on a putt, a session of drills. Advice, so for open play alone."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.drills import Slot
from orthocline.db.entries import add_once, entry_of
from orthocline.db.share.models import WORDS_LENGTH as WORDS_LENGTH
from orthocline.db.share.models import CoachNote as CoachNote
from orthocline.db.share.models import CoachSession as CoachSession
from orthocline.db.share.queries import delete_left, newest_note, notes_on, sessions_left
from orthocline.db.train.models import PracticePlan
from orthocline.services.account.access import NOT_SHARED, Share, Viewer, open_play
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.log.putts import seen_putt
from orthocline.services.text import short_text
from orthocline.services.train.drills import shelf
from orthocline.services.train.practice import begin_slots, slot_members, slots_of

ROOM: Final = "Coaching"
MOST_NOTES: Final = 20
"""So many notes of one coach stand on one putt at most."""
MOST_DRILLS: Final = 8
SESSIONS_SHOWN: Final = 5


@dataclass(frozen=True)
class SetSession:
    """A session that a coach set: its row, its parts, and the practice that was made of it, if any."""

    row: CoachSession
    slots: tuple[Slot, ...]
    plan: PracticePlan | None

    @property
    def minutes(self) -> float:
        """How long it takes."""
        return sum(one.minutes for one in self.slots)


@open_play(ROOM)
def leave_note(
    viewer: Viewer, session: Session, putt_id: int, words: str, key: UUID | None = None
) -> CoachNote:
    """Leave a coach's note on a pupil's putt; the same `key` again is the same note.

    Raises
    ------
    InvalidError
        For a note without words, with too many, or on a putt that has too many.
    NotFoundError
        For a putt that is not shared with the coach.
    """
    pupil_id = _pupil_id(viewer, Share.LOG)
    putt, said = seen_putt(viewer, session, putt_id), short_text("words", words, WORDS_LENGTH)
    if not said:
        raise InvalidError("words", "What do you want to say of it?")
    if len(notes_on(session, pupil_id, [putt.id], _coach_id(viewer))) >= MOST_NOTES:
        raise InvalidError("words", f"{MOST_NOTES} notes of yours stand on it already.")
    note = CoachNote(golfer_id=pupil_id, key=key, putt_id=putt.id, words=said, **_by(viewer))
    return add_once(session, note)


@open_play(ROOM)
def notes_of(viewer: Viewer, session: Session, putts: Sequence[int]) -> Mapping[int, list[CoachNote]]:
    """Return the notes on putts of the log that is looked at, by their numbers: a coach sees their own."""
    found: dict[int, list[CoachNote]] = {}
    for one in notes_on(session, viewer.seen_id(Share.LOG), putts, _coach_id(viewer)):
        found.setdefault(one.putt_id, []).append(one)
    return found


@open_play(ROOM)
def last_note(viewer: Viewer, session: Session) -> CoachNote | None:
    """Return what a coach left last on a putt of the golfer's own."""
    return newest_note(session, viewer.owner_id)


@open_play(ROOM)
def take_note_away(viewer: Viewer, session: Session, note_id: int) -> None:
    """Take a note away: a golfer from a putt of theirs, a coach what they wrote themselves."""
    delete_left(session, CoachNote, viewer.seen_id(Share.LOG), note_id, _coach_id(viewer))


@open_play(ROOM)
def set_session(
    viewer: Viewer, session: Session, drills: Sequence[str], words: str, key: UUID | None = None
) -> CoachSession:
    """Set a pupil a session of drills, in their order; the same `key` again is the same session.

    Raises
    ------
    InvalidError
        For no drill, too many, one that is not on the shelf, or too many words.
    NotFoundError
        For a pupil whose drills are not shared with the coach.
    """
    pupil_id, known = _pupil_id(viewer, Share.DRILLS), shelf(viewer).drills
    if not drills:
        raise InvalidError("drills", "Choose a drill at least.")
    if len(drills) > MOST_DRILLS:
        raise InvalidError("drills", f"{MOST_DRILLS} drills are enough for one session.")
    for name in drills:
        if name not in known:
            raise InvalidError("drills", f"“{name[:40]}” is no drill on the shelf.")
    slots = [Slot(name, 0.0, known[name].minutes, known[name].trains[0]) for name in drills]
    said = short_text("words", words, WORDS_LENGTH)
    left = CoachSession(golfer_id=pupil_id, key=key, slots=slot_members(slots), words=said, **_by(viewer))
    return add_once(session, left)


@open_play(ROOM)
def sessions_of(viewer: Viewer, session: Session) -> list[SetSession]:
    """Return the newest sessions that were set the golfer who is looked at: a coach sees their own."""
    golfer_id = viewer.seen_id(Share.DRILLS)
    found = sessions_left(session, golfer_id, SESSIONS_SHOWN, _coach_id(viewer))
    return [SetSession(row, slots_of(row.slots), plan) for row, plan in found]


@open_play(ROOM)
def take_session_away(viewer: Viewer, session: Session, session_id: int) -> None:
    """Take a set session away: a golfer theirs, a coach what they set themselves."""
    delete_left(session, CoachSession, viewer.seen_id(Share.DRILLS), session_id, _coach_id(viewer))


@open_play(ROOM)
def begin_session(
    viewer: Viewer, session: Session, session_id: int, now: datetime, key: UUID | None = None
) -> None:
    """Begin a session that a coach set; raises NotFoundError where it was not set the golfer."""
    row = entry_of(session, CoachSession, viewer.owner_id, session_id)
    if row is None:
        raise NotFoundError(NOT_SHARED)
    known = shelf(viewer).drills
    slots = [one for one in slots_of(row.slots) if one.what in known]
    plan = begin_slots(viewer, session, slots, sum(one.minutes for one in slots), now, key)
    row.plan_id = plan.id


def _pupil_id(viewer: Viewer, what: Share) -> int:
    """Return whom a coach leaves something for; raises NotFoundError for their own."""
    if viewer.of is None:
        raise NotFoundError(NOT_SHARED)
    return viewer.seen_id(what)


def _coach_id(viewer: Viewer) -> int | None:
    """Return the number of the coach who looks at somebody else's; None for a golfer at their own."""
    return viewer.golfer.id if viewer.golfer and viewer.of else None


def _by(viewer: Viewer) -> dict[str, int | str]:
    """Return by whom something is left."""
    coach = viewer.golfer
    return {"coach_id": coach.id, "coach_name": coach.name} if coach else {}

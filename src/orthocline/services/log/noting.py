"""Noting a putt: a read that is saved, a putt from nothing, where it stopped, what is said of it after."""

import math
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.log import (
    MOST_HOLES,
    MOST_PUTTS,
    NOT_JUDGED,
    Judged,
)
from orthocline.core.roll import Read
from orthocline.core.sure import CERTAIN, Uncertainty
from orthocline.db.entries import add_once
from orthocline.db.log.models import NOTE_LENGTH, LoggedPutt, Outing
from orthocline.db.log.outings import first_putt_of, last_putt_of
from orthocline.services.account.access import Viewer, open_play, own_data
from orthocline.services.errors import InvalidError
from orthocline.services.ground.places import NOWHERE, Place, place_of, put_at
from orthocline.services.log.entries import (
    NO_RESULT,
    NO_TURN,
    NOTHING_OWN,
    OwnKept,
    Result,
    Turn,
    turn_of,
)
from orthocline.services.log.learning import learn_of
from orthocline.services.log.outings import find_outing, open_outing, require_past
from orthocline.services.log.putts import find_putt
from orthocline.services.log.rows import (
    noted_row,
    read_row,
    require_length,
    take_judged,
    take_method,
    take_result,
    take_turn,
)
from orthocline.services.text import short_text

LEAST_LENGTH_M = 0.05
"""A ball that stopped nearer is still asked for as a putt of this length."""
ALIKE_M, ALIKE_SHARE = 0.5, 0.3
"""A putt that is read is the one that the last left if it is as long within so much [m], or such a share."""
OF_ONE_GREEN = timedelta(minutes=30)
"""A putt from nothing goes on with the green of the one before for no longer."""


@dataclass(frozen=True)
class Next:
    """The putt that comes next, as far as the last one says it."""

    turn: Turn
    place: Place
    length_m: float | None = None


@open_play("Saving a read")
def save_read(
    viewer: Viewer,
    session: Session,
    read: Read,
    *,
    place: Place = NOWHERE,
    own: OwnKept = NOTHING_OWN,
    uncertainty: Uncertainty = CERTAIN,
    turn: Turn = NO_TURN,
    note: str = "",
    at: datetime | None = None,
    key: UUID | None = None,
) -> LoggedPutt:
    """Log a read with its intention; the finish is recorded later. The same `key` again is the same putt.

    Raises
    ------
    InvalidError
        For a time to come.
    """
    putt = read_row(viewer.owner_id, read, own, uncertainty, note=note, at=at, key=key)
    return _added(viewer, session, putt, place, turn)


@own_data
def note_putt(
    viewer: Viewer,
    session: Session,
    *,
    length_m: float | None,
    place: Place = NOWHERE,
    turn: Turn = NO_TURN,
    result: Result = NO_RESULT,
    method: str = "",
    breaks: int | None = None,
    note: str = "",
    at: datetime | None = None,
    key: UUID | None = None,
) -> LoggedPutt:
    """Log a putt without a read, as Competition allows. The same `key` again is the same putt.

    Raises
    ------
    InvalidError
        For a length, a hole, a number or a finish that no putt has.
    NotFoundError
        For a round that is not the golfer's.
    """
    putt = noted_row(viewer.owner_id, length_m, result, method, breaks, note=note, at=at, key=key)
    return _added(viewer, session, putt, place, turn)


@own_data
def record_result(viewer: Viewer, session: Session, putt_id: int, result: Result) -> LoggedPutt:
    """Keep how a putt ended and what was seen of it.

    Raises
    ------
    InvalidError
        When the place is further from the hole than any putt finishes.
    NotFoundError
        When there is none of that number.
    """
    putt = find_putt(viewer, session, putt_id)
    known_before = putt.holed is not None
    take_result(putt, result)
    if not known_before:
        learn_of(viewer, session, putt)
    return putt


@own_data
def judge_putt(viewer: Viewer, session: Session, putt_id: int, judged: Judged) -> None:
    """Keep what the golfer says of a putt after the hole; raises as `find_entry` does."""
    take_judged(find_putt(viewer, session, putt_id), judged)


@own_data
def first_of_visit(viewer: Viewer, session: Session, turn: Turn) -> LoggedPutt | None:
    """Return the first putt of a visit to a green; None where it was not noted."""
    return first_putt_of(session, viewer.owner_id, turn.visit) if turn.visit else None


@own_data
def next_putt(
    viewer: Viewer,
    session: Session,
    now: datetime,
    after: LoggedPutt | None = None,
    outing_id: int | None = None,
    *,
    anew: bool = False,
) -> Next:
    """Return the putt that comes next: after one, in a round or practice, or in the one that goes on.

    A miss is followed by the putt from where it stopped, a holed ball by the next hole's first, and so is any
    where another green is begun `anew`. Raises as `find_entry` does for a round that is not the golfer's.
    """
    if after is None:
        going = find_outing(viewer, session, outing_id) if outing_id else open_outing(viewer, session, now)
        after = last_putt_of(session, viewer.owner_id, going.id if going else None)
        if going is None and after and (anew or now - after.created_at > OF_ONE_GREEN):
            after = None
        if after is None:
            return _first(going)
    return _following(after, anew=anew)


@own_data
def turn_now(viewer: Viewer, session: Session, now: datetime, length_m: float) -> Turn:
    """Return which putt of which green one of a length is that is read now.

    On the same hole of a round it is the next; else only where the last one left about as much.
    """
    then = next_putt(viewer, session, now)
    if then.turn.number == 1 or then.turn.hole is not None:
        return then.turn
    left_m = then.length_m
    if left_m is not None and abs(length_m - left_m) <= max(ALIKE_M, ALIKE_SHARE * left_m):
        return then.turn
    return Turn(then.turn.outing_id)


def _first(going: Outing | None) -> Next:
    """Return the first putt of a round or practice, or of none."""
    if going is None:
        return Next(NO_TURN, NOWHERE)
    place = Place(going.course.name) if going.course else NOWHERE
    return Next(Turn(going.id, 1 if going.kind == "round" else None), place)


def _following(after: LoggedPutt, *, anew: bool) -> Next:
    turn, place = turn_of(after), place_of(after)
    if after.holed is False and turn.number < MOST_PUTTS and not anew:
        length_m = None
        if after.finish_along_m is not None and after.finish_across_m is not None:
            length_m = max(math.hypot(after.finish_along_m, after.finish_across_m), LEAST_LENGTH_M)
        return Next(Turn(turn.outing_id, turn.hole, turn.number + 1, turn.visit), place, length_m)
    if turn.hole is None:
        return Next(Turn(turn.outing_id), place if turn.outing_id else NOWHERE)
    hole = turn.hole + 1 if turn.hole < MOST_HOLES else None
    return Next(Turn(turn.outing_id, hole), Place(place.course))


def _added(viewer: Viewer, session: Session, putt: LoggedPutt, place: Place, turn: Turn) -> LoggedPutt:
    require_turn(viewer, session, turn)
    take_turn(putt, turn)
    put_at(session, putt, place)
    return add_once(session, putt)


@own_data
def require_turn(viewer: Viewer, session: Session, turn: Turn) -> None:
    """Refuse a hole or a number that no round has, and a round that is not the golfer's.

    Raises
    ------
    InvalidError, NotFoundError
    """
    if turn.outing_id is not None:
        find_outing(viewer, session, turn.outing_id)
    if turn.hole is not None and not 1 <= turn.hole <= MOST_HOLES:
        raise InvalidError("hole", f"A round has holes 1 to {MOST_HOLES}.")
    if not 1 <= turn.number <= MOST_PUTTS:
        raise InvalidError("number", f"A green takes 1 to {MOST_PUTTS} putts.")


@dataclass(frozen=True)
class Written:
    """What a golfer writes of a putt, and may change."""

    place: Place
    length_m: float | None
    turn: Turn
    at: datetime
    method: str = ""
    breaks: int | None = None
    judged: Judged = NOT_JUDGED
    note: str = ""


@own_data
def edit_putt(viewer: Viewer, session: Session, putt_id: int, written: Written) -> None:
    """Change what was written of a putt; what a read says of it stays.

    Raises
    ------
    InvalidError
        For a length, a hole or a number that no putt has, a time to come, or words that are too long.
    NotFoundError
        When there is none of that number, or the round is not the golfer's.
    """
    putt = find_putt(viewer, session, putt_id)
    require_turn(viewer, session, written.turn)
    require_length(written.length_m)
    require_past(written.at)
    putt.note = short_text("note", written.note, NOTE_LENGTH)
    putt.created_at = written.at
    take_turn(putt, written.turn)
    take_method(putt, written.method)
    take_judged(putt, written.judged)
    if putt.putt_document is None:
        putt.length_m, putt.breaks_right = written.length_m, written.breaks
    put_at(session, putt, written.place)

"""A putt of the log as its golfer may see it, and what is kept with it."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from orthocline.core.calls import SCHOOLS, Answer
from orthocline.core.log import UNSEEN, Finish, Ground, Judged, Seen
from orthocline.db.log.models import LoggedPutt
from orthocline.formats.putt_document import putt_of as putt_of_document
from orthocline.services.account.access import Share, Viewer, shared_data
from orthocline.services.ground.places import Place, place_of

METHODS = ("model", "eye", *SCHOOLS)
"""By what a putt was read: the model's call, the eye alone, or one of the schools."""


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
    corrected_by : float or None
        By which of the own read it was played, where a correction was on.
    """

    aim_right_m: float | None = None
    answer: Answer | None = None
    impression_m: float | None = None
    corrected_by: float | None = None


NOTHING_OWN = OwnKept()


@dataclass(frozen=True)
class Turn:
    """Which putt of which green: its round or practice, the hole, and the visit that it shares with others.

    `visit` is None for the first putt of a visit that is not begun yet.
    """

    outing_id: int | None = None
    hole: int | None = None
    number: int = 1
    visit: UUID | None = None


NO_TURN = Turn()


@dataclass(frozen=True)
class Result:
    """How a putt ended, and what was seen of it.

    Attributes
    ----------
    holed : bool or None
        None while that is not known.
    finish : Finish or None
        Where a miss stopped, if that is known.
    seen : Seen
    by_device : bool
        Whether a device rolled it: then a miss tells of the ground.
    """

    holed: bool | None = None
    finish: Finish | None = None
    seen: Seen = UNSEEN
    by_device: bool = False


NO_RESULT = Result()


@dataclass(frozen=True)
class Entry:
    """A putt of the log as its golfer may see it; what was read is None in Competition, or where nothing was.

    Attributes
    ----------
    green_id : int or None
        The number of its green, where that is known.
    length_m : float or None
        From ball to hole [m]; None where a card did not say it.
    breaks_right : int or None
        The way it breaks: -1 left, 0 straight, 1 right.
    ground : Ground or None
        What it was read on.
    read : dict or None
        The summary of the read.
    """

    id: int
    created_at: datetime
    place: Place
    green_id: int | None
    turn: Turn
    length_m: float | None
    breaks_right: int | None
    method: str
    note: str
    result: Result
    judged: Judged
    ground: Ground | None
    read: dict[str, Any] | None
    own: OwnKept


@shared_data(Share.LOG)
def shown(viewer: Viewer, putt: LoggedPutt) -> Entry:
    """Return what a golfer may see of a putt of theirs: in Competition nothing that was measured or read."""
    hidden = viewer.in_competition
    return Entry(
        putt.id,
        putt.created_at,
        place_of(putt),
        putt.green_id,
        turn_of(putt),
        putt.length_m,
        None if hidden and putt.putt_document else putt.breaks_right,
        putt.method or "",
        putt.note,
        result_of(putt),
        Judged(putt.read_was_right, putt.line_was_right, putt.pace_was_right, putt.committed),
        *((None, None, NOTHING_OWN) if hidden else _read_part(putt)),
    )


def turn_of(putt: LoggedPutt) -> Turn:
    """Return which putt of which green it is."""
    return Turn(putt.outing_id, putt.hole, putt.number, putt.visit)


def result_of(putt: LoggedPutt) -> Result:
    """Return how a putt ended."""
    finish = None
    if putt.finish_along_m is not None and putt.finish_across_m is not None:
        finish = Finish(putt.finish_along_m, putt.finish_across_m)
    seen = Seen(putt.started_right, putt.passed_right, putt.gate_touched, putt.struck_centre)
    return Result(putt.holed, finish, seen, putt.by_device)


def _read_part(putt: LoggedPutt) -> tuple[Ground | None, dict[str, Any] | None, OwnKept]:
    answer = None
    if putt.own_school in SCHOOLS and putt.own_figures:
        answer = Answer(putt.own_school, tuple(putt.own_figures))
    return _ground_of(putt), putt.read_document, _own_of(putt, answer)


def _ground_of(putt: LoggedPutt) -> Ground | None:
    if not putt.putt_document:
        return None
    if putt.tilt_right is not None and putt.grade is not None and putt.green_speed_ft is not None:
        return Ground(putt.tilt_right, putt.grade, putt.green_speed_ft)
    asked = putt_of_document(putt.putt_document)
    return Ground(asked.side_tilt_right, asked.grade, asked.green_speed_ft)


def _own_of(putt: LoggedPutt, answer: Answer | None) -> OwnKept:
    return OwnKept(putt.own_aim_right_m, answer, putt.impression_right_m, putt.corrected_by)

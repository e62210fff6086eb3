"""A putt as a row of the log: of a read or from nothing, and what is written down of it later."""

import math
from datetime import datetime
from uuid import UUID

from orthocline.core.constants import MODEL_VERSION
from orthocline.core.log import FARTHEST_FINISH_M, LEAST_PUTT_M, LONGEST_PUTT_M, Judged, breaks_right
from orthocline.core.roll import Launch, PuttError, Read, RollPast, launch_to
from orthocline.core.sure import Sureness, Uncertainty
from orthocline.db.log.models import NOTE_LENGTH, LoggedPutt
from orthocline.formats.putt_document import document_of, putt_of
from orthocline.formats.read_document import summary_document
from orthocline.services.errors import InvalidError
from orthocline.services.log.entries import METHODS, OwnKept, Result, Turn
from orthocline.services.log.outings import require_past
from orthocline.services.log.played import aimed_m
from orthocline.services.text import short_text
from orthocline.wording.read.warnings import warning_words


def read_row(
    golfer_id: int,
    read: Read,
    own: OwnKept,
    uncertainty: Uncertainty,
    *,
    note: str = "",
    at: datetime | None = None,
    key: UUID | None = None,
) -> LoggedPutt:
    """Return the row of a read with its intention; its result is not known yet.

    Raises
    ------
    InvalidError
        For a time to come.
    """
    pace = read.putt.pace
    putt = LoggedPutt(
        golfer_id=golfer_id,
        key=key,
        length_m=read.putt.length_m,
        green_speed_ft=read.putt.green_speed_ft,
        tilt_right=read.putt.side_tilt_right,
        grade=read.putt.grade,
        putt_document=document_of(read.putt, uncertainty),
        read_document=summary_document(read, warning_words(read), Sureness(read, uncertainty)),
        model_version=MODEL_VERSION,
        own_aim_right_m=own.aim_right_m,
        own_school=own.answer.name if own.answer else None,
        own_figures=list(own.answer.figures) if own.answer else None,
        corrected_by=own.corrected_by,
        impression_right_m=own.impression_m,
        read_aim_right_m=read.aim_right_m,
        past_m=pace.past_m if isinstance(pace, RollPast) else None,
        breaks_right=breaks_right(read.putt.length_m * math.sin(read.launch_right_rad)),
        method=own.answer.name if own.answer else "model",
        note=short_text("note", note, NOTE_LENGTH),
    )
    _played_at(putt, at)
    return putt


def noted_row(
    golfer_id: int,
    length_m: float | None,
    result: Result,
    method: str = "",
    breaks: int | None = None,
    *,
    note: str = "",
    at: datetime | None = None,
    key: UUID | None = None,
) -> LoggedPutt:
    """Return the row of a putt without a read.

    Raises
    ------
    InvalidError
        For a length, a method or a finish that no putt has, or a time to come.
    """
    require_length(length_m)
    putt = LoggedPutt(golfer_id=golfer_id, key=key, length_m=length_m, breaks_right=breaks)
    putt.note = short_text("note", note, NOTE_LENGTH)
    _played_at(putt, at)
    take_method(putt, method)
    take_result(putt, result)
    return putt


def _played_at(putt: LoggedPutt, at: datetime | None) -> None:
    """Write down when it was played, where that is not now; raises InvalidError for a time to come."""
    if at is not None:
        require_past(at)
        putt.created_at = at


def take_turn(putt: LoggedPutt, turn: Turn) -> None:
    """Write down which putt of which green it is."""
    putt.outing_id, putt.hole, putt.number = turn.outing_id, turn.hole, turn.number
    if turn.visit is not None:
        putt.visit = turn.visit


def take_judged(putt: LoggedPutt, judged: Judged) -> None:
    """Write down what the golfer says of it after the hole."""
    putt.read_was_right, putt.line_was_right = judged.read, judged.line
    putt.pace_was_right, putt.committed = judged.pace, judged.committed


def take_method(putt: LoggedPutt, method: str) -> None:
    """Write down by what a putt was read; empty for nothing said.

    Raises
    ------
    InvalidError
        For a method that is none of `METHODS`.
    """
    if method and method not in METHODS:
        raise InvalidError("method", f"“{method[:40]}” is no way to read a putt that is known here.")
    putt.method = method or None


def require_length(length_m: float | None) -> None:
    """Refuse a length that no putt has; raises InvalidError."""
    if length_m is not None and not LEAST_PUTT_M <= length_m <= LONGEST_PUTT_M:
        raise InvalidError("length", f"A putt is {LEAST_PUTT_M:g} to {LONGEST_PUTT_M:g} metres long.")


def take_result(putt: LoggedPutt, result: Result) -> None:
    """Write down how a putt ended and what was seen of it; raises InvalidError for a finish that none has."""
    finish, seen = result.finish, result.seen
    if finish and not finish.plausible:
        raise InvalidError("finish", f"A finish lies within {FARTHEST_FINISH_M:g} metres of the hole.")
    putt.holed = result.holed
    putt.finish_along_m = finish.along_m if finish else None
    putt.finish_across_m = finish.across_m if finish else None
    putt.started_right, putt.passed_right = seen.started_right, seen.passed_right
    putt.gate_touched, putt.struck_centre = seen.gate_touched, seen.struck_centre
    putt.by_device = result.by_device
    putt.start_right_rad = _start_right_rad(putt, result)


def _start_right_rad(putt: LoggedPutt, result: Result) -> float | None:
    """Return how far right of the line meant a ball started, as its finish implies on that ground."""
    finish = result.finish
    if finish is None or putt.putt_document is None or putt.read_document is None:
        return None
    asked = putt_of(putt.putt_document)
    meant = Launch(
        math.radians(putt.read_document["launch_angle_right_deg"]), putt.read_document["launch_speed_mps"]
    )
    own_m = aimed_m(putt)
    right_rad = meant.right_rad if own_m is None else math.atan2(own_m, asked.length_m)
    stopped = asked.place(asked.length_m + finish.along_m, finish.across_m)
    try:
        left = launch_to(asked, stopped, meant)
    except (ValueError, PuttError):
        return None
    return left.launch.right_rad - right_rad

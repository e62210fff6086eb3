"""The log's variables: each putt in words, with a small drawing of its finish."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from orthocline.drawing.log.small_finish import small_finish
from orthocline.drawing.scene import Scene
from orthocline.services.log.entries import Entry, OwnKept
from orthocline.services.share.coaching import CoachNote
from orthocline.wording.log.putt import (
    called_words,
    finish_words,
    impression_words,
    judged_words,
    own_read_words,
    played_words,
    putt_words,
    seen_words,
    turn_words,
)
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class Row:
    """One putt of the log.

    Attributes
    ----------
    asked : str
        Length, tilt and rise.
    called : str
        The read's aim and pace; empty without a read, and in Competition.
    own : str
        The golfer's own aim, if any.
    turn : str
        Which putt of which hole it is.
    finish : str
        Where it stopped, or empty until that is recorded.
    seen, judged : str
        What was seen of it, and what the golfer says of it.
    small : Scene
        The same, drawn small.
    judged_by_model : bool
        Whether it can be said which it was: it was read, and it is known how it ended.
    coached : sequence of CoachNote
        What coaches said of it.
    """

    id: int
    when: str
    iso: str
    place: str
    turn: str
    asked: str
    called: str
    own: str
    finish: str
    seen: str
    judged: str
    holed: bool | None
    note: str
    small: Scene
    judged_by_model: bool
    coached: Sequence[CoachNote] = ()


def _called(read: Mapping[str, Any], wording: Wording) -> str:
    least, most = read.get("aim_range_right_m") or (0.0, 0.0)
    return called_words(read["aim_right_m"], read["past_m"], wording, most - least)


def _own(own: OwnKept, read: Mapping[str, Any] | None, wording: Wording) -> str:
    """Return what the golfer read before the call was shown, and the first impression beside it."""
    aim = read["aim_right_m"] if read else None
    told = (
        own_read_words(own.aim_right_m, own.answer, wording),
        played_words(own.aim_right_m, own.corrected_by, wording),
        impression_words(own.impression_m, own.aim_right_m, aim, wording),
    )
    return "; ".join(words for words in told if words)


def row(entry: Entry, wording: Wording, coached: Sequence[CoachNote] = ()) -> Row:
    """Return a logged putt as the list shows it."""
    read, result = entry.read, entry.result
    finish = finish_words(result.holed, result.finish, wording)
    return Row(
        id=entry.id,
        when=wording.calendar.moment(entry.created_at),
        iso=wording.calendar.here(entry.created_at).isoformat(timespec="minutes"),
        place=entry.place.text,
        turn=turn_words(entry.turn.hole, entry.turn.number),
        asked=putt_words(entry.length_m, entry.ground, wording),
        called=_called(read, wording) if read else "",
        own=_own(entry.own, read, wording),
        finish=finish,
        seen=seen_words(result.seen, by_device=result.by_device),
        judged=judged_words(entry.judged),
        holed=result.holed,
        note=entry.note,
        small=small_finish(result.holed, result.finish, finish),
        judged_by_model=read is not None and (result.holed or result.finish is not None),
        coached=coached,
    )

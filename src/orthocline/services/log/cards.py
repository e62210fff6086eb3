"""A round as its score card tells it: putts by hole, and how long the first two were, where that is known."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID, uuid5

from sqlalchemy.orm import Session

from orthocline.core.log import MOST_HOLES, MOST_PUTTS
from orthocline.db.entries import with_same_key
from orthocline.db.log.models import Outing
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.errors import InvalidError
from orthocline.services.log.entries import Result, Turn
from orthocline.services.log.outings import keep_outing
from orthocline.services.log.rows import noted_row, take_turn

A_HOLE = timedelta(minutes=12)
A_PUTT = timedelta(seconds=40)


@dataclass(frozen=True)
class CardHole:
    """What a card tells of a hole.

    Attributes
    ----------
    number : int
        Which hole.
    putts : int
        How many putts; 0 for one holed from off the green.
    lengths_m : tuple of (float or None)
        How long its putts were, from the first on, as far as that is known [m].
    """

    number: int
    putts: int
    lengths_m: tuple[float | None, ...] = ()


@own_data
def keep_card(
    viewer: Viewer,
    session: Session,
    course: str,
    begun_at: datetime,
    holes: Sequence[CardHole],
    key: UUID,
) -> Outing:
    """Keep a round as its card tells it, each putt one of the log. The same `key` again is the same round.

    Raises
    ------
    InvalidError
        For a card without a hole, a hole told twice or that no round has, more putts than a green takes, a
        day to come, or a name that is too long.
    """
    numbers = [hole.number for hole in holes]
    if not numbers:
        raise InvalidError("holes", "Fill in the putts of one hole at least.")
    if len(set(numbers)) < len(numbers) or not all(1 <= number <= MOST_HOLES for number in numbers):
        raise InvalidError("holes", f"A round has each hole once, from 1 to {MOST_HOLES}.")
    if any(not 0 <= hole.putts <= MOST_PUTTS for hole in holes):
        raise InvalidError("holes", f"A green takes up to {MOST_PUTTS} putts.")
    sent_before = with_same_key(session, Outing(golfer_id=viewer.owner_id, key=key))
    if sent_before:
        return sent_before
    outing = keep_outing(viewer, session, "round", course, begun_at, holes=len(holes), key=key)
    for hole in holes:
        for number, length_m, at in _putts(hole, begun_at):
            key_of_putt = uuid5(key, f"hole {hole.number}, putt {number}")
            result = Result(number == hole.putts)
            putt = noted_row(viewer.owner_id, length_m, result, at=at, key=key_of_putt)
            take_turn(putt, Turn(outing.id, hole.number, number, uuid5(key, f"hole {hole.number}")))
            putt.course = outing.course
            session.add(putt)
    session.flush()
    return outing


def _putts(hole: CardHole, begun_at: datetime) -> Iterator[tuple[int, float | None, datetime]]:
    """Yield number, length and time of the putts of a hole."""
    for number in range(1, hole.putts + 1):
        told = hole.lengths_m[number - 1] if number <= len(hole.lengths_m) else None
        yield number, told, begun_at + (hole.number - 1) * A_HOLE + number * A_PUTT

"""Conditions of the log by name: each finds the putts that the core's condition of that name counts."""

from collections.abc import Callable, Mapping
from typing import Final

from sqlalchemy import ColumnElement, and_, case, func, select
from sqlalchemy.orm import InstrumentedAttribute, aliased

from orthocline.db.log.models import LoggedPutt, Outing

Condition = Callable[[int], ColumnElement[bool]]
"""Made for a golfer by their number."""
GOOD_PAST_M: Final = 2.0 * 0.3048
LEAST_AIM_M: Final = 0.0254
BESIDE_M: Final = 0.108
Putt = LoggedPutt
STOPPED = and_(Putt.holed.is_(False), Putt.finish_along_m.is_not(None))
ASIDE = case((func.abs(Putt.finish_across_m) > BESIDE_M, func.sign(Putt.finish_across_m)))
SIDE = func.coalesce(func.nullif(Putt.passed_right, 0), ASIDE)
SIDED = and_(Putt.holed.is_(False), SIDE.is_not(None), func.abs(Putt.breaks_right) == 1)


def _always(condition: ColumnElement[bool]) -> Condition:
    return lambda _golfer_id: condition


def _known(column: InstrumentedAttribute[bool | None]) -> Condition:
    return _always(column.is_not(None))


def _of_visit(which: ColumnElement[bool]) -> Condition:
    def of(golfer_id: int) -> ColumnElement[bool]:
        kept = (Putt.golfer_id == golfer_id, Putt.deleted_at.is_(None))
        return Putt.visit.in_(select(Putt.visit).where(*kept, which))

    return of


def _in_round(golfer_id: int) -> ColumnElement[bool]:
    rounds = select(Outing.id).where(
        Outing.golfer_id == golfer_id, Outing.deleted_at.is_(None), Outing.kind == "round"
    )
    return Putt.outing_id.in_(rounds)


def _worth(golfer_id: int) -> ColumnElement[bool]:
    """Return the condition of putts whose own length and the one that they left are known."""
    then = aliased(Putt)
    follows = select(then.id).where(
        then.golfer_id == golfer_id,
        then.deleted_at.is_(None),
        then.visit == Putt.visit,
        then.number == Putt.number + 1,
        then.length_m.is_not(None),
    )
    left = Putt.holed.is_(True) | STOPPED | (Putt.holed.is_(False) & follows.exists())
    return Putt.length_m.is_not(None) & left


CONDITIONS: Final[Mapping[str, Condition]] = {
    "known": _known(Putt.holed),
    "holed": _always(Putt.holed.is_(True)),
    "missed": _always(Putt.holed.is_(False)),
    "measured": _always(Putt.length_m.is_not(None)),
    "first": _always(Putt.number == 1),
    "second": _always(Putt.number == 2),
    "done": _of_visit(Putt.holed.is_(True)),
    "three": _of_visit(Putt.number >= 3),
    "in_round": _in_round,
    "stopped": _always(STOPPED),
    "short": _always(STOPPED & (Putt.finish_along_m < 0.0)),
    "good": _always(STOPPED & Putt.finish_along_m.between(0.0, GOOD_PAST_M)),
    "long": _always(STOPPED & (Putt.finish_along_m > GOOD_PAST_M)),
    "meant": _always(STOPPED & Putt.past_m.is_not(None)),
    "sided": _always(SIDED),
    "high": _always(SIDED & (-Putt.breaks_right == SIDE)),
    "low": _always(SIDED & (Putt.breaks_right == SIDE)),
    "breaks_left": _always(Putt.breaks_right == -1),
    "breaks_right": _always(Putt.breaks_right == 1),
    "straight": _always(Putt.breaks_right == 0),
    "seen": _always(Putt.started_right.is_not(None)),
    "started_left": _always(Putt.started_right == -1),
    "started_on": _always(Putt.started_right == 0),
    "started_right": _always(Putt.started_right == 1),
    "traced": _always(Putt.start_right_rad.is_not(None)),
    "own_read": _always(Putt.own_aim_right_m.is_not(None) & (func.abs(Putt.read_aim_right_m) >= LEAST_AIM_M)),
    "impression": _always(
        Putt.impression_right_m.is_not(None) & (func.abs(Putt.read_aim_right_m) >= LEAST_AIM_M)
    ),
    "worth": _worth,
    "committed": _always(Putt.committed.is_(True)),
    "not_committed": _always(Putt.committed.is_(False)),
    "told_committed": _known(Putt.committed),
    "told_read": _known(Putt.read_was_right),
    "told_line": _known(Putt.line_was_right),
    "told_pace": _known(Putt.pace_was_right),
    "read_wrong": _always(Putt.read_was_right.is_(False)),
    "line_wrong": _always(Putt.line_was_right.is_(False)),
    "pace_wrong": _always(Putt.pace_was_right.is_(False)),
}
"""All of them. This layer does not know the core: a test holds that both mean the same by the same names."""

"""What is known of a golfer by their log, and what they do about it."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import NamedTuple

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.learning import ENOUGH, Belief, Correction, Habit, Stroke, correction_for
from orthocline.core.log import breaks_right
from orthocline.core.roll import Read
from orthocline.db.entries import one_at_a_time
from orthocline.db.log.habits import GolferHabits, ReadCorrection, corrections_rows, habits_row, log_mark
from orthocline.services.account.access import Share, Viewer, open_play, own_data
from orthocline.services.errors import NotFoundError

ROOM = "What your log says of you"


@dataclass(frozen=True)
class ReadGroup:
    """Reads that are looked at together: what they are grouped by, its name there, and what they do.

    `kind` is ``all``, ``first`` (impressions), ``side``, ``length``, ``slope``, ``method``, ``method_left``
    or ``method_right``.
    """

    kind: str
    name: str
    putts: int
    factor: Habit
    sd: Habit

    @property
    def enough(self) -> bool:
        """Whether there are enough to rely on."""
        return self.putts >= ENOUGH


class GreenKnown(NamedTuple):
    """What the log says of one green: how much faster it runs [ft], and slopes [share], than was said."""

    name: str
    misses: int
    faster_ft: Habit
    steeper: Habit


@dataclass(frozen=True)
class Habits:
    """What is known of a golfer.

    Attributes
    ----------
    stroke : Stroke
    worked_at : datetime
    current : bool
        Whether the log still says what it said then.
    unread : int
        Putts with a result that say nothing of a stroke: without a read, or with a finish nothing explains.
    groups : tuple of ReadGroup
    greens : tuple of GreenKnown
    suggested : tuple of Correction
        What to do about it.
    """

    stroke: Stroke
    worked_at: datetime
    current: bool
    unread: int
    groups: tuple[ReadGroup, ...]
    greens: tuple[GreenKnown, ...]
    suggested: tuple[Correction, ...]

    def of(self, kind: str) -> list[ReadGroup]:
        """Return the groups of a kind."""
        return [one for one in self.groups if one.kind == kind]


@open_play(ROOM)
def habits_of(viewer: Viewer, session: Session) -> Habits | None:
    """Return what is known of the golfer who is looked at, once worked out; refused in Competition."""
    golfer_id = viewer.seen_id(Share.FIGURES)
    row = habits_row(session, golfer_id)
    if row is None:
        return None
    found = row.found
    return Habits(
        stroke_of(row),
        row.worked_at,
        row.log_mark == log_mark(session, golfer_id),
        found["unread"],
        tuple(
            ReadGroup(one["kind"], one["name"], one["putts"], Habit(*one["factor"]), Habit(*one["sd"]))
            for one in found["reads"]
        ),
        tuple(
            GreenKnown(one["name"], one["misses"], Habit(*one["faster_ft"]), Habit(*one["steeper"]))
            for one in found["greens"]
        ),
        tuple(Correction(**one) for one in found["suggested"]),
    )


def stroke_of(row: GolferHabits) -> Stroke:
    """Return what is believed of a stroke."""
    mean = np.array(row.mean)
    return Stroke(row.putts, Belief(mean, np.array(row.covariance).reshape(len(mean), len(mean))))


@own_data
def corrections_on(viewer: Viewer, session: Session) -> tuple[Correction, ...]:
    """Return the corrections that the golfer has switched on; none in Competition."""
    if viewer.in_competition:
        return ()
    rows = corrections_rows(session, viewer.owner_id)
    return tuple(Correction(one.method, one.breaks, one.least_m, one.factor) for one in rows)


def correction_meant(on: Sequence[Correction], solved: Read, method: str) -> Correction | None:
    """Return the correction that is on and meant for an own read of a putt, in a method's words."""
    length_m = solved.putt.length_m
    return correction_for(on, method, breaks_right(length_m * math.sin(solved.launch_right_rad)), length_m)


@open_play("Switching a correction on")
def switch_on(viewer: Viewer, session: Session, method: str, breaks: int) -> None:
    """Switch on the correction that the log suggests for a method and a side.

    Raises
    ------
    NotFoundError
        When the log suggests none there.
    """
    known = habits_of(viewer, session)
    suggested = known.suggested if known else ()
    meant = next((one for one in suggested if (one.method, one.breaks) == (method, breaks)), None)
    if meant is None:
        raise NotFoundError("Your log does not suggest that correction, or not any more.")
    # One for both sides goes with none for one of them.
    for side in (-1, 0, 1) if breaks == 0 else (0, breaks):
        switch_off(viewer, session, method, side)
    session.add(ReadCorrection(golfer_id=viewer.owner_id, **vars(meant)))
    session.flush()


@own_data
def switch_off(viewer: Viewer, session: Session, method: str, breaks: int) -> None:
    """Switch off a correction; one that is off stays so."""
    one_at_a_time(session, viewer.owner_id)
    for row in corrections_rows(session, viewer.owner_id):
        if (row.method, row.breaks) == (method, breaks):
            session.delete(row)
    session.flush()

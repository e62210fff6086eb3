"""Learning from the log: which was it, for one putt; all habits, by a job; and with each putt a little."""

import math
from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from itertools import islice
from statistics import fmean
from typing import Any, NamedTuple

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS, USUAL_TRUENESS, Golfer, ground_of
from orthocline.core.estimate import NORMAL_95
from orthocline.core.learning import (
    Aimed,
    Diagnosis,
    Habit,
    Played,
    Reads,
    Stroke,
    corrections_of,
    diagnosis_of,
    evidence_of,
    greens_of,
    groups_of,
    stroke_with,
    usual_stroke,
)
from orthocline.core.roll import Putt, PuttError
from orthocline.core.units import FOOT_M
from orthocline.db.entries import one_at_a_time
from orthocline.db.log.habits import GolferHabits, habits_row, log_mark
from orthocline.db.log.models import LoggedPutt
from orthocline.db.log.queries import all_putts
from orthocline.formats.putt_document import question_of
from orthocline.services.account.access import Viewer, open_play, own_data
from orthocline.services.account.measures import own_measures
from orthocline.services.jobs.task import Task
from orthocline.services.log.habits import stroke_of
from orthocline.services.log.played import played_of
from orthocline.services.log.putts import find_putt

LEAST_SHARE = 0.3
"""Of a start line's spread that is the golfer's own, however rough the ground."""
TEN_FEET_M = 10.0 * FOOT_M
NEWEST = 4000
"""Habits are worked out from so many putts, the newest: who one was years ago is not who one is."""


@dataclass(frozen=True)
class Verdict:
    """What is said of one putt, or why nothing is."""

    found: Diagnosis | None
    why_not: str = ""


@open_play("Which was it")
def which_was_it(viewer: Viewer, session: Session, putt_id: int, golfer: Golfer) -> Verdict:
    """Return whether a putt of the log was the read, the line or the pace; raises as `find_putt` does."""
    putt = find_putt(viewer, session, putt_id)
    if putt.putt_document is None:
        return Verdict(None, "It was noted without a read: nothing says what the ground asked for.")
    played = played_of(putt, golfer)
    if played is None:
        return Verdict(None, "It is not known yet how it ended.")
    if not played.holed and played.finish is None:
        return Verdict(None, "Nobody has noted where it stopped: say that, and this says which it was.")
    try:
        return Verdict(diagnosis_of(played))
    except (PuttError, ValueError):
        return Verdict(
            None,
            "On the ground as it was read no ball ends there that is struck at all like this one: the place,"
            " the slope or the green speed is not as it was noted.",
        )


class _Asked(NamedTuple):
    """A logged putt and what was asked of it."""

    row: LoggedPutt
    putt: Putt
    played: Played | None


@own_data
def putts_to_learn(viewer: Viewer, session: Session, _task: Task) -> int:
    """Return how many putts a log has."""
    return int(log_mark(session, viewer.owner_id).partition(" ")[0])


@own_data
def work_out_habits(viewer: Viewer, session: Session, _task: Task) -> None:
    """Work out all that the log says of its golfer, and keep it."""
    mark = log_mark(session, viewer.owner_id)
    usual = GOLFERS[own_measures(viewer, session).golfer_level]
    rows = list(islice(all_putts(session, viewer.owner_id), NEWEST))
    asked = [_asked(one, usual) for one in rows if one.putt_document]
    played = [one.played for one in asked if one.played]
    stroke, aimed = stroke_with(usual_stroke(usual), evidence_of(played)), _aimed(asked)
    read = aimed.reads(aimed.everything, usual.read)
    found = {
        "unread": sum(one.holed is not None for one in rows) - stroke.putts,
        "reads": list(_groups(aimed, usual.read)),
        "greens": [
            {
                "name": name,
                "misses": said.misses,
                "faster_ft": _ends(said.faster_ft),
                "steeper": _ends(said.steeper),
            }
            for name, said in sorted(greens_of(_by_green(asked), stroke).items())
        ],
        "suggested": [vars(one) for one in corrections_of(aimed, usual.read)],
    }
    one_at_a_time(session, viewer.owner_id)
    row = habits_row(session, viewer.owner_id) or GolferHabits(golfer_id=viewer.owner_id)
    row.log_mark, row.found = mark, found
    row.worked_at = datetime.now(UTC)
    row.read_share = read.sd.value if read.own else None
    row.start_line_rad = row.energy = None
    _take(row, stroke, fmean(one.putt.length_m for one in played) if played else TEN_FEET_M)
    session.add(row)
    session.flush()


@own_data
def learn_of(viewer: Viewer, session: Session, putt: LoggedPutt) -> None:
    """Move what is known of the stroke on by one putt, if it was worked out before."""
    row = habits_row(session, viewer.owner_id)
    if row is None or putt.putt_document is None or viewer.in_competition:
        return
    played = played_of(putt, GOLFERS[own_measures(viewer, session).golfer_level])
    if played is None:
        return
    one_at_a_time(session, viewer.owner_id)
    session.refresh(row)
    _take(row, stroke_with(stroke_of(row), evidence_of([played])), played.putt.length_m)


def _by_green(asked: Sequence[_Asked]) -> dict[str, list[Played]]:
    """Return putts by the name of their green; with its course, where two courses have one of that name."""
    by_place: dict[tuple[str, str], list[Played]] = {}
    for one in asked:
        if one.played and one.row.green_id is not None:
            course, green = one.row.names
            by_place.setdefault((course, green), []).append(one.played)
    often = Counter(green for _, green in by_place)
    return {
        f"{course}, {green}" if often[green] > 1 else green: putts
        for (course, green), putts in by_place.items()
    }


def _asked(row: LoggedPutt, golfer: Golfer) -> _Asked:
    question = question_of(row.putt_document)
    return _Asked(row, question.putt, played_of(row, golfer, question))


def _take(row: GolferHabits, stroke: Stroke, length_m: float) -> None:
    row.putts, row.mean = stroke.putts, stroke.belief.mean.tolist()
    row.covariance = stroke.belief.covariance.ravel().tolist()
    if stroke.own:
        row.start_line_rad, row.energy = _own_line(stroke, length_m), stroke.energy_sd.value


def _own_line(stroke: Stroke, length_m: float) -> float:
    """Return the golfer's own spread of the start line: what the ground adds is counted for itself."""
    whole = stroke.start_sd_rad.value
    own = whole**2 - ground_of(USUAL_TRUENESS) ** 2 * length_m / TEN_FEET_M
    return math.sqrt(max(own, (LEAST_SHARE * whole) ** 2))


def _aimed(asked: Sequence[_Asked]) -> Aimed:
    """Return where putts were aimed, and where they should have been."""
    read = [one for one in asked if one.row.read_document and not one.row.by_device]
    spans = [(one.row.read_document or {}).get("aim_range_right_m") or (0.0, 0.0) for one in read]
    return Aimed(
        _column(one.row.own_aim_right_m for one in read),
        _column(one.row.impression_right_m for one in read),
        _column(one.row.read_aim_right_m for one in read),
        _column((most - least) / (2.0 * NORMAL_95) for least, most in spans),
        _column(one.putt.length_m for one in read),
        _column(math.hypot(one.putt.grade, one.putt.side_tilt_right) for one in read),
        tuple(one.row.method or "" for one in read),
    )


def _column(figures: Iterable[float | None]) -> np.ndarray[Any, np.dtype[np.float64]]:
    return np.array([math.nan if one is None else one for one in figures], dtype=float)


def _groups(aimed: Aimed, usual_sd: float) -> Iterator[dict[str, Any]]:
    """Yield what is known of each group of reads that has any."""
    for one in groups_of(aimed):
        reads = aimed.reads(one.among, usual_sd)
        if reads.putts:
            yield _reads(one.kind, one.name, reads)
    first = aimed.reads(aimed.everything, usual_sd, first=True)
    if first.putts:
        yield _reads("first", "", first)


def _reads(kind: str, name: str, reads: Reads) -> dict[str, Any]:
    return {
        "kind": kind,
        "name": name,
        "putts": reads.putts,
        "factor": _ends(reads.factor),
        "sd": _ends(reads.sd),
    }


def _ends(habit: Habit) -> tuple[float, float, float]:
    return habit.value, habit.least, habit.most

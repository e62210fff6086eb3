"""Drills: those on the shelf, done once and again, each ball noted by one tap."""

import secrets
import tomllib
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import cache
from importlib.resources import files
from importlib.resources.abc import Traversable
from typing import Any, Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.drills import Ball, Drill, DrillError, balls_of, drill_of, mirrored
from orthocline.core.train import LARGEST_SEED
from orthocline.db.entries import add_once, entry_of, one_at_a_time
from orthocline.db.train.models import NAME_LENGTH
from orthocline.db.train.models import DrillRun as DrillRun
from orthocline.db.train.runs import last_runs, open_run, runs_in, runs_of
from orthocline.services.account.access import Share, Viewer, open_play
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.log.outings import open_outing
from orthocline.wording.wording import Hand

ROOM: Final = "Drills"
SHIPPED: Final = files("orthocline.core.drills") / "files"
MISSING: Final = "There is no such drill on the shelf."
NOT_YOURS: Final = "That drill is not among yours."
NEWEST: Final = 30
"""So many runs of a drill are shown."""


@dataclass(frozen=True)
class Shelf:
    """The drills there are by their files' names, and files that are none with what is wrong in them."""

    drills: Mapping[str, Drill]
    data: Mapping[str, Mapping[str, Any]]
    wrong: Mapping[str, str]


@dataclass(frozen=True)
class Run:
    """A drill as it is being done, or was: the drill with the golfer's own lengths, and its balls."""

    row: DrillRun
    drill: Drill
    balls: tuple[Ball, ...]

    @property
    def next_ball(self) -> Ball | None:
        """The ball that is putted next; None where all are noted, or it is over."""
        done = len(self.row.noted)
        return None if self.row.ended_at or done >= len(self.balls) else self.balls[done]

    @property
    def share(self) -> float:
        """What the balls so far were worth, as a share of the most [1]."""
        return self.row.points / self.row.best if self.row.best else 0.0


def shelf_of(folder: Traversable) -> Shelf:
    """Return the drills of a folder; a file that is none is named, and the others stand."""
    drills, datas, wrong = {}, {}, {}
    for one in sorted(folder.iterdir(), key=lambda found: found.name):
        name, dot, kind = one.name.rpartition(".")
        if kind != "toml" or not dot:
            continue
        if len(name) > NAME_LENGTH:
            wrong[name] = f"its name has more than {NAME_LENGTH} letters"
            continue
        try:
            data = tomllib.loads(one.read_text(encoding="utf-8"))
            drills[name], datas[name] = drill_of(name, data), data
        except (DrillError, tomllib.TOMLDecodeError, UnicodeDecodeError) as error:
            wrong[name] = str(error)
    return Shelf(drills, datas, wrong)


@cache
def shipped_shelf() -> Shelf:
    """Return the drills that are shipped."""
    return shelf_of(SHIPPED)


@open_play(ROOM)
def shelf(_viewer: Viewer) -> Shelf:
    """Return the drills there are; refused in Competition."""
    return shipped_shelf()


@open_play(ROOM)
def drill_named(
    viewer: Viewer, name: str, own_m: Mapping[str, float] | None = None, hand: Hand = Hand.RIGHT
) -> Drill:
    """Return a drill with own lengths [m], for a hand; raises NotFoundError where there is none."""
    found = shelf(viewer).data.get(name)
    if found is None:
        raise NotFoundError(MISSING)
    drill = drill_of(name, found, own_m)
    return mirrored(drill) if hand is Hand.LEFT else drill


@open_play(ROOM)
def begin_run(
    viewer: Viewer,
    session: Session,
    name: str,
    own_m: Mapping[str, float],
    now: datetime,
    key: UUID | None = None,
    seed: int | None = None,
) -> DrillRun:
    """Begin a drill; one that goes on ends. The same `key` again is the same run.

    Raises
    ------
    NotFoundError
        For a drill that is none.
    """
    drill = drill_named(viewer, name, own_m)
    chosen = secrets.randbelow(LARGEST_SEED) if seed is None else seed
    one_at_a_time(session, viewer.owner_id)
    held = open_run(session, viewer.owner_id)
    if held and held.key == key:
        return held
    if held:
        held.ended_at = now
        session.flush()
    run = DrillRun(
        golfer_id=viewer.owner_id,
        key=key,
        drill=name,
        own=dict(own_m),
        seed=chosen,
        balls=len(balls_of(drill, chosen)),
        begun_at=now,
        outing_id=_practice_id(viewer, session, now),
        noted=[],
        points=0.0,
        best=0.0,
    )
    return add_once(session, run)


@open_play(ROOM)
def going_run(viewer: Viewer, session: Session) -> Run | None:
    """Return the drill that a golfer is at, if any that is on the shelf; refused in Competition."""
    held = open_run(session, viewer.owner_id)
    return find_run(viewer, session, held.id) if held and held.drill in shelf(viewer).drills else None


@open_play(ROOM)
def find_run(viewer: Viewer, session: Session, run_id: int, hand: Hand = Hand.RIGHT) -> Run:
    """Return a run of a golfer's own, for a hand; raises NotFoundError where it is not theirs."""
    row = entry_of(session, DrillRun, viewer.owner_id, run_id)
    if row is None:
        raise NotFoundError(NOT_YOURS)
    drill = drill_named(viewer, row.drill, row.own, hand)
    return Run(row, drill, balls_of(drill, row.seed)[: row.balls])


@open_play(ROOM)
def note_ball(
    viewer: Viewer,
    session: Session,
    run_id: int,
    number: int,
    outcome: str,
    now: datetime,
    off: float | None = None,
) -> Run:
    """Note what became of a ball, by its number from 1; one that was noted before stays as it was.

    Of a drill that measures, `off` is how far off it was, to the right at the mark [m] or late [s]: the
    outcome is then the one that is nearest.

    Raises
    ------
    InvalidError
        For an outcome that is none of the drill's, or a number beyond its plan.
    NotFoundError
        Where the run is not theirs.
    """
    one_at_a_time(session, viewer.owner_id)
    run = find_run(viewer, session, run_id)
    session.refresh(run.row)
    if off is not None and run.drill.measures:
        outcome = run.drill.nearest(off)
    found = next((one for one in run.drill.outcomes if one.name == outcome), None)
    if found is None:
        raise InvalidError("outcome", "Tap one of the outcomes that this drill has.")
    if number > len(run.balls):
        raise InvalidError("outcome", f"This drill has {len(run.balls)} balls, and all are noted.")
    if run.row.ended_at is None and number == len(run.row.noted) + 1:
        if run.drill.measures:
            told = (found.off or 0.0) if off is None else off
            figure = run.drill.figure(run.balls[number - 1], told)
            run.row.figures = [*run.row.figures, figure]
        _write(run, [*run.row.noted, outcome])
        if len(run.row.noted) == len(run.balls):
            run.row.ended_at = now
    return run


@open_play(ROOM)
def unnote_ball(viewer: Viewer, session: Session, run_id: int, number: int) -> Run:
    """Take back what was noted of the last ball, by its number; of any other nothing is changed."""
    one_at_a_time(session, viewer.owner_id)
    run = find_run(viewer, session, run_id)
    session.refresh(run.row)
    if run.row.ended_at is None and number == len(run.row.noted) > 0:
        run.row.figures = run.row.figures[: number - 1]
        _write(run, run.row.noted[:-1])
    return run


@open_play(ROOM)
def stop_run(viewer: Viewer, session: Session, run_id: int, now: datetime) -> Run:
    """End a run before its last ball; what was noted counts."""
    run = find_run(viewer, session, run_id)
    if run.row.ended_at is None:
        run.row.ended_at = now
    return run


def _practice_id(viewer: Viewer, session: Session, now: datetime) -> int | None:
    """Return the practice that goes on in the log, if any."""
    going = open_outing(viewer, session, now)
    return going.id if going and going.kind == "practice" else None


@open_play(ROOM)
def runs_of_practice(viewer: Viewer, session: Session, outing_id: int) -> list[Run]:
    """Return the drills in a practice's log that are on the shelf; refused in Competition."""
    known = shelf(viewer).drills
    rows = [row for row in runs_in(session, outing_id) if row.golfer_id == viewer.owner_id]
    return [find_run(viewer, session, row.id) for row in rows if row.drill in known]


def _write(run: Run, noted: list[str]) -> None:
    run.row.noted = noted
    run.row.points = sum(run.drill.points(one) for one in noted)
    run.row.best = run.drill.best * len(noted)


@open_play(ROOM)
def history(viewer: Viewer, session: Session, name: str) -> Sequence[DrillRun]:
    """Return the newest runs of a drill that are over, newest first; refused in Competition."""
    return runs_of(session, viewer.seen_id(Share.DRILLS), name, NEWEST)


@open_play(ROOM)
def newest_runs(viewer: Viewer, session: Session) -> Mapping[str, DrillRun]:
    """Return the newest run of each drill, of the golfer who is looked at; refused in Competition."""
    return last_runs(session, viewer.seen_id(Share.DRILLS))

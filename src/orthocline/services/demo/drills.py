"""A month of practice of the demo's golfers, who get better at the drills that they repeat."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Final

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS, Golfer
from orthocline.core.drills import Ball, Drill, Measured, balls_of, target_of
from orthocline.core.units import INCH_M
from orthocline.db.account.models import Golfer as GolferRow
from orthocline.db.train.models import DrillRun, PracticePlan
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.demo.speeds import COURSE
from orthocline.services.log.outings import keep_outing
from orthocline.services.train.drills import drill_named

DONE: Final = {
    "Wren Halloran": (
        *("low", ("pace_ladder", "start_gate", "straight_ring", "aim_check", "silent_count")),
        (25, 21, 18, 14, 10, 7, 3, 1),
    ),
    "Tove": ("new", ("tuning_putts", "home_length", "aim_check"), (24, 17, 10, 4)),
    "Idris": ("middle", ("start_gate", "roll_past"), (22, 15, 9, 2)),
}
"""Of what level they are, which drills they do, and how many days before the demo's own."""
PAUSES, PAUSED_AFTER = "Wren Halloran", 2
"""Whose last session is paused, and after how many drills."""
BEGINS, GAINS = -0.12, 0.24
"""Beside the model's golfer of their level, and what a month gains."""
USUAL_SHARE: Final = 0.5
OFF: Final = {
    ("Wren Halloran", Measured.AIM): (-1.4 * INCH_M, 1.7 * INCH_M),
    ("Wren Halloran", Measured.BEAT): (0.07, 0.09),
    ("Tove", Measured.AIM): (2.2 * INCH_M, 3.0 * INCH_M),
}
"""How far off they are on the mean, and how that spreads: to the right at the tee [m], or late [s]."""


@anyone
def drill_demo(session: Session, golfer: GolferRow, ends: datetime, rng: np.random.Generator) -> None:
    """Log a month of a demo golfer's drills, to the morning on which the demo ends."""
    level, names, days = DONE[golfer.name]
    viewer = Viewer(golfer)
    for before in days:
        gain = BEGINS + GAINS * (1.0 - before / max(days))
        begun = at = ends - timedelta(days=before)
        outing = keep_outing(viewer, session, "practice", COURSE, begun)
        drills = [drill_named(viewer, name) for name in names]
        paused = golfer.name == PAUSES and before == min(days)
        for drill in drills[: PAUSED_AFTER if paused else None]:
            run = _run(golfer, drill, GOLFERS[level], gain, at, rng)
            run.outing_id = outing.id
            session.add(run)
            at += timedelta(minutes=drill.minutes)
        session.add(_plan(golfer, drills, outing.id, begun, None if paused else at))
    session.flush()


def _plan(
    row: GolferRow, drills: Sequence[Drill], outing_id: int, begun: datetime, ended: datetime | None
) -> PracticePlan:
    """Return the session that a day's drills were; one that did not end is paused."""
    done = len(drills) if ended else PAUSED_AFTER
    return PracticePlan(
        golfer_id=row.id,
        minutes=sum(one.minutes for one in drills),
        slots=[{"what": one.key, "minutes": one.minutes, "trains": one.trains[0]} for one in drills],
        done=done,
        outing_id=outing_id,
        begun_at=begun,
        spent_s=60.0 * sum(one.minutes for one in drills[:done]),
        ended_at=ended,
    )


def _run(
    row: GolferRow, drill: Drill, golfer: Golfer, gain: float, at: datetime, rng: np.random.Generator
) -> DrillRun:
    seed = int(rng.integers(2**31 - 1))
    balls = balls_of(drill, seed)
    figures: list[float] = []
    if drill.measures:
        mean, spread = OFF[row.name, drill.measures]
        offs = rng.normal(mean, spread, len(balls)).tolist()
        noted = [drill.nearest(off) for off in offs]
        figures = [drill.figure(ball, off) for ball, off in zip(balls, offs, strict=True)]
    else:
        noted = _noted(drill, balls, golfer, gain, rng)
    return DrillRun(
        golfer_id=row.id,
        drill=drill.key,
        own={one.name: one.default_m for one in drill.own},
        seed=seed,
        balls=len(balls),
        begun_at=at,
        ended_at=at + timedelta(minutes=drill.minutes),
        noted=noted,
        figures=figures,
        points=sum(drill.points(one) for one in noted),
        best=drill.best * len(noted),
    )


def _noted(
    drill: Drill, balls: Sequence[Ball], golfer: Golfer, gain: float, rng: np.random.Generator
) -> list[str]:
    """Return outcomes as a golfer of that level has them, and so much better."""
    target = target_of(drill, balls, golfer)
    share = min(max((USUAL_SHARE if target is None else target) + gain, 0.05), 0.95)
    others = [one.name for one in drill.outcomes if one.name != drill.target.counts]
    return [
        drill.target.counts if rng.random() < share else others[int(rng.integers(len(others)))] for _ in balls
    ]

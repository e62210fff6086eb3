"""A month of drills of the demo's golfers, who get better at what they repeat."""

from datetime import datetime, timedelta
from typing import Final

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS, Golfer
from orthocline.core.drills import Drill, balls_of, target_of
from orthocline.db.account.models import Golfer as GolferRow
from orthocline.db.train.models import DrillRun
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.train.drills import drill_named

DONE: Final = {
    "Wren Halloran": ("low", ("pace_ladder", "start_gate", "straight_ring"), (25, 21, 18, 14, 10, 7, 3, 1)),
    "Tove": ("new", ("tuning_putts", "home_length"), (24, 17, 10, 4)),
    "Idris": ("middle", ("start_gate", "roll_past"), (22, 15, 9, 2)),
}
"""Of what level they are, which drills they do, and how many days before the demo's own."""
BEGINS, GAINS = -0.12, 0.24
"""Beside the model's golfer of their level, and what a month gains."""
USUAL_SHARE: Final = 0.5


@anyone
def drill_demo(session: Session, golfer: GolferRow, ends: datetime, rng: np.random.Generator) -> None:
    """Log a month of a demo golfer's drills, to the morning on which the demo ends."""
    level, names, days = DONE[golfer.name]
    viewer = Viewer(golfer)
    for before in days:
        gain = BEGINS + GAINS * (1.0 - before / max(days))
        for number, name in enumerate(names):
            at = ends - timedelta(days=before) + timedelta(minutes=12 * number)
            session.add(_run(golfer, drill_named(viewer, name), GOLFERS[level], gain, at, rng))
    session.flush()


def _run(
    row: GolferRow, drill: Drill, golfer: Golfer, gain: float, at: datetime, rng: np.random.Generator
) -> DrillRun:
    seed = int(rng.integers(2**31 - 1))
    balls = balls_of(drill, seed)
    target = target_of(drill, balls, golfer)
    share = min(max((USUAL_SHARE if target is None else target) + gain, 0.05), 0.95)
    others = [one.name for one in drill.outcomes if one.name != drill.target.counts]
    noted = [
        drill.target.counts if rng.random() < share else others[int(rng.integers(len(others)))] for _ in balls
    ]
    return DrillRun(
        golfer_id=row.id,
        drill=drill.key,
        own={one.name: one.default_m for one in drill.own},
        seed=seed,
        balls=len(balls),
        begun_at=at,
        ended_at=at + timedelta(minutes=drill.minutes),
        noted=noted,
        points=sum(drill.points(one) for one in noted),
        best=drill.best * len(noted),
    )

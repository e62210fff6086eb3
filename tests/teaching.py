"""Logs that teach: putts of golfers whose habits are known, rolled by the tests' own integrator."""

from datetime import UTC, datetime, timedelta
from functools import cache

import numpy as np

from orthocline.core.calls import Answer
from orthocline.core.ground import plane_from_grade
from orthocline.core.log import Finish
from orthocline.core.roll import Point, Putt, RollPast, read
from orthocline.services.ground.places import NOWHERE
from orthocline.services.log import noting
from orthocline.services.log.entries import OwnKept, Result
from tests.struck import PAST_M, some_putts, thumbed

BEGUN = datetime.now(UTC) - timedelta(days=30)


@cache
def pool():
    """Return putts that can be solved."""
    return some_putts(np.random.default_rng(6), 90)


def asked(putts, i):
    """Return one of them as the model is asked it."""
    ground = plane_from_grade(*putts.slopes[i].tolist(), 0.0)
    return Putt(
        Point(0, 0), Point(float(putts.length_m[i]), 0.0), ground, float(putts.speed_ft[i]), RollPast(PAST_M)
    )


def keep_log(viewer, session, count=80, sees=(1.0, 0.65), place=NOWHERE, seed=4):
    """Log putts of a golfer who aims for such shares of the break where it goes left, and right.

    The start lines scatter by 1.2 degrees, the energy by 9 %.
    """
    rng, putts = np.random.default_rng(seed), pool()[:count]
    true = putts.length_m * np.tan(putts.right_rad)
    own = true * np.where(true > 0.0, *sees) * (1.0 + 0.15 * rng.normal(size=len(putts)))
    right = np.arctan2(own, putts.length_m) + np.radians(1.2) * rng.normal(size=len(putts))
    mps = putts.launch_mps * np.sqrt(1.0 + 0.09 * rng.normal(size=len(putts)))
    drops, rests = putts.rolled(right, mps)
    finishes = thumbed(rng, rests)
    kept = []
    for i in range(len(putts)):
        aim = float(own[i])
        answer = OwnKept(aim, Answer("aim_spot", (aim,)), 0.5 * aim)
        putt = noting.save_read(viewer, session, read(asked(putts, i)), place=place, own=answer)
        putt.created_at = BEGUN + timedelta(hours=i)
        result = Result(True) if drops[i] else Result(False, Finish(*finishes[i].tolist()))
        noting.record_result(viewer, session, putt.id, result)
        kept.append(putt)
    session.commit()
    return kept

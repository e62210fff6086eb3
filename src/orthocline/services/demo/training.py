"""A month of training of the demo's golfers, answered by eyes whose habits are known.

What they do stands here and nowhere else: the record has to show it.
"""

import math
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Final

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.calls import USUAL_GOLFER, apex_of
from orthocline.core.train import Asks, Given, Marked
from orthocline.core.units import PERCENT
from orthocline.db.account.models import Golfer
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.account.trials import add_slope_pair
from orthocline.services.train.putts import AskedPutt, mark, putt_asked
from orthocline.services.train.sessions import MIXED, answer, ask_next, begin, question_of, stop

TAKES: Final = timedelta(seconds=24)
QUESTIONS: Final = 10
WAYS: Final = ("left", "right", "toes", "heels")


@dataclass(frozen=True)
class Eyes:
    """What a golfer's eyes do.

    Attributes
    ----------
    sees_left, sees_right : float
        The share of the break that they see on putts that break left, and right.
    steep : float
        How steep they see slopes, as a share.
    unsure : float
        How far answers scatter, as a share.
    sessions : tuple of (int, str)
        How many days before the demo's own, and what was asked.
    pairs : int
        How many slopes they felt and laid a level on.
    """

    sees_left: float
    sees_right: float
    steep: float
    unsure: float
    sessions: tuple[tuple[int, str], ...]
    pairs: int = 0


EYES: Final = {
    "Wren Halloran": Eyes(
        *(0.95, 0.66, 1.1, 0.2),
        (
            *((27, MIXED), (24, MIXED), (20, "amount"), (17, MIXED)),
            *((13, "amount"), (8, "card"), (4, MIXED), (1, MIXED)),
        ),
    ),
    "Tove": Eyes(
        *(0.6, 0.6, 1.5, 0.35),
        ((26, "amount"), (19, "card"), (12, "slope"), (5, "amount"), (2, MIXED)),
        pairs=28,
    ),
    "Idris": Eyes(*(1.3, 1.25, 0.8, 0.3), ((25, MIXED), (16, "amount"), (9, MIXED), (3, "amount"))),
}


@anyone
def train_demo(session: Session, golfer: Golfer, ends: datetime, rng: np.random.Generator) -> None:
    """Log a month of a demo golfer's training, to the morning on which the demo ends."""
    eyes, viewer = EYES[golfer.name], Viewer(golfer)
    for days, asks in eyes.sessions:
        at = ends - timedelta(days=days, minutes=int(rng.integers(90)))
        _session(viewer, session, eyes, asks, at, rng)
    for number in range(eyes.pairs):
        way = WAYS[number % len(WAYS)]
        level = float(rng.integers(2, 9)) * 0.5 * PERCENT
        felt = level * (1.5 if way == "left" else 1.2) + 0.3 * PERCENT * float(rng.normal())
        guess = max(round(2.0 * felt / PERCENT) * 0.5 * PERCENT, 0.0)
        add_slope_pair(viewer, session, sense="feet", guess=guess, level=level, way=way)


def _session(
    viewer: Viewer, session: Session, eyes: Eyes, asks: str, at: datetime, rng: np.random.Generator
) -> None:
    begin(viewer, session, asks, "made", QUESTIONS, at)
    for _ in range(QUESTIONS):
        row = ask_next(viewer, session, at, draw=lambda below: int(rng.integers(below)))
        assert row is not None, "the session goes on"
        asked = putt_asked(viewer, session, question_of(row))
        at += TAKES
        answer(viewer, session, row, asked, _answered(viewer, asked, eyes, rng), USUAL_GOLFER, at)
    stop(viewer, session, at)


def _answered(viewer: Viewer, asked: AskedPutt, eyes: Eyes, rng: np.random.Generator) -> Given:
    """Return what such eyes say of a putt."""
    asks, putt = asked.question.asks, asked.putt
    truth = _truth(viewer, asked)
    noise = float(rng.normal())
    aim = truth.solved.aim_right_m or 0.0
    sees = (eyes.sees_right if aim < 0.0 else eyes.sees_left) * (1.0 + eyes.unsure * noise)
    if asks is Asks.AMOUNT:
        return Given((sees * aim,), "aim_spot")
    if asks is Asks.APEX:
        top = apex_of(truth.solved)
        assert top is not None, "it was asked for its apex"
        return Given(((0.6 + 0.1 * noise) * putt.length_m, sees * top.mark.right_m))
    if asks is Asks.SIDE:
        return Given((-math.copysign(1.0, aim + 0.03 * noise),))
    if asks in (Asks.SLOPE, Asks.CARD):
        halves = 1.0 if asks is Asks.CARD else 2.0
        seen = eyes.steep * truth.truth / PERCENT + eyes.unsure * noise
        return Given((max(round(halves * seen) / halves, 0.0) * PERCENT,))
    if asks is Asks.PAIR:
        return Given((truth.truth if noise > -0.7 else 1.0 - truth.truth,))
    if asks is Asks.ENTRY:
        return Given((round(2.0 * (6.0 + sees * (truth.truth - 6.0))) / 2.0,))
    if asks is Asks.STRAIGHT:
        return Given((truth.truth + math.radians(60.0) * eyes.unsure * noise,))
    level = putt.length_m if asks is Asks.PLAYS else 0.0
    return Given((level + (truth.truth - level) * (1.0 - eyes.unsure) + eyes.unsure * noise,))


def _truth(viewer: Viewer, asked: AskedPutt) -> Marked:
    """Return the model's answer, by marking some other."""
    asks = asked.question.asks
    some = {Asks.APEX: (asked.putt.length_m, 0.1), Asks.ENTRY: (6.0,), Asks.PLAYS: (asked.putt.length_m,)}
    given = Given(some.get(asks, (0.0,)), "aim_spot" if asks is Asks.AMOUNT else "")
    return mark(viewer, asked, given, USUAL_GOLFER)

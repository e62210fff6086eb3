"""A whole-green study in the background: every place of a green as a hole, at each of its speeds."""

import json
import math
from collections.abc import Generator, Iterable
from contextlib import closing
from dataclasses import dataclass
from datetime import UTC, datetime
from functools import cached_property
from importlib import import_module
from typing import Final

import numpy as np
from numpy.typing import NDArray
from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.chart import Known
from orthocline.core.study import Played, Study, places_of, played_at, study_of
from orthocline.db.entries import row_of
from orthocline.db.ground.models import GreenStudy
from orthocline.db.jobs.queries import pieces_of
from orthocline.formats.study_part import MOST_PLACES, played_row, study_members
from orthocline.services.account.access import NOT_SHARED, Viewer, open_play
from orthocline.services.account.measures import own_measures, own_senses
from orthocline.services.errors import DomainError, NotFoundError
from orthocline.services.ground.charts import ChartedGreen, find_green, known_of
from orthocline.services.jobs.task import Made, Task

ROOM: Final = "Studying a green"
ENGINE: Final = "orthocline.engine.blocks"
"""Loaded only where a study is worked out: what it needs is heavy."""
CHANGED: Final = "The green's chart was changed while it was studied: ask for it once more."
UNREAD: Final = "Nothing is read of this green yet: there is no ground to putt on."
TOO_LARGE: Final = "That green is too large to be studied as a whole."
Item = tuple[int, tuple[float, float]]


@dataclass(frozen=True)
class Plan:
    """What is worked out of a green: each place at each speed, numbered speed by speed.

    Attributes
    ----------
    known : Known
        Its ground.
    speeds_ft : tuple of float
        Green speeds [ft].
    level : str
        Who putts: the usual golfer of a level.
    """

    known: Known
    speeds_ft: tuple[float, ...]
    level: str

    @cached_property
    def places(self) -> NDArray[np.float64]:
        """The places [m], shape (n, 2)."""
        return places_of(self.known.outline)

    @property
    def size(self) -> int:
        """How many things are to be done."""
        return len(self.speeds_ft) * len(self.places)

    @property
    def studies(self) -> tuple[Study, ...]:
        """What is asked at each speed."""
        golfer, survey = GOLFERS[self.level], self.known.survey
        return tuple(
            study_of(survey, self.known.outline, speed, golfer, USUAL_PASTS) for speed in self.speeds_ft
        )

    def item(self, number: int) -> Item:
        """Return which speed and which place a number stands for."""
        speed, place = divmod(number, len(self.places))
        x, y = self.places[place].tolist()
        return speed, (x, y)


def played_of(studies: tuple[Study, ...], item: Item) -> Played:
    """Return how one place plays at one of the speeds; a worker of the engine asks for it."""
    speed, place = item
    return played_at(studies[speed], place)


@open_play(ROOM)
def plan_of(viewer: Viewer, session: Session, held: ChartedGreen, asked: GreenStudy) -> Plan:
    """Return what is worked out of a green; raises DomainError where it cannot be."""
    known = known_of(viewer, held.chart, own_senses(own_measures(viewer, session)))
    if known is None:
        raise DomainError(UNREAD)
    plan = Plan(known, tuple(asked.speeds_ft), asked.level)
    if len(plan.places) > MOST_PLACES:
        raise DomainError(TOO_LARGE)
    return plan


@open_play(ROOM)
def study_size(viewer: Viewer, session: Session, task: Task) -> int:
    """Return how many things are to be done of a study."""
    return _asked(viewer, session, task)[1].size


@open_play(ROOM)
def studied(viewer: Viewer, session: Session, task: Task) -> Generator[Made]:
    """Work a study out, and go on where it was left: yield a line for each place, in any order.

    Raises
    ------
    DomainError
        Where the engine comes to no end, or the chart is another one by now.
    """
    asked, plan = _asked(viewer, session, task)
    if asked.made_at is not None:
        return
    done = {number for number, _ in _lines(pieces_of(session, task.job_id))}
    left = [number for number in range(plan.size) if number not in done]
    yield Made(b"", len(done))
    engine = import_module(ENGINE)
    found = engine.worked_out(played_of, plan.studies, [plan.item(number) for number in left])
    try:
        with closing(found):
            for count, (at, played) in enumerate(found, start=len(done) + 1):
                yield Made(_line(left[at], played), count)
    except engine.EngineError as error:
        raise DomainError(str(error)) from error


@open_play(ROOM)
def keep_study(viewer: Viewer, session: Session, task: Task) -> None:
    """Keep what was worked out with the green; raises DomainError where its chart is another one by now."""
    asked, plan = _asked(viewer, session, task)
    rows = dict(_lines(pieces_of(session, task.job_id)))
    count = len(plan.places)
    played = [[rows[speed * count + i] for i in range(count)] for speed in range(len(plan.speeds_ft))]
    asked.found = study_members(plan.places, played)
    asked.made_at = datetime.now(UTC)


def _asked(viewer: Viewer, session: Session, task: Task) -> tuple[GreenStudy, Plan]:
    """Return a study that was asked for, and what is worked out for it."""
    asked = row_of(session, GreenStudy, task.asked["study_id"])
    if asked is None or asked.deleted_at:
        raise NotFoundError(NOT_SHARED)
    held = find_green(viewer, session, asked.green_id)
    if held.mark != asked.mark:
        raise DomainError(CHANGED)
    return asked, plan_of(viewer, session, held, asked)


def _line(number: int, played: Played) -> bytes:
    return json.dumps([number, *played_row(played), played.rolls]).encode() + b"\n"


def _lines(pieces: Iterable[bytes]) -> Generator[tuple[int, Played]]:
    """Yield the numbers of what was worked out, and how each plays."""
    for line in b"".join(pieces).splitlines():
        number, holds, holed_3ft, holed_6ft, three_putts, rolls = json.loads(line)
        three_putts = math.nan if three_putts is None else three_putts
        yield number, Played(holds, holed_3ft, holed_6ft, three_putts, rolls)

"""What a golfer's training says: how far it has come, what comes back, and what the eyes do."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Final

from sqlalchemy.orm import Session

from orthocline.core.learning import Reads
from orthocline.core.train import (
    GOOD,
    Asks,
    Bias,
    Shown,
    Verdict,
    kind_named,
    mean_bias,
    seen_share,
    verdict_of,
)
from orthocline.db.train.models import TrainedQuestion, TrainingSession
from orthocline.db.train.queries import (
    answered_of,
    due_count,
    levels_of,
    memories_of,
    newest_of,
    questions_in,
)
from orthocline.services.account.access import Share, Viewer, open_play
from orthocline.services.account.measures import Measures
from orthocline.services.train.putts import ROOM
from orthocline.services.train.sessions import READER

NEWEST: Final = 2000
"""So many answers are looked at."""
RECENT: Final = 20
"""And so many for how it goes now."""
WAYS: Final = ("left", "right", "toes", "heels")


@dataclass(frozen=True)
class Asked:
    """How one question goes: the level, all answers oldest first, and how off they are on the mean."""

    asks: Asks
    level: float
    rows: tuple[TrainedQuestion, ...]
    bias: Bias | None

    @property
    def good_share(self) -> float:
        """How many of the last answers were good [1]."""
        recent = self.rows[-RECENT:]
        return sum((one.score or 0.0) >= GOOD for one in recent) / len(recent)


@dataclass(frozen=True)
class Record:
    """What training says of a golfer.

    Attributes
    ----------
    asked : tuple of Asked
        By what was asked, those with answers.
    seen : dict
        How much of the break is seen, by the side to which putts break (-1, 1).
    due : int
        How many kinds have come back.
    next_due : datetime or None
        When the next one does.
    """

    asked: tuple[Asked, ...]
    seen: dict[int, Reads]
    due: int
    next_due: datetime | None

    @property
    def answers(self) -> int:
        """How many answers there are."""
        return sum(len(one.rows) for one in self.asked)


@open_play(ROOM)
def record_of(viewer: Viewer, session: Session, now: datetime) -> Record:
    """Return what training says of the golfer who is looked at; refused in Competition."""
    golfer_id = viewer.seen_id(Share.DRILLS)
    rows = [*reversed(answered_of(session, golfer_id, limit=NEWEST))]
    levels = levels_of(session, golfer_id)
    dues = [row.due for row in memories_of(session, golfer_id).values()]
    asked = []
    for asks in Asks:
        some = tuple(one for one in rows if one.asks == asks)
        if some and asks.value in levels:
            asked.append(Asked(asks, levels[asks].level, some, _bias(asks, some)))
    return Record(
        tuple(asked),
        _seen([one for one in rows if one.asks == Asks.AMOUNT]),
        sum(due <= now for due in dues),
        min(dues, default=None),
    )


def _bias(asks: Asks, rows: Sequence[TrainedQuestion]) -> Bias | None:
    """Return by how much answers are off on the mean; of what has a side how much further out they are."""
    errors = []
    for one in rows:
        error = (one.said or 0.0) - (one.truth or 0.0)
        out = -1.0 if asks in (Asks.AMOUNT, Asks.APEX) and (one.truth or 0.0) < 0.0 else 1.0
        errors.append(out * error)
    return None if asks in (Asks.SIDE, Asks.PAIR) else mean_bias(errors)


def _seen(rows: Sequence[TrainedQuestion]) -> dict[int, Reads]:
    found = {}
    for breaks in (-1, 1):
        some = [one for one in rows if kind_named(one.kind).breaks == breaks]
        reads = seen_share([one.said or 0.0 for one in some], [one.truth or 0.0 for one in some])
        if reads:
            found[breaks] = reads
    return found


@open_play(ROOM)
def due_now(viewer: Viewer, session: Session, now: datetime) -> int:
    """Return how many kinds of questions have come back; refused in Competition."""
    return due_count(session, viewer.owner_id, now)


def biases_by_way(measures: Measures, sense: str) -> dict[str, Bias]:
    """Return by how much slopes [ratio] are felt or seen too steep, by which side was low."""
    found = {}
    for way in WAYS:
        pairs = [one for one in measures.slope_pairs if one.sense == sense and one.way == way]
        bias = mean_bias([one.guess - one.level for one in pairs])
        if bias:
            found[way] = bias
    return found


@dataclass(frozen=True)
class ReaderTest:
    """The newest twelve questions of which reader one is, as far as they are answered."""

    session: TrainingSession
    rows: tuple[TrainedQuestion, ...]

    @property
    def complete(self) -> bool:
        """Whether all are answered."""
        return sum(one.answered_at is not None for one in self.rows) >= self.session.wanted

    @property
    def verdict(self) -> Verdict:
        """What their answers say."""
        return verdict_of(
            [(Asks(one.asks), Shown(one.shown), one.off) for one in self.rows if one.off is not None]
        )


@open_play(ROOM)
def reader_test(viewer: Viewer, session: Session) -> ReaderTest | None:
    """Return the newest test of which reader a golfer is; None before the first, refused in Competition."""
    held = newest_of(session, viewer.owner_id, READER)
    return ReaderTest(held, tuple(questions_in(session, held.id))) if held else None

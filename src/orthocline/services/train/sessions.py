"""Sessions of questions: begun, taken up where they were, answered once each, and ended."""

import secrets
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any, Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.calls import GolferFigures
from orthocline.core.ground import Sense
from orthocline.core.train import (
    LARGEST_SEED,
    MADE,
    READING,
    START,
    TWELVE,
    Asks,
    Given,
    Question,
    Shown,
    due_at,
    kind_named,
    kind_of,
    level_after,
    next_kind,
    remembered,
    seed_of,
)
from orthocline.db.entries import add_once, entry_of, one_at_a_time
from orthocline.db.train.models import TrainedQuestion as TrainedQuestion
from orthocline.db.train.models import TrainingLevel, TrainingMemory
from orthocline.db.train.models import TrainingSession as TrainingSession
from orthocline.db.train.queries import levels_of, memories_of, open_session, questions_in
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.train.putts import ROOM, AskedPutt, mark, may_be_asked, putt_asked

MIXED, READER = "mixed", "reader"
ASKED: Final = (MIXED, *READING, Asks.CARD, READER)
"""What a session may ask."""
COUNTS: Final = (5, 10, 20)
Draw = Callable[[int], int]
"""Returns a number below another."""
READER_LEVEL: Final = 3.0
"""Which reader one is is asked at one level: what is compared must be as hard."""
TRIES: Final = 40
CARD_COLUMNS: Final = ("state", "step", "stability", "difficulty")
MISSING: Final = "That question is not among yours."


@dataclass(frozen=True)
class Going:
    """A session as far as it has come.

    Attributes
    ----------
    session : TrainingSession
    questions : tuple of TrainedQuestion
        Those asked so far, in their order.
    """

    session: TrainingSession
    questions: tuple[TrainedQuestion, ...]

    @property
    def answered(self) -> int:
        """How many of them are answered."""
        return sum(one.answered_at is not None for one in self.questions)

    @property
    def waiting(self) -> TrainedQuestion | None:
        """The question that waits for its answer."""
        return next((one for one in self.questions if one.answered_at is None), None)

    @property
    def complete(self) -> bool:
        """Whether all that it was to have are answered."""
        return self.answered >= self.session.wanted


@open_play(ROOM)
def begin(
    viewer: Viewer,
    session: Session,
    asks: str,
    ground: str,
    wanted: int,
    now: datetime,
    key: UUID | None = None,
) -> None:
    """Begin a session; one that goes on ends, unless it is of the same `key`.

    Raises
    ------
    InvalidError
        For what is not asked, or another number of questions than there is to choose from.
    NotAllowedError
        In Competition.
    """
    if asks not in ASKED:
        raise InvalidError("asks", "Choose one of the questions that there are.")
    if asks != READER and wanted not in COUNTS:
        raise InvalidError("wanted", "Choose 5, 10 or 20 questions.")
    one_at_a_time(session, viewer.owner_id)
    held = open_session(session, viewer.owner_id)
    if held and held.key == key:
        return
    if held:
        held.ended_at = now
        session.flush()
    where, count = (MADE, len(TWELVE)) if asks == READER else (ground, wanted)
    begun = TrainingSession(
        golfer_id=viewer.owner_id, key=key, asks=asks, ground=where, wanted=count, begun_at=now
    )
    add_once(session, begun)


@open_play(ROOM)
def going(viewer: Viewer, session: Session) -> Going | None:
    """Return the session that a golfer is in, if any; refused in Competition."""
    held = open_session(session, viewer.owner_id)
    return Going(held, tuple(questions_in(session, held.id))) if held else None


@open_play(ROOM)
def going_of(_viewer: Viewer, session: Session, row: TrainedQuestion) -> Going:
    """Return the session that a question is of, as far as it has come; refused in Competition."""
    held = session.get_one(TrainingSession, row.session_id)
    return Going(held, tuple(questions_in(session, held.id)))


@open_play(ROOM)
def stop(viewer: Viewer, session: Session, now: datetime) -> None:
    """End the session that a golfer is in, if any; refused in Competition."""
    held = open_session(session, viewer.owner_id)
    if held:
        held.ended_at = now


@open_play(ROOM)
def ask_next(
    viewer: Viewer,
    session: Session,
    now: datetime,
    own: Mapping[str, Sense] | None = None,
    draw: Draw = secrets.randbelow,
) -> TrainedQuestion | None:
    """Return the question that waits, or ask the next one; None where no session goes on.

    `draw` gives chance: a number below another.

    Raises
    ------
    NotFoundError
        Where the green of the session gives no putt any more.
    """
    one_at_a_time(session, viewer.owner_id)
    held = going(viewer, session)
    if held is None:
        return None
    if held.waiting:
        return held.waiting
    question, shown = _chosen(viewer, session, held, now, own, draw)
    asked = putt_asked(viewer, session, question, own)
    row = TrainedQuestion(
        golfer_id=viewer.owner_id,
        session_id=held.session.id,
        number=len(held.questions) + 1,
        asks=question.asks,
        ground=question.ground,
        level=question.level,
        seed=question.seed,
        shown=shown,
        kind=kind_of(question.asks, asked.putt).name,
        asked_at=now,
    )
    session.add(row)
    session.flush()
    return row


def _chosen(
    viewer: Viewer,
    session: Session,
    held: Going,
    now: datetime,
    own: Mapping[str, Sense] | None,
    draw: Draw,
) -> tuple[Question, Shown]:
    """Return a question that can be asked, and how its putt is shown."""
    for _ in range(TRIES):
        question, shown = _drawn(viewer, session, held, now, draw(LARGEST_SEED))
        try:
            if may_be_asked(viewer, putt_asked(viewer, session, question, own)):
                return question, shown
        except NotFoundError:
            continue
    raise NotFoundError("This green gives no putt that can be asked for: choose another.")


def _drawn(viewer: Viewer, session: Session, held: Going, now: datetime, seed: int) -> tuple[Question, Shown]:
    ground = held.session.ground
    if held.session.asks == READER:
        asks, shown = TWELVE[len(held.questions)]
        return Question(asks, MADE, READER_LEVEL, seed), shown
    among = READING if held.session.asks == MIXED else (Asks(held.session.asks),)
    levels = {Asks(name): row.level for name, row in levels_of(session, viewer.owner_id).items()}
    due = {kind_named(name): row.due for name, row in memories_of(session, viewer.owner_id).items()}
    last = Asks(held.questions[-1].asks) if held.questions else None
    kind = next_kind(among, due, levels, now, last)
    level = levels.get(kind.asks, START)
    if ground == MADE or kind.asks is Asks.CARD:
        return Question(kind.asks, MADE, level, seed_of(kind, seed)), Shown.EYE
    return Question(kind.asks, ground, level, seed), Shown.EYE


@open_play(ROOM)
def find_question(viewer: Viewer, session: Session, question_id: int) -> TrainedQuestion:
    """Return a question of a golfer's own; raises NotFoundError where it is not theirs."""
    row = entry_of(session, TrainedQuestion, viewer.owner_id, question_id)
    if row is None:
        raise NotFoundError(MISSING)
    return row


def question_of(row: TrainedQuestion) -> Question:
    """Return a kept question as the core takes it."""
    return Question(Asks(row.asks), row.ground, row.level, row.seed)


def given_of(row: TrainedQuestion) -> Given | None:
    """Return the answer that is kept of a question."""
    return Given(tuple(row.given["figures"]), row.school or "") if row.given else None


@open_play(ROOM)
def answer(
    viewer: Viewer,
    session: Session,
    row: TrainedQuestion,
    asked: AskedPutt,
    given: Given,
    golfer: GolferFigures,
    now: datetime,
) -> bool:
    """Keep the answer to a question, and return whether it was kept now: the first one holds.

    One to a session that was ended before is late: it is kept, and counts for nothing.

    Raises
    ------
    InvalidError
        Where no ball can be started so.
    """
    one_at_a_time(session, viewer.owner_id)
    session.refresh(row)
    if row.answered_at is not None:
        return False
    found = mark(viewer, asked, given, golfer)
    held = session.get_one(TrainingSession, row.session_id)
    row.late = held.ended_at is not None
    row.answered_at, row.given, row.school = now, {"figures": list(given.figures)}, given.school or None
    row.said, row.truth, row.off, row.score = found.given, found.truth, found.off, found.score
    if row.late:
        return True
    if held.asks != READER:
        _learn(viewer, session, row, good=found.good)
    if row.number >= held.wanted:
        held.ended_at = now
    return True


def _learn(viewer: Viewer, session: Session, row: TrainedQuestion, *, good: bool) -> None:
    """Move the level of what was asked, and say when its kind comes back."""
    assert row.score is not None, "it is answered"
    assert row.answered_at is not None, "it is answered"
    level = session.get(TrainingLevel, (viewer.owner_id, row.asks))
    if level is None:
        level = TrainingLevel(golfer_id=viewer.owner_id, asks=row.asks, level=START, answers=0)
        session.add(level)
    level.level = level_after(level.level, level.answers, good=good)
    level.answers += 1
    memory = session.get(TrainingMemory, (viewer.owner_id, row.kind))
    card = remembered(_card(memory) if memory else None, row.score, row.answered_at)
    if memory is None:
        memory = TrainingMemory(golfer_id=viewer.owner_id, kind=row.kind)
        session.add(memory)
    for name in CARD_COLUMNS:
        setattr(memory, name, card[name])
    memory.due, memory.last_review = due_at(card), row.answered_at


def _card(memory: TrainingMemory) -> dict[str, Any]:
    """Return what is known of a kind as the scheduler has it."""
    card = {name: getattr(memory, name) for name in CARD_COLUMNS}
    last = memory.last_review.astimezone(UTC).isoformat() if memory.last_review else None
    return card | {"card_id": 0, "due": memory.due.astimezone(UTC).isoformat(), "last_review": last}

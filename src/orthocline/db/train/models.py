"""What a golfer trains: sessions, the questions asked in them, and how far each has come."""

from datetime import datetime
from typing import Any

from sqlalchemy import (
    ARRAY,
    BigInteger,
    CheckConstraint,
    DateTime,
    Float,
    ForeignKey,
    Index,
    Integer,
    SmallInteger,
    String,
    UniqueConstraint,
    func,
    text,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.account.models import CALL_LENGTH
from orthocline.db.base import Base, Entry

NAME_LENGTH = 40


class TrainingSession(Entry, Base):
    """Some questions in a row; `ended_at` is NULL while it goes on: a golfer has one such at most.

    `asks` is what is asked: a question's name, ``mixed``, or ``reader`` for the twelve of which reader one
    is. `ground` is the green that is asked about, as the core names it, and `wanted` how many questions there
    are.
    """

    __tablename__ = "training_sessions"
    __table_args__ = (
        CheckConstraint("wanted > 0", name="wanted"),
        UniqueConstraint("golfer_id", "key"),
        Index(
            "uq_training_sessions_open", "golfer_id", unique=True, postgresql_where=text("ended_at IS NULL")
        ),
    )

    asks: Mapped[str] = mapped_column(String(NAME_LENGTH))
    ground: Mapped[str] = mapped_column(String(NAME_LENGTH))
    wanted: Mapped[int] = mapped_column(SmallInteger)
    begun_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    ended_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))


class TrainedQuestion(Entry, Base):
    """One question of a session; what was answered is NULL until then.

    `asks`, `ground`, `level` and `seed` are the question, `shown` how its putt was shown, `kind` what it is
    alike with. `given` is the answer in SI units with its school. `said` and `truth` are what was said and
    what is so in the question's own unit, `off` how far that is off as a multiple of what still serves. A
    `late` answer, to a session that was ended, counts for nothing.
    """

    __tablename__ = "trained_questions"
    __table_args__ = (
        CheckConstraint("level BETWEEN 0 AND 10", name="level"),
        CheckConstraint("seed >= 0", name="seed"),
        CheckConstraint("score BETWEEN 0 AND 1", name="score"),
        CheckConstraint("(answered_at IS NULL) = (score IS NULL)", name="answered"),
        UniqueConstraint("golfer_id", "key"),
        UniqueConstraint("session_id", "number"),
        Index("ix_trained_questions_golfer_id_answered_at", "golfer_id", text("answered_at DESC")),
    )

    session_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("training_sessions.id", ondelete="CASCADE"), index=True
    )
    number: Mapped[int] = mapped_column(SmallInteger)
    asks: Mapped[str] = mapped_column(String(NAME_LENGTH))
    ground: Mapped[str] = mapped_column(String(NAME_LENGTH))
    level: Mapped[float]
    seed: Mapped[int]
    shown: Mapped[str] = mapped_column(String(10))
    kind: Mapped[str] = mapped_column(String(NAME_LENGTH))
    asked_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    answered_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    given: Mapped[dict[str, Any] | None] = mapped_column(JSONB)
    school: Mapped[str | None] = mapped_column(String(CALL_LENGTH))
    said: Mapped[float | None]
    truth: Mapped[float | None]
    off: Mapped[float | None]
    score: Mapped[float | None]
    late: Mapped[bool] = mapped_column(server_default=text("false"))


class TrainingLevel(Base):
    """How hard one kind of question has become for a golfer, and by how many answers."""

    __tablename__ = "training_levels"
    __table_args__ = (CheckConstraint("level BETWEEN 0 AND 10", name="level"),)

    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), primary_key=True
    )
    asks: Mapped[str] = mapped_column(String(NAME_LENGTH), primary_key=True)
    level: Mapped[float]
    answers: Mapped[int] = mapped_column(server_default="0")


class TrainingMemory(Base):
    """When a kind of question comes back: the card of the scheduler, column by column."""

    __tablename__ = "training_memories"
    __table_args__ = (Index("ix_training_memories_golfer_id_due", "golfer_id", "due"),)

    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), primary_key=True
    )
    kind: Mapped[str] = mapped_column(String(NAME_LENGTH), primary_key=True)
    state: Mapped[int] = mapped_column(SmallInteger)
    step: Mapped[int | None] = mapped_column(Integer)
    stability: Mapped[float | None] = mapped_column(Float)
    difficulty: Mapped[float | None] = mapped_column(Float)
    due: Mapped[datetime] = mapped_column(DateTime(timezone=True))
    last_review: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))


class DrillRun(Entry, Base):
    """A drill as it was done once; `ended_at` is NULL while it goes on: a golfer has one such at most.

    `drill` is what its file is called, `own` the golfer's own lengths [m] in it, `seed` what its balls are
    drawn by. `noted` are the outcomes, ball by ball, and `points` of `best` what they are worth. A drill that
    measures a habit has its `figures` too, to the right [rad] or late [s].
    `outing_id` is the practice in whose log it stands.
    """

    __tablename__ = "drill_runs"
    __table_args__ = (
        CheckConstraint("points >= 0 AND points <= best", name="points"),
        UniqueConstraint("golfer_id", "key"),
        Index("uq_drill_runs_open", "golfer_id", unique=True, postgresql_where=text("ended_at IS NULL")),
        Index("ix_drill_runs_golfer_id_drill", "golfer_id", "drill", text("begun_at DESC")),
    )

    drill: Mapped[str] = mapped_column(String(NAME_LENGTH))
    own: Mapped[dict[str, float]] = mapped_column(JSONB)
    seed: Mapped[int]
    balls: Mapped[int] = mapped_column(SmallInteger)
    begun_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    ended_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    outing_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("outings.id", ondelete="SET NULL"), index=True
    )
    noted: Mapped[list[str]] = mapped_column(ARRAY(String(NAME_LENGTH)))
    figures: Mapped[list[float]] = mapped_column(ARRAY(Float), server_default="{}", default=list)
    points: Mapped[float]
    best: Mapped[float]


class PracticePlan(Entry, Base):
    """A practice session; `ended_at` is NULL while it goes on: a golfer has one such at most.

    `slots` are its parts (what, minutes, what for), of which `done` are over. `spent_s` were practised up to
    `running_since`, which is NULL while it is paused.
    """

    __tablename__ = "practice_plans"
    __table_args__ = (
        CheckConstraint("minutes > 0", name="minutes"),
        CheckConstraint("done >= 0", name="done"),
        UniqueConstraint("golfer_id", "key"),
        Index("uq_practice_plans_open", "golfer_id", unique=True, postgresql_where=text("ended_at IS NULL")),
    )

    minutes: Mapped[float]
    slots: Mapped[list[dict[str, Any]]] = mapped_column(JSONB)
    done: Mapped[int] = mapped_column(SmallInteger, server_default="0")
    outing_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("outings.id", ondelete="SET NULL"), index=True
    )
    begun_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    running_since: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    spent_s: Mapped[float] = mapped_column(server_default="0")
    ended_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))

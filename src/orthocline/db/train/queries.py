"""A golfer's training sessions, questions, levels and what comes back."""

from collections.abc import Sequence
from datetime import datetime

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from orthocline.db.train.models import TrainedQuestion, TrainingLevel, TrainingMemory, TrainingSession


def open_session(session: Session, golfer_id: int) -> TrainingSession | None:
    """Return the session that a golfer is in, if any."""
    return session.scalar(
        select(TrainingSession).where(
            TrainingSession.golfer_id == golfer_id, TrainingSession.ended_at.is_(None)
        )
    )


def newest_of(session: Session, golfer_id: int, asks: str) -> TrainingSession | None:
    """Return the newest session of a golfer in which that was asked."""
    query = select(TrainingSession).where(
        TrainingSession.golfer_id == golfer_id, TrainingSession.asks == asks
    )
    return session.scalar(query.order_by(TrainingSession.id.desc()).limit(1))


def questions_in(session: Session, session_id: int) -> Sequence[TrainedQuestion]:
    """Return the questions of a session in their order."""
    query = select(TrainedQuestion).where(TrainedQuestion.session_id == session_id)
    return session.scalars(query.order_by(TrainedQuestion.number)).all()


def answered_of(
    session: Session, golfer_id: int, *, since: datetime | None = None, limit: int | None = None
) -> Sequence[TrainedQuestion]:
    """Return the questions that a golfer answered in time, newest first."""
    query = select(TrainedQuestion).where(
        TrainedQuestion.golfer_id == golfer_id,
        TrainedQuestion.answered_at.is_not(None),
        TrainedQuestion.late.is_(False),
    )
    if since is not None:
        query = query.where(TrainedQuestion.answered_at >= since)
    query = query.order_by(TrainedQuestion.answered_at.desc(), TrainedQuestion.id.desc())
    return session.scalars(query.limit(limit)).all()


def levels_of(session: Session, golfer_id: int) -> dict[str, TrainingLevel]:
    """Return how hard questions have become for a golfer, by what is asked."""
    rows = session.scalars(select(TrainingLevel).where(TrainingLevel.golfer_id == golfer_id))
    return {row.asks: row for row in rows}


def memories_of(session: Session, golfer_id: int) -> dict[str, TrainingMemory]:
    """Return when what comes back to a golfer, by kind."""
    query = select(TrainingMemory).where(TrainingMemory.golfer_id == golfer_id)
    return {row.kind: row for row in session.scalars(query.order_by(TrainingMemory.kind))}


def due_count(session: Session, golfer_id: int, now: datetime) -> int:
    """Return how many kinds have come back to a golfer."""
    query = select(func.count()).where(TrainingMemory.golfer_id == golfer_id, TrainingMemory.due <= now)
    return session.scalar(query) or 0

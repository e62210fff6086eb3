"""Jobs: how far they are, what they made, and what is swept away."""

from collections.abc import Iterator
from datetime import datetime

from sqlalchemy import delete, insert, select, update
from sqlalchemy.orm import Session

from orthocline.db.jobs.models import Job, JobPiece

OPEN = ("waiting", "running")


def begin_job(session: Session, job_id: int) -> Job | None:
    """Mark a job as running and return it, with nothing made yet; None for one that is not open."""
    begun = update(Job).where(Job.id == job_id, Job.state.in_(OPEN)).values(state="running", done=0)
    job = session.scalar(begun.returning(Job))
    if job:
        session.execute(delete(JobPiece).where(JobPiece.job_id == job_id))
    return job


def move_job(session: Session, job_id: int, done: int, *, state: str = "running") -> bool:
    """Say how far a running job is; return whether it still runs, and was not cancelled meanwhile."""
    moved = update(Job).where(Job.id == job_id, Job.state == "running").values(done=done, state=state)
    return session.scalar(moved.returning(Job.id)) is not None


def end_job(session: Session, golfer_id: int, job_id: int, state: str) -> None:
    """End an open job of a golfer's before it is done; what it has made is deleted."""
    ended = update(Job).where(Job.id == job_id, Job.golfer_id == golfer_id, Job.state.in_(OPEN))
    if session.scalar(ended.values(state=state).returning(Job.id)) is not None:
        session.execute(delete(JobPiece).where(JobPiece.job_id == job_id))


def add_piece(session: Session, job_id: int, number: int, content: str) -> None:
    """Keep one piece of what a job makes."""
    session.execute(insert(JobPiece).values(job_id=job_id, number=number, content=content))


def pieces_of(session: Session, job_id: int) -> Iterator[str]:
    """Yield what a job has made, piece by piece, asked for as the first is taken."""
    query = select(JobPiece.content).where(JobPiece.job_id == job_id).order_by(JobPiece.number)
    with session.execute(query.execution_options(yield_per=1)) as found:
        yield from found.scalars()


def delete_old_jobs(session: Session, before: datetime) -> None:
    """Delete all jobs that were asked for before a time, with all that they made."""
    session.execute(delete(Job).where(Job.asked_at < before))

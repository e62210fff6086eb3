"""Jobs: how far they are, what they made, and what is swept away."""

from collections.abc import Iterable, Iterator
from datetime import datetime

from sqlalchemy import delete, func, insert, select, update
from sqlalchemy.orm import Session

from orthocline.db.jobs.models import WHY_LENGTH, FilePiece, GivenFile, Job, JobPiece

OPEN = ("waiting", "running")


def begin_job(session: Session, job_id: int) -> Job | None:
    """Mark a job as running and return it; None for one that is not open."""
    begun = update(Job).where(Job.id == job_id, Job.state.in_(OPEN)).values(state="running")
    return session.scalar(begun.returning(Job))


def drop_pieces(session: Session, job_id: int) -> None:
    """Delete what a job has made."""
    session.execute(delete(JobPiece).where(JobPiece.job_id == job_id))


def count_pieces(session: Session, job_id: int) -> int:
    """Return how many pieces a job has made."""
    query = select(func.coalesce(func.max(JobPiece.number), -1)).where(JobPiece.job_id == job_id)
    return (session.scalar(query) or 0) + 1


def move_job(session: Session, job_id: int, done: int, *, state: str = "running") -> bool:
    """Say how far a running job is; return whether it still runs, and was not cancelled meanwhile."""
    moved = update(Job).where(Job.id == job_id, Job.state == "running").values(done=done, state=state)
    return session.scalar(moved.returning(Job.id)) is not None


def end_job(session: Session, golfer_id: int, job_id: int, state: str, why: str = "") -> None:
    """End an open job of a golfer's before it is done; what it has made is deleted."""
    ended = update(Job).where(Job.id == job_id, Job.golfer_id == golfer_id, Job.state.in_(OPEN))
    told = ended.values(state=state, why=why[:WHY_LENGTH])
    if session.scalar(told.returning(Job.id)) is not None:
        drop_pieces(session, job_id)


def drop_job(session: Session, golfer_id: int, job_id: int) -> None:
    """Delete a job of a golfer's with all that it made."""
    session.execute(delete(Job).where(Job.id == job_id, Job.golfer_id == golfer_id))


def newest_job(session: Session, golfer_id: int, kind: str, state: str) -> int | None:
    """Return the number of a golfer's newest job of a kind that is in a state; None for none."""
    query = select(Job.id).where(Job.golfer_id == golfer_id, Job.kind == kind, Job.state == state)
    return session.scalar(query.order_by(Job.id.desc()).limit(1))


def open_jobs(session: Session) -> tuple[int, int, float]:
    """Return how many jobs wait and how many run, and how long the oldest has waited [s]."""
    waiting = Job.state == "waiting"
    oldest = func.extract("epoch", func.now() - func.min(Job.asked_at).filter(waiting))
    counts = func.count().filter(waiting), func.count().filter(Job.state == "running")
    row = session.execute(select(*counts, func.coalesce(oldest, 0.0)).where(Job.state.in_(OPEN))).one()
    return int(row[0]), int(row[1]), float(row[2])


def is_open_job(session: Session, job_id: int | None) -> bool:
    """Return whether a job is there, whoever's it is, and is not done."""
    query = select(Job.id).where(Job.id == job_id, Job.state.in_(OPEN))
    return session.scalar(query) is not None


def open_jobs_of(session: Session, golfer_id: int) -> int:
    """Return how many jobs of a golfer's are not done."""
    query = select(func.count()).select_from(Job).where(Job.golfer_id == golfer_id, Job.state.in_(OPEN))
    return session.scalar(query) or 0


def add_piece(session: Session, job_id: int, number: int, content: bytes) -> None:
    """Keep one piece of what a job makes."""
    session.execute(insert(JobPiece).values(job_id=job_id, number=number, content=content))


def pieces_of(session: Session, job_id: int) -> Iterator[bytes]:
    """Yield what a job has made, piece by piece, asked for as the first is taken."""
    query = select(JobPiece.content).where(JobPiece.job_id == job_id).order_by(JobPiece.number)
    with session.execute(query.execution_options(yield_per=1)) as found:
        yield from found.scalars()


def delete_old_jobs(session: Session, before: datetime) -> None:
    """Delete all jobs that were asked for before a time, with all that they made, and files given before."""
    session.execute(delete(Job).where(Job.asked_at < before))
    session.execute(delete(GivenFile).where(GivenFile.given_at < before))


def add_file(session: Session, file: GivenFile, pieces: Iterable[bytes]) -> GivenFile:
    """Keep a file that is given, piece by piece, and how long it is."""
    file.size = 0
    session.add(file)
    session.flush()
    for number, content in enumerate(pieces):
        session.execute(insert(FilePiece).values(file_id=file.id, number=number, content=content))
        file.size += len(content)
    return file


def file_pieces(session: Session, file_id: int) -> Iterator[bytes]:
    """Yield what a given file holds, piece by piece."""
    query = select(FilePiece.content).where(FilePiece.file_id == file_id).order_by(FilePiece.number)
    with session.execute(query.execution_options(yield_per=1)) as found:
        yield from found.scalars()


def drop_file(session: Session, golfer_id: int, file_id: int) -> None:
    """Delete a file that a golfer gave."""
    session.execute(delete(GivenFile).where(GivenFile.id == file_id, GivenFile.golfer_id == golfer_id))

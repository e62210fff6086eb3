"""Work in the background: ask for it, see how far it is, cancel it, take what it made; and carry it out."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from uuid import UUID

from sqlalchemy.orm import Session, sessionmaker

from orthocline.db.account.queries import golfer_by_id
from orthocline.db.entries import add_once, entry_of
from orthocline.db.jobs.models import Job
from orthocline.db.jobs.queries import (
    OPEN,
    add_piece,
    begin_job,
    delete_old_jobs,
    end_job,
    move_job,
    pieces_of,
)
from orthocline.db.jobs.queue import enqueue
from orthocline.services.account.access import Mode, Viewer, anyone, own_data, require_open_play
from orthocline.services.errors import NotFoundError
from orthocline.services.jobs.registry import KINDS

PIECE_LENGTH = 200_000
"""About so many letters are one piece of what is made, and how far the work is is said as often."""
KEPT_FOR = timedelta(days=1)
"""How long what was made is kept."""


@dataclass(frozen=True)
class Progress:
    """How far a job is: `state` is waiting, running, done, cancelled or failed."""

    id: int
    kind: str
    state: str
    done: int
    total: int

    @property
    def is_open(self) -> bool:
        """Whether it is still to be waited for."""
        return self.state in OPEN


@own_data
def ask_for(viewer: Viewer, session: Session, kind: str, key: UUID | None = None) -> Progress:
    """Put a job of one of `KINDS` into the queue. The same `key` again is the same job."""
    size = KINDS[kind].size(viewer, session)
    asked = Job(golfer_id=viewer.owner_id, key=key, kind=kind, mode=viewer.mode.value, total=size)
    job = add_once(session, asked)
    if job is asked:
        enqueue(session, job.id)
    return _progress(job)


@own_data
def find_job(viewer: Viewer, session: Session, job_id: int) -> Progress:
    """Return how far a job of the golfer's own is.

    Raises
    ------
    NotFoundError
        When there is none of that number, or it was swept away.
    """
    return _progress(_job(viewer, session, job_id))


@own_data
def cancel_job(viewer: Viewer, session: Session, job_id: int) -> None:
    """Cancel a job that is not done yet; one that has ended stays as it is. Raises as `find_job` does."""
    end_job(session, viewer.owner_id, _job(viewer, session, job_id).id, "cancelled")


@own_data
def result_of(viewer: Viewer, session: Session, job_id: int) -> Iterator[str]:
    """Return what a job has made, in pieces.

    Raises
    ------
    NotAllowedError
        In Competition, for what was asked for in open play: it may hold reads.
    NotFoundError
        As `find_job`, and for one that is not done.
    """
    job = _job(viewer, session, job_id)
    if job.state != "done":
        raise NotFoundError("That is not ready yet, or was cancelled.")
    if job.mode != Mode.COMPETITION.value:
        require_open_play(viewer, "What was asked for in open play")
    return pieces_of(session, job_id)


@anyone
def carry_out(sessions: sessionmaker[Session], job_id: int) -> None:
    """Do a job of the queue, unless it was cancelled; one that a killed worker left is begun again.

    What is made is read in one transaction, begun first, and written in others, so that how far it is can be
    seen.
    """
    with sessions.begin() as reading, sessions() as writing:
        reading.connection()
        job = begin_job(writing, job_id)
        writing.commit()
        if job is None:
            return
        try:
            _make(job, reading, writing)
        except Exception:
            writing.rollback()
            end_job(writing, job.golfer_id, job_id, "failed")
            writing.commit()
            raise


@anyone
def sweep(sessions: sessionmaker[Session]) -> None:
    """Delete what was asked for more than `KEPT_FOR` ago, with what it made."""
    with sessions.begin() as session:
        delete_old_jobs(session, datetime.now(UTC) - KEPT_FOR)


def _make(job: Job, reading: Session, writing: Session) -> None:
    golfer = golfer_by_id(reading, job.golfer_id)
    assert golfer is not None, "jobs go with their golfer"
    viewer = Viewer(golfer, Mode(job.mode))
    for number, (text, done) in enumerate(_joined(KINDS[job.kind].pieces(viewer, reading))):
        add_piece(writing, job.id, number, text)
        runs = move_job(writing, job.id, min(done, job.total))
        if not runs:
            writing.rollback()
            return
        writing.commit()
    move_job(writing, job.id, job.total, state="done")
    writing.commit()


def _joined(pieces: Iterator[str]) -> Iterator[tuple[str, int]]:
    """Join small pieces to larger ones, each with how many went into it and those before."""
    held: list[str] = []
    count = length = 0
    for count, piece in enumerate(pieces, start=1):
        held.append(piece)
        length += len(piece)
        if length >= PIECE_LENGTH:
            yield "".join(held), count
            held, length = [], 0
    yield "".join(held), count


def _job(viewer: Viewer, session: Session, job_id: int) -> Job:
    job = entry_of(session, Job, viewer.owner_id, job_id)
    if job is None:
        raise NotFoundError("There is no such work. What was made is kept for a day.")
    return job


def _progress(job: Job) -> Progress:
    return Progress(job.id, job.kind, job.state, job.done, job.total)

"""Work in the background: ask for it, see how far it is, cancel it, take what it made; and carry it out."""

from collections.abc import Generator, Iterator
from contextlib import closing
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from time import monotonic
from typing import Final
from uuid import UUID

from sqlalchemy.exc import InterfaceError, OperationalError
from sqlalchemy.orm import Session, sessionmaker

from orthocline.db.account.queries import golfer_by_id
from orthocline.db.entries import entry_of, one_at_a_time, with_same_key
from orthocline.db.jobs.models import Job
from orthocline.db.jobs.queries import (
    OPEN,
    add_piece,
    begin_job,
    count_pieces,
    delete_old_jobs,
    drop_file,
    drop_job,
    drop_pieces,
    end_job,
    move_job,
    open_jobs_of,
    pieces_of,
)
from orthocline.db.jobs.queue import enqueue
from orthocline.services.account.access import Mode, Viewer, anyone, own_data, require_open_play
from orthocline.services.errors import DomainError, InvalidError, NotFoundError
from orthocline.services.jobs.registry import KINDS
from orthocline.services.jobs.task import Made, Task

PIECE_LENGTH, PIECE_S = 200_000, 0.4
"""About so many bytes are one piece of what is made; how far it is is said as often, or so often [s]."""
NOTHING_ASKED = Task()
AWAY: Final = (OperationalError, InterfaceError)
"""So a database says that it went away: the job is begun again when that is back."""
MOST_OPEN: Final = 5
STOPPED: Final = "It took more memory or time than one piece of work may, and was stopped."
NO_SUCH_WORK: Final = "There is no such work. What was made is kept for a day."
TOO_MANY: Final = f"{MOST_OPEN} things are being done for you already: wait for one, or cancel one."
KEPT_FOR = timedelta(days=1)
"""How long what was made is kept."""


@dataclass(frozen=True)
class Progress:
    """How far a job is: `state` is waiting, running, done, cancelled or failed, `why` says why it failed."""

    id: int
    kind: str
    state: str
    done: int
    total: int
    task: Task
    why: str = ""

    @property
    def is_open(self) -> bool:
        """Whether it is still to be waited for."""
        return self.state in OPEN


@own_data
def ask_for(
    viewer: Viewer, session: Session, kind: str, task: Task = NOTHING_ASKED, key: UUID | None = None
) -> Progress:
    """Put a job of one of `KINDS` into the queue. The same `key` again is the same job.

    Raises
    ------
    InvalidError
        Where `MOST_OPEN` of the golfer's wait already.
    """
    asked = Job(golfer_id=viewer.owner_id, key=key, kind=kind, mode=viewer.mode.value)
    asked.asked, asked.file_id = dict(task.asked), task.file_id
    one_at_a_time(session, viewer.owner_id)
    before = with_same_key(session, asked)
    if before is not None:
        return _progress(before)
    if open_jobs_of(session, viewer.owner_id) >= MOST_OPEN:
        raise InvalidError("job", TOO_MANY)
    asked.total = KINDS[kind].size(viewer, session, task)
    session.add(asked)
    session.flush()
    enqueue(session, asked.id, long=KINDS[kind].long)
    return _progress(asked)


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
def made_for(viewer: Viewer, session: Session, job_id: int, what: str) -> int:
    """Return the number of the entry that a job is made for, by the name that its kind has for it.

    Raises
    ------
    NotFoundError
        As `find_job`, and for a job of another kind.
    """
    found = _job(viewer, session, job_id).asked.get(what)
    if not isinstance(found, int):
        raise NotFoundError(NO_SUCH_WORK)
    return found


@own_data
def cancel_job(viewer: Viewer, session: Session, job_id: int) -> None:
    """Cancel a job that is not done yet; one that has ended stays as it is. Raises as `find_job` does.

    The file that it works on goes too.
    """
    job = _job(viewer, session, job_id)
    end_job(session, viewer.owner_id, job.id, "cancelled")
    session.refresh(job)
    if job.state == "cancelled" and job.file_id is not None:
        drop_file(session, viewer.owner_id, job.file_id)


@own_data
def forget_job(viewer: Viewer, session: Session, job_id: int) -> None:
    """Delete a job with what it made and the file that it works on. Raises as `find_job` does."""
    job = _job(viewer, session, job_id)
    if job.file_id is not None:
        drop_file(session, viewer.owner_id, job.file_id)
    drop_job(session, viewer.owner_id, job.id)


@own_data
def result_of(viewer: Viewer, session: Session, job_id: int) -> Iterator[bytes]:
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

    A long one goes on where it was left.

    Where the database goes away meanwhile, that is raised, and the job stays as it was begun.
    What is made is read in one transaction, begun first, and written in others, so that how far it is can be
    seen.
    """
    with sessions.begin() as reading, sessions() as writing:
        reading.connection()
        job = begin_job(writing, job_id)
        if job and not KINDS[job.kind].long:
            drop_pieces(writing, job_id)
        writing.commit()
        if job is None:
            return
        try:
            _make(job, reading, writing)
        except DomainError as error:
            writing.rollback()
            end_job(writing, job.golfer_id, job_id, "failed", str(error))
            writing.commit()
        except AWAY:
            raise
        except Exception as error:
            writing.rollback()
            why = STOPPED if isinstance(error, MemoryError) else ""
            end_job(writing, job.golfer_id, job_id, "failed", why)
            writing.commit()
            raise


@anyone
def give_up(sessions: sessionmaker[Session], job_id: int) -> None:
    """Let a job fail whose process was stopped; one that has ended stays as it is."""
    with sessions.begin() as session:
        job = session.get(Job, job_id)
        if job is not None:
            end_job(session, job.golfer_id, job_id, "failed", STOPPED)


@anyone
def sweep(sessions: sessionmaker[Session]) -> None:
    """Delete what was asked for more than `KEPT_FOR` ago, with what it made."""
    with sessions.begin() as session:
        delete_old_jobs(session, datetime.now(UTC) - KEPT_FOR)


def _make(job: Job, reading: Session, writing: Session) -> None:
    golfer = golfer_by_id(reading, job.golfer_id)
    assert golfer is not None, "jobs go with their golfer"
    viewer, task, kind = Viewer(golfer, Mode(job.mode)), Task(job.asked, job.file_id, job.id), KINDS[job.kind]
    made = kind.made(viewer, reading, task)
    with closing(made), closing(_joined(made)) as joined:
        for number, piece in enumerate(joined, start=count_pieces(writing, job.id)):
            if piece.content:
                add_piece(writing, job.id, number, piece.content)
            runs = move_job(writing, job.id, min(piece.done, job.total))
            if not runs:
                writing.rollback()
                return
            writing.commit()
    if move_job(writing, job.id, job.total, state="done") and kind.keeps:
        kind.keeps(viewer, writing, task)
    writing.commit()


def _joined(pieces: Iterator[Made]) -> Generator[Made]:
    """Join small pieces to larger ones, or to those of a moment; the last has all that is left."""
    held: list[bytes] = []
    done = length = 0
    said = monotonic()
    for content, done in pieces:
        held.append(content)
        length += len(content)
        if length >= PIECE_LENGTH or monotonic() - said > PIECE_S:
            yield Made(b"".join(held), done)
            held, length, said = [], 0, monotonic()
    yield Made(b"".join(held), done)


def _job(viewer: Viewer, session: Session, job_id: int) -> Job:
    job = entry_of(session, Job, viewer.owner_id, job_id)
    if job is None:
        raise NotFoundError(NO_SUCH_WORK)
    return job


def _progress(job: Job) -> Progress:
    return Progress(job.id, job.kind, job.state, job.done, job.total, Task(job.asked, job.file_id), job.why)

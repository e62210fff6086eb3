"""A file that a golfer gives for work in the background: kept for a day, or until it is taken up."""

from collections.abc import Iterable, Iterator
from typing import Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.db.entries import count_of, entry_of, one_at_a_time, with_same_key
from orthocline.db.jobs.models import FILE_NAME_LENGTH
from orthocline.db.jobs.models import GivenFile as GivenFile
from orthocline.db.jobs.queries import add_file, drop_file, file_pieces
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.jobs.task import Task

PIECE_BYTES: Final = 1_000_000
MOST_FILES: Final = 10
"""A golfer has so many files at once that are not taken up."""
GONE: Final = "That file is gone: files are kept for a day. Give it once more."


def called(name: str) -> str:
    """Return the name of a file without its folders."""
    return name.replace("\\", "/").rpartition("/")[2].strip()[-FILE_NAME_LENGTH:] or "file"


@own_data
def keep_file(
    viewer: Viewer,
    session: Session,
    name: str,
    pieces: Iterable[bytes],
    largest_bytes: int,
    too_large: str,
    key: UUID | None = None,
) -> GivenFile:
    """Keep a file for a day. The same `key` again is the same file.

    Raises
    ------
    InvalidError
        For one that is too large, or too many at once; nothing is kept of it.
    """
    given = GivenFile(golfer_id=viewer.owner_id, name=called(name), key=key)
    one_at_a_time(session, viewer.owner_id)
    before = with_same_key(session, given)
    if before is not None:
        return before
    if count_of(session, GivenFile, viewer.owner_id) >= MOST_FILES:
        raise InvalidError("file", f"{MOST_FILES} files are kept at once: use one, or come back tomorrow.")
    return add_file(session, given, _bounded(pieces, largest_bytes, too_large))


@own_data
def given_file(viewer: Viewer, session: Session, task: Task) -> GivenFile:
    """Return the file that a job works on; raises NotFoundError where it is gone."""
    file = None
    if task.file_id is not None:
        file = entry_of(session, GivenFile, viewer.owner_id, task.file_id)
    if file is None:
        raise NotFoundError(GONE)
    return file


@own_data
def file_name(viewer: Viewer, session: Session, task: Task) -> str:
    """Return the name of the file that a job works on; empty where it is gone."""
    file = entry_of(session, GivenFile, viewer.owner_id, task.file_id) if task.file_id is not None else None
    return file.name if file else ""


@own_data
def file_bytes(viewer: Viewer, session: Session, task: Task) -> Iterator[bytes]:
    """Return what the file that a job works on holds, in pieces; raises NotFoundError where it is gone."""
    return file_pieces(session, given_file(viewer, session, task).id)


@own_data
def let_go(viewer: Viewer, session: Session, task: Task) -> None:
    """Let the file go that a job worked on."""
    if task.file_id is not None:
        drop_file(session, viewer.owner_id, task.file_id)


def _bounded(pieces: Iterable[bytes], largest_bytes: int, too_large: str) -> Iterator[bytes]:
    """Yield the pieces of a file; raises InvalidError when they become too many."""
    size = 0
    for piece in pieces:
        size += len(piece)
        if size > largest_bytes:
            raise InvalidError("file", too_large)
        yield piece

"""What a golfer carries: prints asked for, listed, read, deleted. In a round those made before are read."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from hashlib import sha256
from typing import Any, Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.db.carry.models import Print as Print
from orthocline.db.carry.queries import print_like, prints_of
from orthocline.db.entries import add_once, count_of, one_at_a_time, with_same_key
from orthocline.services.account.access import Viewer, open_play, own_data
from orthocline.services.carry.making import MAKERS, MISSING
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.jobs.jobs import Progress, ask_for, find_job, made_for
from orthocline.services.jobs.task import Task
from orthocline.services.undo import delete_entry, find_entry, restore_entry

KIND: Final = "print"
MOST_PRINTS, MOST_WITH_DELETED = 60, 120
"""So many prints a golfer keeps, and with those that can still be brought back."""


@dataclass(frozen=True)
class Carried:
    """A print as it is read: its pages are titles with drawings; `job` makes it, while it is not made."""

    id: int
    kind: str
    title: str
    pages: tuple[tuple[str, str], ...]
    job: Progress | None = None


@open_play("Making cards and books")
def ask_print(
    viewer: Viewer, session: Session, kind: str, asked: Mapping[str, Any], key: UUID | None = None
) -> Print:
    """Ask for a print; the same again, or the same `key`, is the same print.

    Raises
    ------
    InvalidError
        For one more than are kept.
    """
    wanted = new_print(viewer, session, kind, asked, key)
    one_at_a_time(session, viewer.owner_id)
    before = with_same_key(session, wanted) or print_like(session, viewer.owner_id, wanted.digest)
    if before and (before.made_at or _is_open(viewer, session, before)):
        return before
    if len(prints_of(session, viewer.owner_id)) >= MOST_PRINTS:
        raise InvalidError("print", f"{MOST_PRINTS} prints are kept: delete one that you need no more.")
    if count_of(session, Print, viewer.owner_id) >= MOST_WITH_DELETED:
        raise InvalidError("print", "You deleted many today, which are kept until tomorrow: make more then.")
    made = add_once(session, wanted)
    made.job_id = ask_for(viewer, session, KIND, Task({"print_id": made.id})).id
    return made


@open_play("Making cards and books")
def new_print(
    viewer: Viewer, session: Session, kind: str, asked: Mapping[str, Any], key: UUID | None = None
) -> Print:
    """Return a print that is not made yet, with the digest of everything that its pages depend on."""
    maker = MAKERS[kind]
    told = json.dumps([kind, asked, maker.inputs(viewer, session, asked)], sort_keys=True)
    made = Print(golfer_id=viewer.owner_id, key=key, kind=kind, asked=dict(asked))
    made.digest = sha256(told.encode()).hexdigest()
    made.title = maker.title(viewer, session, asked)
    return made


@own_data
def list_prints(viewer: Viewer, session: Session) -> Sequence[Print]:
    """Return the golfer's prints, newest first."""
    return prints_of(session, viewer.owner_id)


@own_data
def carried(viewer: Viewer, session: Session, print_id: int) -> Carried:
    """Return a print of the golfer's own; raises NotFoundError for none of that number."""
    found = find_entry(viewer, session, Print, print_id, MISSING)
    pages = tuple((one["title"], one["drawing"]) for one in found.pages)
    job = find_job(viewer, session, found.job_id) if found.job_id and not found.made_at else None
    return Carried(found.id, found.kind, found.title, pages, job)


@own_data
def print_of_job(viewer: Viewer, session: Session, job_id: int) -> Print:
    """Return what a job makes or made; raises NotFoundError for a job that makes no print."""
    return find_entry(viewer, session, Print, made_for(viewer, session, job_id, "print_id"), MISSING)


@own_data
def print_file(viewer: Viewer, session: Session, print_id: int, kind: str, number: int) -> bytes:
    """Return a print as a file: all of it as ``pdf``, or one page as ``svg`` or ``png``.

    Raises
    ------
    NotFoundError
        For none of that number, and for one that is not made.
    """
    found = find_entry(viewer, session, Print, print_id, MISSING)
    if found.document is None:
        raise NotFoundError("That is not made yet.")
    if kind == "pdf":
        return found.document
    if not 1 <= number <= len(found.pages):
        raise NotFoundError("There is no such page.")
    return found.pages[number - 1]["drawing"].encode() if kind == "svg" else found.pictures[number - 1]


@own_data
def delete_print(viewer: Viewer, session: Session, print_id: int) -> None:
    """Delete a print, with a way back; raises as `delete_entry` does."""
    delete_entry(viewer, session, Print, print_id, MISSING)


@own_data
def restore_print(viewer: Viewer, session: Session, print_id: int) -> None:
    """Bring a deleted print back; raises as `restore_entry` does."""
    restore_entry(viewer, session, Print, print_id)


def _is_open(viewer: Viewer, session: Session, one: Print) -> bool:
    return one.job_id is not None and find_job(viewer, session, one.job_id).is_open

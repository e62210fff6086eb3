"""Everything that is kept of a golfer, as one archive; and in again, whole or not at all."""

import json
from collections.abc import Generator, Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from tempfile import TemporaryFile
from typing import Any, Final, NamedTuple
from uuid import UUID

from sqlalchemy import Table
from sqlalchemy.orm import Session

from orthocline.db.account.queries import golfer_by_id
from orthocline.db.carry.archive import (
    ARCHIVED,
    NAMED,
    REFUSED,
    Numbers,
    count_of_rows,
    natural,
    referred,
    rows_of,
    same_named,
    schema_version,
    take_chart_number,
    there,
)
from orthocline.db.copying import copy_rows
from orthocline.db.entries import one_at_a_time
from orthocline.formats.archive_file import (
    LARGEST_BYTES,
    Archive,
    ArchiveError,
    GolferPart,
    file_name,
    written,
)
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.carry.archive_rows import line_of, rows_in
from orthocline.services.errors import DomainError
from orthocline.services.jobs.files import file_bytes, given_file, keep_file, let_go
from orthocline.services.jobs.task import Made, Task
from orthocline.wording.dates import is_zone

Row = dict[str, Any]
OUT: Final = "Taking an archive along, which holds what was read and measured,"
IN: Final = "Bringing in an archive, which holds what was read and measured,"
TOO_LARGE: Final = f"An archive has at most {LARGEST_BYTES // 1_000_000} MB."
OTHER_VERSION: Final = (
    "This archive was made by another version of this program than runs here: bring both to the same one,"
    " and take it along again."
)
NOTHING_KEPT: Final = "Nothing was brought in."
CLASHES: Final = {
    "uq_training_sessions_open": "it goes on, and another session of training goes on here: end one of them.",
    "uq_drill_runs_open": "it goes on, and another drill goes on here: end one of them.",
    "uq_practice_plans_open": "it goes on, and another practice goes on here: end one of them.",
    "uq_green_charts_green_id_number": "a green of that name is charted here too: delete one of the charts.",
    "uq_read_corrections_golfer_id_method_breaks": "such reads are corrected here too: switch one off.",
}
"""Where what is brought in and what is here cannot both be, by the rule that says so."""


class Brought(NamedTuple):
    """What an archive brings: whose it is, how many rows are new, and how many are there."""

    golfer: str
    new: int
    there: int


@open_play(OUT)
def archive_size(viewer: Viewer, session: Session, _task: Task) -> int:
    """Return how many rows an archive has."""
    return count_of_rows(session, viewer.owner_id)


@open_play(OUT)
def archived(viewer: Viewer, session: Session, _task: Task) -> Generator[Made]:
    """Make the archive, piece by piece: a log may be long."""
    golfer = viewer.owner
    told = GolferPart(name=golfer.name, signed_up=golfer.created_at, time_zone=golfer.time_zone)
    tables = {name: _lines(session, golfer.id, table) for name, table in ARCHIVED.items()}
    for piece in written(told, schema_version(session), datetime.now(UTC), tables):
        yield Made(piece.content, piece.rows)


def _lines(session: Session, golfer_id: int, table: Table) -> Iterator[bytes]:
    return (line_of(table, row) for row in rows_of(session, golfer_id, table))


@open_play(IN)
def give_archive(
    viewer: Viewer, session: Session, name: str, pieces: Iterator[bytes], key: UUID | None = None
) -> Task:
    """Keep an archive for a day, and return what a job is asked; raises InvalidError where too large."""
    return Task({}, keep_file(viewer, session, name, pieces, LARGEST_BYTES, TOO_LARGE, key).id)


@open_play(IN)
def brought_size(viewer: Viewer, session: Session, task: Task) -> int:
    """Return how large the file is [bytes]; raises NotFoundError where it is gone."""
    return given_file(viewer, session, task).size


@open_play(IN)
def looked_through(viewer: Viewer, session: Session, task: Task) -> Generator[Made]:
    """Look an archive through: yield how far that is, and at last what it brings.

    Raises
    ------
    DomainError
        For a file that is no archive, or whose lines are not all right; it says which.
    """
    size, read = given_file(viewer, session, task).size, 0
    fresh = known = 0
    with _opened(viewer, session, task) as archive:
        rows = sum(told.rows for told in archive.manifest.tables.values())
        for name, table in ARCHIVED.items():
            here = there(session, viewer.owner_id, table)
            for batch in rows_in(archive, name):
                old = sum(_told_apart(table, row) in here for _, row in batch)
                fresh, known, read = fresh + len(batch) - old, known + old, read + len(batch)
                yield Made(b"", min(size * read // max(rows, 1), size - 1))
        brings = Brought(archive.manifest.golfer.name, fresh, known)
    yield Made(json.dumps(brings._asdict()).encode(), size)


def brought_of(result: bytes) -> Brought:
    """Return what an archive brought, as a job has written it."""
    return Brought(**json.loads(result))


@open_play(IN)
def bring_in(viewer: Viewer, session: Session, task: Task) -> None:
    """Bring in all of an archive that is not here yet, and let its file go; what is here stays as it is.

    Raises
    ------
    DomainError
        Where a line cannot be kept; then nothing is.
    """
    one_at_a_time(session, viewer.owner_id)
    with _opened(viewer, session, task) as archive:
        numbers = Numbers(session, viewer.owner_id)
        for name in ARCHIVED:
            _Taking(viewer.owner_id, session, numbers, name).take(archive)
        _take_golfer(session, viewer.owner_id, archive.manifest.golfer)
    let_go(viewer, session, task)


@contextmanager
def _opened(viewer: Viewer, session: Session, task: Task) -> Iterator[Archive]:
    """Open an archive; what is wrong with it is told to the golfer."""
    with TemporaryFile() as held:
        for piece in file_bytes(viewer, session, task):
            held.write(piece)
        held.seek(0)
        try:
            archive = Archive(held, ARCHIVED)
            if archive.manifest.schema_version != schema_version(session):
                raise DomainError(OTHER_VERSION)
            yield archive
        except ArchiveError as error:
            raise DomainError(f"{error} {NOTHING_KEPT}") from error


def _take_golfer(session: Session, golfer_id: int, told: GolferPart) -> None:
    """Take over since when there is an account, and by whose clock it lives if nobody has said so here."""
    golfer = golfer_by_id(session, golfer_id)
    assert golfer is not None, "who brings it in is there"
    if golfer.time_zone is None and is_zone(told.time_zone or ""):
        golfer.time_zone = told.time_zone
    golfer.created_at = min(golfer.created_at, told.signed_up)


def _told_apart(table: Table, row: Row) -> tuple[Any, ...]:
    return tuple(row[name] for name in natural(table))


class _Taking:
    """One table of an archive on its way in."""

    def __init__(self, golfer_id: int, session: Session, numbers: Numbers, name: str) -> None:
        self.golfer_id, self.session, self.numbers = golfer_id, session, numbers
        self.name, self.table = name, ARCHIVED[name]
        self.refers = {
            column.name: target for column in self.table.columns if (target := referred(column)) is not None
        }

    def take(self, archive: Archive) -> None:
        """Add what is not here yet; raises ArchiveError for a line that cannot be kept."""
        here = there(self.session, self.golfer_id, self.table)
        for batch in rows_in(archive, self.name):
            fresh = [(number, row) for number, row in batch if _told_apart(self.table, row) not in here]
            here |= {_told_apart(self.table, row) for _, row in batch}
            numbered = [(number, self._numbered(number, row)) for number, row in fresh]
            if self.name in NAMED:
                numbered = [one for one in numbered if not self._is_here(one[1])]
            self._add(numbered)
        self.numbers.forget(self.table)

    def _numbered(self, line: int, row: Row) -> Row:
        """Return a row with the numbers of what it refers to."""
        told = {"golfer_id": self.golfer_id, **row}
        for name, target in self.refers.items():
            if row[name] is not None:
                told[name] = self.numbers.of(target, row[name])
                if told[name] is None:
                    raise ArchiveError(
                        f"{file_name(self.name)}, line {line}: {name} names nothing that is there."
                    )
        return told

    def _is_here(self, row: Row) -> bool:
        """Return whether there is a course or a green of that name, which then stands for the archive's."""
        number = same_named(self.session, self.golfer_id, self.table, row)
        if number is None:
            return False
        self.numbers.alias(self.table, row["key"], number)
        if row.get("chart_number"):
            take_chart_number(self.session, number, row["chart_number"])
        return True

    def _add(self, numbered: list[tuple[int, Row]]) -> None:
        """Add rows at once; where that cannot be, one after another, to say which of them it is."""
        try:
            with self.session.begin_nested():
                copy_rows(self.session, self.table, [row for _, row in numbered])
        except REFUSED:
            for line, row in numbered:
                try:
                    with self.session.begin_nested():
                        copy_rows(self.session, self.table, [row])
                except REFUSED as error:
                    raise ArchiveError(f"{file_name(self.name)}, line {line}: {_clash(error)}") from error


def _clash(error: Exception) -> str:
    """Return in words why a row cannot be kept beside what is here."""
    rule = getattr(getattr(error, "diag", None), "constraint_name", None) or ""
    if rule in CLASHES:
        return CLASHES[rule]
    return f"it does not fit what a row may be ({rule})." if rule else "it does not fit what a row may be."

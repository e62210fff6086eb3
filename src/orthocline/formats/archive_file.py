"""An account as one file: a zip with JSON Lines for each table, and a manifest of what must be there."""

import hashlib
import zipfile
import zlib
from collections.abc import Callable, Collection, Iterable, Iterator, Mapping
from datetime import datetime
from typing import IO, Annotated, Final, Literal, NamedTuple, TypeVar

from pydantic import AwareDatetime, Field, ValidationError

from orthocline.formats.part import Part

KIND: Final = "orthocline account"
MANIFEST: Final = "manifest.json"
LARGEST_BYTES: Final = 200_000_000
"""No archive is larger [bytes]."""
LARGEST_UNPACKED: Final = 1_000_000_000
LARGEST_MANIFEST: Final = 1_000_000
LONGEST_LINE: Final = 50_000_000
LONGEST_NAME: Final = 80
SINK_BYTES: Final = 65_536
PACKED: Final = (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED)
ENCRYPTED: Final = 0x1
DAMAGED: Final = (zipfile.BadZipFile, zlib.error, EOFError, NotImplementedError, OSError)
NO_WORDS: Final = b"\\u0000"
"""What no text of the database can hold, as JSON has it."""
Opened = TypeVar("Opened")
Digest = Annotated[str, Field(pattern="^[0-9a-f]{64}$")]


class ArchiveError(ValueError):
    """A file is no archive, is damaged, or holds what it should not; the message says where."""


class TablePart(Part):
    """What a table of an archive must hold."""

    rows: Annotated[int, Field(ge=0)]
    sha256: Digest


class GolferPart(Part):
    """Whose archive it is: no password, and nothing that signs in."""

    name: Annotated[str, Field(max_length=LONGEST_NAME)]
    signed_up: AwareDatetime
    time_zone: Annotated[str, Field(max_length=LONGEST_NAME)] | None


class Manifest(Part):
    """What an archive is, and what must be in it. `schema_version` names the state of the tables."""

    kind: Literal["orthocline account"]
    version: Literal[1]
    schema_version: str
    made_at: AwareDatetime
    golfer: GolferPart
    tables: dict[str, TablePart]


class Written(NamedTuple):
    """A piece of an archive as it is written, perhaps empty, and how many rows are in it so far."""

    content: bytes
    rows: int


class _Sink:
    """What a zip is written into, to be taken out piece by piece."""

    def __init__(self) -> None:
        self.held: list[bytes] = []
        self.length = 0

    def write(self, piece: bytes) -> int:
        self.held.append(bytes(piece))
        self.length += len(piece)
        return len(piece)

    def flush(self) -> None:
        """Nothing waits."""

    def close(self) -> None:
        """Nothing is to be closed."""

    def taken(self) -> bytes:
        whole, self.held, self.length = b"".join(self.held), [], 0
        return whole


def file_name(table: str) -> str:
    """Return what the file of a table is called."""
    return f"{table}.jsonl"


def written(
    golfer: GolferPart, schema: str, made_at: datetime, tables: Mapping[str, Iterable[bytes]]
) -> Iterator[Written]:
    """Write an archive piece by piece, however long it is.

    Parameters
    ----------
    golfer : GolferPart
    schema : str
        The state of the tables.
    made_at : datetime
    tables : mapping of str to iterable of bytes
        The rows of each table, each a line of JSON without its end.
    """
    sink, told, count = _Sink(), {}, 0
    with zipfile.ZipFile(sink, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, rows in tables.items():
            digest, before = hashlib.sha256(), count
            with archive.open(file_name(name), "w", force_zip64=True) as member:
                for row in rows:
                    line = row + b"\n"
                    digest.update(line)
                    member.write(line)
                    count += 1
                    if sink.length >= SINK_BYTES:
                        yield Written(sink.taken(), count)
            told[name] = TablePart(rows=count - before, sha256=digest.hexdigest())
            yield Written(sink.taken(), count)
        manifest = Manifest(
            kind=KIND, version=1, schema_version=schema, made_at=made_at, golfer=golfer, tables=told
        )
        archive.writestr(MANIFEST, manifest.model_dump_json(indent=1))
    yield Written(sink.taken(), count)


class Archive:
    """An archive that is read: what it says of itself, and its rows, checked as they come."""

    def __init__(self, file: IO[bytes], tables: Collection[str]) -> None:
        """Open one that has these tables, or fewer.

        Raises
        ------
        ArchiveError
            For a file that is none, or none of this program's, or larger unpacked than any is.
        """
        self._file = _told(lambda: zipfile.ZipFile(file), "This file is no archive of an account")
        members = self._file.infolist()
        names = [one.filename for one in members]
        if MANIFEST not in names:
            raise ArchiveError(f"This file is no archive of an account: it has no {MANIFEST}.")
        if sum(one.file_size for one in members) > LARGEST_UNPACKED:
            raise ArchiveError("This archive would be larger, unpacked, than any account is.")
        if any(one.compress_type not in PACKED or one.flag_bits & ENCRYPTED for one in members):
            raise ArchiveError("This archive is packed in a way that this program does not write.")
        self.manifest = self._manifest()
        unknown = sorted(set(self.manifest.tables) - set(tables))
        if unknown:
            raise ArchiveError(f"{MANIFEST}: there is no table {unknown[0][:60]!r}.")
        if sorted(names) != sorted([MANIFEST, *map(file_name, self.manifest.tables)]):
            raise ArchiveError(f"{MANIFEST}: the archive holds other files than it says.")

    def _manifest(self) -> Manifest:
        if self._file.getinfo(MANIFEST).file_size > LARGEST_MANIFEST:
            raise ArchiveError(f"{MANIFEST}: it is longer than any is.")
        text = _told(lambda: self._file.read(MANIFEST), f"{MANIFEST}: it is damaged")
        try:
            return Manifest.model_validate_json(text)
        except ValidationError as error:
            raise ArchiveError(f"{MANIFEST}: {first_of(error)}") from error

    def lines(self, table: str) -> Iterator[tuple[int, bytes]]:
        """Yield the lines of a table with their numbers, from 1; of one that it has not none.

        Raises
        ------
        ArchiveError
            For a table that is damaged, longer or shorter than the manifest says, or other than it was.
        """
        told = self.manifest.tables.get(table)
        if told is None:
            return
        name, digest, number = file_name(table), hashlib.sha256(), 0
        damaged = f"{name}: it is damaged"
        with _told(lambda: self._file.open(name), damaged) as member:
            while line := _told(lambda: member.readline(LONGEST_LINE + 1), damaged):
                number += 1
                if len(line) > LONGEST_LINE:
                    raise ArchiveError(f"{name}, line {number}: it is longer than any is.")
                if NO_WORDS in line:
                    raise ArchiveError(f"{name}, line {number}: it holds a sign that no text has.")
                digest.update(line)
                yield number, line
        if number != told.rows or digest.hexdigest() != told.sha256:
            raise ArchiveError(f"{name}: it is not as it was written: it was damaged, or changed.")


def first_of(error: ValidationError) -> str:
    """Return the first thing that is wrong, and where."""
    first = error.errors(include_url=False, include_input=False)[0]
    where = ".".join(map(str, first["loc"]))
    return f"{where}: {first['msg']}." if where else f"{first['msg']}."


def _told(deed: Callable[[], Opened], words: str) -> Opened:
    """Do something with a zip; what is wrong with it is said."""
    try:
        return deed()
    except DAMAGED as error:
        raise ArchiveError(f"{words}.") from error

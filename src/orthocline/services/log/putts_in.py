"""Putts from a file: tried line by line, and only when all lines are right kept, all at once."""

import json
import math
from collections.abc import Generator, Iterable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime
from itertools import chain
from tempfile import TemporaryFile
from typing import IO, Any, Final
from uuid import UUID, uuid5

from sqlalchemy.orm import Session

from orthocline.db.entries import add_once, one_at_a_time
from orthocline.db.ground.queries import kept_course, kept_green
from orthocline.db.log.adding import add_putts, keys_of
from orthocline.db.log.models import Outing
from orthocline.formats.putt_files import (
    LARGEST_BYTES,
    FileRefusedError,
    Parsed,
    is_json_lines,
    parsed_lines,
)
from orthocline.formats.putt_line import LineError, PuttLine
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.errors import DomainError, InvalidError
from orthocline.services.jobs.files import called, file_bytes, given_file, keep_file, let_go
from orthocline.services.jobs.task import Made, Task
from orthocline.services.log.entries import METHODS
from orthocline.services.log.outings import SOON
from orthocline.services.text import tidy_text

LINES: Final = UUID("6b0de2f0-5f0e-4c6e-9f0c-3a2f5f1d7c11")
"""Names of putts, rounds and visits in files become keys under it."""
SIDES: Final = {"left": -1, "on": 0, "straight": 0, "right": 1}
TOO_LARGE: Final = f"A file of putts has at most {LARGEST_BYTES // 1_000_000} MB: part it."
SAID_EVERY: Final = 500


@dataclass(frozen=True)
class Tried:
    """What a line of a file would do: ``new``, ``there`` (already in the log) or ``wrong``.

    Attributes
    ----------
    putt : dict
        What the line says, as far as it is needed to say it; empty for one that is wrong.
    column, message : str
        What is wrong with it.
    """

    number: int
    does: str
    putt: dict[str, Any]
    column: str = ""
    message: str = ""


@dataclass(frozen=True)
class Trial:
    """What a file would do."""

    name: str
    lines: tuple[Tried, ...]

    def those(self, does: str) -> list[Tried]:
        """Return the lines that would do something."""
        return [one for one in self.lines if one.does == does]

    @property
    def right(self) -> bool:
        """Whether every line is right, and one at least is new."""
        return not self.those("wrong") and bool(self.those("new"))


@own_data
def give_putts(
    viewer: Viewer, session: Session, name: str, pieces: Iterator[bytes], key: UUID | None = None
) -> Task:
    """Keep a file of putts for a day, and return what a job is asked of it.

    Raises
    ------
    InvalidError
        For one that is empty or too large; nothing is kept of it.
    """
    first = next(pieces, b"")
    if not first.strip():
        raise InvalidError("file", "This file is empty.")
    file = keep_file(viewer, session, name, chain([first], pieces), LARGEST_BYTES, TOO_LARGE, key)
    return Task({"json_lines": is_json_lines(called(name), first)}, file.id)


@own_data
def trial_size(viewer: Viewer, session: Session, task: Task) -> int:
    """Return how large the file is [bytes]; raises NotFoundError where it is gone."""
    return given_file(viewer, session, task).size


@own_data
def tried(viewer: Viewer, session: Session, task: Task) -> Generator[Made]:
    """Try a file in the background: yield how far that is, and at last what each line would do.

    Raises
    ------
    DomainError
        For a file that is none of putts; it says why.
    """
    file, lines = given_file(viewer, session, task), []
    with _read(viewer, session, task) as (held, batches):
        for batch in batches:
            lines += [vars(one) for one, _ in batch]
            yield Made(b"", min(held.tell(), file.size - 1))
    yield Made(json.dumps({"name": file.name, "lines": lines}).encode(), file.size)


def trial_of(result: bytes) -> Trial:
    """Return what a file would do, as a job has written it."""
    told = json.loads(result)
    return Trial(told["name"], tuple(Tried(**one) for one in told["lines"]))


@own_data
def nothing_made(_viewer: Viewer, _session: Session, _task: Task) -> Generator[Made]:
    """Make nothing: what is kept is kept as the job is done."""
    yield from ()


@own_data
def keep_putts(viewer: Viewer, session: Session, task: Task) -> None:
    """Keep the putts of a file, all that are not in the log yet, and let it go.

    Raises
    ------
    DomainError
        For a file with a line that is wrong: then nothing is kept.
    """
    one_at_a_time(session, viewer.owner_id)
    kept = _Kept(viewer, session)
    with _read(viewer, session, task) as (_, batches):
        for batch in batches:
            wrong = next((one for one, _ in batch if one.does == "wrong"), None)
            if wrong:
                column = f", {wrong.column}" if wrong.column else ""
                raise DomainError(f"Line {wrong.number}{column}: {wrong.message}. Nothing was kept.")
            add_putts(session, [kept.row(line) for one, line in batch if one.does == "new" and line])
    let_go(viewer, session, task)


Batch = list[tuple[Tried, "Line | None"]]


@dataclass(frozen=True)
class Line:
    """A right line with the keys that follow from it."""

    putt: PuttLine
    key: UUID
    visit: UUID
    outing: UUID | None


@contextmanager
def _read(viewer: Viewer, session: Session, task: Task) -> Iterator[tuple[IO[bytes], Iterator[Batch]]]:
    """Read a file in batches of lines, each with what it would do; raises DomainError for one of no putts."""
    with TemporaryFile() as held:
        for piece in file_bytes(viewer, session, task):
            held.write(piece)
        held.seek(0)
        try:
            parsed = parsed_lines(held, json_lines=bool(task.asked.get("json_lines")))
            yield held, _batches(viewer, session, parsed)
        except FileRefusedError as error:
            raise DomainError(str(error)) from error


def _batches(viewer: Viewer, session: Session, parsed: Iterable[Parsed]) -> Iterator[Batch]:
    lines, batch = _Lines(), []
    for one in parsed:
        batch.append(lines.take(one))
        if len(batch) == SAID_EVERY:
            yield _known(viewer, session, batch)
            batch = []
    if batch:
        yield _known(viewer, session, batch)


def _known(viewer: Viewer, session: Session, batch: Batch) -> Batch:
    """Return a batch in which the lines are marked that are in the log already."""
    there = keys_of(session, viewer.owner_id, [line.key for _, line in batch if line])
    return [
        (Tried(one.number, "there", one.putt), line) if line and line.key in there else (one, line)
        for one, line in batch
    ]


class _Lines:
    """The lines of a file as they come: what they are called, and whether they agree with those before."""

    def __init__(self) -> None:
        self.latest = datetime.now(UTC) + SOON
        self.same: dict[str, int] = {}
        self.keys: dict[UUID, int] = {}
        self.outings: dict[str, tuple[str, str]] = {}
        self.turns: dict[tuple[UUID, int], int] = {}
        self.visit: UUID | None = None

    def take(self, parsed: Parsed) -> tuple[Tried, Line | None]:
        """Return what a line would do, if it is not in the log yet."""
        if parsed.error is not None or parsed.putt is None:
            error = parsed.error or LineError("", "is no putt")
            return Tried(parsed.number, "wrong", {}, error.column, error.message), None
        try:
            line = self._line(parsed.putt, parsed.number)
        except LineError as error:
            return Tried(parsed.number, "wrong", {}, error.column, error.message), None
        return Tried(parsed.number, "new", _told(parsed.putt)), line

    def _line(self, putt: PuttLine, number: int) -> Line:
        if putt.at > self.latest:
            raise LineError("at", "is a time to come")
        if putt.method and putt.method not in METHODS:
            raise LineError("method", f"must be one of {', '.join(METHODS)}")
        self._agree(putt)
        key = self._key(putt)
        if key in self.keys:
            raise LineError("id", f"stands on line {self.keys[key]} already")
        visit = self._visit(putt, key)
        turn = visit, putt.number
        if turn in self.turns:
            where = f"hole {putt.hole}" if putt.hole else "this green"
            raise LineError(
                "number", f"{where} has its putt {putt.number} on line {self.turns[turn]} already"
            )
        self.keys[key] = self.turns[turn] = number
        return Line(putt, key, visit, _named(putt.outing) if putt.outing else None)

    def _agree(self, putt: PuttLine) -> None:
        """Refuse a round that is told of in two ways."""
        if not putt.outing:
            if putt.hole is not None or putt.kind or putt.round_holes:
                raise LineError("outing", "is missing: name the round that this putt is of")
            return
        if not putt.kind:
            raise LineError("kind", "is missing: round or practice")
        told = self.outings.setdefault(putt.outing, (putt.kind, putt.course))
        if told != (putt.kind, putt.course):
            raise LineError("outing", f"was a {told[0]} at {told[1] or 'no course'} on a line before")

    def _key(self, putt: PuttLine) -> UUID:
        if putt.id:
            return _named(putt.id)
        text = putt.model_dump_json(exclude_unset=True)
        self.same[text] = self.same.get(text, 0) + 1
        return uuid5(LINES, f"{text} {self.same[text]}")

    def _visit(self, putt: PuttLine, key: UUID) -> UUID:
        """Return the visit: as named, by round and hole, or that of the line before for a later putt."""
        if putt.visit:
            self.visit = _named(putt.visit)
        elif putt.outing and putt.hole is not None:
            self.visit = uuid5(LINES, f"{putt.outing}, hole {putt.hole}")
        elif putt.number == 1 or self.visit is None:
            self.visit = uuid5(key, "visit")
        return self.visit


def _named(label: str) -> UUID:
    try:
        return UUID(label)
    except ValueError:
        return uuid5(LINES, label)


def _told(putt: PuttLine) -> dict[str, Any]:
    """Return what is said of a line on the page."""
    return {
        "at": putt.at.isoformat(),
        "place": ", ".join(name for name in (putt.course, putt.green) if name),
        "kind": putt.kind,
        "hole": putt.hole,
        "number": putt.number,
        "length_m": putt.length_m,
        "holed": putt.result,
        "along_m": putt.finish_along_m,
        "right_m": putt.finish_right_m,
    }


class _Kept:
    """Rows of the log from lines: courses, greens and rounds are found or made once."""

    def __init__(self, viewer: Viewer, session: Session) -> None:
        self.golfer_id, self.session = viewer.owner_id, session
        self.places: dict[tuple[str, str], tuple[int | None, int | None]] = {}
        self.outings: dict[UUID, int] = {}

    def row(self, line: Line) -> dict[str, Any]:
        """Return the columns of a putt."""
        putt = line.putt
        course_id, green_id = self._place(tidy_text(putt.course), tidy_text(putt.green))
        start = putt.start_right_deg
        return {
            "golfer_id": self.golfer_id,
            "key": line.key,
            "created_at": putt.at,
            "outing_id": self._outing(line) if line.outing else None,
            "course_id": course_id,
            "green_id": green_id,
            "hole": putt.hole,
            "number": putt.number,
            "visit": line.visit,
            "length_m": putt.length_m,
            "breaks_right": SIDES.get(putt.breaks),
            "green_speed_ft": putt.green_speed_ft,
            "past_m": putt.past_m,
            "read_aim_right_m": putt.read_aim_right_m,
            "own_aim_right_m": putt.aim_right_m,
            "corrected_by": putt.corrected_by,
            "impression_right_m": putt.impression_right_m,
            "own_school": putt.own_school or None,
            "own_figures": putt.own_figures,
            "method": putt.method or None,
            "by_device": putt.device,
            "holed": putt.result,
            "finish_along_m": putt.finish_along_m,
            "finish_across_m": putt.finish_right_m,
            "started_right": SIDES.get(putt.seen_start),
            "passed_right": SIDES.get(putt.seen_passed),
            "gate_touched": {"touched": True, "clear": False}.get(putt.seen_gate),
            "struck_centre": {"middle": True, "off": False}.get(putt.seen_strike),
            "start_right_rad": None if start is None else math.radians(start),
            "read_was_right": putt.after_read,
            "line_was_right": putt.after_line,
            "pace_was_right": putt.after_pace,
            "committed": putt.after_committed,
            "note": tidy_text(putt.note),
            "putt_document": putt.putt,
        }

    def _place(self, course: str, green: str) -> tuple[int | None, int | None]:
        course, green = (course, green) if course else (green, "")
        if (course, green) not in self.places:
            kept = kept_course(self.session, self.golfer_id, course) if course else None
            on = kept_green(self.session, kept, green) if kept and green else None
            self.places[course, green] = kept.id if kept else None, on.id if on else None
        return self.places[course, green]

    def _outing(self, line: Line) -> int:
        """Return the number of a line's round or practice, made by its first line."""
        assert line.outing is not None
        if line.outing not in self.outings:
            self.outings[line.outing] = self._new_outing(line, line.outing)
        return self.outings[line.outing]

    def _new_outing(self, line: Line, key: UUID) -> int:
        putt = line.putt
        course_id, _ = self._place(tidy_text(putt.course), "")
        outing = Outing(
            golfer_id=self.golfer_id,
            key=key,
            kind=putt.kind,
            course_id=course_id,
            begun_at=putt.outing_begun or putt.at,
            ended_at=putt.at,
            holes=putt.round_holes,
        )
        return add_once(self.session, outing).id

"""A file of a green that a golfer gives: kept for a day, read in the background, taken up when right."""

import json
import math
import os
from collections.abc import Generator, Iterator, Mapping
from dataclasses import dataclass
from itertools import chain
from tempfile import TemporaryFile
from typing import Any, Final
from uuid import UUID

from pydantic import BaseModel, ConfigDict, ValidationError
from sqlalchemy.orm import Session

from orthocline.core.chart import Chart, Facts, Overview, Wanted
from orthocline.core.units import wrap_rad
from orthocline.formats.chart_document import chart_of
from orthocline.formats.green_files.registry import FORMATS, GreenFormat, read_format
from orthocline.formats.green_files.source import DEGREES, FIRST, UNITS, FileError, Said
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.errors import DomainError, InvalidError
from orthocline.services.ground.charts import ROOM, find_green, keep_chart, require_names
from orthocline.services.ground.green_files import Understood, understand
from orthocline.services.ground.places import Place
from orthocline.services.jobs.files import called, file_bytes, given_file, keep_file, let_go
from orthocline.services.jobs.task import Made, Task

READ_SHARE: Final = 0.9
"""The share of the work after which a file is read."""


class Asked(BaseModel):
    """What is asked of a file that is given: what is said of it, and where the green lies.

    Attributes
    ----------
    kind : str
        Its format.
    green_id : int or None
        The green that it is of; None for the one that `course` and `green` name.
    up_deg : float or None
        The way play comes in, clockwise from north.
    """

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    kind: str
    course: str = ""
    green: str = ""
    green_id: int | None = None
    system: str = ""
    unit: str = ""
    height_unit: str = ""
    first: str = ""
    middle: tuple[float, float] | None = None
    up_deg: float | None = None
    deep_m: float | None = None
    wide_m: float | None = None

    @property
    def said(self) -> Said:
        """What is said of the file itself."""
        return Said(self.system, self.unit, self.height_unit, self.first, self.middle)

    @property
    def wanted(self) -> Wanted:
        """Where the green lies."""
        up = None if self.up_deg is None else wrap_rad(math.radians(self.up_deg))
        return Wanted(up, self.middle, self.deep_m, self.wide_m)


@dataclass(frozen=True)
class GivenGreen:
    """A file that was understood, as it is looked at."""

    name: str
    asked: Asked
    understood: Understood


@open_play(ROOM)
def give_file(
    viewer: Viewer,
    session: Session,
    name: str,
    pieces: Iterator[bytes],
    told: Mapping[str, Any],
    key: UUID | None = None,
) -> tuple[int, str]:
    """Keep a file for a day; return its number and its format. The same `key` again is the same file.

    Raises
    ------
    InvalidError
        For a file of no known kind, too large, or empty, or of a green without a name; nothing is kept of it.
    """
    if told.get("green_id") is None:
        require_names(told.get("course", ""), told.get("green", ""))
    first = next(pieces, b"")
    kind = _kind(called(name), first)
    whole = chain([first], pieces)
    file = keep_file(viewer, session, name, whole, kind.largest_bytes, kind.too_large, key)
    return file.id, kind.name


def _kind(name: str, first: bytes) -> GreenFormat:
    """Return the format of a file; raises InvalidError for one that is not read."""
    if not first:
        raise InvalidError("file", "This file is empty.")
    try:
        return read_format(name, first)
    except FileError as error:
        raise InvalidError("file", str(error)) from error


@open_play(ROOM)
def import_size(viewer: Viewer, session: Session, task: Task) -> int:
    """Return how large the file is that is to be read [bytes]; raises NotFoundError where it is gone."""
    return given_file(viewer, session, task).size


@open_play(ROOM)
def imported(viewer: Viewer, session: Session, task: Task) -> Generator[Made]:
    """Read a file in the background: yield how far that is, and at last what was understood.

    Raises
    ------
    DomainError
        For a file that is not taken; it says why.
    """
    file, asked = given_file(viewer, session, task), Asked.model_validate(task.asked)
    onto = Chart() if asked.green_id is None else find_green(viewer, session, asked.green_id).chart
    # A file without a name: whatever ends this process, nothing of it is left.
    with TemporaryFile() as held:
        for piece in file_bytes(viewer, session, task):
            held.write(piece)
            yield Made(b"", 0)
        held.flush()
        path = f"/proc/{os.getpid()}/fd/{held.fileno()}"
        try:
            for step in understand(path, FORMATS[asked.kind], asked.said, asked.wanted, onto):
                if isinstance(step, Understood):
                    yield Made(json.dumps(step.document).encode(), file.size)
                else:
                    yield Made(b"", int(READ_SHARE * step * file.size))
        except FileError as error:
            raise DomainError(str(error)) from error


@open_play(ROOM)
def given_green(viewer: Viewer, session: Session, task: Task, result: bytes) -> GivenGreen:
    """Return what a job understood of a file; raises NotFoundError where the file is gone."""
    return GivenGreen(
        given_file(viewer, session, task).name, Asked.model_validate(task.asked), _written(result)
    )


def _written(result: bytes) -> Understood:
    """Return what was understood, as a job has written it."""
    document = json.loads(result)
    facts: dict[str, Any] = {
        name: tuple(told) if isinstance(told, list) else told for name, told in document["facts"].items()
    }
    overview = Overview(**document["overview"]) if document["overview"] else None
    middle = tuple(document["middle"]) if document["middle"] else None
    chart = chart_of(document["chart"])
    return Understood(chart, Facts(**facts), overview, middle, document["up_deg"])


@open_play(ROOM)
def import_task(viewer: Viewer, session: Session, file_id: int | None, told: Mapping[str, Any]) -> Task:
    """Return what is asked of a job that reads a file.

    Raises
    ------
    InvalidError
        For an answer that is none.
    NotFoundError
        Where the file is gone.
    """
    return Task(_asked(told), given_file(viewer, session, Task(file_id=file_id)).id)


@open_play(ROOM)
def take_up(
    viewer: Viewer, session: Session, task: Task, result: bytes, change: str, key: UUID | None = None
) -> int:
    """Keep the chart that was understood, let the file go, and return the number of its green.

    The same `key` again keeps nothing more.

    Raises
    ------
    InvalidError
        For a name that is missing or too long.
    """
    asked = Asked.model_validate(task.asked)
    place = Place(asked.course, asked.green)
    where = place if asked.green_id is None else asked.green_id
    number = keep_chart(viewer, session, where, _written(result).chart, change, key)
    let_go(viewer, session, task)
    return number


def _asked(told: Mapping[str, Any]) -> dict[str, Any]:
    """Return what is asked, as a job keeps it; raises InvalidError for an answer that is none."""
    try:
        asked = Asked.model_validate(dict(told))
    except ValidationError as error:
        fault = error.errors(include_url=False, include_input=False)[0]
        raise InvalidError(str(fault["loc"][0]), "That is no figure.") from error
    if asked.unit not in ("", DEGREES, *UNITS) or asked.height_unit not in ("", *UNITS):
        raise InvalidError("unit", "That is no unit that is read here.")
    if asked.first not in ("", *FIRST):
        raise InvalidError("first", "East or north stands first.")
    return asked.model_dump()

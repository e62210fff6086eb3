"""A charted green, written as a file in the background."""

import re
from collections.abc import Generator
from typing import Final

from sqlalchemy.orm import Session

from orthocline.formats.green_files.registry import FORMATS
from orthocline.formats.green_files.source import FileError
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.errors import DomainError, NotFoundError
from orthocline.services.ground.charts import ROOM, find_green
from orthocline.services.ground.green_files import file_of, green_out
from orthocline.services.jobs.task import Made, Task
from orthocline.wording.wording import USUAL_WORDING

STEPS: Final = 2
PLAIN: Final = re.compile(r"[^\w-]+")


@open_play(ROOM)
def export_task(viewer: Viewer, session: Session, green_id: int, kind: str) -> Task:
    """Return what is asked of a job that writes a green; raises NotFoundError for no such green or format."""
    if kind not in FORMATS:
        raise NotFoundError("Files of this kind are not written here.")
    name = find_green(viewer, session, green_id).place.green
    return Task({"green_id": green_id, "kind": kind, "name": name})


@open_play(ROOM)
def export_size(_viewer: Viewer, _session: Session, _task: Task) -> int:
    """Return in how many steps a green is written."""
    return STEPS


@open_play(ROOM)
def exported(viewer: Viewer, session: Session, task: Task) -> Generator[Made]:
    """Write a green: yield how far it is, and the file; raises DomainError for what the green has not."""
    held = find_green(viewer, session, task.asked["green_id"])
    yield Made(b"", 1)
    try:
        green = green_out(held.place.green, held.chart, USUAL_WORDING)
        yield Made(file_of(green, FORMATS[task.asked["kind"]]), STEPS)
    except FileError as error:
        raise DomainError(str(error)) from error


def file_asked(task: Task) -> tuple[str, str]:
    """Return the name and the media type of the file that a job writes."""
    kind = FORMATS[task.asked["kind"]]
    return f"{PLAIN.sub('-', task.asked['name'])}{kind.suffixes[0]}", kind.media_type

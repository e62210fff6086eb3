"""The kinds of work that are done in the background. One more is one more entry."""

from collections.abc import Callable, Generator, Mapping
from dataclasses import dataclass

from sqlalchemy.orm import Session

from orthocline.services.account.access import Viewer
from orthocline.services.carry.archive import archive_size, archived, bring_in, brought_size, looked_through
from orthocline.services.carry.making import make_print, print_size
from orthocline.services.carry.pack import pack_size, packed
from orthocline.services.ground.green_export import export_size, exported, file_asked
from orthocline.services.ground.green_import import import_size, imported
from orthocline.services.ground.studying import keep_study, studied, study_size
from orthocline.services.jobs.task import Made, Task
from orthocline.services.log.learning import putts_to_learn, work_out_habits
from orthocline.services.log.putts_in import keep_putts, nothing_made, trial_size, tried


@dataclass(frozen=True)
class Kind:
    """A kind of work.

    Attributes
    ----------
    size : callable
        Returns how many things are to be done.
    made : callable
        Yields what is made, and how many things are done with that.
    file_of : callable
        Returns the name and the media type of what is made.
    keeps : callable or None
        Writes what is to be kept, all of it in the moment in which the job is done, or nothing.
    long : bool
        Whether it may take hours: one of these is done at a time, and goes on where it was left.
    """

    size: Callable[[Viewer, Session, Task], int]
    made: Callable[[Viewer, Session, Task], Generator[Made]]
    file_of: Callable[[Task], tuple[str, str]]
    keeps: Callable[[Viewer, Session, Task], None] | None = None
    long: bool = False


def _report(_task: Task) -> tuple[str, str]:
    return "orthocline-report.json", "application/json"


KINDS: Mapping[str, Kind] = {
    "archive": Kind(archive_size, archived, lambda _task: ("orthocline-account.zip", "application/zip")),
    "archive_in": Kind(brought_size, looked_through, _report, bring_in),
    "green_export": Kind(export_size, exported, file_asked),
    "habits": Kind(putts_to_learn, nothing_made, _report, work_out_habits),
    "pack": Kind(pack_size, packed, lambda _task: ("orthocline-today.json", "application/json")),
    "print": Kind(print_size, nothing_made, _report, make_print),
    "putts_keep": Kind(trial_size, nothing_made, _report, keep_putts),
    "putts_trial": Kind(trial_size, tried, _report),
    "study": Kind(study_size, studied, _report, keep_study, long=True),
    "green_import": Kind(import_size, imported, lambda _task: ("green.json", "application/json")),
}

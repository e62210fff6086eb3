"""Everything that is kept of a golfer, as one JSON file, made piece by piece: a log may be long."""

import json
from collections.abc import Generator, Iterator, Mapping
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from orthocline.db.account.models import OwnMeasures
from orthocline.db.account.queries import measures_of
from orthocline.db.base import Base
from orthocline.db.carry.models import Print
from orthocline.db.carry.queries import prints_with_pages
from orthocline.db.entries import count_of
from orthocline.db.ground.models import Placed
from orthocline.db.ground.queries import charted_greens, courses_of, scan_document
from orthocline.db.log.habits import corrections_rows
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.log.outings import outings_of
from orthocline.db.log.queries import all_putts
from orthocline.db.speed.models import SpeedNote
from orthocline.db.speed.queries import all_speeds
from orthocline.db.train.queries import all_questions, levels_of, memories_of, sessions_of
from orthocline.db.train.runs import all_plans, all_runs
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.jobs.task import Made, Task

OWN_COLUMNS = ("id", "golfer_id", "key", "deleted_at", "course_id", "green_id", "outing_id", "session_id")
"""Columns that are the program's own: an archive holds all others."""
OF_READS = ("read_aim_right_m", "past_m", "breaks_right", "start_right_rad")
NOTED = (
    *("hole", "number", "method", "by_device", "started_right", "passed_right", "gate_touched"),
    *("struck_centre", "read_was_right", "line_was_right", "pace_was_right", "committed"),
)
WITHHELD = (
    "In Competition reads, speeds, strokes, training and charts of greens are left out."
    " They are here again when it ends."
)


@own_data
def archive_size(viewer: Viewer, session: Session, _task: Task) -> int:
    """Return about how many things an archive has: speeds and putts, those on their way out too."""
    return count_of(session, SpeedNote, viewer.owner_id) + count_of(session, LoggedPutt, viewer.owner_id)


@own_data
def archived(viewer: Viewer, session: Session, _task: Task) -> Generator[Made]:
    """Return the archive as a job makes it."""
    for count, piece in enumerate(archive(viewer, session), start=1):
        yield Made(piece.encode(), count)


@own_data
def archive(viewer: Viewer, session: Session) -> Iterator[str]:
    """Return the archive in pieces, each speed and each putt one of its own.

    In Competition reads and speeds are left out, and the file says so.
    """
    golfer, hidden = viewer.owner, viewer.in_competition
    whole = {
        "version": 1,
        "golfer": golfer.name,
        "signed_up": golfer.created_at.isoformat(),
        "time_zone": golfer.time_zone,
        "measures": _measures_document(measures_of(session, viewer.owner_id), hidden=hidden),
    }
    if hidden:
        whole["withheld"] = WITHHELD
    else:
        whole["corrections"] = [_columns(one) for one in corrections_rows(session, viewer.owner_id)]
    yield f"{json.dumps(whole, indent=1)[:-2]},\n"
    yield from _listed("courses", _course_documents(session, viewer.owner_id, hidden=hidden))
    yield ",\n"
    outings = {one.id: one for one in outings_of(session, viewer.owner_id)}
    yield from _listed("outings", (_outing_document(one) for one in outings.values()))
    yield ",\n"
    yield from _listed("training", iter(()) if hidden else _training_documents(session, viewer.owner_id))
    yield ",\n"
    runs = () if hidden else all_runs(session, viewer.owner_id)
    yield from _listed("drills", (_columns(run) for run in runs))
    yield ",\n"
    plans = () if hidden else all_plans(session, viewer.owner_id)
    yield from _listed("practice_plans", (_columns(plan) for plan in plans))
    yield ",\n"
    carried = prints_with_pages(session, viewer.owner_id)
    yield from _listed("prints", (_print_document(one) for one in carried))
    yield ",\n"
    speeds = () if hidden else all_speeds(session, viewer.owner_id)
    yield from _listed("speeds", (_where(note) | _columns(note) for note in speeds))
    yield ",\n"
    yield from _listed(
        "putts",
        (_putt_document(putt, outings, hidden=hidden) for putt in all_putts(session, viewer.owner_id)),
    )
    yield "\n}\n"


def _listed(name: str, rows: Iterator[dict[str, Any]]) -> Iterator[str]:
    yield f' "{name}": ['
    for i, row in enumerate(rows):
        yield f"{',' if i else ''}\n  {json.dumps(row)}"
    yield "\n ]"


def _measures_document(measures: OwnMeasures | None, *, hidden: bool) -> dict[str, Any] | None:
    if measures is None:
        return None
    told = _columns(measures)
    for name in ("stride_trials", "slope_pairs"):
        told[name] = [_columns(trial) for trial in getattr(measures, name)]
    if hidden:
        return told
    return told | {"stroke_putts": [_columns(trial) for trial in measures.stroke_trials]}


def _columns(row: Base) -> dict[str, Any]:
    """Return a row's columns as JSON data, times as ISO text."""
    names = [column.key for column in row.__table__.columns if column.key not in OWN_COLUMNS]
    values = {name: getattr(row, name) for name in names}
    return {name: v.isoformat() if isinstance(v, datetime) else v for name, v in values.items()}


def _course_documents(session: Session, golfer_id: int, *, hidden: bool) -> Iterator[dict[str, Any]]:
    greens: dict[str, list[dict[str, Any]]] = {course.name: [] for course in courses_of(session, golfer_id)}
    for course, green, charted in charted_greens(session, golfer_id):
        told: dict[str, Any] = {"green": green.name, "character": green.character, "note": green.note}
        if charted and not hidden:
            scan = {"scan": scan_document(session, charted.scan_id)} if charted.scan_id else {}
            told["chart"] = charted.chart | scan
        greens[course.name].append(told)
    for name, told_of in greens.items():
        yield {"course": name, "greens": told_of}


def _training_documents(session: Session, golfer_id: int) -> Iterator[dict[str, Any]]:
    """Yield sessions with their questions, then how far each question has come, and what comes back when."""
    asked: dict[int, list[dict[str, Any]]] = {}
    for row in all_questions(session, golfer_id):
        asked.setdefault(row.session_id, []).append(_columns(row))
    for one in sessions_of(session, golfer_id):
        yield {"session": _columns(one), "questions": asked.get(one.id, [])}
    for level in levels_of(session, golfer_id).values():
        yield {"level": _columns(level)}
    for memory in memories_of(session, golfer_id).values():
        yield {"comes_back": _columns(memory)}


def _print_document(one: Print) -> dict[str, Any]:
    """Return what is carried with its pages, but for the files that are made of them."""
    made_at = one.made_at.isoformat() if one.made_at else None
    return {"kind": one.kind, "title": one.title, "asked": one.asked, "made_at": made_at, "pages": one.pages}


def _where(row: Placed) -> dict[str, str]:
    return dict(zip(("course", "green"), row.names, strict=True))


def _outing_document(outing: Outing) -> dict[str, Any]:
    course = outing.course.name if outing.course else ""
    return {"name": str(outing.key), "course": course} | _columns(outing)


def _putt_document(putt: LoggedPutt, outings: Mapping[int, Outing], *, hidden: bool) -> dict[str, Any]:
    read = {
        "green_speed_ft": putt.green_speed_ft,
        "putt": putt.putt_document,
        "read": putt.read_document,
        "model": putt.model_version,
        "own_aim_right_m": putt.own_aim_right_m,
        "own_school": putt.own_school,
        "own_figures": putt.own_figures,
        "corrected_by": putt.corrected_by,
        "impression_right_m": putt.impression_right_m,
        **{name: getattr(putt, name) for name in OF_READS},
    }
    outing = outings.get(putt.outing_id or 0)
    return {
        "logged_at": putt.created_at.isoformat(),
        **_where(putt),
        "length_m": putt.length_m,
        **({} if hidden else read),
        "note": putt.note,
        "holed": putt.holed,
        "finish_along_m": putt.finish_along_m,
        "finish_across_m": putt.finish_across_m,
        "outing": str(outing.key) if outing else None,
        "visit": str(putt.visit),
        **{name: getattr(putt, name) for name in NOTED},
    }

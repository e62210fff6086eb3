"""Asking for a whole-green study, and how far it is."""

from typing import Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS
from orthocline.core.roll import RANGES
from orthocline.db.entries import one_at_a_time, with_same_key
from orthocline.db.ground.models import Green, GreenStudy
from orthocline.db.ground.queries import studies_of_green
from orthocline.db.jobs.queries import is_open_job
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.errors import DomainError, InvalidError, NotFoundError
from orthocline.services.ground.charts import green_to_change
from orthocline.services.ground.studies import Studied
from orthocline.services.ground.studying import ROOM, plan_of
from orthocline.services.jobs.jobs import Progress, ask_for, find_job, made_for
from orthocline.services.jobs.task import Task

KIND: Final = "study"
MOST_STUDIES: Final = 20
"""So many studies of a green are kept."""
FASTER_FT: Final = 1.0
"""A foot more: how the same holes would play on a faster day."""


@open_play(ROOM)
def ask_study(
    viewer: Viewer,
    session: Session,
    green_id: int,
    speed_ft: float,
    level: str,
    *,
    faster: bool,
    key: UUID | None = None,
) -> int:
    """Ask for a study of a green at a speed, and perhaps at a foot more; return its number.

    The same of the same chart again, or the same `key`, is the same study.

    Raises
    ------
    InvalidError
        For a speed or golfer that there is not, a green without ground, or one study more than are kept.
    NotFoundError
        For a green that the viewer does not keep.
    """
    held = green_to_change(viewer, session, green_id)
    least, most = RANGES.green_speed_ft
    speeds = (speed_ft, speed_ft + FASTER_FT) if faster else (speed_ft,)
    if not least <= speed_ft <= speeds[-1] <= most:
        raise InvalidError("speed", f"Speed must be between {least:g} and {most:g}, the foot more too.")
    if level not in GOLFERS:
        raise InvalidError("level", "There is no such golfer.")
    green = session.get_one(Green, green_id)
    one_at_a_time(session, green.golfer_id)
    asked = GreenStudy(golfer_id=green.golfer_id, key=key, green_id=green_id, mark=held.mark, level=level)
    asked.speeds_ft = list(speeds)
    before = with_same_key(session, asked)
    if before:
        return before.id
    kept = [one for one in studies_of_green(session, green_id) if not one.deleted_at]
    alike = next((one for one in kept if _same(one, asked)), None)
    if alike and (alike.made_at or is_open_job(session, alike.job_id)):
        return alike.id
    if len(kept) >= MOST_STUDIES:
        raise InvalidError("speed", f"{MOST_STUDIES} studies of a green are kept: delete one first.")
    try:
        plan_of(viewer, session, held, asked)
    except DomainError as error:
        raise InvalidError("speed", str(error)) from error
    session.add(asked)
    session.flush()
    asked.job_id = ask_for(viewer, session, KIND, Task({"study_id": asked.id})).id
    return asked.id


@open_play(ROOM)
def progress_of(viewer: Viewer, session: Session, studied: Studied) -> Progress | None:
    """Return how far the work on a study is, to who asked for it; None for others, and once it is gone."""
    if studied.job_id is None or viewer.golfer is None or studied.made_at is not None:
        return None
    try:
        return find_job(viewer, session, studied.job_id)
    except NotFoundError:
        return None


@open_play(ROOM)
def study_of_job(viewer: Viewer, session: Session, job_id: int) -> int:
    """Return the number of the study that a job works out; raises NotFoundError where it makes none."""
    return made_for(viewer, session, job_id, "study_id")


def _same(one: GreenStudy, other: GreenStudy) -> bool:
    told = one.mark, tuple(one.speeds_ft), one.level
    return told == (other.mark, tuple(other.speeds_ft), other.level)

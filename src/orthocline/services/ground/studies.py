"""Whole-green studies that are kept: seen by whoever sees the green, deleted by who keeps it."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from functools import cached_property

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.chart import UNSURE_SD, Known
from orthocline.core.ground import Sense
from orthocline.core.study import Holes
from orthocline.db.entries import purge_deleted, row_of
from orthocline.db.ground.models import GreenStudy as GreenStudy
from orthocline.db.ground.queries import studies_of_green
from orthocline.formats.study_part import StudyPart
from orthocline.services.account.access import NOT_SHARED, Viewer, open_play
from orthocline.services.errors import NotFoundError
from orthocline.services.ground.charts import ChartedGreen, find_green, green_to_change, known_of
from orthocline.services.ground.studying import ROOM
from orthocline.services.undo import UNDO_TIME


@dataclass(frozen=True)
class Studied:
    """A study of a green.

    Attributes
    ----------
    held : ChartedGreen
        The green as it is charted now.
    known : Known or None
        What that makes known.
    part : StudyPart or None
        What was found; None while it is worked out.
    job_id : int or None
        The work on it, until that is swept away.
    is_old : bool
        Whether the chart is another one by now.
    """

    id: int
    held: ChartedGreen
    known: Known | None
    speeds_ft: tuple[float, ...]
    level: str
    made_at: datetime | None
    part: StudyPart | None
    job_id: int | None
    is_old: bool

    @cached_property
    def holes(self) -> Holes | None:
        """How a hole plays at every place; None while it is worked out, or where the ground is gone."""
        if self.part is None or self.known is None:
            return None
        sure = self.known.sds(np.array(self.part.places_m)) <= UNSURE_SD
        return self.part.holes(self.known.outline, sure)


@open_play(ROOM)
def list_studies(viewer: Viewer, session: Session, green_id: int) -> Sequence[GreenStudy]:
    """Return the studies of a green, newest first; raises NotFoundError for one that is not seen."""
    find_green(viewer, session, green_id)
    return [one for one in studies_of_green(session, green_id) if not one.deleted_at]


@open_play(ROOM)
def find_study(viewer: Viewer, session: Session, study_id: int, own: dict[str, Sense]) -> Studied:
    """Return a study of a green that the viewer sees, its ground as their own senses have it.

    Raises
    ------
    NotFoundError
        For another.
    """
    row = _row(session, study_id)
    held = find_green(viewer, session, row.green_id)
    known = known_of(viewer, held.chart, own)
    part = StudyPart.model_validate(row.found) if row.made_at else None
    old = held.mark != row.mark
    return Studied(row.id, held, known, tuple(row.speeds_ft), row.level, row.made_at, part, row.job_id, old)


@open_play(ROOM)
def delete_study(viewer: Viewer, session: Session, study_id: int) -> int:
    """Delete a study, with a way back, and return its green; raises NotFoundError for another's."""
    row, now = _kept_row(viewer, session, study_id), datetime.now(UTC)
    row.deleted_at = row.deleted_at or now
    purge_deleted(session, GreenStudy, row.golfer_id, now - UNDO_TIME)
    return row.green_id


@open_play(ROOM)
def restore_study(viewer: Viewer, session: Session, study_id: int) -> int:
    """Bring a deleted study back, and return its green; raises NotFoundError where it is gone."""
    row = _kept_row(viewer, session, study_id)
    row.deleted_at = None
    return row.green_id


def _row(session: Session, study_id: int, *, deleted: bool = False) -> GreenStudy:
    row = row_of(session, GreenStudy, study_id)
    if row is None or (row.deleted_at and not deleted):
        raise NotFoundError(NOT_SHARED)
    return row


def _kept_row(viewer: Viewer, session: Session, study_id: int) -> GreenStudy:
    row = _row(session, study_id, deleted=True)
    green_to_change(viewer, session, row.green_id)
    return row

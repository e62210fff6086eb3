"""The demo's golfer, and her copies."""

from datetime import datetime, timedelta
from typing import Any

from sqlalchemy import ColumnElement, DateTime, delete, insert, literal, or_, select
from sqlalchemy.orm import Session
from sqlalchemy.sql.elements import KeyedColumnElement

from orthocline.db.account.models import Golfer, OwnMeasures, SlopePair, StrideTrial, StrokeTrial
from orthocline.db.carry.models import Print
from orthocline.db.ground.models import Course, Green, GreenChart
from orthocline.db.log.habits import GolferHabits, ReadCorrection
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.speed.models import SpeedNote
from orthocline.db.train.models import (
    DrillRun,
    PracticePlan,
    TrainedQuestion,
    TrainingLevel,
    TrainingMemory,
    TrainingSession,
)

COPIED = (
    *(OwnMeasures, StrideTrial, StrokeTrial, SlopePair),
    *(Course, Green, GreenChart, Outing, LoggedPutt, SpeedNote),
    *(GolferHabits, ReadCorrection),
    *(TrainingSession, TrainedQuestion, TrainingLevel, TrainingMemory, DrillRun, PracticePlan),
    Print,
)


def demo_template(session: Session, name: str) -> Golfer | None:
    """Return a golfer of the demo, of whom visitors get copies, if the demo was loaded."""
    return session.scalar(select(Golfer).where(Golfer.demo == "template", Golfer.name == name))


def copy_all(session: Session, template: Golfer, copy: Golfer, later: timedelta) -> None:
    """Copy everything of one golfer to another, with all times that much later.

    A copied row has the key of its original: by that what names it finds the copy.
    """
    for kind in COPIED:
        columns = {one.key: one for one in kind.__table__.columns if one.computed is None}
        for name in ("id", "golfer_id"):
            columns.pop(name, None)
        values = [_copied(column, copy, later) for column in columns.values()]
        rows = select(literal(copy.id), *values).where(kind.golfer_id == template.id)
        if "id" in kind.__table__.columns:
            rows = rows.order_by(kind.__table__.columns["id"])
        session.execute(insert(kind).from_select(["golfer_id", *columns], rows))


def _copied(column: KeyedColumnElement[Any], copy: Golfer, later: timedelta) -> ColumnElement[Any]:
    """Return what stands in a column of the copied row."""
    if isinstance(column.type, DateTime):
        return column + later
    for key in column.foreign_keys:
        old, new = key.column.table.alias(), key.column.table.alias()
        found = select(new.c.id).join(old, old.c.key == new.c.key)
        return found.where(old.c.id == column, new.c.golfer_id == copy.id).scalar_subquery()
    return column


def delete_demo_copies(session: Session, before: datetime, most: int) -> None:
    """Delete the copies of the demo's golfer that were made before a time, and all but the newest `most`."""
    newest = select(Golfer.id).where(Golfer.demo == "copy").order_by(Golfer.id.desc()).limit(most)
    too_many = Golfer.id.not_in(newest.scalar_subquery())
    session.execute(delete(Golfer).where(Golfer.demo == "copy", or_(Golfer.created_at < before, too_many)))

"""The demo's golfer, and her copies."""

from datetime import datetime, timedelta
from typing import Any

from sqlalchemy import Column, ColumnElement, DateTime, delete, insert, literal, or_, select
from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer
from orthocline.db.base import Base
from orthocline.db.log.habits import GolferHabits
from orthocline.db.share.models import CoachNote, CoachSession, Sharing
from orthocline.db.tables import OWN


def demo_template(session: Session, name: str) -> Golfer | None:
    """Return a golfer of the demo, of whom visitors get copies, if the demo was loaded."""
    return session.scalar(select(Golfer).where(Golfer.demo == "template", Golfer.name == name))


def copy_all(session: Session, template: Golfer, copy: Golfer, later: timedelta) -> None:
    """Copy everything of one golfer to another, with all times that much later.

    A copied row has the key of its original: by that what names it finds the copy.
    """
    templates = select(Golfer.id).where(Golfer.demo == "template")
    kinds: tuple[type[Base], ...] = (*OWN, GolferHabits)
    for kind in kinds:
        table = Base.metadata.tables[kind.__tablename__]
        columns = {one.name: one for one in table.columns if one.computed is None}
        for name in ("id", "golfer_id"):
            columns.pop(name, None)
        values = [_copied(column, copy, later) for column in columns.values()]
        rows = select(literal(copy.id), *values).where(table.c.golfer_id == template.id)
        if "coach_id" in columns:
            rows = rows.where(table.c.coach_id.in_(templates))
        if "id" in table.columns:
            rows = rows.order_by(table.c.id)
        session.execute(insert(table).from_select(["golfer_id", *columns], rows))
    _share_as(session, template, copy)


def _share_as(session: Session, template: Golfer, copy: Golfer) -> None:
    """Let a copy share with the demo's other golfers, and see and have left of them what its template did."""
    own = {"giver_id": Sharing.giver_id == template.id, "taker_id": Sharing.taker_id == template.id}
    templates = select(Golfer.id).where(Golfer.demo == "template")
    for side, is_own in own.items():
        other = next(one for one in own if one != side)
        kept = [other, "what"]
        columns = [getattr(Sharing, one) for one in kept]
        rows = select(literal(copy.id), *columns).where(is_own, columns[0].in_(templates))
        session.execute(insert(Sharing).from_select([side, *kept], rows))
    for kind in (CoachNote, CoachSession):
        table = Base.metadata.tables[kind.__tablename__]
        names = [one.name for one in table.columns if one.name not in ("id", "key", "coach_id")]
        left = select(literal(copy.id), *(table.c[name] for name in names))
        rows = left.where(table.c.coach_id == template.id)
        session.execute(insert(table).from_select(["coach_id", *names], rows))


def _copied(column: Column[Any], copy: Golfer, later: timedelta) -> ColumnElement[Any]:
    """Return what stands in a column of the copied row."""
    if isinstance(column.type, DateTime):
        return column + later
    for key in column.foreign_keys:
        if key.column.table is Golfer.__table__:
            return column
        old, new = key.column.table.alias(), key.column.table.alias()
        found = select(new.c.id).join(old, old.c.key == new.c.key)
        return found.where(old.c.id == column, new.c.golfer_id == copy.id).scalar_subquery()
    return column


def delete_demo_copies(session: Session, before: datetime, most: int) -> None:
    """Delete the copies of the demo's golfer that were made before a time, and all but the newest `most`."""
    newest = select(Golfer.id).where(Golfer.demo == "copy").order_by(Golfer.id.desc()).limit(most)
    too_many = Golfer.id.not_in(newest.scalar_subquery())
    session.execute(delete(Golfer).where(Golfer.demo == "copy", or_(Golfer.created_at < before, too_many)))

"""The demo's golfer, and her copies."""

from datetime import datetime, timedelta

from sqlalchemy import DateTime, delete, insert, literal, or_, select
from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer, OwnMeasures, StrideTrial, StrokeTrial
from orthocline.db.log.models import LoggedPutt
from orthocline.db.speed.models import SpeedNote


def demo_template(session: Session) -> Golfer | None:
    """Return the demo's golfer, of whom visitors get copies, if the demo was loaded."""
    return session.scalar(select(Golfer).where(Golfer.demo == "template"))


def copy_all(session: Session, template: Golfer, copy: Golfer, later: timedelta) -> None:
    """Copy everything of one golfer to another, with all times that much later."""
    for kind in (OwnMeasures, StrideTrial, StrokeTrial, LoggedPutt, SpeedNote):
        columns = {column.key: column for column in kind.__table__.columns}
        for name in ("id", "key", "golfer_id"):
            columns.pop(name, None)
        values = [c + later if isinstance(c.type, DateTime) else c for c in columns.values()]
        rows = select(literal(copy.id), *values).where(kind.golfer_id == template.id)
        if "id" in kind.__table__.columns:
            rows = rows.order_by(kind.__table__.columns["id"])
        session.execute(insert(kind).from_select(["golfer_id", *columns], rows))


def delete_demo_copies(session: Session, before: datetime, most: int) -> None:
    """Delete the copies of the demo's golfer that were made before a time, and all but the newest `most`."""
    newest = select(Golfer.id).where(Golfer.demo == "copy").order_by(Golfer.id.desc()).limit(most)
    too_many = Golfer.id.not_in(newest.scalar_subquery())
    session.execute(delete(Golfer).where(Golfer.demo == "copy", or_(Golfer.created_at < before, too_many)))

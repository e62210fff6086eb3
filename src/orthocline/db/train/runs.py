"""A golfer's runs of drills, and practice sessions."""

from collections.abc import Sequence

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from orthocline.db.train.models import DrillRun, PracticePlan


def open_run(session: Session, golfer_id: int) -> DrillRun | None:
    """Return the drill that a golfer is at, if any."""
    return session.scalar(
        select(DrillRun).where(DrillRun.golfer_id == golfer_id, DrillRun.ended_at.is_(None))
    )


def runs_of(session: Session, golfer_id: int, drill: str, limit: int) -> Sequence[DrillRun]:
    """Return the newest runs of a drill that are over and had a ball, newest first."""
    query = select(DrillRun).where(
        DrillRun.golfer_id == golfer_id,
        DrillRun.drill == drill,
        DrillRun.ended_at.is_not(None),
        DrillRun.best > 0,
    )
    return session.scalars(query.order_by(DrillRun.begun_at.desc(), DrillRun.id.desc()).limit(limit)).all()


def last_runs(session: Session, golfer_id: int) -> dict[str, DrillRun]:
    """Return a golfer's newest run of each drill that is over and had a ball, by the drill."""
    over = (DrillRun.golfer_id == golfer_id, DrillRun.ended_at.is_not(None), DrillRun.best > 0)
    newest = select(func.max(DrillRun.id)).where(*over).group_by(DrillRun.drill)
    rows = session.scalars(select(DrillRun).where(DrillRun.id.in_(newest)))
    return {row.drill: row for row in rows}


def figures_of(session: Session, golfer_id: int, drill: str, limit: int) -> list[float]:
    """Return the newest figures that a golfer measured with a drill, newest first."""
    query = select(DrillRun.figures).where(
        DrillRun.golfer_id == golfer_id, DrillRun.drill == drill, func.cardinality(DrillRun.figures) > 0
    )
    rows = session.scalars(query.order_by(DrillRun.begun_at.desc(), DrillRun.id.desc()).limit(limit))
    return [one for row in rows for one in reversed(row)][:limit]


def runs_in(session: Session, outing_id: int) -> Sequence[DrillRun]:
    """Return the runs of drills that stand in a practice's log, oldest first."""
    query = select(DrillRun).where(DrillRun.outing_id == outing_id, DrillRun.best > 0)
    return session.scalars(query.order_by(DrillRun.id)).all()


def open_plan(session: Session, golfer_id: int) -> PracticePlan | None:
    """Return the practice session that a golfer is in, if any."""
    return session.scalar(
        select(PracticePlan).where(PracticePlan.golfer_id == golfer_id, PracticePlan.ended_at.is_(None))
    )

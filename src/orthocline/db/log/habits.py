"""What is known of a golfer from their log, and the corrections that they have switched on."""

from collections.abc import Sequence
from datetime import datetime
from typing import Any

from sqlalchemy import (
    ARRAY,
    BigInteger,
    CheckConstraint,
    DateTime,
    Float,
    ForeignKey,
    SmallInteger,
    String,
    UniqueConstraint,
    func,
    select,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, Session, mapped_column
from sqlalchemy.orm.attributes import set_committed_value

from orthocline.db.account.models import CALL_LENGTH, Golfer, OwnMeasures
from orthocline.db.base import Base, Entry
from orthocline.db.log.models import LoggedPutt


class GolferHabits(Base):
    """What a golfer does again and again, as it was last worked out from their log.

    `log_mark` tells that log from one that says something else. `mean` and `covariance` are what is believed
    of the stroke by `putts` putts, `found` is all else as open data. `start_line_rad`, `energy` and
    `read_share` are the golfer's spreads, NULL until they are known well enough to be used.
    """

    __tablename__ = "golfer_habits"
    __table_args__ = (CheckConstraint("putts >= 0", name="putts"),)

    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), primary_key=True
    )
    worked_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    log_mark: Mapped[str] = mapped_column(String(60))
    putts: Mapped[int]
    mean: Mapped[list[float]] = mapped_column(ARRAY(Float))
    covariance: Mapped[list[float]] = mapped_column(ARRAY(Float))
    found: Mapped[dict[str, Any]] = mapped_column(JSONB)
    start_line_rad: Mapped[float | None]
    energy: Mapped[float | None]
    read_share: Mapped[float | None]


class ReadCorrection(Entry, Base):
    """A correction that a golfer has switched on: so much of an own read of one method, on one side."""

    __tablename__ = "read_corrections"
    __table_args__ = (
        CheckConstraint("breaks BETWEEN -1 AND 1", name="breaks"),
        CheckConstraint("least_m >= 0", name="least_m"),
        CheckConstraint("factor > 0", name="factor"),
        UniqueConstraint("golfer_id", "key"),
        UniqueConstraint("golfer_id", "method", "breaks"),
    )

    method: Mapped[str] = mapped_column(String(CALL_LENGTH))
    breaks: Mapped[int] = mapped_column(SmallInteger)
    least_m: Mapped[float]
    factor: Mapped[float]
    switched_on_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


TRIALS = (OwnMeasures.stride_trials, OwnMeasures.stroke_trials, OwnMeasures.slope_pairs)


def habits_row(session: Session, golfer_id: int) -> GolferHabits | None:
    """Return what is known of a golfer, if it was worked out."""
    return session.get(GolferHabits, golfer_id)


def measures_and_habits(session: Session, golfer_id: int) -> tuple[OwnMeasures | None, GolferHabits | None]:
    """Return a golfer's own measures and what is known of them, as far as there are any, by one query.

    Trials, which few have, are asked for when they are first looked at; who has none is not asked again.
    """
    query = (
        select(OwnMeasures, GolferHabits, *(trials.any() for trials in TRIALS))
        .select_from(Golfer)
        .outerjoin(OwnMeasures, OwnMeasures.golfer_id == Golfer.id)
        .outerjoin(GolferHabits, GolferHabits.golfer_id == Golfer.id)
        .where(Golfer.id == golfer_id)
    )
    found = session.execute(query).one_or_none()
    if found is None:
        return None, None
    measures, known, *tried = found
    for trials, there in zip(TRIALS, tried, strict=True):
        if measures and not there:
            set_committed_value(measures, trials.key, [])
    return measures, known


def corrections_rows(session: Session, golfer_id: int) -> Sequence[ReadCorrection]:
    """Return the corrections that a golfer has switched on."""
    query = select(ReadCorrection).where(ReadCorrection.golfer_id == golfer_id)
    return session.scalars(query.order_by(ReadCorrection.method, ReadCorrection.breaks)).all()


TOLD = (
    *(LoggedPutt.holed, LoggedPutt.finish_along_m, LoggedPutt.finish_across_m, LoggedPutt.by_device),
    *(LoggedPutt.started_right, LoggedPutt.passed_right, LoggedPutt.length_m, LoggedPutt.green_speed_ft),
    *(LoggedPutt.own_aim_right_m, LoggedPutt.corrected_by, LoggedPutt.impression_right_m),
    *(LoggedPutt.read_aim_right_m, LoggedPutt.method),
)
"""What habits are worked out from, and a copy of a log has in common with it."""


def log_mark(session: Session, golfer_id: int) -> str:
    """Return what tells a golfer's log from one whose putts say something else."""
    said = func.sum(func.hashtextextended(func.concat_ws(" ", *TOLD), 0))
    query = select(func.count(), said).where(
        LoggedPutt.golfer_id == golfer_id, LoggedPutt.deleted_at.is_(None)
    )
    count, mark = session.execute(query).one()
    return f"{count} {mark or 0}"

"""Golfers and their own measures."""

from datetime import datetime
from uuid import UUID

from sqlalchemy import (
    ARRAY,
    BigInteger,
    CheckConstraint,
    DateTime,
    ForeignKey,
    Identity,
    Index,
    LargeBinary,
    String,
    UniqueConstraint,
    func,
    text,
)
from sqlalchemy.orm import Mapped, mapped_column, relationship

from orthocline.db.base import Base, Entry

NAME_LENGTH = 60
CALL_LENGTH = 40
TIME_ZONE_LENGTH = 64
POSITIVE = (
    *("shoe_m", "finger_1_m", "finger_2_m", "finger_3_m", "finger_4_m", "finger_5_m"),
    *("arm_full_m", "arm_bent_m", "arm_bent_speed_ft", "eye_height_m", "stance_m", "back_s", "beat_s"),
    *("crouch_height_m", "stand_m", "shaft_m"),
)
NONE_OR_MORE = (
    *("usual_past_m", "usual_past_uphill_m", "usual_past_downhill_m"),
    *("start_line_rad", "energy", "read_share", "lean"),
)


class Golfer(Base):
    """Someone who signs in. Names differ by more than capitals.

    `time_zone` is the name of the zone by whose clock they live, NULL while that is not known; until
    `competition_until` they are in Competition.
    `session_version` stands in each signed-in browser's cookie: a new one ends all sessions. `links_version`
    does so in the links that they gave to single things. `reset_digest` is that of the code by which a
    forgotten password is replaced. `demo` is NULL
    but for the demo's golfer, who is a ``template``, and the ``copy`` of it that a visitor looks round in.
    A `club` is one too, as owner of its greens and speeds; nobody signs in as it.
    """

    __tablename__ = "golfers"
    __table_args__ = (
        CheckConstraint("demo IN ('template', 'copy')", name="demo"),
        Index(
            "uq_golfers_name",
            text("folded(name)"),
            unique=True,
            postgresql_where=text("demo IS NULL AND NOT club"),
        ),
    )

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    name: Mapped[str] = mapped_column(String(NAME_LENGTH))
    password_hash: Mapped[str] = mapped_column(String(200))
    competition_until: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    session_version: Mapped[int] = mapped_column(server_default="1")
    links_version: Mapped[int] = mapped_column(server_default="1")
    reset_digest: Mapped[bytes | None] = mapped_column(LargeBinary)
    demo: Mapped[str | None] = mapped_column(String(10))
    club: Mapped[bool] = mapped_column(server_default="false")
    key: Mapped[UUID | None] = mapped_column(unique=True)
    time_zone: Mapped[str | None] = mapped_column(String(TIME_ZONE_LENGTH))


class OwnMeasures(Base):
    """A golfer's own measures, units and words; NULL where the usual figure is used.

    `calls` are the names of the calls that lead on the Read page, in their order; `lean` is a share.
    `shaft_left_m` and `shaft_right_m` are how far the foot of each edge of the putter's shaft hangs to the
    right of a plumb line, over `shaft_m` of it.
    Of stride and stroke what was tried is kept, in rows of their own; what follows from it is worked out.
    """

    __tablename__ = "own_measures"
    __table_args__ = (
        CheckConstraint("units IN ('feet', 'metres')", name="units"),
        CheckConstraint("slopes IN ('percent', 'degrees')", name="slopes"),
        CheckConstraint("bend IN ('break', 'borrow')", name="bend"),
        CheckConstraint("hand IN ('right', 'left')", name="hand"),
        CheckConstraint("eye IN ('right', 'left', 'unknown')", name="eye"),
        CheckConstraint("golfer_level IN ('tournament', 'low', 'middle', 'new')", name="golfer_level"),
        CheckConstraint("pace IN ('usual', 'advised')", name="pace"),
        CheckConstraint("sight IN ('lines', 'curves', 'either')", name="sight"),
        CheckConstraint("start_aid IN ('spot', 'line', 'neither')", name="start_aid"),
        *(CheckConstraint(f"{name} > 0", name=name) for name in POSITIVE),
        *(CheckConstraint(f"{name} >= 0", name=name) for name in NONE_OR_MORE),
    )

    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), primary_key=True
    )
    units: Mapped[str] = mapped_column(String(10), server_default="feet")
    slopes: Mapped[str] = mapped_column(String(10), server_default="percent")
    bend: Mapped[str] = mapped_column(String(10), server_default="break")
    hand: Mapped[str] = mapped_column(String(10), server_default="right")
    eye: Mapped[str] = mapped_column(String(10), server_default="unknown")
    golfer_level: Mapped[str] = mapped_column(String(10), server_default="middle")
    pace: Mapped[str] = mapped_column(String(10), server_default="usual")
    sight: Mapped[str] = mapped_column(String(10), server_default="either")
    start_aid: Mapped[str] = mapped_column(String(10), server_default="spot")
    calls: Mapped[list[str] | None] = mapped_column(ARRAY(String(CALL_LENGTH)))
    shoe_m: Mapped[float | None]
    finger_1_m: Mapped[float | None]
    finger_2_m: Mapped[float | None]
    finger_3_m: Mapped[float | None]
    finger_4_m: Mapped[float | None]
    finger_5_m: Mapped[float | None]
    arm_full_m: Mapped[float | None]
    arm_bent_m: Mapped[float | None]
    arm_bent_speed_ft: Mapped[float | None]
    eye_height_m: Mapped[float | None]
    lean: Mapped[float | None]
    crouch_height_m: Mapped[float | None]
    stand_m: Mapped[float | None]
    shaft_m: Mapped[float | None]
    shaft_left_m: Mapped[float | None]
    shaft_right_m: Mapped[float | None]
    stance_m: Mapped[float | None]
    back_s: Mapped[float | None]
    beat_s: Mapped[float | None]
    usual_past_m: Mapped[float | None]
    usual_past_uphill_m: Mapped[float | None]
    usual_past_downhill_m: Mapped[float | None]
    start_line_rad: Mapped[float | None]
    energy: Mapped[float | None]
    read_share: Mapped[float | None]
    stride_trials: Mapped[list["StrideTrial"]] = relationship(order_by="StrideTrial.id", viewonly=True)
    stroke_trials: Mapped[list["StrokeTrial"]] = relationship(order_by="StrokeTrial.id", viewonly=True)
    slope_pairs: Mapped[list["SlopePair"]] = relationship(order_by="SlopePair.id", viewonly=True)


class Trial(Entry):
    """One trial of a golfer's own measure."""

    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("own_measures.golfer_id", ondelete="CASCADE")
    )


class StrideTrial(Trial, Base):
    """So many paces along so much tape."""

    __tablename__ = "stride_trials"
    __table_args__ = (
        CheckConstraint("paces > 0", name="paces"),
        CheckConstraint("tape_m > 0", name="tape_m"),
        UniqueConstraint("golfer_id", "key"),
    )

    paces: Mapped[float]
    tape_m: Mapped[float]


class StrokeTrial(Trial, Base):
    """A putt that calibrates the stroke: its length, the roll, and the speed of the level green."""

    __tablename__ = "stroke_trials"
    __table_args__ = (
        CheckConstraint("stroke_m > 0", name="stroke_m"),
        CheckConstraint("roll_m > 0", name="roll_m"),
        CheckConstraint("green_speed_ft > 0", name="green_speed_ft"),
        UniqueConstraint("golfer_id", "key"),
    )

    stroke_m: Mapped[float]
    roll_m: Mapped[float]
    green_speed_ft: Mapped[float]


class SlopePair(Trial, Base):
    """A slope [ratio] as it was felt or seen, and as a level then read it in the same place.

    `way` is which side of the golfer was low, NULL where nobody said.
    """

    __tablename__ = "slope_pairs"
    __table_args__ = (
        CheckConstraint("sense IN ('feet', 'eye')", name="sense"),
        CheckConstraint("way IN ('left', 'right', 'toes', 'heels')", name="way"),
        UniqueConstraint("golfer_id", "key"),
    )

    sense: Mapped[str] = mapped_column(String(10))
    guess: Mapped[float]
    level: Mapped[float]
    way: Mapped[str | None] = mapped_column(String(10))

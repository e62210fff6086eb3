"""Who sees what of whom, the codes that let somebody in, and what coaches leave."""

from datetime import datetime
from typing import Any

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
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column, relationship

from orthocline.db.account.models import NAME_LENGTH, Golfer
from orthocline.db.base import Base, Entry

WHAT = ("log", "figures", "drills", "greens", "speeds")
WHAT_LENGTH, WORDS_LENGTH, TOKEN_NAME_LENGTH = 10, 500, 40
SOME_OF_WHAT = f"cardinality(what) > 0 AND what <@ ARRAY[{', '.join(map(repr, WHAT))}]::varchar[]"


class Sharing(Base):
    """What one golfer, the `giver`, lets another one see: a row that is gone shares nothing.

    A `keeper` may change it too: of a club's greens and speeds.
    """

    __tablename__ = "sharings"
    __table_args__ = (
        CheckConstraint("giver_id <> taker_id", name="two"),
        CheckConstraint(SOME_OF_WHAT, name="what"),
        UniqueConstraint("giver_id", "taker_id"),
    )

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    giver_id: Mapped[int] = mapped_column(BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"))
    taker_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), index=True
    )
    what: Mapped[list[str]] = mapped_column(ARRAY(String(WHAT_LENGTH)))
    keeper: Mapped[bool] = mapped_column(server_default="false")
    begun_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    giver: Mapped[Golfer] = relationship(foreign_keys=giver_id, lazy="joined", viewonly=True)
    taker: Mapped[Golfer] = relationship(foreign_keys=taker_id, lazy="joined", viewonly=True)


class Invitation(Base):
    """A code that lets whoever enters it see something of the giver's, until it ends or was used.

    Kept is a digest alone: whoever reads this table cannot enter the code. That of a club lets in `many`.
    """

    __tablename__ = "invitations"
    __table_args__ = (CheckConstraint(SOME_OF_WHAT, name="what"),)

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    giver_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), index=True
    )
    digest: Mapped[bytes] = mapped_column(LargeBinary, unique=True)
    what: Mapped[list[str]] = mapped_column(ARRAY(String(WHAT_LENGTH)))
    keeper: Mapped[bool] = mapped_column(server_default="false")
    many: Mapped[bool] = mapped_column(server_default="false")
    ends_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))
    giver: Mapped[Golfer] = relationship(lazy="joined", viewonly=True)


class Left(Entry):
    """What a coach leaves for a golfer, who keeps it when the sharing ends.

    `coach_id` is NULL where it came in by an archive: the coach has no account here, but for a `coach_name`.
    What a coach wrote goes with the coach's account.
    """

    coach_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), index=True
    )
    coach_name: Mapped[str] = mapped_column(String(NAME_LENGTH))
    words: Mapped[str] = mapped_column(String(WORDS_LENGTH))
    left_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class CoachNote(Left, Base):
    """A coach's note on a putt."""

    __tablename__ = "coach_notes"
    __table_args__ = (CheckConstraint("words <> ''", name="words"), UniqueConstraint("golfer_id", "key"))

    putt_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("logged_putts.id", ondelete="CASCADE"), index=True
    )


class CoachSession(Left, Base):
    """A session of drills that a coach set.

    `slots` are its parts (what, minutes, what for); `plan_id` is the practice session that the golfer made of
    it, NULL until then.
    """

    __tablename__ = "coach_sessions"
    __table_args__ = (
        Index("ix_coach_sessions_golfer_id_left_at", "golfer_id", "left_at"),
        UniqueConstraint("golfer_id", "key"),
    )

    slots: Mapped[list[dict[str, Any]]] = mapped_column(JSONB)
    plan_id: Mapped[int | None] = mapped_column(
        BigInteger, ForeignKey("practice_plans.id", ondelete="SET NULL"), index=True
    )


class ApiToken(Base):
    """What lets a program ask for a golfer: a digest of it, and what for; a row that is gone lets nobody in.

    `used_at` is when it was used last, to the minute.
    """

    __tablename__ = "api_tokens"

    id: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    golfer_id: Mapped[int] = mapped_column(
        BigInteger, ForeignKey("golfers.id", ondelete="CASCADE"), index=True
    )
    name: Mapped[str] = mapped_column(String(TOKEN_NAME_LENGTH))
    digest: Mapped[bytes] = mapped_column(LargeBinary, unique=True)
    scopes: Mapped[list[str]] = mapped_column(ARRAY(String(WHAT_LENGTH)))
    made_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    used_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    golfer: Mapped[Golfer] = relationship(lazy="joined", viewonly=True)

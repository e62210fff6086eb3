"""How often an address asked, counted in the database, so that all workers count together."""

import random
from datetime import datetime, timedelta

from sqlalchemy import DateTime, Engine, Index, String, case, delete, func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.base import Base

SWEEP_EVERY = 50
"""One in so many counts also sweeps away those that have ended."""


class RequestCount(Base):
    """How often an address asked for a kind of page until `ends_at`; then it counts anew."""

    __tablename__ = "request_counts"
    __table_args__ = (
        Index("ix_request_counts_ends_at", "ends_at"),
        {"prefixes": ["UNLOGGED"]},
    )

    key: Mapped[str] = mapped_column(String(200), primary_key=True)
    count: Mapped[int]
    ends_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))


def count_request(engine: Engine, key: str, seconds: int, amount: int) -> int:
    """Count a request and return how many there were since the first of the last so many seconds."""
    ends = func.now() + timedelta(seconds=seconds)
    over = RequestCount.ends_at <= func.now()
    new = insert(RequestCount).values(key=key, count=amount, ends_at=ends)
    counted = new.on_conflict_do_update(
        index_elements=[RequestCount.key],
        set_={
            "count": case((over, amount), else_=RequestCount.count + amount),
            "ends_at": case((over, ends), else_=RequestCount.ends_at),
        },
    ).returning(RequestCount.count)
    with engine.begin() as connection:
        if random.randrange(SWEEP_EVERY) == 0:
            connection.execute(delete(RequestCount).where(RequestCount.ends_at < func.now()))
        return int(connection.scalar(counted) or 0)


def requests_counted(engine: Engine, key: str) -> tuple[int, datetime | None]:
    """Return how many requests are counted under a key, and until when."""
    query = select(RequestCount.count, RequestCount.ends_at).where(
        RequestCount.key == key, RequestCount.ends_at > func.now()
    )
    with engine.connect() as connection:
        row = connection.execute(query).first()
    return (row[0], row[1]) if row else (0, None)


def forget_requests(engine: Engine, key: str | None = None) -> int:
    """Forget what is counted under a key, or all; return how many keys there were."""
    query = delete(RequestCount)
    with engine.begin() as connection:
        return connection.execute(query.where(RequestCount.key == key) if key else query).rowcount

"""How often an address asked, counted in the database, so that all workers count together."""

import random
from datetime import datetime

from sqlalchemy import DateTime, Engine, Index, String, delete, func, select, text
from sqlalchemy.orm import Mapped, mapped_column

from orthocline.db.base import Base

COUNT = text("""INSERT INTO request_counts AS kept (key, count, ends_at)
VALUES (:key, :amount, now() + make_interval(secs => :seconds))
ON CONFLICT (key) DO UPDATE SET
  count = CASE WHEN kept.ends_at <= now() THEN 0 ELSE kept.count END + excluded.count,
  ends_at = CASE WHEN kept.ends_at <= now() THEN excluded.ends_at ELSE kept.ends_at END
RETURNING count""")
"""One statement, so that many at once are all counted; written out, because every read runs it."""
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
    with engine.connect().execution_options(isolation_level="AUTOCOMMIT") as connection:
        if random.randrange(SWEEP_EVERY) == 0:
            connection.execute(delete(RequestCount).where(RequestCount.ends_at < func.now()))
        return int(connection.scalar(COUNT, {"key": key, "seconds": seconds, "amount": amount}) or 0)


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

"""Logs for tests: rows of what is known as columns, and putts rolled by chance."""

from datetime import UTC, datetime, timedelta
from uuid import UUID

import numpy as np

COLUMNS = (
    *("length_m", "number", "outing", "round_holes", "month", "holed", "along_m", "right_m", "past_m"),
    *("breaks", "passed", "started", "own_m", "impression_m", "read_m", "start_rad"),
    *("read_right", "line_right", "pace_right", "committed"),
)
USUAL = {"outing": 0.0, "month": 24322.0}


def columns_of(rows):
    """Return rows, each a mapping of what is known, as columns; the rest is nan."""
    return {
        name: np.array([row.get(name, USUAL.get(name, np.nan)) for row in rows], float) for name in COLUMNS
    }


def some_putts(rng, count, outings):
    """Yield putts of every kind as columns of the log: visits of one to four, each lacking this or that."""
    left = count
    while left:
        putts = min(left, int(rng.integers(1, 5)))
        visit, outing = UUID(bytes=rng.bytes(16), version=4), rng.choice([None, *outings])
        at = datetime(2026, 5, 1, tzinfo=UTC) + timedelta(days=float(rng.uniform(0.0, 60.0)))
        for number in range(1, putts + 1):
            yield {
                **_told(rng, last=number == putts),
                "visit": visit,
                "number": number,
                "outing_id": outing,
                "created_at": at + timedelta(minutes=number),
            }
        left -= putts


def _told(rng, *, last):
    """Return what is known of a putt: each thing now and then."""

    def perhaps(value, often=0.6):
        return value if rng.random() < often else None

    holed = perhaps(bool(last and rng.random() < 0.9), 0.95)
    missed = holed is False and rng.random() < 0.8
    side, aim = (lambda: int(rng.integers(-1, 2))), (lambda: float(rng.normal(0.0, 0.2)))
    return {
        "length_m": perhaps(float(rng.uniform(0.2, 14.0)), 0.9),
        "holed": holed,
        "finish_along_m": float(rng.normal(0.3, 0.6)) if missed else None,
        "finish_across_m": float(rng.normal(0.0, 0.3)) if missed else None,
        "past_m": perhaps(0.3),
        "breaks_right": perhaps(side()),
        "passed_right": perhaps(side(), 0.4),
        "started_right": perhaps(side()),
        "own_aim_right_m": perhaps(aim()),
        "impression_right_m": perhaps(aim()),
        "read_aim_right_m": perhaps(aim()),
        "start_right_rad": perhaps(float(rng.normal(0.0, 0.02))),
        "read_was_right": perhaps(bool(rng.integers(2))),
        "line_was_right": perhaps(bool(rng.integers(2))),
        "pace_was_right": perhaps(bool(rng.integers(2))),
        "committed": perhaps(bool(rng.integers(2))),
        "method": perhaps(str(rng.choice(["eye", "model"]))),
    }

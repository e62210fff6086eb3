"""Logs for tests: rows of what is known as columns, and putts rolled by chance."""

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

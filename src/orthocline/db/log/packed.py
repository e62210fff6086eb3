"""The figures of a putt as bytes, which the database itself keeps in step: thousands are read in a moment.

Rows of twenty columns take the driver several times as long as their sums take the core.
"""

from collections.abc import Mapping
from typing import Final

import numpy as np

MISSING_OUTING: Final = 0
REALS: Final = (
    *("length_m", "finish_along_m", "finish_across_m", "past_m"),
    *("own_aim_right_m", "impression_right_m", "read_aim_right_m", "start_right_rad"),
    *("number", "breaks_right", "passed_right", "started_right"),
)
FLAGS: Final = ("holed", "read_was_right", "line_was_right", "pace_was_right", "committed")
OTHERS: Final[Mapping[str, str]] = {
    "created_at": "timestamptz_send(created_at)",
    "outing_id": f"int8send(COALESCE(outing_id, {MISSING_OUTING}::bigint))",
    "visit": "uuid_send(visit)",
}
"""Written as PostgreSQL writes them down, for migrations to see that they are the same."""

PACKED: Final = " || ".join(
    (
        *(f"float4send(COALESCE({name}::real, 'NaN'::real))" for name in REALS),
        *(f"float4send(COALESCE(({name}::integer)::real, 'NaN'::real))" for name in FLAGS),
        *OTHERS.values(),
    )
)
"""The expression of the column."""

LAYOUT: Final = np.dtype(
    [
        *((name, ">f4") for name in (*REALS, *FLAGS)),
        ("created_at", ">i8"),
        ("outing_id", ">i8"),
        ("visit", ">i8"),
        ("visit_rest", ">i8"),
    ]
)
"""How its bytes are read: what is missing is nan; times are microseconds from 2000 on, in UTC."""

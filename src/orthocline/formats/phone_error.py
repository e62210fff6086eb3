"""A phone's own error as a level, and when it was found, as the phone keeps it."""

import math
from datetime import UTC, datetime
from typing import NamedTuple

LARGEST_RAD = math.radians(15.0)


class KeptError(NamedTuple):
    """What a phone adds to a reading [rad], and when that was found."""

    own_error_rad: float
    found_at: datetime


def error_text(own_error_rad: float, found_at: datetime) -> str:
    """Return it as it is kept: degrees, and the time in seconds."""
    return f"{math.degrees(own_error_rad):.3f}/{found_at.timestamp():.0f}"


def kept_error(text: str) -> KeptError | None:
    """Return what was kept; None for anything else."""
    degrees, _, seconds = text.partition("/")
    try:
        error, found_at = math.radians(float(degrees)), datetime.fromtimestamp(int(seconds), UTC)
    except (ValueError, OverflowError, OSError):
        return None
    return KeptError(error, found_at) if abs(error) <= LARGEST_RAD else None

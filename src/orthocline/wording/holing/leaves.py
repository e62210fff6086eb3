"""What a miss leaves, in words."""

from collections.abc import Iterator
from typing import NamedTuple

from orthocline.core.holing import SAFE, Change, Leave, Leaves, SafeLeave
from orthocline.core.units import INCH_M
from orthocline.wording.figures import hundred
from orthocline.wording.holing.pace import advised, of_hundred, putts_text
from orthocline.wording.wording import Wording

LEVEL_RISE = 0.003
"""A next putt that rises or falls less [ratio] goes across the slope, or over level ground."""
LEAST_BETTER = 0.01
"""A side is better to miss on where so much more of the next putts is holed."""


class LeaveWords(NamedTuple):
    """What misses of one side leave: which they are, how long a putt, and how often it is holed."""

    which: str
    length: str
    slope: str
    holed: str


def leave_words(leave: Leave, *, right: bool, high_right: bool | None, wording: Wording) -> LeaveWords:
    """Return what misses of one side leave."""
    name = side_name(right=right, high_right=high_right)
    return LeaveWords(
        f"{name}, {of_hundred(leave.share)}",
        leave_length(leave, wording),
        _slope_words(leave.rise, wording),
        f"{of_hundred(leave.holed)} holed",
    )


def leave_length(leave: Leave, wording: Wording) -> str:
    """Return how long a putt misses of one side leave."""
    return wording.short(leave.away_m, 4.0 * INCH_M)


def side_name(*, right: bool, high_right: bool | None) -> str:
    """Return the name of a miss: high or low, and on a straight putt right or left."""
    if high_right is None:
        return "Right" if right else "Left"
    return "High" if right == high_right else "Low"


def _slope_words(rise: float, wording: Wording) -> str:
    if abs(rise) < LEVEL_RISE:
        return "neither up nor down"
    return f"{wording.slope(abs(rise))} {'uphill' if rise > 0.0 else 'downhill'}"


def better_words(leaves: Leaves) -> str:
    """Return which side to miss on, as a sentence; empty where misses are on one side only."""
    right, left, better = leaves.right, leaves.left, leaves.better_right
    if right is None or left is None or better is None:
        return ""
    if abs(right.holed - left.holed) < LEAST_BETTER:
        return "Neither side is the better one to miss on."
    name = side_name(right=better, high_right=leaves.high_right).lower()
    more = of_hundred(abs(right.holed - left.holed))
    side = name if leaves.high_right is not None else f"on the {name}"
    return f"Miss {side}: {more} more of the next putts go in."


def safe_words(safe: SafeLeave | None, wording: Wording) -> str:
    """Return how to leave the next putt below the hole, and what that costs."""
    if safe is None:
        return "The ground hardly falls at the hole: no leave is safer than another."
    now = f"{of_hundred(safe.below)} misses stop below the hole"
    if safe.safe:
        return f"{now}, for an uphill putt: that is the safe leave."
    ways = " or ".join(_ways(safe, wording))
    if not ways:
        return f"{now}; no pace or aim of yours leaves {hundred(SAFE)} there."
    return f"{now}; to leave {hundred(SAFE)} there, {ways}."


def _ways(safe: SafeLeave, wording: Wording) -> Iterator[str]:
    if safe.by_aim:
        yield f"aim {wording.short(safe.by_aim.amount_m)} lower ({_cost(safe.by_aim)})"
    if safe.by_pace:
        yield f"roll it {advised(safe.by_pace.amount_m, wording)} past ({_cost(safe.by_pace)})"


def _cost(change: Change) -> str:
    if change.putts < 0.005:
        return "costs nothing"
    return f"costs {putts_text(change.putts)} putts"

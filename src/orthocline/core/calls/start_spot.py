"""The start spot: a place on the aim line near enough to roll over."""

import math

from orthocline.core.calls.marks import Mark, mark_members
from orthocline.core.calls.school import School
from orthocline.core.roll import Read
from orthocline.core.units import FOOT_M

START_SPOT_M = 2.0 * FOOT_M
"""The start spot lies two feet ahead on the aim line (as practised)."""


def start_spot_of(read: Read) -> Mark:
    """Return the spot on the aim line two feet ahead, or half-way on a putt shorter than four.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    Mark
        The spot.
    """
    putt, right_rad = read.putt, read.launch_right_rad
    ahead = min(START_SPOT_M, 0.5 * putt.length_m)
    along, right = ahead * math.cos(right_rad), ahead * math.sin(right_rad)
    return Mark(putt.place(along, right), along, right)


SCHOOL = School(
    "start_spot", lambda read, _: start_spot_of(read), lambda spot: {"start_spot": mark_members(spot)}
)

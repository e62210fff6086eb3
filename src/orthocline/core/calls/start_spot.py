"""The start aid: a spot on the aim line near enough to roll over, or the line on the ball laid along it."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from orthocline.core.calls.golfer import GolferFigures, StartAid
from orthocline.core.calls.marks import Mark, mark_members
from orthocline.core.calls.school import Figures, Goes, School, Term, aimed
from orthocline.core.roll import Launch, Putt, Read
from orthocline.core.units import FOOT_M

START_SPOT_M = 2.0 * FOOT_M
"""The start spot lies two feet ahead on the aim line (as practised)."""


@dataclass(frozen=True)
class StartLine:
    """What the golfer starts the ball by, and the spot on the aim line."""

    aid: StartAid
    spot: Mark


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


def start_line_of(read: Read, golfer: GolferFigures) -> StartLine:
    """Return how a golfer finds the start line.

    Parameters
    ----------
    read : Read
        The solved putt.
    golfer : GolferFigures
        What the golfer starts the ball by.

    Returns
    -------
    StartLine
        The aid, and the spot.
    """
    return StartLine(golfer.start_aid, start_spot_of(read))


def _members(line: StartLine) -> Mapping[str, Any]:
    return {"start_spot": mark_members(line.spot)}


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch | None:
    """Return the launch over a spot so far ahead of the ball, and so far right of the ball-hole line."""
    ahead, right = figures
    if abs(right) >= ahead:
        return None
    return aimed(putt, putt.length_m * right / math.sqrt(ahead**2 - right**2))


SCHOOL = School(
    "start_spot",
    start_line_of,
    _members,
    terms=(Term.AHEAD, Term.ASIDE),
    goes=(Goes.STAYS, Goes.AIM),
    figures=lambda _, line: (line.spot.ahead_m, line.spot.right_m),
    launch=_launch,
)

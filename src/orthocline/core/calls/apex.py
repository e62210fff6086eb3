"""The apex: where the ball is furthest from the ball-hole line."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.marks import FINE, Mark, mark_after, right_m
from orthocline.core.calls.school import Blind, Figures, Goes, School, Term, toward
from orthocline.core.roll import Launch, Putt, Read, read

LIMIT_RATIO = math.e
"""Aim over apex of a putt that breaks a little and dies at the hole."""
LOOKS = 257
"""The way to the hole is looked at so often; the row after the hole is no part of it."""
STRAIGHT_M = 1e-6
"""A way that leaves the ball-hole line by less than this [m] has no apex."""


@dataclass(frozen=True)
class Apex:
    """The apex, and how far along the ball-hole line it lies as a share of the putt's length."""

    mark: Mark
    fraction: float


def apex_of(read: Read) -> Apex | None:
    """Return the point before the hole that lies furthest from the ball-hole line.

    None on a straight putt, whose way leaves the line by less than a thousandth of a millimetre.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    Apex or None
        The apex; None on a straight putt.
    """
    putt, track = read.putt, read.track
    end_s = min(read.aim.time_to_hole_s, track.duration_s)
    rows = track.even_times(0.0, end_s, LOOKS)
    off = np.abs(right_m(putt, rows))
    top = int(np.argmax(off))
    if off[top] < STRAIGHT_M:
        return None
    near = rows[max(top - 1, 0), 0], rows[min(top + 1, LOOKS - 1), 0]
    fine = track.even_times(float(near[0]), float(near[1]), FINE)
    off = np.abs(right_m(putt, fine))
    i = min(max(int(np.argmax(off)), 1), FINE - 2)
    before, here, after = off[i - 1 : i + 2]
    shift = 0.5 * (before - after) / (before - 2.0 * here + after)
    mark = mark_after(putt, track, float(fine[i, 0] + shift * (fine[1, 0] - fine[0, 0])))
    return Apex(mark, mark.along_m / putt.length_m)


def _members(top: Apex | None) -> Mapping[str, Any]:
    if top is None:
        return {"apex_right_m": 0.0, "apex_fraction": None}
    return {"apex_right_m": top.mark.right_m, "apex_fraction": top.fraction}


def _as_a_target(solved: Read, _golfer: GolferFigures, top: Apex | None) -> Launch | None:
    """Return the launch straight at the apex, as those do who take it for the aim."""
    if top is None:
        return solved.aim.launch
    return Launch(math.atan2(top.mark.right_m, top.mark.along_m), solved.launch_speed_mps)


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch | None:
    """Return the launch outside an apex, by the putt's own aim over apex; the limit's on a straight putt."""
    solved = read(putt)
    top, aim = apex_of(solved), solved.aim_right_m
    if aim is None:
        return None
    return toward(solved, figures[0] * (aim / top.mark.right_m if top else LIMIT_RATIO))


SCHOOL = School(
    "apex",
    lambda read, _: apex_of(read),
    _members,
    blind_to=(Blind.TARGET,),
    played=_as_a_target,
    terms=(Term.ASIDE,),
    goes=(Goes.AIM,),
    figures=lambda _, top: (top.mark.right_m,) if top else None,
    launch=_launch,
)

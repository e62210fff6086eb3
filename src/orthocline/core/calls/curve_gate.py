"""The curve gate: where the ball passes two thirds of the way."""

import math

import numpy as np
from scipy.optimize import brentq

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.marks import Mark, along_m, between_rows, mark_after, mark_members
from orthocline.core.calls.school import Figures, Goes, School, Term, solved_aim
from orthocline.core.roll import WIDEST_AIM_RAD, Launch, Putt, Read, Track, roller

WIDEN_RAD, CLOSE_RAD = math.radians(6.0), 1e-6
"""How far beside a guess a launch is looked for, and how closely it is found [rad]."""
GATE_SHARE = 2.0 / 3.0
"""The gate lies at two thirds of the way to the hole, along the ball-hole line (as practised)."""


def curve_gate_of(read: Read) -> Mark:
    """Return the point where the ball's way first passes two thirds of the distance to the hole.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    Mark
        The gate, on the ball's way.
    """
    return _gate(read.putt, read.track)


def _gate(putt: Putt, track: Track) -> Mark:
    gate_m = GATE_SHARE * putt.length_m
    first = int(np.argmax(along_m(putt, track.samples) >= gate_m))
    fine = between_rows(track, first - 1, 1)
    return mark_after(putt, track, float(np.interp(gate_m, along_m(putt, fine), fine[:, 0])))


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch | None:
    """Return the launch at the putt's own speed whose ball rolls over such a gate; None where none does."""
    aim = solved_aim(putt)
    roll, speed = roller(putt, aim), aim.launch.speed_mps

    def over(right_rad: float) -> float:
        return _gate(putt, roll(Launch(right_rad, speed))).right_m - figures[0]

    start = aim.launch.right_rad
    near = start - over(start) / (GATE_SHARE * putt.length_m)
    ends = sorted((start - WIDEN_RAD, near - WIDEN_RAD, start + WIDEN_RAD, near + WIDEN_RAD))
    low, high = max(ends[0], -WIDEST_AIM_RAD), min(ends[-1], WIDEST_AIM_RAD)
    if over(low) * over(high) > 0.0:
        return None
    return Launch(brentq(over, low, high, xtol=CLOSE_RAD), speed)


SCHOOL = School(
    "curve_gate",
    lambda read, _: curve_gate_of(read),
    lambda gate: {"curve_gate": mark_members(gate)},
    terms=(Term.ASIDE,),
    goes=(Goes.AIM,),
    figures=lambda _, gate: (gate.right_m,),
    launch=_launch,
)

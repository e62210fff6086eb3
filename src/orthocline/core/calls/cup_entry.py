"""The cup entry: the hour on the rim where the ball goes in, 6 the side nearest the ball."""

import math
from collections.abc import Callable
from dataclasses import dataclass, replace

from scipy.optimize import brentq

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Figures, Goes, School, Term, toward
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import RANGES, Launch, Putt, Read, read, steepest_holding_slope

NEAREST: float = 6.0
"""The hour of a ball that goes straight in."""
STEEPEST_SHARE, MORE = 0.98, 2.0
"""Tilts are looked for up to a share of what holds a ball, or so many times the putt's own."""
CLOSE_TILT = 1e-6
"""A tilt [ratio] is found so closely."""


@dataclass(frozen=True)
class CupEntry:
    """Where the ball goes in [hours], and the earliest and the latest hour at which it still drops.

    The latest may lie beyond 12. None for both where even the read itself does not drop.
    """

    hours: float
    window_hours: tuple[float, float] | None


def cup_entry_of(solved: Read) -> CupEntry | None:
    """Return where the ball goes in.

    Parameters
    ----------
    solved : Read
        The solved putt.

    Returns
    -------
    CupEntry or None
        The hours; None for a ball that does not meet the hole.
    """
    if solved.entry_clock_hours is None:
        return None
    return CupEntry(solved.entry_clock_hours, solved.entry_window_hours)


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch | None:
    """Return the launch of whoever sees the ball go in at an hour.

    That is the aim of the same putt on ground which tilts so much across that its ball goes in there. Uneven
    ground stands for the plane on which the ball goes in at the hour of its own; the difference of both aims
    is added. None for an hour on the far side, and where no tilt that holds a ball brings it in there.
    """
    solved = read(putt)
    entry, own_m = solved.entry_clock_hours, solved.aim_right_m
    if entry is None or own_m is None:
        return None
    aim_at = _aims_by_hour(putt)
    here, there = aim_at(entry), aim_at(figures[0])
    return None if here is None or there is None else toward(solved, own_m + there - here)


def _aims_by_hour(putt: Putt) -> Callable[[float], float | None]:
    """Return a function from the hour of entry to the aim on the plane whose ball goes in there."""
    grade = putt.grade
    holding = STEEPEST_SHARE * steepest_holding_slope(putt.green_speed_ft)
    steepest = max(holding, MORE * abs(putt.side_tilt_right))
    steepest = min(steepest, math.sqrt(RANGES.tilt[1] ** 2 - grade**2))

    def on_tilt(side: float) -> Read:
        return read(replace(putt, surface=plane_from_grade(grade, side, putt.bearing_rad), line=1))

    def aim_at(hours: float) -> float | None:
        def over(side: float) -> float:
            entered = on_tilt(side).entry_clock_hours
            return (NEAREST if entered is None else entered) - hours

        if over(-steepest) * over(steepest) > 0.0:
            return None
        return on_tilt(brentq(over, -steepest, steepest, xtol=CLOSE_TILT)).aim_right_m

    return aim_at


SCHOOL = School(
    "cup_entry",
    lambda solved, _: cup_entry_of(solved),
    terms=(Term.HOUR,),
    goes=(Goes.AIM,),
    figures=lambda _, entry: (entry.hours,) if entry else None,
    launch=_launch,
)

"""The plumb line: where it meets the hole's distance, seen by a golfer who leans with the ground."""

from dataclasses import dataclass
from typing import Final

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Blind, School, Stance, Term, aimed, toward
from orthocline.core.roll import Read

STAND_M: Final = 2.0
"""The golfer stands so far behind the ball, on the ball-hole line (as practised)."""


@dataclass(frozen=True)
class PlumbLine:
    """The plumb line of a putt.

    Attributes
    ----------
    right_m : float
        Where it meets the hole's distance, to the right of the hole's centre [m].
    tilt_right : float
        Fall to the right [ratio] where the golfer stands.
    edge : str
        The edge of the shaft that one looks along, `left` or `right`; empty where it does not matter.
    off_m : float or None
        How far that is to the right of the aim [m]; None for a putt without an aim spot.
    """

    right_m: float
    tilt_right: float
    edge: str
    off_m: float | None


def plumb_line_of(read: Read, golfer: GolferFigures) -> PlumbLine:
    """Return where a plumb line through the ball meets the hole's distance: h (t k + q) L / s.

    The eye moves downhill by h t times the lean k, so that the line meets it on the high side; a shaft that
    hangs out of plumb by q, its foot to the right, leans to the left up there.

    Parameters
    ----------
    read : Read
        The solved putt.
    golfer : GolferFigures
        Height of the eyes, how far the golfer leans with the ground, and how the putter hangs.

    Returns
    -------
    PlumbLine
        As an aim, and how far off it is.
    """
    putt = read.putt
    tilt = putt.fall_right_at(-STAND_M)
    slant = tilt * golfer.lean + golfer.putter.hang
    right = -golfer.eye_m * slant * putt.length_m / STAND_M
    return PlumbLine(
        right, tilt, golfer.putter.edge, None if read.aim_right_m is None else right - read.aim_right_m
    )


SCHOOL = School(
    "plumb_line",
    plumb_line_of,
    blind_to=(Blind.SPEED, Blind.PACE, Blind.BETWEEN),
    played=lambda read, _, line: toward(read, line.right_m),
    terms=(Term.ASIDE,),
    figures=lambda _, line: (line.right_m,),
    launch=lambda putt, figures, _: aimed(putt, figures[0]),
    right=lambda read, _: None if read.aim_right_m is None else (read.aim_right_m,),
    stance=Stance(STAND_M, leans=True),
)

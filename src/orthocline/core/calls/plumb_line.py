"""The plumb line: where it meets the hole's distance, seen by a golfer who leans with the ground."""

import math
from dataclasses import dataclass
from typing import Final

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Blind, School, Term, aimed, toward
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
    off_m : float or None
        How far that is to the right of the aim [m]; None for a putt without an aim spot.
    """

    right_m: float
    tilt_right: float
    off_m: float | None


def plumb_line_of(read: Read, golfer: GolferFigures) -> PlumbLine:
    """Return where a plumb line through the ball meets the hole's distance: h t L / s, by the lean.

    The eye moves downhill by h t, so that the line meets it on the high side.

    Parameters
    ----------
    read : Read
        The solved putt.
    golfer : GolferFigures
        Height of the eyes, and how far the golfer leans with the ground.

    Returns
    -------
    PlumbLine
        As an aim, and how far off it is.
    """
    putt = read.putt
    place = putt.place(-STAND_M, 0.0)
    east, north = putt.surface.slope(place.x_m, place.y_m, putt.surface.parameters)
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    tilt = float(north * cos - east * sin)
    right = -golfer.eye_m * tilt * golfer.lean * putt.length_m / STAND_M
    return PlumbLine(right, tilt, None if read.aim_right_m is None else right - read.aim_right_m)


SCHOOL = School(
    "plumb_line",
    plumb_line_of,
    blind_to=(Blind.SPEED, Blind.PACE, Blind.BETWEEN),
    played=lambda read, _, line: toward(read, line.right_m),
    terms=(Term.ASIDE,),
    figures=lambda _, line: (line.right_m,),
    launch=lambda putt, figures, _: aimed(putt, figures[0]),
    right=lambda read, _: None if read.aim_right_m is None else (read.aim_right_m,),
)

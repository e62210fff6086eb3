"""Where a golfer stands to look at a putt, and which way."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.calls import SCHOOLS, GolferFigures
from orthocline.core.ground import Stop
from orthocline.core.roll import Putt
from orthocline.core.sight.eye import Eye

FARTHER: Final = 0.6
"""From a side where the whole putt is looked at one stands this share of its length off, or further."""
WIDE_M: Final = 2.0
"""A stop further off the line than this looks at the whole putt; a nearer one along it, at the hole."""


@dataclass(frozen=True)
class Stand:
    """A place to look from.

    Attributes
    ----------
    along_m, right_m : float
        Where the feet are: along the ball-hole line from the ball, and to its right [m].
    carried_m : float
        How far the eyes are carried to the right of them [m].
    eye_m : float
        Height of the eyes above the ground at the feet [m].
    heading_rad : float
        Which way one looks [rad], clockwise from the way from ball to hole.
    """

    along_m: float
    right_m: float
    carried_m: float
    eye_m: float
    heading_rad: float

    @property
    def behind_m(self) -> float:
        """How far behind the ball the feet are [m]; before it less than 0."""
        return -self.along_m


def stand_at(
    putt: Putt,
    stop: Stop,
    golfer: GolferFigures,
    *,
    school: str = "",
    crouching: bool = False,
    side: float = 0.0,
) -> Stand:
    """Return where a golfer stands at a stop of the walk.

    Behind the ball that is where the user of a school's instrument stands, or else the golfer's own place.
    From the side the whole putt is looked at; from behind the ball and on the way the hole, from behind the
    hole the ball.

    Parameters
    ----------
    putt : Putt
        The putt.
    stop : Stop
        The stop.
    golfer : GolferFigures
        Height of the eyes, lean and own place.
    school : str
        The school whose instrument is looked through; empty for none.
    crouching : bool
        Whether the golfer crouches.
    side : float
        On which side of the line one stands where one does not stand on it: 1 on the right, -1 on the left,
        0 on the low side [1].

    Returns
    -------
    Stand
        The place, and which way to look.
    """
    length = putt.length_m
    eye = golfer.crouch_m if crouching else golfer.eye_m
    if stop.behind_m < 0.0:
        stance = SCHOOLS[school].stance if school else None
        along, carried = -(stance.behind_m if stance else golfer.stand_m), 0.0
        if stance and stance.leans:
            carried = eye * golfer.lean * putt.fall_right_at(along)
        return Stand(along, 0.0, carried, eye, math.atan2(-carried, length - along))
    along = stop.at * length + stop.behind_m
    low = side or (1.0 if putt.side_tilt_right >= 0.0 else -1.0)
    if stop.aside_m > WIDE_M:
        right = low * max(stop.aside_m, FARTHER * length)
        return Stand(along, right, 0.0, eye, -low * 0.5 * math.pi)
    right = low * stop.aside_m
    toward = 0.0 if stop.behind_m > 0.0 else length
    return Stand(along, right, 0.0, eye, math.atan2(-right, toward - along))


def eye_of(putt: Putt, stand: Stand, *, turned_rad: float = 0.0) -> Eye:
    """Return the eye of a golfer who stands somewhere.

    Parameters
    ----------
    putt : Putt
        The putt.
    stand : Stand
        The place.
    turned_rad : float
        How far the head is turned to the right [rad].

    Returns
    -------
    Eye
        Over the ground where the feet are.
    """
    (level,) = putt.levels_m(np.array([stand.along_m]), np.array([stand.right_m])).tolist()
    return Eye(
        stand.along_m,
        stand.right_m + stand.carried_m,
        level + stand.eye_m,
        stand.heading_rad + turned_rad,
    )

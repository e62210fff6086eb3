"""All lines to the hole on any ground, in wind too: at the pace asked, or at the nearest that has one."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import ground_of
from orthocline.core.roll.accelerations import accelerations_of, ground_under
from orthocline.core.roll.arrivals import ASKED, forth
from orthocline.core.roll.putt import RANGES, Pace, Putt, PuttError, RollPast, SpeedAtHole
from orthocline.core.roll.search import search

LEAST_PAST_M = 1e-4
"""Roll-past [m] that stands for none: the integrator takes a ball that has less before it for one at rest."""
LEAST_MPS, FIRST_MPS, FIRMEST_MPS = 1e-3, 0.3, 20.0
"""Speeds at the hole [m/s] between which the nearest pace is looked for, and the first that is tried."""
FIRMER, NEAR = 1.5, 3e-4
"""Factor from one speed to the next, and the share to which the nearest is found."""
OFF_EDGE = 1e-3
"""A ball that stops short of an edge is taken by this share of its speed softer: not on the very edge."""
ASIDE_RAD, ASIDE_STEPS, NARROW_RAD = 0.4, 4, 1e-6
"""The softest line is followed by searches so wide beside the last one's direction at the hole."""
SHARE, LEAST_STEPS = 0.1, 6
"""Steps of the search: share of the velocity that changes in one, and how many the way takes at least."""


class NoLineError(PuttError):
    """No ball, however firm, reaches the hole."""


@dataclass(frozen=True)
class Line:
    """A line to the hole: how the ball leaves, how it arrives, and the way between.

    Attributes
    ----------
    heading_rad, speed_mps : float
        At the hole's centre, counter-clockwise from +x.
    launch_heading_rad, launch_speed_mps : float
    time_s, path_m : float
    past_m : float
        Path beyond the hole until rest; infinite where the ball does not rest.
    """

    heading_rad: float
    speed_mps: float
    launch_heading_rad: float
    launch_speed_mps: float
    time_s: float
    path_m: float
    past_m: float


@dataclass(frozen=True)
class Sweep:
    """Directions at the hole to be searched: `half_rad` to either side of `middle_rad`.

    The search begins with so many `steps`, and halves none that is narrower than `narrow_rad`: a ball that is
    all but spent at the hole has turned downhill from wherever it came, and a hair tells them apart.
    """

    middle_rad: float
    half_rad: float = math.pi
    steps: int = 16
    narrow_rad: float = 4e-16

    @property
    def row(self) -> NDArray[np.float64]:
        """The same as one array for the search."""
        return np.array([self.middle_rad - self.half_rad, 2.0 * self.half_rad, self.steps, self.narrow_rad])


def lines_at(putt: Putt, pace: Pace, sweep: Sweep | None = None) -> list[Line]:
    """Return every line to the hole of a putt at a pace, the one that is there first before the others.

    Parameters
    ----------
    putt : Putt
        The putt; its own pace is left aside.
    pace : RollPast or SpeedAtHole
        The pace.
    sweep : Sweep or None
        Directions at the hole in which they are looked for; by itself all.

    Returns
    -------
    list of Line
        None where no line has the pace.
    """
    by_speed = isinstance(pace, SpeedAtHole)
    asked = pace.speed_mps if isinstance(pace, SpeedAtHole) else max(pace.past_m, LEAST_PAST_M)
    hole, to_ball = putt.hole, putt.bearing_rad + math.pi
    under = ground_under(putt)
    step = min(under.step_m, putt.length_m / LEAST_STEPS)
    question = np.array([hole.x_m, hole.y_m, to_ball, putt.length_m, by_speed, asked, SHARE, step])
    ground, accel = ground_of(under), accelerations_of(putt).row
    sweep = sweep or Sweep(putt.bearing_rad)
    found = search(ground, accel, question, FIRST_MPS, sweep.row)
    question[ASKED] = RANGES.past_m[1]
    lines = [
        Line(
            heading,
            at_hole,
            launch_heading,
            launch,
            time,
            path,
            float(forth(ground, accel, question, heading, at_hole)),
        )
        for heading, at_hole, _, time, launch, launch_heading, path in found.tolist()
    ]
    return sorted(lines, key=lambda line: line.time_s)


def lines_nearest(putt: Putt, near: float = NEAR) -> list[Line]:
    """Return the lines of a putt at the pace nearest the asked one, where none has that.

    That is the softest pace of all that reach the hole, or one on either side of a jump: a little faster
    the ball gets over an edge and runs on. Found by halving the speed at the hole between too soft and firm.

    Parameters
    ----------
    putt : Putt
        The putt.
    near : float
        Share to which the speed at the hole is found [ratio].

    Returns
    -------
    list of Line
        One or more.

    Raises
    ------
    NoLineError
        When no ball, however firm, reaches the hole.
    """
    asked = putt.pace.past_m if isinstance(putt.pace, RollPast) else 0.0
    soft, firm = LEAST_MPS, putt.pace.speed_mps if isinstance(putt.pace, SpeedAtHole) else FIRST_MPS
    sweep = Sweep(putt.bearing_rad, narrow_rad=NARROW_RAD)
    while not (enough := _firm_enough(putt, firm, asked, sweep)):
        if firm > FIRMEST_MPS:
            raise NoLineError("/surface", "no ball, however firm, reaches the hole on this ground")
        soft, firm = firm, FIRMER * firm
    while firm > (1.0 + near) * soft:
        middle = math.sqrt(soft * firm)
        sweep = Sweep(enough[0].heading_rad, ASIDE_RAD, ASIDE_STEPS, NARROW_RAD)
        if lines := _firm_enough(putt, middle, asked, sweep):
            firm, enough = middle, lines
        else:
            soft = middle
    softer = lines_at(putt, SpeedAtHole((1.0 - OFF_EDGE) * soft), sweep)
    short, far = (lines[0].past_m if lines else math.inf for lines in (softer, enough))
    return softer if softer and asked - short < far - asked else enough


def _firm_enough(putt: Putt, speed_mps: float, asked_m: float, sweep: Sweep) -> list[Line]:
    """Return the lines at a speed at the hole, if their first runs on for a path [m]."""
    lines = lines_at(putt, SpeedAtHole(speed_mps), sweep)
    return lines if lines and lines[0].past_m >= asked_m else []

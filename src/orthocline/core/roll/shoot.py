"""Aim on any ground: the putt rolled backward from the hole, which always finds the ball's distance.

The unknowns are the direction and the speed at the hole. Speed follows from the roll-past by rolling on
forward from the hole; direction is right when the way back passes through the ball.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import Surface
from orthocline.core.roll.accelerations import Accelerations
from orthocline.core.roll.integrator import came_from, roll
from orthocline.core.roll.putt import Point, Putt, RollPast, SpeedAtHole
from orthocline.core.roll.roots import root_finder
from orthocline.core.roll.track import S, T, Track

ANGLE_TOLERANCE_RAD = 1e-8
SPEED_TOLERANCE_MPS = 1e-8
NO_MISS_M = 1e-8
"""Nearer to the ball [m] than the tolerances can tell."""
LEAST_PAST_M = 1e-4
"""Roll-past [m] that stands for none: the integrator takes a ball that has less before it for one at rest."""
FIRST_WIDTH_RAD, WIDENINGS = 0.01, 12
FIRST_SPAN, SPANS = 1.02, 7
"""The speed is looked for within this factor of the last one, then within its cube, and so on."""


class NoLineError(ValueError):
    """No line through the hole was found at the pace asked."""


MOST_WORK = 450_000
"""Steps of integration after which a search is given up: under 60 ms of a processor of 2024."""
STEPS_A_ROLL = 400
"""What a roll costs beside its steps, in steps."""


@dataclass
class Work:
    """How much may still be spent on finding a line."""

    left: int = MOST_WORK

    def spend(self, steps: int) -> None:
        """Count a roll.

        Raises
        ------
        NoLineError
            When it was one too many.
        """
        self.left -= steps + STEPS_A_ROLL
        if self.left < 0:
            raise NoLineError("no line was found with the work that a putt is worth")


@dataclass(frozen=True)
class Arrival:
    """Direction [rad, counter-clockwise from +x] and speed [m/s] at the hole's centre."""

    heading_rad: float
    speed_mps: float


@dataclass(frozen=True)
class Shot:
    """A putt solved by integration: how it leaves, how it arrives, and the time between."""

    launch_heading_rad: float
    launch_speed_mps: float
    arrival: Arrival
    time_s: float
    path_m: float


def shoot(
    surface: Surface,
    accelerations: Accelerations,
    putt: Putt,
    pace: RollPast | SpeedAtHole,
    guess: Arrival,
    work: Work | None = None,
) -> Shot:
    """Return the launch that passes through the hole's centre at `pace` on any ground.

    Parameters
    ----------
    surface : Surface
        The ground; it stands in for the putt's own plane.
    accelerations : Accelerations
        Drag, grain and wind.
    putt : Putt
        Where ball and hole lie.
    pace : RollPast or SpeedAtHole
        How far past a covered hole [m], or how fast at its centre [m/s]: it stands in for the putt's own.
    guess : Arrival
        A guess near the line that is wanted, such as the closed form's on the mean tilt.
    work : Work or None
        What may be spent; it is counted down.

    Returns
    -------
    Shot
        Arrival at the hole and the launch that leads there.

    Raises
    ------
    NoLineError
        When the search around the guess finds no such line, or its work is spent.
    """
    work = work or Work()
    last = guess.speed_mps if isinstance(pace, RollPast) else pace.speed_mps

    def speed_for(heading: float) -> float:
        nonlocal last
        if isinstance(pace, RollPast):
            last = _speed_for_past(surface, accelerations, putt, pace.past_m, Arrival(heading, last), work)
        return last

    def miss(heading: float, _: None) -> float:
        row = _at_ball(surface, accelerations, putt, Arrival(heading, speed_for(heading)), work)
        return _right_of_ball(putt, row)

    low, high = _straddle(miss, guess.heading_rad)
    heading = root_finder(miss)(None, low, high, ANGLE_TOLERANCE_RAD) if low < high else low
    arrival = Arrival(heading, speed_for(heading))
    row = _at_ball(surface, accelerations, putt, arrival, work)
    speed = float(math.hypot(row[3], row[4]))
    return Shot(math.atan2(row[4], row[3]), speed, arrival, -float(row[T]), -float(row[S]))


def _straddle(miss: Callable[[float, None], float], middle: float) -> tuple[float, float]:
    """Return two neighbouring headings, as near `middle` as can be, between which the miss changes sign.

    Where `middle` itself leads to the ball it is both of them: asked again it might miss on the other side.
    """
    width = FIRST_WIDTH_RAD
    known = miss(middle, None)
    if abs(known) <= NO_MISS_M:
        return middle, middle
    sides = {1.0: (middle, known), -1.0: (middle, known)}
    for _ in range(WIDENINGS):
        for sign, (last, before) in sides.items():
            here = last + sign * width
            now = miss(here, None)
            if (now > 0.0 and before <= 0.0) or (now <= 0.0 and before > 0.0):
                return min(last, here), max(last, here)
            sides[sign] = (here, now)
        width *= 1.3
    raise NoLineError("no direction at the hole leads back to the ball")


def _speed_for_past(
    surface: Surface, accelerations: Accelerations, putt: Putt, past_m: float, guess: Arrival, work: Work
) -> float:
    """Return the speed [m/s] at the hole that rolls on for `past_m` in that direction."""
    asked = max(past_m, LEAST_PAST_M)

    def excess(speed: float, _: None) -> float:
        track = roll(
            surface,
            accelerations,
            putt.hole,
            heading_rad=guess.heading_rad,
            speed_mps=speed,
            path_limit_m=4.0 * asked,
        )
        work.spend(len(track.samples))
        return float(track.samples[-1, S]) - asked

    span = FIRST_SPAN
    for _ in range(SPANS):
        low, high = guess.speed_mps / span, guess.speed_mps * span
        if excess(low, None) < 0.0 < excess(high, None):
            return root_finder(excess)(None, low, high, SPEED_TOLERANCE_MPS)
        span **= 3
    raise NoLineError("no speed at the hole rolls on so far and rests")


def _at_ball(
    surface: Surface, accelerations: Accelerations, putt: Putt, arrival: Arrival, work: Work
) -> NDArray[np.float64]:
    """Return the row (t, x, y, vx, vy, s), backward from the hole, at the ball's distance from it.

    Filled with NaN where the way back does not get there.
    """
    rows = came_from(
        surface,
        accelerations,
        putt.hole,
        heading_rad=arrival.heading_rad,
        speed_mps=arrival.speed_mps,
        back_rad=putt.bearing_rad + math.pi,
        distance_m=putt.length_m,
    )
    work.spend(len(rows))
    along = [putt.along_and_right_m(_point(row))[0] for row in rows[-2:]]
    if len(rows) < 2 or not along[1] <= 0.0 <= along[0]:
        return np.full(6, math.nan)
    pair = Track(np.ascontiguousarray(rows[:-3:-1]), rests=False)

    def ahead(time: float, _: None) -> float:
        place = pair.at_times(np.array([time]))[0]
        return putt.along_and_right_m(_point(place))[0]

    when = root_finder(ahead)(None, float(rows[-1, T]), float(rows[-2, T]), 1e-12)
    place = pair.at_times(np.array([when]))[0]
    share = (when - rows[-1, T]) / (rows[-2, T] - rows[-1, T])
    velocity = rows[-1, 3:5] + share * (rows[-2, 3:5] - rows[-1, 3:5])
    return np.array([when, place[1], place[2], velocity[0], velocity[1], place[4]])


def _point(row: NDArray[np.float64]) -> Point:
    return Point(float(row[1]), float(row[2]))


def _right_of_ball(putt: Putt, row: NDArray[np.float64]) -> float:
    return putt.along_and_right_m(_point(row))[1]

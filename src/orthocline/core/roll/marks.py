"""Places on the way that a golfer can look at: apex, curve gate and start spot."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll.putt import Point, Putt
from orthocline.core.roll.track import T, Track, X, Y
from orthocline.core.units import FOOT_M

CURVE_GATE_SHARE = 2.0 / 3.0
"""The curve gate lies at two thirds of the way to the hole, along the ball-hole line."""
START_SPOT_M = 2.0 * FOOT_M
"""The start spot lies two feet ahead on the aim line."""
STRAIGHT_M = 1e-6
"""A way that leaves the ball-hole line by less than this [m] has no apex."""
FINE = 33
Rows = NDArray[np.float64]


@dataclass(frozen=True)
class Mark:
    """A place, and how it lies along the ball-hole line and to its right [m]."""

    place: Point
    along_m: float
    right_m: float

    @property
    def ahead_m(self) -> float:
        """Its straight distance [m] from the ball."""
        return math.hypot(self.along_m, self.right_m)


def mark_at(putt: Putt, place: Point) -> Mark:
    """Return a place as a mark of the putt."""
    along, right = putt.along_and_right_m(place)
    return Mark(place, along, right)


def curve_gate(putt: Putt, track: Track) -> Mark:
    """Return the point where the ball's way first passes two thirds of the distance to the hole."""
    along, _ = along_and_right(putt, track)
    wanted = CURVE_GATE_SHARE * putt.length_m
    fine = _between_rows(track, int(np.argmax(along >= wanted)) - 1, 1)
    when = float(np.interp(wanted, _along(putt, fine), fine[:, 0]))
    return mark_at(putt, _place(track, when))


def apex(putt: Putt, track: Track, end_s: float) -> Mark | None:
    """Return the point before `end_s` that lies furthest from the ball-hole line.

    None on a straight putt, whose way leaves the line by less than a thousandth of a millimetre.
    """
    _, right = along_and_right(putt, track)
    count = int(np.searchsorted(track.samples[:, T], end_s)) + 1
    top = int(np.argmax(np.abs(right[:count])))
    if abs(right[top]) < STRAIGHT_M:
        return None
    fine = _between_rows(track, top - 1, 2)
    off = np.abs(_right(putt, fine))
    i = min(max(int(np.argmax(off)), 1), FINE - 2)
    before, here, after = off[i - 1 : i + 2]
    shift = 0.5 * (before - after) / (before - 2.0 * here + after)
    when = fine[i, 0] + shift * (fine[1, 0] - fine[0, 0])
    return mark_at(putt, _place(track, float(when)))


def start_spot(putt: Putt, launch_right_rad: float) -> Mark:
    """Return the spot on the aim line two feet ahead, or half-way on a putt shorter than four."""
    ahead = min(START_SPOT_M, 0.5 * putt.length_m)
    along, right = ahead * math.cos(launch_right_rad), ahead * math.sin(launch_right_rad)
    return Mark(putt.place(along, right), along, right)


def along_and_right(putt: Putt, track: Track) -> tuple[Rows, Rows]:
    """Return how far [m] each row of a track lies along the ball-hole line and to its right."""
    return _along(putt, track.samples), _right(putt, track.samples)


def _along(putt: Putt, rows: Rows) -> Rows:
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    return (rows[:, X] - putt.ball.x_m) * cos + (rows[:, Y] - putt.ball.y_m) * sin


def _right(putt: Putt, rows: Rows) -> Rows:
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    return (rows[:, X] - putt.ball.x_m) * sin - (rows[:, Y] - putt.ball.y_m) * cos


def _between_rows(track: Track, first: int, steps: int) -> Rows:
    """Return `FINE` rows of t, x, y, v, s over some steps of a track."""
    low, high = max(first, 0), min(first + steps, len(track.samples) - 1)
    return track.even_times(float(track.samples[low, T]), float(track.samples[high, T]), FINE)


def _place(track: Track, time_s: float) -> Point:
    _, x, y, _, _ = track.at_times(np.array([time_s]))[0]
    return Point(float(x), float(y))

"""Holing out: whether a ball on its way drops, and where on the rim."""

import math
from dataclasses import dataclass
from typing import Any

from numba import njit, types

from orthocline.core.compiled import KEPT
from orthocline.core.constants import CAPTURE_SPEED_MPS, HOLE_RADIUS_M
from orthocline.core.roll.putt import Point
from orthocline.core.roll.track import ROWS, Track, between

F8 = types.float64
HALVINGS = 40


@dataclass(frozen=True)
class Capture:
    """How a ball and a hole meet.

    Attributes
    ----------
    closest_m : float
        Closest distance delta [m] of the ball's way, the hole covered, to the centre.
    rim_speed_mps : float or None
        Speed where the way crosses the rim; None where it never does.
    rim : Point or None
        That place.
    """

    closest_m: float
    rim_speed_mps: float | None
    rim: Point | None

    @property
    def margin_mps(self) -> float:
        """Speed [m/s] in hand before the ball would no longer drop; negative where it does not.

        It drops if delta < R and v <= 1.63 m/s (1 - (delta/R)^2) (Holmes 1991; Penner 2002).
        """
        if self.rim_speed_mps is None:
            return -self.closest_m
        return fastest_drop_mps(self.closest_m) - self.rim_speed_mps

    @property
    def drops(self) -> bool:
        """Whether the ball drops."""
        return self.margin_mps >= 0.0


def fastest_drop_mps(off_centre_m: float) -> float:
    """Return the fastest speed [m/s] at the rim that drops so far off the centre.

    Parameters
    ----------
    off_centre_m : float
        Distance delta [m] of the ball's way from the centre, 0 to the radius of the hole.

    Returns
    -------
    float
        Speed at the rim [m/s].
    """
    return CAPTURE_SPEED_MPS * (1.0 - (off_centre_m / HOLE_RADIUS_M) ** 2)


def capture_of(track: Track, hole: Point) -> Capture:
    """Return how a track first meets a hole.

    Parameters
    ----------
    track : Track
        The ball's way.
    hole : Point
        Centre of the hole [m].

    Returns
    -------
    Capture
        How it meets the hole.
    """
    closest, speed, x, y = capture_row(track.samples, hole.x_m, hole.y_m)
    if speed < 0.0:
        return Capture(float(closest), None, None)
    return Capture(float(closest), float(speed), Point(float(x), float(y)))


@njit(F8(ROWS, types.int64, F8, F8), **KEPT)
def closest_share(rows: Any, i: int, x_m: float, y_m: float) -> float:
    """Return the share of the step from row `i` where the ball is closest to a place: 1 if still nearing.

    Parameters
    ----------
    rows : ndarray
        Rows of a track: t [s], x, y [m], vx, vy [m/s], path s [m]; shape (n, 6).
    i : int
        Row before the step.
    x_m : float
        Place on the map, east [m].
    y_m : float
        Place on the map, north [m].

    Returns
    -------
    float
        Share of the step, 0 to 1.
    """
    b = rows[i + 1]
    if (b[1] - x_m) * b[3] + (b[2] - y_m) * b[4] < 0.0:
        return 1.0
    low, high = 0.0, 1.0
    for _ in range(HALVINGS):
        middle = 0.5 * (low + high)
        x, y, vx, vy = between(rows, i, middle)
        if (x - x_m) * vx + (y - y_m) * vy < 0.0:
            low = middle
        else:
            high = middle
    return high


@njit(F8(ROWS, types.int64, F8, F8, F8), **KEPT)
def rim_share(rows: Any, i: int, inside: float, x_m: float, y_m: float) -> float:
    """Return the share of the step from row `i` at which the ball crosses the rim, before `inside`.

    Parameters
    ----------
    rows : ndarray
        Rows of a track: t [s], x, y [m], vx, vy [m/s], path s [m]; shape (n, 6).
    i : int
        Row before the step.
    inside : float
        Share of the step at which the ball is inside the rim.
    x_m : float
        Place on the map, east [m].
    y_m : float
        Place on the map, north [m].

    Returns
    -------
    float
        Share of the step, 0 to `inside`.
    """
    low, high = 0.0, inside
    for _ in range(HALVINGS):
        middle = 0.5 * (low + high)
        x, y, _, _ = between(rows, i, middle)
        if math.hypot(x - x_m, y - y_m) > HOLE_RADIUS_M:
            low = middle
        else:
            high = middle
    return high


@njit(types.UniTuple(F8, 4)(ROWS, F8, F8), **KEPT)
def capture_row(rows: Any, x_m: float, y_m: float) -> tuple[float, float, float, float]:
    """Return (closest distance, speed at the rim, rim x, rim y) of a track with a hole.

    The speed is -1 where the ball never crosses the rim.

    Parameters
    ----------
    rows : ndarray
        Rows of a track: t [s], x, y [m], vx, vy [m/s], path s [m]; shape (n, 6).
    x_m : float
        Place on the map, east [m].
    y_m : float
        Place on the map, north [m].

    Returns
    -------
    tuple of float
        Distance [m], speed [m/s] or -1, rim [m] or NaN.
    """
    closest, speed, rim_x, rim_y = math.inf, -1.0, math.nan, math.nan
    for i in range(len(rows) - 1):
        away = math.hypot(rows[i, 1] - x_m, rows[i, 2] - y_m)
        if away - (rows[i + 1, 5] - rows[i, 5]) > closest:
            continue
        share = closest_share(rows, i, x_m, y_m)
        x, y, _, _ = between(rows, i, share)
        distance = math.hypot(x - x_m, y - y_m)
        closest = min(closest, distance)
        if distance < HOLE_RADIUS_M and speed < 0.0:
            rim_x, rim_y, vx, vy = between(rows, i, rim_share(rows, i, share, x_m, y_m))
            speed = math.hypot(vx, vy)
        if speed >= 0.0 and share < 1.0:
            break
    end = rows[len(rows) - 1]
    return min(closest, math.hypot(end[1] - x_m, end[2] - y_m)), speed, rim_x, rim_y

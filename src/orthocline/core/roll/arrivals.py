"""A ball as it passes the hole: forward until it rests, backward in time to where it can come from.

Both loops are compiled for each kind of ground that they are given.
"""

import math
from typing import Any, Final

from numba import njit

from orthocline.core.compiled import KEPT
from orthocline.core.roll.integrator import REST_MPS, push, step, step_apart, stride
from orthocline.core.roll.plane_roll import path_left

HOLE_X, HOLE_Y, TO_BALL, LENGTH, BY_SPEED, ASKED, SHARE, STEP = range(8)
"""Members of a question: the hole [m], direction [rad] and distance [m] of the ball seen from it, whether
the pace is a speed [m/s] or a roll-past [m], and the steps: share of the speed lost, and length [m]."""
MISS, TIME, SPEED, HEADING, PATH = range(5)
"""Figures of a passage: direction [rad] of the place from the hole, less the ball's; time [s] to the hole;
speed [m/s] and heading [rad] there; path [m] to the hole."""
PASSAGES: Final = 3
"""A ball may leave the circle through the ball round the hole, come in again and leave it for good."""
MOST_STEPS: Final = 3000
SLOW_MPS: Final = 0.02
"""Slower than this [m/s], what is left is rolled out on the plane that touches the ground there."""
CROSSING_TRIES: Final = 3
"""Steps of Newton's method from a row to the circle."""
WIDE: Final = 3.0
"""Circles, as multiples of the ball's distance, beyond which a ball rolled backward is left."""
STEEP: Final = 0.6
"""Share of the drag above which the pull of the ground may turn a ball that runs away back again."""


@njit(**KEPT)
def forth(ground: Any, accel: Any, question: Any, heading: float, speed: float) -> float:
    """Return the path that a ball rolls beyond the hole until it rests.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    question : ndarray
        What is asked, in the order of the members above, shape (8,).
    heading : float
        Direction at the hole [rad], counter-clockwise from +x.
    speed : float
        Speed at the hole [m/s].

    Returns
    -------
    float
        Path [m]; infinite where it runs on well beyond the roll-past asked.
    """
    x, y = question[HOLE_X], question[HOLE_Y]
    vx, vy = speed * math.cos(heading), speed * math.sin(heading)
    s, limit = 0.0, 3.0 * question[ASKED] + 1.0
    for _ in range(MOST_STEPS):
        energy = vx * vx + vy * vy
        if energy < SLOW_MPS * SLOW_MPS:
            east, north = push(ground, accel, x, y)
            turn = math.atan2(abs(vx * north - vy * east), vx * east + vy * north)
            left = path_left(turn, math.sqrt(energy), accel[0], math.sqrt(east * east + north * north))
            if left < math.inf:
                return s + left
            if energy < REST_MPS * REST_MPS:
                break
        if s > limit:
            break
        h = stride(ground, accel, question[SHARE], question[STEP], x, y, vx, vy)
        _, x, y, vx, vy, ds = step(ground, accel, h, x, y, vx, vy)
        s += ds
    return math.inf


@njit(**KEPT)
def back(ground: Any, accel: Any, question: Any, heading: float, speed: float, passages: Any) -> None:
    """Write where the ball that reaches the hole so passed the circle through the ball's place.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    question : ndarray
        What is asked, in the order of the members above, shape (8,).
    heading : float
        Direction at the hole [rad], counter-clockwise from +x.
    speed : float
        Speed at the hole [m/s].
    passages : ndarray
        Gets a row of the figures above for each passage, in the order backward in time, NaN for those that
        are not, and a last one with the heading [rad] backward where the ball is left; shape (4, 5).

    Returns
    -------
    None
        Nothing.
    """
    passages[:] = math.nan
    x, y = 0.0, 0.0
    vx, vy = speed * math.cos(heading), speed * math.sin(heading)
    cos, sin = math.cos(question[TO_BALL]), math.sin(question[TO_BALL])
    reach = question[LENGTH]
    t, s, count, inside = 0.0, 0.0, 0, True
    for _ in range(MOST_STEPS):
        energy = vx * vx + vy * vy
        if energy < REST_MPS * REST_MPS or count == PASSAGES:
            break
        east, north = question[HOLE_X] + x, question[HOLE_Y] + y
        h = -stride(ground, accel, question[SHARE], question[STEP], east, north, vx, vy)
        dt, nx, ny, nvx, nvy, ds = step(ground, accel, h, east, north, vx, vy)
        nx, ny = nx - question[HOLE_X], ny - question[HOLE_Y]
        away = math.sqrt(nx * nx + ny * ny)
        if (away < reach) != inside:
            tau, gap = h, reach - away
            px, py, pvx, pvy = nx, ny, nvx, nvy
            pt, ps = dt, ds
            for _ in range(CROSSING_TRIES):
                outward = math.sqrt(pvx * pvx + pvy * pvy) * (px * pvx + py * pvy) / max(away, 1e-12)
                tau = min(0.0, max(h, tau + gap / outward)) if outward != 0.0 else tau
                pt, px, py, pvx, pvy, ps = step_apart(ground, accel, tau, east, north, vx, vy)
                px, py = px - question[HOLE_X], py - question[HOLE_Y]
                away = math.sqrt(px * px + py * py)
                gap = reach - away
            row = passages[count]
            row[MISS] = math.atan2(cos * py - sin * px, cos * px + sin * py)
            row[TIME], row[PATH] = -t - pt, -s - ps
            row[SPEED], row[HEADING] = math.sqrt(pvx * pvx + pvy * pvy), math.atan2(pvy, pvx)
            count += 1
            inside = not inside
            away = math.sqrt(nx * nx + ny * ny)
        x, y, vx, vy = nx, ny, nvx, nvy
        t, s = t + dt, s + ds
        if not inside and x * vx + y * vy < 0.0:
            push_east, push_north = push(ground, accel, question[HOLE_X] + x, question[HOLE_Y] + y)
            pull = math.sqrt(push_east * push_east + push_north * push_north)
            outward = x * push_east + y * push_north >= 0.0
            if away > WIDE * reach or outward or pull < STEEP * accel[0]:
                break
    passages[PASSAGES, MISS] = math.atan2(vy, vx)

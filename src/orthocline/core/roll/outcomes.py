"""Many balls at once on any ground: how each passes the hole and where it rests.

The loop is compiled for each kind of ground that it is given; on a plane in still air `plane_outcomes` has
the same by the closed form.
"""

import math
from typing import Any, Final

import numpy as np
from numba import njit
from numpy.typing import NDArray

from orthocline.core.compiled import BUILT_IN, KEPT
from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll.arrivals import SLOW_MPS
from orthocline.core.roll.integrator import REST_MPS, push, step, step_apart, stride
from orthocline.core.roll.plane_roll import AT_REST, F8, rolled

MISS, RIM, FINISH_X, FINISH_Y = range(4)
"""Figures of an outcome: how far [m] the ball passes the hole's centre, positive to its own right of it, or
how far off it rests before that; its speed [m/s] where it first crosses the rim, -1 where it does not; the
place where it rests, the hole being covered, NaN where it rolls on."""
FIGURES: Final = 4
BALL_X, BALL_Y, HOLE_X, HOLE_Y, LIMIT, BEYOND, SHARE, STEP = range(8)
"""Members of the places: ball and hole on the map, path after which a ball is followed no further [m],
whether it is followed beyond the hole; share of the velocity that changes in a step, and longest step [m]."""
MOST_STEPS: Final = 4000
NEAR_M: Final = 0.5
"""A ball that passes the hole so near [m] is not waited for to come back, where it is not followed beyond."""
UP_TO, CLOSE_M = 0.9, 0.003
"""A step toward a jump of the slope takes that share of the way to it, and crosses it from so near [m]."""
NEAREST_TRIES, RIM_TRIES = 2, 1
"""Steps of Newton's method to the closest point and to the rim, from where a straight way has them."""
LAST_MPS, LAST_M = 0.15, 0.01
"""A ball slower than this [m/s] that has no more than so far to go [m], and not by the hole, is rolled out on
the plane that touches the ground there; one slower than `SLOW_MPS` always."""


@njit(F8(F8, F8, F8, F8, F8), **KEPT)
def back_to_rim(x: float, y: float, vx: float, vy: float, drag: float) -> float:
    """Return how long before a place inside the rim the ball crossed it, on a straight way on level ground.

    Parameters
    ----------
    x : float
        Place from the hole's centre, east [m].
    y : float
        Place from the hole's centre, north [m].
    vx : float
        Velocity, east [m/s].
    vy : float
        Velocity, north [m/s].
    drag : float
        Rolling deceleration d [m/s^2].

    Returns
    -------
    float
        tau [s^2/m], 0 or more.
    """
    energy = max(vx * vx + vy * vy, 1e-300)
    v = math.sqrt(energy)
    ahead = (x * vx + y * vy) / v
    chord = ahead + math.sqrt(max(ahead * ahead + HOLE_RADIUS_M**2 - x * x - y * y, 0.0))
    return 0.5 * math.log(1.0 + 2.0 * drag * chord / energy) / drag


@njit(**BUILT_IN)
def _passing(
    ground: Any, accel: Any, hole: Any, tau: float, h: float, x: float, y: float, vx: float, vy: float
) -> tuple[float, float]:
    """Return (part of a step `h` after which the ball is nearest the hole, about `tau`, and its miss)."""
    for _ in range(NEAREST_TRIES):
        _, px, py, pvx, pvy, _ = step_apart(ground, accel, tau, x, y, vx, vy)
        v = math.sqrt(pvx * pvx + pvy * pvy)
        tau = min(h, max(0.0, tau + ((hole[0] - px) * pvx + (hole[1] - py) * pvy) / (v * v * v)))
    _, px, py, pvx, pvy, _ = step_apart(ground, accel, tau, x, y, vx, vy)
    off = math.sqrt((hole[0] - px) ** 2 + (hole[1] - py) ** 2)
    return tau, -off if (hole[0] - px) * pvy > (hole[1] - py) * pvx else off


@njit(**BUILT_IN)
def _at_rim(
    ground: Any, accel: Any, hole: Any, inside: float, x: float, y: float, vx: float, vy: float
) -> float:
    """Return the speed at the rim of the ball that is within it after the part `inside` of a step."""
    _, px, py, pvx, pvy, _ = step_apart(ground, accel, inside, x, y, vx, vy)
    tau = inside - back_to_rim(px - hole[0], py - hole[1], pvx, pvy, accel[0])
    for _ in range(RIM_TRIES):
        _, px, py, pvx, pvy, _ = step_apart(ground, accel, tau, x, y, vx, vy)
        away = math.sqrt((px - hole[0]) ** 2 + (py - hole[1]) ** 2)
        v = math.sqrt(pvx * pvx + pvy * pvy)
        nearing = v * ((px - hole[0]) * pvx + (py - hole[1]) * pvy) / away
        if nearing < 0.0:
            tau = min(inside, tau + (HOLE_RADIUS_M - away) / nearing)
    _, px, py, pvx, pvy, _ = step_apart(ground, accel, tau, x, y, vx, vy)
    return math.sqrt(pvx * pvx + pvy * pvy)


@njit(**KEPT)
def _rest(
    ground: Any, accel: Any, hole: Any, nearing: bool, x: float, y: float, vx: float, vy: float
) -> tuple[float, float]:
    """Return where a slow ball rests on the plane that touches the ground; NaN while it does not."""
    east, north = push(ground, accel, x, y)
    pull, energy = math.sqrt(east * east + north * north), vx * vx + vy * vy
    left_over = energy > 2.0 * LAST_M * (accel[0] - pull)
    by_hole = nearing and (hole[0] - x) ** 2 + (hole[1] - y) ** 2 < NEAR_M * NEAR_M
    if pull >= accel[0] or (energy > SLOW_MPS * SLOW_MPS and (left_over or by_hole)):
        return math.nan, math.nan
    v = math.sqrt(energy)
    cos, sin = (east / pull, north / pull) if pull > 0.0 else (vx / v, vy / v)
    left = math.atan2(vy * cos - vx * sin, vx * cos + vy * sin)
    _, across, down, _, _ = rolled(abs(left), v, accel[0], pull, AT_REST / (accel[0] - pull))
    across = math.copysign(across, left)
    return x + down * cos - across * sin, y + down * sin + across * cos


@njit(**BUILT_IN)
def _to_jump(jumps: Any, h: float, x: float, y: float, vx: float, vy: float) -> float:
    """Return a step that ends shortly before the next jump of the slope, or over it from close by."""
    for j in range(len(jumps)):
        gap = jumps[j, 2] - jumps[j, 0] * x - jumps[j, 1] * y
        speed = jumps[j, 0] * vx + jumps[j, 1] * vy
        if gap * speed > 0.0:
            seconds = (abs(gap) + CLOSE_M if abs(gap) < CLOSE_M else UP_TO * abs(gap)) / abs(speed)
            h = min(h, seconds / math.sqrt(vx * vx + vy * vy))
    return h


@njit(**KEPT)
def ground_outcomes(ground: Any, accel: Any, jumps: Any, places: Any, launches: Any) -> NDArray[np.float64]:
    """Return how balls pass the hole and where they rest.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    jumps : ndarray
        `Surface.jumps`.
    places : ndarray
        Where from, past what and in which steps, in the order of the members above, shape (8,).
    launches : ndarray
        Rows of heading [rad], counter-clockwise from +x, and speed [m/s], shape (n, 2).

    Returns
    -------
    ndarray
        Rows of the figures above, shape (n, 4).
    """
    hole = places[HOLE_X], places[HOLE_Y]
    rows = np.empty((len(launches), FIGURES))
    for i in range(len(launches)):
        x, y, s, row = places[BALL_X], places[BALL_Y], 0.0, rows[i]
        vx, vy = launches[i, 1] * math.cos(launches[i, 0]), launches[i, 1] * math.sin(launches[i, 0])
        nearing, looking = (hole[0] - x) * vx + (hole[1] - y) * vy > 0.0, True
        row[:], row[RIM] = math.nan, -1.0
        row[MISS] = math.sqrt((hole[0] - x) ** 2 + (hole[1] - y) ** 2)
        for _ in range(MOST_STEPS):
            energy = vx * vx + vy * vy
            if energy < LAST_MPS * LAST_MPS:
                row[FINISH_X], row[FINISH_Y] = _rest(ground, accel, hole, nearing, x, y, vx, vy)
            done = places[BEYOND] == 0.0 and not nearing and abs(row[MISS]) < NEAR_M
            if row[FINISH_X] == row[FINISH_X] or energy < REST_MPS * REST_MPS or s > places[LIMIT] or done:
                break
            h = stride(ground, accel, places[SHARE], places[STEP], x, y, vx, vy)
            h = _to_jump(jumps, h, x, y, vx, vy)
            _, nx, ny, nvx, nvy, ds = step(ground, accel, h, x, y, vx, vy)
            ahead = (hole[0] - x) * vx + (hole[1] - y) * vy
            behind = (hole[0] - nx) * nvx + (hole[1] - ny) * nvy
            nearing = behind > 0.0
            passing = looking and ahead > 0.0 and not nearing
            tau, miss = h, math.sqrt((hole[0] - nx) ** 2 + (hole[1] - ny) ** 2)
            if passing:
                tau, miss = _passing(ground, accel, hole, h * ahead / (ahead - behind), h, x, y, vx, vy)
                row[MISS] = miss if abs(miss) < abs(row[MISS]) else row[MISS]
            if looking and abs(miss) < HOLE_RADIUS_M and row[RIM] < 0.0:
                row[RIM] = _at_rim(ground, accel, hole, tau, x, y, vx, vy)
            looking = looking and not (passing and row[RIM] >= 0.0)
            x, y, vx, vy, s = nx, ny, nvx, nvy, s + ds
        if row[FINISH_X] == row[FINISH_X]:
            x, y = row[FINISH_X], row[FINISH_Y]
        off = math.sqrt((hole[0] - x) ** 2 + (hole[1] - y) ** 2)
        if nearing and looking and off < abs(row[MISS]):
            row[MISS] = off
    return rows

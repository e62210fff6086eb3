"""The general roll: any ground given by its slope, with grain and wind, by Runge-Kutta of order four.

The clock of the integration is tau, with dt = v dtau, as in the closed form of the plane. In it the motion is

    dx/dtau = |v| v,   dv/dtau = -d v + |v| (pull of slope, grain and wind),   dt/dtau = |v|,

which stays smooth where the ball comes to rest: the direction of v, undefined there, is never needed.
"""

import math
from typing import Any

import numpy as np
from numba import njit
from numpy.typing import NDArray

from orthocline.core.compiled import BUILT_IN, KEPT
from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import slope_at
from orthocline.core.roll.accelerations import WIND_FACTOR_PER_M
from orthocline.core.roll.track import COLUMNS

MOST_SHARE = 0.3
STEP_SHARE = 0.05
"""Share of its speed that the ball loses in one step on level ground (benchmarks/step.py)."""
MAX_ROWS = 4000
REST_MPS = 1e-4
"""Speed [m/s] taken for rest: the way left is under a hundredth of a millimetre."""


@njit(**BUILT_IN)
def thrust(ground: Any, accel: Any, x: float, y: float, vx: float, vy: float) -> tuple[float, float]:
    """Return dv/dtau: the acceleration times the speed, in m^2/s^3.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    x : float
        Place, east [m].
    y : float
        Place, north [m].
    vx : float
        Velocity, east [m/s].
    vy : float
        Velocity, north [m/s].

    Returns
    -------
    tuple of float
        East and north [m^2/s^3].
    """
    rise_east, rise_north = slope_at(ground, x, y)
    v = math.sqrt(vx * vx + vy * vy)
    ax, ay = accel[1] - PULL_PER_SLOPE_MPS2 * rise_east, accel[2] - PULL_PER_SLOPE_MPS2 * rise_north
    if accel[3] != 0.0 or accel[4] != 0.0:
        wx, wy = accel[3] - vx, accel[4] - vy
        past = math.sqrt(wx * wx + wy * wy)
        ax, ay = ax + WIND_FACTOR_PER_M * (past * wx + v * vx), ay + WIND_FACTOR_PER_M * (past * wy + v * vy)
    return -accel[0] * vx + v * ax, -accel[0] * vy + v * ay


@njit(**BUILT_IN)
def stride(
    ground: Any,
    accel: Any,
    share: float,
    longest: float,
    x: float,
    y: float,
    vx: float,
    vy: float,
) -> float:
    """Return the step in tau in which the velocity changes by a share of itself.

    A ball that crawls because the ground all but carries it takes long steps, yet none in which the grass
    alone would take more than `MOST_SHARE` of its speed.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    share : float
        Share of the velocity.
    longest : float
        Longest step along the way [m].
    x : float
        Place, east [m].
    y : float
        Place, north [m].
    vx : float
        Velocity, east [m/s].
    vy : float
        Velocity, north [m/s].

    Returns
    -------
    float
        Step in tau [s^2/m], above 0.
    """
    ax, ay = thrust(ground, accel, x, y, vx, vy)
    energy = max(vx * vx + vy * vy, 1e-12)
    change = max(math.sqrt((ax * ax + ay * ay) / energy), share / MOST_SHARE * accel[0])
    return float(min(share / change, longest / energy))


def _step(
    ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float
) -> tuple[float, float, float, float, float, float]:
    """Return (time, x, y, vx, vy, path) after one step of the classical Runge-Kutta method of order four.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    h : float
        Step in tau [s^2/m], negative backward in time.
    x : float
        Place, east [m].
    y : float
        Place, north [m].
    vx : float
        Velocity, east [m/s].
    vy : float
        Velocity, north [m/s].

    Returns
    -------
    tuple of float
        Time and path taken by the step [s, m]; place [m] and velocity [m/s] after it.
    """
    v1 = math.sqrt(vx * vx + vy * vy)
    ax1, ay1 = thrust(ground, accel, x, y, vx, vy)
    ux2, uy2 = vx + 0.5 * h * ax1, vy + 0.5 * h * ay1
    v2 = math.sqrt(ux2 * ux2 + uy2 * uy2)
    ax2, ay2 = thrust(ground, accel, x + 0.5 * h * v1 * vx, y + 0.5 * h * v1 * vy, ux2, uy2)
    ux3, uy3 = vx + 0.5 * h * ax2, vy + 0.5 * h * ay2
    v3 = math.sqrt(ux3 * ux3 + uy3 * uy3)
    ax3, ay3 = thrust(ground, accel, x + 0.5 * h * v2 * ux2, y + 0.5 * h * v2 * uy2, ux3, uy3)
    ux4, uy4 = vx + h * ax3, vy + h * ay3
    v4 = math.sqrt(ux4 * ux4 + uy4 * uy4)
    ax4, ay4 = thrust(ground, accel, x + h * v3 * ux3, y + h * v3 * uy3, ux4, uy4)
    sixth = h / 6.0
    return (
        sixth * (v1 + 2.0 * v2 + 2.0 * v3 + v4),
        x + sixth * (v1 * vx + 2.0 * v2 * ux2 + 2.0 * v3 * ux3 + v4 * ux4),
        y + sixth * (v1 * vy + 2.0 * v2 * uy2 + 2.0 * v3 * uy3 + v4 * uy4),
        vx + sixth * (ax1 + 2.0 * ax2 + 2.0 * ax3 + ax4),
        vy + sixth * (ay1 + 2.0 * ay2 + 2.0 * ay3 + ay4),
        sixth * (v1 * v1 + 2.0 * v2 * v2 + 2.0 * v3 * v3 + v4 * v4),
    )


step = njit(**BUILT_IN)(_step)
step_apart = njit(**KEPT)(_step)
"""The same compiled by itself, for steps that are rarely taken."""


@njit(**KEPT)
def trace(ground: Any, accel: Any, start: Any, limits: Any) -> NDArray[np.float64]:
    """Return the rows of a track until rest, or until it is longer than asked.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    start : ndarray
        First row: t [s], x, y [m], vx, vy [m/s], s [m].
    limits : ndarray
        Path [m] after which it ends, share of its speed that the ball loses in one step on level ground, and
        longest step along the way [m].

    Returns
    -------
    ndarray
        Rows of t [s], x, y [m], vx, vy [m/s], s [m], shape (n, 6).
    """
    rows = np.empty((MAX_ROWS, COLUMNS))
    rows[0] = start
    t, x, y, vx, vy, s = start[0], start[1], start[2], start[3], start[4], start[5]
    count = 1
    while count < MAX_ROWS:
        energy = vx * vx + vy * vy
        if s > limits[0] or energy < REST_MPS * REST_MPS:
            break
        h = stride(ground, accel, limits[1], limits[2], x, y, vx, vy)
        dt, x, y, vx, vy, ds = step(ground, accel, h, x, y, vx, vy)
        t, s = t + dt, s + ds
        row = rows[count]
        row[0], row[1], row[2], row[3], row[4], row[5] = t, x, y, vx, vy, s
        count += 1
    return rows[:count].copy()


@njit(**BUILT_IN)
def push(ground: Any, accel: Any, x: float, y: float) -> tuple[float, float]:
    """Return the acceleration of slope, grain and wind on a ball that hardly moves.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    x : float
        Place, east [m].
    y : float
        Place, north [m].

    Returns
    -------
    tuple of float
        East and north [m/s^2].
    """
    rise_east, rise_north = slope_at(ground, x, y)
    blow = WIND_FACTOR_PER_M * math.sqrt(accel[3] * accel[3] + accel[4] * accel[4])
    return (
        -PULL_PER_SLOPE_MPS2 * rise_east + accel[1] + blow * accel[3],
        -PULL_PER_SLOPE_MPS2 * rise_north + accel[2] + blow * accel[4],
    )

"""The general roll: any ground given by its slope, with grain and wind, by Runge-Kutta of order four.

The clock of the integration is tau, with dt = v dtau, as in the closed form of the plane. In it the motion is

    dx/dtau = |v| v,   dv/dtau = -d v + |v| (pull of slope, grain and wind),   dt/dtau = |v|,

which stays smooth where the ball comes to rest: the direction of v, undefined there, is never needed.
"""

import math
from typing import Any

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import Surface, grid_slope, plane_slope, stations_slope
from orthocline.core.roll.accelerations import WIND_FACTOR_PER_M, Accelerations
from orthocline.core.roll.putt import Point
from orthocline.core.roll.track import COLUMNS, Track

F8, ROW, ROWS = types.float64, types.float64[::1], types.float64[:, ::1]
STEP_SHARE = 0.03
"""Share of its speed that the ball loses in one step on level ground (benchmarks/step.py)."""
STEP_M = 0.03
"""Longest step [m] along the way: slopes that change within a foot are still followed."""
MAX_ROWS = 6000
REST_MPS = 1e-4
"""Speed [m/s] taken for rest: the way left is under a hundredth of a millimetre."""


@njit(inline="always")
def thrust(
    slope: Any, ground: Any, accel: Any, x: float, y: float, vx: float, vy: float
) -> tuple[float, float]:
    """Return dv/dtau: the acceleration times the speed, in m^2/s^3.

    Parameters
    ----------
    slope : callable
        Compiled slope function: (x, y, parameters) to (dz/dx, dz/dy) [ratio].
    ground : ndarray
        The surface's parameters.
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
    rise_east, rise_north = slope(x, y, ground)
    v = math.sqrt(vx * vx + vy * vy)
    wx, wy = accel[3] - vx, accel[4] - vy
    past = math.sqrt(wx * wx + wy * wy)
    ax = -PULL_PER_SLOPE_MPS2 * rise_east + accel[1] + WIND_FACTOR_PER_M * (past * wx + v * vx)
    ay = -PULL_PER_SLOPE_MPS2 * rise_north + accel[2] + WIND_FACTOR_PER_M * (past * wy + v * vy)
    return -accel[0] * vx + v * ax, -accel[0] * vy + v * ay


@njit(inline="always")
def trace_on(
    slope: Any,
    ground: Any,
    accel: Any,
    start: Any,
    sign: float,
    path_limit: float,
    bearing: float,
    along_limit: float,
    step_share: float,
) -> NDArray[np.float64]:
    """Return the rows of a track, forward in time (`sign` 1) or back (-1).

    It ends at rest, beyond `path_limit` [m] of path, or once it lies further than `along_limit` [m] from the
    start in the direction `bearing` [rad]. The function of the slope is built in where this is.

    Parameters
    ----------
    slope : callable
        Compiled slope function: (x, y, parameters) to (dz/dx, dz/dy) [ratio].
    ground : ndarray
        The surface's parameters.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    start : ndarray
        First row: t [s], x, y [m], vx, vy [m/s], s [m].
    sign : float
        1 forward in time, -1 back.
    path_limit : float
        Path [m] after which it ends.
    bearing : float
        Direction [rad] in which the distance is looked at.
    along_limit : float
        Distance [m] in that direction after which it ends.
    step_share : float
        Share of its speed that the ball loses in one step on level ground.

    Returns
    -------
    ndarray
        Rows of t [s], x, y [m], vx, vy [m/s], s [m], shape (n, 6).
    """
    rows = np.empty((MAX_ROWS, COLUMNS))
    rows[0] = start
    cos, sin = math.cos(bearing), math.sin(bearing)
    t, x, y, vx, vy, s = start[0], start[1], start[2], start[3], start[4], start[5]
    count = 1
    while count < MAX_ROWS:
        energy = vx * vx + vy * vy
        along = (x - start[1]) * cos + (y - start[2]) * sin
        if abs(s) > path_limit or along > along_limit or (energy < REST_MPS * REST_MPS and sign > 0.0):
            break
        h = sign * min(step_share / accel[0], STEP_M / max(energy, 1e-12))
        v1 = math.sqrt(energy)
        ax1, ay1 = thrust(slope, ground, accel, x, y, vx, vy)
        ux2, uy2 = vx + 0.5 * h * ax1, vy + 0.5 * h * ay1
        v2 = math.sqrt(ux2 * ux2 + uy2 * uy2)
        ax2, ay2 = thrust(slope, ground, accel, x + 0.5 * h * v1 * vx, y + 0.5 * h * v1 * vy, ux2, uy2)
        ux3, uy3 = vx + 0.5 * h * ax2, vy + 0.5 * h * ay2
        v3 = math.sqrt(ux3 * ux3 + uy3 * uy3)
        ax3, ay3 = thrust(slope, ground, accel, x + 0.5 * h * v2 * ux2, y + 0.5 * h * v2 * uy2, ux3, uy3)
        ux4, uy4 = vx + h * ax3, vy + h * ay3
        v4 = math.sqrt(ux4 * ux4 + uy4 * uy4)
        ax4, ay4 = thrust(slope, ground, accel, x + h * v3 * ux3, y + h * v3 * uy3, ux4, uy4)
        sixth = h / 6.0
        t += sixth * (v1 + 2.0 * v2 + 2.0 * v3 + v4)
        x += sixth * (v1 * vx + 2.0 * v2 * ux2 + 2.0 * v3 * ux3 + v4 * ux4)
        y += sixth * (v1 * vy + 2.0 * v2 * uy2 + 2.0 * v3 * uy3 + v4 * uy4)
        s += sixth * (v1 * v1 + 2.0 * v2 * v2 + 2.0 * v3 * v3 + v4 * v4)
        vx += sixth * (ax1 + 2.0 * ax2 + 2.0 * ax3 + ax4)
        vy += sixth * (ay1 + 2.0 * ay2 + 2.0 * ay3 + ay4)
        row = rows[count]
        row[0], row[1], row[2], row[3], row[4], row[5] = t, x, y, vx, vy, s
        count += 1
    return rows[:count].copy()


@njit(ROWS(ROW, ROW, ROW, F8, F8, F8, F8, F8), cache=True, nogil=True)
def trace_plane(
    ground: Any,
    accel: Any,
    start: Any,
    sign: float,
    path_limit: float,
    bearing: float,
    along_limit: float,
    step_share: float,
) -> NDArray[np.float64]:
    """Return `trace_on` a plane, compiled once for all.

    Parameters
    ----------
    ground : ndarray
        The surface's parameters.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    start : ndarray
        First row: t [s], x, y [m], vx, vy [m/s], s [m].
    sign : float
        1 forward in time, -1 back.
    path_limit : float
        Path [m] after which it ends.
    bearing : float
        Direction [rad] in which the distance is looked at.
    along_limit : float
        Distance [m] in that direction after which it ends.
    step_share : float
        Share of its speed that the ball loses in one step on level ground.

    Returns
    -------
    ndarray
        As `trace_on`.
    """
    return trace_on(plane_slope, ground, accel, start, sign, path_limit, bearing, along_limit, step_share)


@njit(ROWS(ROW, ROW, ROW, F8, F8, F8, F8, F8), cache=True, nogil=True)
def _trace_stations(
    ground: Any,
    accel: Any,
    start: Any,
    sign: float,
    path_limit: float,
    bearing: float,
    along_limit: float,
    step_share: float,
) -> NDArray[np.float64]:
    """Return `trace_on` ground read at stations, compiled once for all, as `trace_plane` is."""
    return trace_on(stations_slope, ground, accel, start, sign, path_limit, bearing, along_limit, step_share)


@njit(ROWS(ROW, ROW, ROW, F8, F8, F8, F8, F8), cache=True, nogil=True)
def _trace_grid(
    ground: Any,
    accel: Any,
    start: Any,
    sign: float,
    path_limit: float,
    bearing: float,
    along_limit: float,
    step_share: float,
) -> NDArray[np.float64]:
    """Return `trace_on` a grid, compiled once for all, as `trace_plane` is."""
    return trace_on(grid_slope, ground, accel, start, sign, path_limit, bearing, along_limit, step_share)


COMPILED_AHEAD = {plane_slope: trace_plane, stations_slope: _trace_stations, grid_slope: _trace_grid}
"""Kinds of ground that are compiled once for all; another compiles at its first roll."""


def roll(
    surface: Surface,
    accelerations: Accelerations,
    start: Point,
    *,
    heading_rad: float,
    speed_mps: float,
    path_limit_m: float,
) -> Track:
    """Return the track of a ball that starts rolling on any ground.

    Parameters
    ----------
    surface : Surface
        The ground.
    accelerations : Accelerations
        Drag, grain and wind.
    start : Point
        Where it starts [m].
    heading_rad : float
        Direction [rad] of the start, counter-clockwise from +x.
    speed_mps : float
        Speed [m/s] of the start.
    path_limit_m : float
        Path [m] after which the ball is followed no further.

    Returns
    -------
    Track
        The ball's way.
    """
    row = _start_row(start, heading_rad, speed_mps)
    rows = _trace(surface, accelerations, row, 1.0, path_limit_m, 0.0, math.inf)
    slow = math.hypot(rows[-1, 3], rows[-1, 4]) < REST_MPS
    return Track(rows, rests=slow and holds_ball(surface, accelerations, Point(rows[-1, 1], rows[-1, 2])))


def came_from(
    surface: Surface,
    accelerations: Accelerations,
    end: Point,
    *,
    heading_rad: float,
    speed_mps: float,
    back_rad: float,
    distance_m: float,
) -> NDArray[np.float64]:
    """Return the last rows, backward in time, of the ball that reached `end` so fast and in that direction.

    It is followed until it lies `distance_m` from there in the direction `back_rad`; the last two rows
    straddle that distance (or the way back never gets there, within ten times the distance of path).

    Parameters
    ----------
    surface : Surface
        The ground.
    accelerations : Accelerations
        Drag, grain and wind.
    end : Point
        Place at the end [m].
    heading_rad : float
        Direction [rad] of travel there.
    speed_mps : float
        Speed there [m/s].
    back_rad : float
        Direction [rad] in which it is followed back.
    distance_m : float
        How far back [m] in that direction.

    Returns
    -------
    ndarray
        Rows in the order in which they are found, shape (n, 6).
    """
    row = _start_row(end, heading_rad, speed_mps)
    limit = 10.0 * distance_m
    return _trace(surface, accelerations, row, -1.0, limit, back_rad, distance_m)


def _trace(
    surface: Surface, accelerations: Accelerations, start: NDArray[np.float64], *limits: float
) -> NDArray[np.float64]:
    """Return `trace_on` a surface: by the kernel compiled ahead where there is one for its kind."""
    arguments: Any = (surface.parameters, accelerations.row, start, *limits, STEP_SHARE)
    ahead = COMPILED_AHEAD.get(surface.slope)
    return np.asarray(ahead(*arguments) if ahead else trace_on(surface.slope, *arguments))


def _start_row(start: Point, heading_rad: float, speed_mps: float) -> NDArray[np.float64]:
    vx, vy = speed_mps * math.cos(heading_rad), speed_mps * math.sin(heading_rad)
    return np.array([0.0, start.x_m, start.y_m, vx, vy, 0.0])


def holds_ball(surface: Surface, accelerations: Accelerations, place: Point) -> bool:
    """Return whether a ball at rest stays there: slope, grain and wind no stronger than the drag.

    Parameters
    ----------
    surface : Surface
        The ground.
    accelerations : Accelerations
        Drag, grain and wind.
    place : Point
        Where [m].

    Returns
    -------
    bool
        Whether a ball stays there.
    """
    rise_east, rise_north = surface.slope(place.x_m, place.y_m, surface.parameters)
    push_east, push_north = accelerations.push_at_rest_mps2
    east, north = push_east - PULL_PER_SLOPE_MPS2 * rise_east, push_north - PULL_PER_SLOPE_MPS2 * rise_north
    return bool(math.hypot(east, north) < accelerations.drag_mps2)

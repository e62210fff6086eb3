"""Where along a putt the slope counts: the first-order variation of the solved motion, backward from its end.

In the clock tau (`integrator.py`) a small change dg of the ground's slope along the way changes the motion by

    d(dx)/dtau = (|v| I + v v'/|v|) dv
    d(dv)/dtau = |v| a_x dx + (-d I + a v'/|v| + |v| a_v) dv - |v| (5/7 g) dg,

a being the acceleration apart from the grass's. Two things must stay: the ball passes the hole's centre, and
its pace there. How each would change for a push at any place is the adjoint of the same equations, solved
backward from the hole, and for a roll-past from where the ball rests. What the launch must do to keep both is
one linear system of two.
"""

import math
from dataclasses import dataclass
from typing import Any, Final

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import Plane, Surface, ground_of, slope_at
from orthocline.core.roll.accelerations import (
    WIND_FACTOR_PER_M,
    Accelerations,
    accelerations_of,
    ground_under,
)
from orthocline.core.roll.aim import Aim
from orthocline.core.roll.putt import Putt, RollPast
from orthocline.core.roll.rolling import roll
from orthocline.core.roll.track import VX, VY, S, T, X, Y

HESSIAN_STEP_M: Final = 0.01
"""Half the distance between the slopes whose difference is the curvature of the ground."""
SLOWEST_MPS: Final = 1e-3
"""Below this speed [m/s] what the slope does counts for nothing that can be measured."""
CUBE = types.float64[:, :, ::1]
TABLE = types.float64[:, ::1]


@dataclass(frozen=True)
class Sensitivity:
    """How the launch changes with the slope at each place of the way, at fixed pace.

    Attributes
    ----------
    way_m : ndarray, shape (n,)
        Path from the ball [m], on past the hole to where the ball rests.
    places_m : ndarray, shape (n, 2)
        The same on the map [m].
    aim_rad, speed_mps : ndarray, shape (n, 2)
        Change of launch angle to the right [rad] and of launch speed [m/s] per metre of way on which the
        ground falls more to the right of the ball-hole line, and rises more along it, by the ratio 1.
    """

    way_m: NDArray[np.float64]
    places_m: NDArray[np.float64]
    aim_rad: NDArray[np.float64]
    speed_mps: NDArray[np.float64]

    def over(self, weights: NDArray[np.float64], start_m: float, end_m: float) -> NDArray[np.float64]:
        """Return the sum of `aim_rad` or `speed_mps` over a stretch of the way, shape (2,)."""
        inside = (self.way_m > start_m) & (self.way_m < end_m)
        way = np.concatenate([[start_m], self.way_m[inside], [end_m]])
        columns = [np.interp(way, self.way_m, column) for column in weights.T]
        return np.array([np.trapezoid(column, way) for column in columns])


def sensitivity_of(putt: Putt, solved: Aim) -> Sensitivity:
    """Return where along a solved putt the slope counts, on any ground, in wind too.

    Parameters
    ----------
    putt : Putt
        The putt.
    solved : Aim
        Its solved aim. Where its ball never rests its speed at the hole is taken for the pace.

    Returns
    -------
    Sensitivity
        The weights; their sum over the way is within 0.5 % what a change of the whole ground's tilt does.
    """
    accelerations = accelerations_of(putt)
    to_hole, beyond = _ways(putt, solved, accelerations)
    by_past = isinstance(putt.pace, RollPast) and solved.past_m is not None
    if not by_past:
        beyond = beyond[:1]
    rows = np.vstack([to_hole, beyond[1:]])
    ground = ground_under(putt)
    curvature = _curvature(ground, rows)
    pushes = _pushes(ground, accelerations, rows)
    hole = len(to_hole) - 1
    adjoint = _adjoint(rows, curvature, pushes, accelerations.row, hole, by_past)
    return _weights(putt, rows, adjoint)


def _ways(
    putt: Putt, solved: Aim, accelerations: Accelerations
) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Return the rows of the way to the hole, the last at its centre, and of the way on from there."""
    ground = ground_under(putt)
    ball = roll(
        ground,
        accelerations,
        putt.ball,
        heading_rad=putt.bearing_rad - solved.launch.right_rad,
        speed_mps=solved.launch.speed_mps,
        path_limit_m=solved.path_m,
    ).samples
    heading, speed = putt.bearing_rad - solved.entry_right_rad, solved.speed_at_hole_mps
    beyond = roll(
        ground, accelerations, putt.hole, heading_rad=heading, speed_mps=speed, path_limit_m=20.0
    ).samples
    beyond = beyond[np.hypot(beyond[:, VX], beyond[:, VY]) > SLOWEST_MPS]
    beyond[:, T] += solved.time_to_hole_s
    beyond[:, S] += solved.path_m
    before = ball[(ball[:, T] < solved.time_to_hole_s - 1e-9) & (ball[:, S] < solved.path_m)]
    return np.vstack([before, beyond[:1]]), beyond


@njit(**KEPT)
def _slopes(ground: Any, places: Any) -> NDArray[np.float64]:
    """Return the gradient of the ground at places [ratio], shape (n, 2)."""
    found = np.empty((len(places), 2))
    for i in range(len(places)):
        found[i, 0], found[i, 1] = slope_at(ground, places[i, 0], places[i, 1])
    return found


def _curvature(surface: Surface, rows: NDArray[np.float64]) -> NDArray[np.float64]:
    """Return the second derivatives of the ground's height at each row [1/m], shape (n, 2, 2)."""
    if isinstance(surface, Plane):
        return np.zeros((len(rows), 2, 2))
    step, ground = HESSIAN_STEP_M, ground_of(surface)

    def slopes(east: float, north: float) -> NDArray[np.float64]:
        return np.asarray(_slopes(ground, rows[:, [X, Y]] + (east, north)))

    columns = [slopes(step, 0.0) - slopes(-step, 0.0), slopes(0.0, step) - slopes(0.0, -step)]
    return np.ascontiguousarray(np.stack(columns, axis=-1) / (2.0 * step))


def _pushes(surface: Surface, accelerations: Accelerations, rows: NDArray[np.float64]) -> NDArray[np.float64]:
    """Return the acceleration of slope, grain and wind at each row [m/s^2], shape (n, 2)."""
    slopes = _slopes(ground_of(surface), np.ascontiguousarray(rows[:, [X, Y]]))
    grain = np.array([accelerations.grain_east_mps2, accelerations.grain_north_mps2])
    velocity = rows[:, [VX, VY]]
    past = np.array([accelerations.wind_east_mps, accelerations.wind_north_mps]) - velocity
    still = np.hypot(*velocity.T)[:, None] * velocity
    blown = np.hypot(*past.T)[:, None] * past
    return np.asarray(-PULL_PER_SLOPE_MPS2 * slopes + grain + WIND_FACTOR_PER_M * (blown + still))


@njit(TABLE(types.float64[::1], TABLE, types.float64[::1], types.float64[::1]), **KEPT)
def _change(row: Any, curvature: Any, push: Any, accel: Any) -> NDArray[np.float64]:
    """Return the matrix of the variation's equations at one row, shape (4, 4)."""
    v = math.sqrt(row[VX] * row[VX] + row[VY] * row[VY])
    direction = row[VX] / v, row[VY] / v
    wind = accel[3] - row[VX], accel[4] - row[VY]
    past = math.sqrt(wind[0] * wind[0] + wind[1] * wind[1])
    matrix = np.zeros((4, 4))
    for i in range(2):
        for j in range(2):
            same = 1.0 if i == j else 0.0
            turned = v * same + v * direction[i] * direction[j]
            air = turned - past * same - wind[i] * wind[j] / past
            matrix[i, 2 + j] = turned
            matrix[2 + i, j] = -v * PULL_PER_SLOPE_MPS2 * curvature[i, j]
            matrix[2 + i, 2 + j] = push[i] * direction[j] - accel[0] * same + v * WIND_FACTOR_PER_M * air
    return matrix


@njit(
    CUBE(TABLE, CUBE, TABLE, types.float64[::1], types.int64, types.boolean),
    **KEPT,
)
def _adjoint(
    rows: Any, curvature: Any, pushes: Any, accel: Any, hole: int, by_past: bool
) -> NDArray[np.float64]:
    """Return how the miss at the hole and the pace answer to a change of place and velocity at each row.

    Shape (n, 2, 4). By the classical Runge-Kutta method backward from row to row, the matrix halfway being
    the mean.
    """
    answers = np.zeros((len(rows), 2, 4))
    u = math.sqrt(rows[hole, VX] ** 2 + rows[hole, VY] ** 2)
    east, north = rows[hole, VX] / u, rows[hole, VY] / u
    ahead = np.ascontiguousarray(_change(rows[-1], curvature[-1], pushes[-1], accel).T)
    for k in range(len(rows) - 1, -1, -1):
        if k == hole:
            answers[k, 0, 0], answers[k, 0, 1] = -north, east
            if by_past:
                answers[k, 1, 0] += east
                answers[k, 1, 1] += north
            else:
                slowing = (pushes[k, 0] * east + pushes[k, 1] * north - accel[0]) / u
                answers[k, 1, 0], answers[k, 1, 1] = -slowing * east, -slowing * north
                answers[k, 1, 2], answers[k, 1, 3] = east, north
        if k == 0:
            break
        here = np.ascontiguousarray(_change(rows[k - 1], curvature[k - 1], pushes[k - 1], accel).T)
        before = math.sqrt(rows[k - 1, VX] ** 2 + rows[k - 1, VY] ** 2)
        after = math.sqrt(rows[k, VX] ** 2 + rows[k, VY] ** 2)
        h = (rows[k, T] - rows[k - 1, T]) * 0.5 * (1.0 / before + 1.0 / after)
        middle = 0.5 * (here + ahead)
        counts = 2.0 if k > hole else 0.0
        source_after, source_before = np.zeros(4), np.zeros(4)
        source_after[2:] = counts * rows[k, VX : VY + 1]
        source_before[2:] = counts * rows[k - 1, VX : VY + 1]
        for i in range(2):
            part = 1.0 if i == 1 else 0.0
            one = answers[k, i].copy()
            k1 = ahead @ one + part * source_after
            k2 = middle @ (one + 0.5 * h * k1) + part * 0.5 * (source_after + source_before)
            k3 = middle @ (one + 0.5 * h * k2) + part * 0.5 * (source_after + source_before)
            k4 = here @ (one + h * k3) + part * source_before
            answers[k - 1, i] += one + h / 6.0 * (k1 + 2.0 * k2 + 2.0 * k3 + k4)
        ahead = here
    return answers


def _weights(putt: Putt, rows: NDArray[np.float64], adjoint: NDArray[np.float64]) -> Sensitivity:
    """Return what the launch must do, per metre, for the miss and the pace to stay."""
    speed = np.hypot(rows[:, VX], rows[:, VY])
    pushed = PULL_PER_SLOPE_MPS2 / speed[:, None, None] * adjoint[:, :, 2:]
    launch = np.linalg.solve(adjoint[0, :, 2:], pushed)
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    # A fall to the right is a slope that rises to the left; a grade one that rises toward the hole.
    by_line = launch @ np.array([[-sin, cos], [cos, sin]]).T
    forward, right = rows[0, [VX, VY]] / speed[0], rows[0, [VY, VX]] * (1.0, -1.0) / speed[0]
    places = rows[:, [X, Y]]
    return Sensitivity(rows[:, S], places, right @ by_line / speed[0], forward @ by_line)

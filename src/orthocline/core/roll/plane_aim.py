"""The putt on a uniform slope, solved: which launch sends the ball through the hole at the pace asked.

Two nested roots. Inside, for a given `tau` at the hole, the launch heading whose displacement points at the
hole; outside, the `tau` at which the pace is the one asked. Speed only scales the curve. The outer search
starts at tau = 0 (an infinitely firm putt) and takes the first root, which is the most direct line.
"""

import math

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.roll.plane_newton import UNIQUE, both_at_once
from orthocline.core.roll.plane_roll import AT_REST, F8, path_left, rolled
from orthocline.core.roll.roots import compiled_root_finder

DYING_M = 1e-9
"""Roll-past [m] that stands for none: to die exactly at the hole takes for ever in `tau`."""
LEAST_SPEED_MPS = 1e-3
"""Speed at the hole [m/s] below which the least possible speed is not worth telling from zero."""
LEAST_LAUNCH_MPS = 0.02
"""Slowest launch [m/s] that is looked at: below it a ball on a steep slope starts by itself."""
MOST_LAUNCH_MPS = 40.0
"""Fastest launch [m/s] that is looked at: the firmest putt of 60 m up a quarter leaves at half of it."""
FIRST_STEP, STEP_GROWTH, MAX_SEARCH = 0.2, 1.2, 120
PAST, SPEED = 0.0, 1.0
VECTOR = types.float64[::1]
ROWS = F8(F8, types.float64[::1])
MOST_LINES = 5


@njit(ROWS, **KEPT)
def off_line(turn: float, parameters: NDArray[np.float64]) -> float:
    """Return how far a unit launch, `turn` [rad] above the hole's direction, passes above the hole's line.

    `parameters`: drag, pull, tau at the hole, direction of the hole from downhill.

    Parameters
    ----------
    turn : float
        Launch angle [rad] above the hole's direction, 0 to pi.
    parameters : ndarray
        Drag, pull [m/s^2], tau [s^2/m], direction of the hole [rad]; shape (4,).

    Returns
    -------
    float
        Distance per launch speed squared [s^2/m].
    """
    drag, pull, tau, hole = parameters[0], parameters[1], parameters[2], parameters[3]
    _, across, down, _, _ = rolled(hole + turn, 1.0, drag, pull, tau)
    off: float = across * math.cos(hole) - down * math.sin(hole)
    return off


find_turn = compiled_root_finder(off_line)


@njit(F8(F8, F8, F8, F8), **KEPT)
def launch_turn(drag: float, pull: float, tau: float, hole: float) -> float:
    """Return the launch angle [rad] above the hole's direction that passes through the hole at `tau`.

    Parameters
    ----------
    drag : float
        Rolling deceleration d [m/s^2], above 0.
    pull : float
        Pull down the slope G [m/s^2], 0 or more.
    tau : float
        Parameter of the curve [s^2/m], 0 or more.
    hole : float
        Direction of the hole from straight downhill [rad], 0 to pi.

    Returns
    -------
    float
        Launch angle [rad], 0 or more.
    """
    room = math.pi - hole
    parameters = np.array([drag, pull, tau, hole])
    if room < 1e-12 or off_line(0.0, parameters) >= 0.0:
        return 0.0
    turn: float = find_turn(parameters, 0.0, room, 1e-15)
    return turn


@njit(types.UniTuple(F8, 3)(F8, F8, F8, F8), **KEPT)
def through_hole(drag: float, pull: float, tau: float, hole: float) -> tuple[float, float, float]:
    """Return (launch turn, distance along, speed at the hole) of the unit launch that passes it at `tau`.

    Parameters
    ----------
    drag : float
        Rolling deceleration d [m/s^2], above 0.
    pull : float
        Pull down the slope G [m/s^2], 0 or more.
    tau : float
        Parameter of the curve [s^2/m], 0 or more.
    hole : float
        Direction of the hole from straight downhill [rad], 0 to pi.

    Returns
    -------
    tuple of float
        Angle [rad], distance per launch speed squared [s^2/m], share of the launch speed.
    """
    turn = launch_turn(drag, pull, tau, hole)
    _, across, down, _, speed = rolled(hole + turn, 1.0, drag, pull, tau)
    return turn, across * math.sin(hole) + down * math.cos(hole), speed


@njit(ROWS, **KEPT)
def pace_excess(tau: float, parameters: NDArray[np.float64]) -> float:
    """Return how much firmer than asked the putt is that passes the hole at `tau`, per metre of its length.

    `parameters`: drag, pull, direction of the hole from downhill, kind of pace, pace asked per metre of
    putt (roll-past per metre, or speed squared per metre).

    Parameters
    ----------
    tau : float
        Parameter of the curve [s^2/m], 0 or more.
    parameters : ndarray
        In that order, shape (5,).

    Returns
    -------
    float
        Excess, per metre of putt.
    """
    drag, pull, hole = parameters[0], parameters[1], parameters[2]
    turn, along, speed = through_hole(drag, pull, tau, hole)
    if parameters[3] == SPEED:
        return speed * speed / along - float(parameters[4])
    heading = 2.0 * math.atan2(
        math.sin(0.5 * (hole + turn)) * math.exp(-pull * tau), math.cos(0.5 * (hole + turn))
    )
    left: float = path_left(heading, speed, drag, pull)
    return left / along - float(parameters[4])


find_tau = compiled_root_finder(pace_excess)


@njit(F8(types.float64[::1], F8, F8, F8), **KEPT)
def turning_point(parameters: NDArray[np.float64], low: float, high: float, sign: float) -> float:
    """Return the `tau` between two others at which the pace is softest (golden section).

    Parameters
    ----------
    parameters : ndarray
        As of `pace_excess`.
    low : float
        One end [s^2/m].
    high : float
        The other end [s^2/m].
    sign : float
        1 for the softest pace, -1 for the firmest.

    Returns
    -------
    float
        tau [s^2/m], to a billionth of itself.
    """
    share = 0.5 * (math.sqrt(5.0) - 1.0)
    a, b = high - share * (high - low), low + share * (high - low)
    fa, fb = sign * pace_excess(a, parameters), sign * pace_excess(b, parameters)
    while high - low > 1e-9 * high:
        if fa < fb:
            high, b, fb = b, a, fa
            a = high - share * (high - low)
            fa = sign * pace_excess(a, parameters)
        else:
            low, a, fa = a, b, fb
            b = low + share * (high - low)
            fb = sign * pace_excess(b, parameters)
    return 0.5 * (low + high)


@njit(types.Tuple((types.float64[::1], types.boolean))(types.float64[::1], F8), **KEPT)
def taus_at_hole(parameters: NDArray[np.float64], length_m: float) -> tuple[NDArray[np.float64], bool]:
    """Return the `tau` at the hole of each putt at the pace asked, and whether there is any.

    Without one, the `tau` of the softest putt is returned. On steep slopes the pace may rise again with `tau`
    for a while: the long way round.

    Parameters
    ----------
    parameters : ndarray
        As of `pace_excess`.
    length_m : float
        Distance to the hole [m].

    Returns
    -------
    ndarray, bool
        tau [s^2/m], the most direct line's first, shape (n,), and whether the pace is met there.
    """
    drag, pull, hole = parameters[0], parameters[1], parameters[2]
    asked = parameters[4] / (2.0 * drag) if parameters[3] == SPEED else parameters[4]
    unit = math.log(1.0 + 1.0 / asked) / (2.0 * drag)
    taus, count = np.empty(MOST_LINES), 0
    before = here = 1e-6 * unit
    f_before = f_here = pace_excess(here, parameters)
    soft, step = -1.0, FIRST_STEP * unit
    for _ in range(MAX_SEARCH):
        ahead = here + step
        f_ahead = pace_excess(ahead, parameters)
        _, along, _ = through_hole(drag, pull, ahead, hole)
        if length_m > MOST_LAUNCH_MPS**2 * along:
            break
        ends = here
        sign = 1.0 if f_here > 0.0 else -1.0
        if sign * f_here <= sign * f_before and sign * f_ahead > sign * f_here:
            middle = turning_point(parameters, before, ahead, sign)
            if sign * pace_excess(middle, parameters) <= 0.0 and count < MOST_LINES:
                taus[count] = find_tau(parameters, before, middle, 1e-14 * middle)
                count += 1
                ends = middle
            elif sign > 0.0 and soft < 0.0:
                soft = middle
        if (pace_excess(ends, parameters) > 0.0) != (f_ahead > 0.0) and count < MOST_LINES:
            taus[count] = find_tau(parameters, ends, ahead, 1e-14 * ahead)
            count += 1
        if pull >= drag and length_m < LEAST_LAUNCH_MPS**2 * along:
            soft = soft if soft > 0.0 else ahead
            break
        if (drag - pull) * ahead > AT_REST and f_ahead <= 0.0:
            break
        f_before, before, here, f_here = f_here, here, ahead, f_ahead
        step *= STEP_GROWTH
    if count == 0:
        taus[0] = soft if soft > 0.0 else here
        return taus[:1].copy(), False
    return taus[:count].copy(), True


@njit(types.Tuple((types.float64[:, ::1], types.boolean))(F8, F8, F8, F8, F8, F8), **KEPT)
def lines_on_plane(
    drag: float, pull: float, hole: float, length_m: float, kind: float, pace: float
) -> tuple[NDArray[np.float64], bool]:
    """Return every line of a putt on a uniform slope, the most direct first, and whether they meet the pace.

    Parameters
    ----------
    drag : float
        Rolling deceleration d [m/s^2], above 0.
    pull : float
        Pull down the slope G [m/s^2]; it may be 0 or exceed d.
    hole : float
        Direction of the hole from straight downhill [rad], 0 to pi.
    length_m : float
        Distance to the hole [m].
    kind : float
        `PAST` or `SPEED` [kind of pace].
    pace : float
        The roll-past [m], or the speed at the hole [m/s].

    Returns
    -------
    ndarray, bool
        Rows of launch angle [rad] away from the fall line, launch speed [m/s] and tau [s^2/m], shape (n, 3).

    Notes
    -----
    Where the slope cannot hold a ball there is no roll-past, and a least speed at the hole: asked for less,
    the softest putt is answered with "pace met" false.
    """
    met = True
    if kind == PAST and pull >= drag:
        kind, pace, met = SPEED, LEAST_SPEED_MPS, False
    asked = (max(pace, DYING_M) if kind == PAST else pace * pace) / length_m
    if pull < UNIQUE * drag:
        turn, tau, along, settled = both_at_once(drag, pull, hole, asked, kind == SPEED)
        if settled:
            return np.array([[turn, math.sqrt(length_m / along), tau]]), met
    taus, reached = taus_at_hole(np.array([drag, pull, hole, kind, asked]), length_m)
    rows = np.empty((len(taus), 3))
    for row, tau in zip(rows, taus):  # noqa: B905 - compiled code knows no "strict"
        turn, along, _ = through_hole(drag, pull, tau, hole)
        row[0], row[1], row[2] = turn, math.sqrt(length_m / along), tau
    return rows, met and reached


@njit(types.float64[:, ::1](VECTOR, VECTOR, VECTOR, VECTOR, F8, VECTOR), **KEPT)
def aims_on_plane(
    drag: NDArray[np.float64],
    pull: NDArray[np.float64],
    hole: NDArray[np.float64],
    length_m: NDArray[np.float64],
    kind: float,
    pace: NDArray[np.float64],
) -> NDArray[np.float64]:
    """Return the most direct line of many putts on uniform slopes.

    Parameters
    ----------
    drag : ndarray
        Rolling decelerations d [m/s^2], above 0, shape (n,).
    pull : ndarray
        Pulls down the slope G [m/s^2], shape (n,).
    hole : ndarray
        Directions of the hole from straight downhill [rad], 0 to pi, shape (n,).
    length_m : ndarray
        Distances to the hole [m], shape (n,).
    kind : float
        `PAST` or `SPEED` [kind of pace].
    pace : ndarray
        Roll-pasts [m], or speeds at the hole [m/s], shape (n,).

    Returns
    -------
    ndarray
        Rows of launch angle [rad] away from the fall line, launch speed [m/s] and tau [s^2/m], shape (n, 3).
    """
    rows = np.empty((len(drag), 3))
    for i in range(len(drag)):
        rows[i] = lines_on_plane(drag[i], pull[i], hole[i], length_m[i], kind, pace[i])[0][0]
    return rows

"""The putt on a uniform slope, solved: which launch sends the ball through the hole at the pace asked.

Two nested roots. Inside, for a given `tau` at the hole, the launch heading whose displacement points at the
hole; outside, the `tau` at which the pace is the one asked. Speed only scales the curve. The outer search
starts at tau = 0 (an infinitely firm putt) and takes the first root, which is the most direct line.
"""

import math

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.roll.plane_roll import F8, path_left, rolled
from orthocline.core.roll.roots import compiled_root_finder

DYING_M = 1e-9
"""Roll-past [m] that stands for none: to die exactly at the hole takes for ever in `tau`."""
LEAST_SPEED_MPS = 1e-3
"""Speed at the hole [m/s] below which the least possible speed is not worth telling from zero."""
LEAST_LAUNCH_MPS = 0.02
"""Slowest launch [m/s] that is looked at: below it a ball on a steep slope starts by itself."""
FIRST_STEP, STEP_GROWTH, MAX_SEARCH = 0.2, 1.2, 120
PAST, SPEED = 0.0, 1.0
ROWS = F8(F8, types.float64[::1])


@njit(ROWS, cache=True, nogil=True)
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


@njit(F8(F8, F8, F8, F8), cache=True, nogil=True)
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


@njit(types.UniTuple(F8, 3)(F8, F8, F8, F8), cache=True, nogil=True)
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


@njit(ROWS, cache=True, nogil=True)
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


@njit(F8(types.float64[::1], F8, F8), cache=True, nogil=True)
def softest(parameters: NDArray[np.float64], low: float, high: float) -> float:
    """Return the `tau` between two others at which the pace is least (golden section).

    Parameters
    ----------
    parameters : ndarray
        As of `pace_excess`.
    low : float
        One end [s^2/m].
    high : float
        The other end [s^2/m].

    Returns
    -------
    float
        tau [s^2/m], to a billionth of itself.
    """
    share = 0.5 * (math.sqrt(5.0) - 1.0)
    a, b = high - share * (high - low), low + share * (high - low)
    fa, fb = pace_excess(a, parameters), pace_excess(b, parameters)
    while high - low > 1e-9 * high:
        if fa < fb:
            high, b, fb = b, a, fa
            a = high - share * (high - low)
            fa = pace_excess(a, parameters)
        else:
            low, a, fa = a, b, fb
            b = low + share * (high - low)
            fb = pace_excess(b, parameters)
    return 0.5 * (low + high)


@njit(types.Tuple((F8, types.boolean))(types.float64[::1], F8), cache=True, nogil=True)
def tau_at_hole(parameters: NDArray[np.float64], length_m: float) -> tuple[float, bool]:
    """Return the `tau` at the hole of the most direct putt at the pace asked, and whether there is one.

    Without one, the `tau` of the softest putt is returned. On ground that holds the ball the search goes on
    past a soft spot of the direct lines to the long way round, which has every pace.

    Parameters
    ----------
    parameters : ndarray
        As of `pace_excess`.
    length_m : float
        Distance to the hole [m].

    Returns
    -------
    tuple of float, bool
        tau [s^2/m], and whether the pace is met there.
    """
    drag, pull, hole = parameters[0], parameters[1], parameters[2]
    asked = parameters[4] / (2.0 * drag) if parameters[3] == SPEED else parameters[4]
    unit = math.log(1.0 + 1.0 / asked) / (2.0 * drag)
    before, here = 0.0, 1e-6 * unit
    f_here = pace_excess(here, parameters)
    step = FIRST_STEP * unit
    for _ in range(MAX_SEARCH):
        ahead = here + step
        f_ahead = pace_excess(ahead, parameters)
        if f_ahead <= 0.0:
            return find_tau(parameters, here, ahead, 1e-14 * ahead), True
        if f_ahead > f_here:
            soft = softest(parameters, before, ahead)
            if pace_excess(soft, parameters) <= 0.0:
                return find_tau(parameters, before, soft, 1e-14 * soft), True
            if pull >= drag:
                return soft, False
        _, along, _ = through_hole(drag, pull, ahead, hole)
        if pull >= drag and length_m < LEAST_LAUNCH_MPS**2 * along:
            return ahead, False
        before, here, f_here = here, ahead, f_ahead
        step *= STEP_GROWTH
    return here, False


@njit(types.Tuple((F8, F8, F8, types.boolean))(F8, F8, F8, F8, F8, F8), cache=True, nogil=True)
def aim_on_plane(
    drag: float, pull: float, hole: float, length_m: float, kind: float, pace: float
) -> tuple[float, float, float, bool]:
    """Return (launch turn, launch speed, tau at the hole, pace met) of a putt on a uniform slope.

    Parameters
    ----------
    drag : float
        Rolling deceleration d and pull down the slope G [m/s^2]; G may be 0 or exceed d.
    pull : float
        Rolling deceleration d and pull down the slope G [m/s^2]; G may be 0 or exceed d.
    hole : float
        Direction of the hole from straight downhill [rad], 0 to pi.
    length_m : float
        Distance to the hole [m].
    kind : float
        `PAST` and the roll-past [m], or `SPEED` and the speed at the hole [m/s].
    pace : float
        `PAST` and the roll-past [m], or `SPEED` and the speed at the hole [m/s].

    Returns
    -------
    tuple of float, float, float, bool
        Angle [rad] away from the fall line, speed [m/s], tau [s^2/m], whether the pace is met.

    Notes
    -----
    Where the slope cannot hold a ball there is no roll-past, and a least speed at the hole: asked for less,
    the softest putt is answered with "pace met" false.
    """
    met = True
    if kind == PAST and pull >= drag:
        kind, pace, met = SPEED, LEAST_SPEED_MPS, False
    asked = max(pace, DYING_M) if kind == PAST else pace * pace
    parameters = np.array([drag, pull, hole, kind, asked / length_m])
    tau, reached = tau_at_hole(parameters, length_m)
    turn, along, _ = through_hole(drag, pull, tau, hole)
    return turn, math.sqrt(length_m / along), tau, met and reached

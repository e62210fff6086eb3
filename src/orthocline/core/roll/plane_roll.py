r"""The uniform slope, solved exactly.

The closed form of the field (heading psi from straight downhill, u = tan(psi/2), powers of u with k = d/G)
overflows near level ground and divides by zero at k = 1 and k = 1/2. It is the same curve written in the
parameter tau, with dt = v dtau, which runs from 0 at launch to infinity at rest:

    c = cos^2(psi0/2),  s = sin^2(psi0/2),  A(a) = (1 - e^(-a tau)) / a   (-> tau as a -> 0)

    speed     v = v0 [c e^(-(d-G) tau) + s e^(-(d+G) tau)]
    heading   tan(psi/2) = e^(-G tau) tan(psi0/2)
    time      T = v0 [c A(d-G) + s A(d+G)]
    across    X = v0^2 sin(psi0) [c A(2d-G) + s A(2d+G)]
    downhill  Y = v0^2 [c^2 A(2d-2G) - s^2 A(2d+2G)]
    path      P = v0^2 [c^2 A(2d-2G) + 2 c s A(2d) + s^2 A(2d+2G)]

which follows from tau = -ln(u/u0)/G. Level, straight up, straight down and slopes that cannot hold a
ball are no longer special cases: every term is regular for G = 0, psi0 = 0 or pi, and G >= d.
"""

import math

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.compiled import BUILT_IN, KEPT
from orthocline.core.roll.track import COLUMNS

F8 = types.float64
STEP_SHARE = 0.04
"""Share of its speed that a ball on level ground loses between two rows of a track."""
SLOW_MPS = 0.02
"""Below this speed a track ends with one exact row at rest: what is left is a few tenths of a millimetre."""
MAX_ROWS = 600
LEVEL = 1e-9
"""A rate whose product with tau is smaller is none."""
AT_REST = 60.0
"""Of the clock times the least loss: no ball moves any more."""


@njit(**BUILT_IN)
def over(spent: float, rate: float, tau: float) -> float:
    """Return A(rate) = (1 - e^(-rate tau)) / rate from its numerator, and `tau` where the rate vanishes.

    Parameters
    ----------
    spent : float
        1 - e^(-rate tau) [ratio].
    rate : float
        Rate [m/s^2], any sign.
    tau : float
        Parameter of the curve [s^2/m], 0 or more.

    Returns
    -------
    float
        A(rate) [s^2/m].
    """
    return spent / rate if abs(rate * tau) > LEVEL else tau


@njit(types.UniTuple(F8, 7)(F8, F8, F8, F8, F8, F8, F8), **KEPT)
def state_at(
    c: float, s: float, sin: float, speed: float, drag: float, pull: float, tau: float
) -> tuple[float, float, float, float, float, float, float]:
    """Return (time, across, downhill, path, speed, sine and cosine of the heading) at `tau` on a plane.

    Parameters
    ----------
    c : float
        Squared cosine of half the launch heading psi0 from straight downhill [ratio].
    s : float
        Squared sine of the same [ratio].
    sin : float
        Sine of psi0 [ratio].
    speed : float
        Launch speed v0 [m/s].
    drag : float
        Rolling deceleration d [m/s^2].
    pull : float
        Pull down the slope G [m/s^2].
    tau : float
        Parameter of the curve [s^2/m], 0 or more.

    Returns
    -------
    tuple of float
        Time [s], distances [m] across and down the slope, path [m], speed [m/s], sine and cosine.
    """
    slow, fast = drag - pull, drag + pull
    e, f, g = math.expm1(-slow * tau), math.expm1(-fast * tau), math.expm1(-drag * tau)
    big, small, energy = c * math.exp(-slow * tau), s * math.exp(-fast * tau), speed * speed
    low, high = c * c * over(-e * (2.0 + e), 2.0 * slow, tau), s * s * over(-f * (2.0 + f), 2.0 * fast, tau)
    across = c * over(-e - g - e * g, drag + slow, tau) + s * over(-f - g - f * g, drag + fast, tau)
    path = low + 2.0 * c * s * over(-g * (2.0 + g), 2.0 * drag, tau) + high
    time = c * over(-e, slow, tau) + s * over(-f, fast, tau)
    left = big + small
    return (
        speed * time,
        energy * sin * across,
        energy * (low - high),
        energy * path,
        speed * left,
        sin * math.exp(-drag * tau) / left,
        (big - small) / left,
    )


@njit(types.UniTuple(F8, 5)(F8, F8, F8, F8, F8), **KEPT)
def rolled(
    heading: float, speed: float, drag: float, pull: float, tau: float
) -> tuple[float, float, float, float, float]:
    """Return (time, across, downhill, path, speed) at `tau` for a launch on a plane.

    Parameters
    ----------
    heading : float
        Launch heading psi0 [rad] from straight downhill, 0 to pi.
    speed : float
        Launch speed v0 [m/s].
    drag : float
        Rolling deceleration d and pull down the slope G [m/s^2].
    pull : float
        Rolling deceleration d and pull down the slope G [m/s^2].
    tau : float
        Parameter of the curve [s^2/m], 0 or more.

    Returns
    -------
    tuple of float
        Time [s], distances [m] across and down the slope, path [m], speed [m/s].
    """
    s = math.sin(0.5 * heading) ** 2
    c = 1.0 - s if s < 0.5 else math.cos(0.5 * heading) ** 2
    time, across, down, path, now, _, _ = state_at(c, s, math.sin(heading), speed, drag, pull, tau)
    return time, across, down, path, now


@njit(F8(F8, F8, F8), **KEPT)
def heading_at(heading: float, pull: float, tau: float) -> float:
    """Return the heading [rad] from straight downhill at `tau`.

    Parameters
    ----------
    heading : float
        Launch heading psi0 [rad] from straight downhill, 0 to pi.
    pull : float
        Pull down the slope G [m/s^2], 0 or more.
    tau : float
        Parameter of the curve [s^2/m], 0 or more.

    Returns
    -------
    float
        Heading [rad], 0 to pi.
    """
    return 2.0 * math.atan2(math.sin(0.5 * heading) * math.exp(-pull * tau), math.cos(0.5 * heading))


@njit(F8(F8, F8, F8, F8), **KEPT)
def path_left(heading: float, speed: float, drag: float, pull: float) -> float:
    """Return the path [m] until rest; infinite where the slope does not hold the ball.

    The last terms of `rolled` at tau = infinity. Straight up a slope that cannot hold it, the ball is at
    rest only for a moment: the path to there is given.

    Parameters
    ----------
    heading : float
        Launch heading psi0 [rad] from straight downhill, 0 to pi.
    speed : float
        Launch speed v0 [m/s].
    drag : float
        Rolling deceleration d [m/s^2], above 0.
    pull : float
        Pull down the slope G [m/s^2], 0 or more.

    Returns
    -------
    float
        Path [m], or infinity.
    """
    s = math.sin(0.5 * heading) ** 2
    c = math.cos(0.5 * heading) ** 2
    if pull >= drag:
        return speed * speed / (2.0 * (drag + pull)) if c < 1e-30 else math.inf
    return 0.5 * speed * speed * (c * c / (drag - pull) + 2.0 * c * s / drag + s * s / (drag + pull))


@njit(
    types.Tuple((F8[:, ::1], types.boolean))(F8, F8, F8, F8, F8, F8, F8, F8, F8, F8),
    **KEPT,
)
def plane_samples(
    x_m: float,
    y_m: float,
    downhill: float,
    side: float,
    heading: float,
    speed: float,
    drag: float,
    pull: float,
    step_share: float,
    path_limit: float,
) -> tuple[NDArray[np.float64], bool]:
    """Return the rows of a `Track` on a plane and whether the ball rests at the last of them.

    Parameters
    ----------
    x_m : float
        Start on the map [m].
    y_m : float
        Start on the map [m].
    downhill : float
        Direction of straight downhill [rad].
    side : float
        +1 where the heading is counter-clockwise from downhill, -1 where it is clockwise.
    heading : float
        Launch heading [rad] from straight downhill, 0 to pi.
    speed : float
        Launch speed [m/s].
    drag : float
        Rolling deceleration d [m/s^2].
    pull : float
        Pull down the slope G [m/s^2].
    step_share : float
        Share of its speed that the ball loses between two rows on level ground.
    path_limit : float
        Path length [m] after which a ball that never rests is followed no further.

    Returns
    -------
    (ndarray, bool)
        Rows of t [s], x, y [m], vx, vy [m/s], s [m], shape (n, 6), and the flag.
    """
    rows = np.empty((MAX_ROWS, COLUMNS))
    cos, sin = math.cos(downhill), math.sin(downhill)
    s = math.sin(0.5 * heading) ** 2
    c = math.cos(0.5 * heading) ** 2
    step = step_share / drag
    tau = 0.0
    count = 0
    v = speed
    holds = pull < drag
    while count < MAX_ROWS - 1:
        t, across, down, path, v, sine, cosine = state_at(c, s, math.sin(heading), speed, drag, pull, tau)
        sine *= side
        x, y = x_m + down * cos - side * across * sin, y_m + down * sin + side * across * cos
        vx, vy = v * (cosine * cos - sine * sin), v * (sine * cos + cosine * sin)
        rows[count] = (t, x, y, vx, vy, path)
        count += 1
        if path > path_limit or v < (SLOW_MPS if holds else 1e-6):
            break
        tau += step
        step *= 1.01 + max(0.0, 0.01 * (count - 200))
    if not holds or v >= SLOW_MPS:
        return rows[:count].copy(), False
    t, across, down, path, _, _, _ = state_at(
        c, s, math.sin(heading), speed, drag, pull, AT_REST / (drag - pull)
    )
    x, y = x_m + down * cos - side * across * sin, y_m + down * sin + side * across * cos
    rows[count] = (t, x, y, 0.0, 0.0, path)
    return rows[: count + 1].copy(), True

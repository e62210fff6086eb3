"""Many balls on one uniform slope at once, by the closed form: how each passes the hole and rests."""

import math
from typing import Any, Final

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll.outcomes import FIGURES, FINISH_X, FINISH_Y, MISS, RIM, back_to_rim
from orthocline.core.roll.plane_newton import UNIQUE
from orthocline.core.roll.plane_roll import AT_REST, F8, over

ROW, ROWS = types.float64[::1], types.float64[:, ::1]
BALL, PLACE = types.UniTuple(F8, 5), types.UniTuple(F8, 2)
"""A ball: sine and cosine of its launch heading from straight downhill, speed, drag and pull. A place: across
and down the slope from the start."""
TRIES: Final = 60
RIM_CLOSE_M: Final = 1e-7
APPROACHES, LOOKS = 3, 100
"""How often a ball may near the hole where it is turned round, and how often it is looked at for that."""
JUST_AFTER: Final = 1e-6
"""Share of tau by which a ball is taken for past its closest point."""
CLOSE: Final = 1e-9
"""Share of the way to which the closest point is found."""


@njit(types.UniTuple(F8, 5)(BALL, F8), **KEPT)
def _state(ball: Any, tau: float) -> tuple[float, float, float, float, float]:
    """Return (across, down, speed, sine, cosine of the heading) at `tau`.

    As `plane_roll.state_at` has them, from two powers of e only: a little less exact, and twice as quick.
    """
    sin, cos, speed, drag, pull = ball
    slow, fast, energy = drag - pull, drag + pull, speed * speed
    c, s = 0.5 * (1.0 + cos), 0.5 * (1.0 - cos)
    e, f = math.exp(-slow * tau), math.exp(-fast * tau)
    both = math.sqrt(e * f)
    low, high = over(1.0 - e * e, 2.0 * slow, tau), over(1.0 - f * f, 2.0 * fast, tau)
    a, b = over(1.0 - e * both, drag + slow, tau), over(1.0 - f * both, drag + fast, tau)
    big, small = c * e, s * f
    left = big + small
    across, down = energy * sin * (c * a + s * b), energy * (c * c * low - s * s * high)
    return across, down, speed * left, sin * both / left, (big - small) / left


@njit(F8(BALL, PLACE, F8, F8), **KEPT)
def _nearing_again(ball: Any, place: Any, first: float, most: float) -> float:
    """Return a `tau` after `first` at which a ball that moves away nears a place again, or -1."""
    across, down = place
    for i in range(1, LOOKS):
        tau = first + (most - first) * (i / LOOKS) ** 2
        x, y, _, sine, cosine = _state(ball, tau)
        if (x - across) * sine + (y - down) * cosine < 0.0:
            return tau
    return -1.0


@njit(F8(BALL, PLACE, F8, F8), **KEPT)
def _closest(ball: Any, place: Any, first: float, most: float) -> float:
    """Return the next `tau` at which a ball is nearest to a place, by Newton's method between brackets."""
    _, _, speed, drag, pull = ball
    across, down = place
    low, high = first, most
    away = math.sqrt(across * across + down * down)
    spent = 2.0 * drag * away / (speed * speed)
    tau = -0.5 * math.log(1.0 - spent) / drag if spent < 0.99 else 0.5 * most
    if tau <= first:
        tau = 0.5 * (first + most)
    for _ in range(TRIES):
        x, y, v, sine, cosine = _state(ball, tau)
        ahead = (x - across) * sine + (y - down) * cosine
        if ahead < 0.0:
            low = tau
        else:
            high = tau
        change = v * v - pull * sine * ((x - across) * cosine - (y - down) * sine)
        if abs(ahead) <= CLOSE * away:
            break
        if high - low <= 1e-9 * high:
            return most
        tau -= ahead / change
        if not low < tau < high:
            tau = 0.5 * (low + high)
    return tau


@njit(F8(BALL, PLACE, F8, F8), **KEPT)
def _at_rim(ball: Any, place: Any, inside: float, guess: float) -> float:
    """Return the speed at the rim of a ball that is within it at `inside`, by Newton's method in brackets."""
    across, down = place
    low, high, tau, v = 0.0, inside, guess, 0.0
    for _ in range(TRIES):
        if not low < tau < high:
            tau = 0.5 * (low + high)
        x, y, v, sine, cosine = _state(ball, tau)
        away = math.sqrt((x - across) ** 2 + (y - down) ** 2)
        if abs(away - HOLE_RADIUS_M) < RIM_CLOSE_M:
            break
        if away > HOLE_RADIUS_M:
            low = tau
        else:
            high = tau
        nearing = v * v * ((x - across) * sine + (y - down) * cosine) / away
        tau = tau + (HOLE_RADIUS_M - away) / nearing if nearing < 0.0 else low
    return v


@njit(ROWS(F8, F8, F8, F8, F8, F8, F8, ROWS), **KEPT)
def plane_outcomes(
    ball_x: float,
    ball_y: float,
    hole_x: float,
    hole_y: float,
    downhill: float,
    drag: float,
    pull: float,
    launches: Any,
) -> NDArray[np.float64]:
    """Return how balls pass the hole on a plane and where they rest.

    Parameters
    ----------
    ball_x : float
        Start on the map [m].
    ball_y : float
        Start on the map [m].
    hole_x : float
        Hole on the map [m].
    hole_y : float
        Hole on the map [m].
    downhill : float
        Direction of straight downhill [rad], counter-clockwise from +x.
    drag : float
        Rolling deceleration d [m/s^2], above 0.
    pull : float
        Pull down the slope G [m/s^2], 0 or more.
    launches : ndarray
        Rows of heading [rad], counter-clockwise from +x, and speed [m/s], shape (n, 2).

    Returns
    -------
    ndarray
        Rows of the figures of `outcomes`, shape (n, 4).
    """
    rows = np.empty((len(launches), FIGURES))
    east, north = math.cos(downhill), math.sin(downhill)
    hole_down = (hole_x - ball_x) * east + (hole_y - ball_y) * north
    hole_left = (hole_y - ball_y) * east - (hole_x - ball_x) * north
    most = AT_REST / (drag - pull) if pull < drag else AT_REST / drag
    for i in range(len(launches)):
        speed, row = launches[i, 1], rows[i]
        turn = math.atan2(math.sin(launches[i, 0] - downhill), math.cos(launches[i, 0] - downhill))
        side = 1.0 if turn >= 0.0 else -1.0
        across = side * hole_left
        ball, place = (abs(math.sin(turn)), math.cos(turn), speed, drag, pull), (across, hole_down)
        tau, nearest = 0.0, math.sqrt(across * across + hole_down * hole_down)
        row[MISS], row[RIM] = nearest, -1.0
        for _ in range(APPROACHES):
            x, y, _, sine, cosine = _state(ball, tau)
            if (x - across) * sine + (y - hole_down) * cosine >= 0.0:
                if pull < UNIQUE * drag:
                    break
                tau = _nearing_again(ball, place, tau, most)
                if tau < 0.0:
                    break
            tau = _closest(ball, place, tau, most)
            x, y, v, sine, cosine = _state(ball, tau)
            x, y = x - across, y - hole_down
            off = math.sqrt(x * x + y * y)
            if off < nearest:
                nearest = off
                row[MISS] = -off if tau < most and side * (x * cosine - y * sine) > 0.0 else off
            if off < HOLE_RADIUS_M:
                guess = tau - back_to_rim(x, y, v * sine, v * cosine, drag)
                row[RIM] = _at_rim(ball, place, tau, guess)
            if off < HOLE_RADIUS_M or tau >= most:
                break
            tau *= 1.0 + JUST_AFTER
        row[FINISH_X], row[FINISH_Y] = math.nan, math.nan
        if pull < drag:
            x, y, _, _, _ = _state(ball, most)
            row[FINISH_X] = ball_x + y * east - side * x * north
            row[FINISH_Y] = ball_y + y * north + side * x * east
    return rows

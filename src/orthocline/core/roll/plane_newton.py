"""The putt on a gentle slope: both unknowns at once by Newton's method, from the level putt.

With C = c e^(-(d-G) tau) and S = s e^(-(d+G) tau) the speed is C + S, and the path left
(C^2/(d-G) + 2 C S/d + S^2/(d+G)) / 2. All else of `plane_roll.rolled`, and its change with the launch angle
and with tau, follows from the same two powers of e. The pace enters by its logarithm, which falls evenly.
"""

import math

from numba import njit, types

from orthocline.core.compiled import KEPT
from orthocline.core.roll.plane_roll import F8

UNIQUE = 0.8
"""Share of the drag below which the pull of the slope leaves but one line at any pace."""
NEWTON_TRIES, SETTLED = 20, 1e-13


@njit(
    types.Tuple((F8, F8, F8, types.boolean))(F8, F8, F8, F8, types.boolean),
    **KEPT,
)
def both_at_once(
    drag: float, pull: float, hole: float, asked: float, by_speed: bool
) -> tuple[float, float, float, bool]:
    """Return (launch turn, tau at the hole, distance along) of a putt, and whether the search settled.

    Parameters
    ----------
    drag : float
        Rolling deceleration d [m/s^2], above 0.
    pull : float
        Pull down the slope G [m/s^2], 0 or more and less than `UNIQUE` of the drag.
    hole : float
        Direction of the hole from straight downhill [rad], 0 to pi.
    asked : float
        Roll-past, or speed squared [m^2/s^2], per metre of putt.
    by_speed : bool
        Whether it is the speed.

    Returns
    -------
    tuple of float, float, float, bool
        Angle [rad] away from the fall line, tau [s^2/m], distance per launch speed squared [s^2/m], settled.
    """
    sin_hole, cos_hole = math.sin(hole), math.cos(hole)
    slow, fast = drag - pull, drag + pull
    level = asked / (2.0 * drag) if by_speed else asked
    tau = 0.5 * math.log1p(1.0 / level) / drag
    turn = 0.5 * pull * sin_hole / drag * (1.0 - math.exp(-drag * tau))
    along = 0.0
    for _ in range(NEWTON_TRIES):
        sin, cos = math.sin(hole + turn), math.cos(hole + turn)
        c, s = 0.5 * (1.0 + cos), 0.5 * (1.0 - cos)
        e, f = math.exp(-slow * tau), math.exp(-fast * tau)
        both = math.sqrt(e * f)
        a, b = (1.0 - e * both) / (drag + slow), (1.0 - f * both) / (drag + fast)
        low, high = 0.5 * (1.0 - e * e) / slow, 0.5 * (1.0 - f * f) / fast
        x, y = sin * (c * a + s * b), c * c * low - s * s * high
        x_turn, y_turn = cos * (c * a + s * b) + 0.5 * sin * sin * (b - a), -sin * (c * low + s * high)
        big, small = c * e, s * f
        v = big + small
        x_tau, y_tau = v * sin * both, v * (big - small)
        off, off_turn, off_tau = (
            x * cos_hole - y * sin_hole,
            x_turn * cos_hole - y_turn * sin_hole,
            x_tau * cos_hole - y_tau * sin_hole,
        )
        along = x * sin_hole + y * cos_hole
        along_turn, along_tau = x_turn * sin_hole + y_turn * cos_hole, x_tau * sin_hole + y_tau * cos_hole
        big_turn, small_turn = -0.5 * sin * e, 0.5 * sin * f
        if by_speed:
            left, left_tau = v * v, -2.0 * v * (slow * big + fast * small)
            left_turn = 2.0 * v * (big_turn + small_turn)
        else:
            left = 0.5 * (big * big / slow + 2.0 * big * small / drag + small * small / fast)
            left_tau = -v * v
            left_turn = (big / slow + small / drag) * big_turn + (big / drag + small / fast) * small_turn
        pace = math.log(left / (along * asked))
        pace_turn, pace_tau = left_turn / left - along_turn / along, left_tau / left - along_tau / along
        whole = off_turn * pace_tau - off_tau * pace_turn
        d_turn, d_tau = (off * pace_tau - pace * off_tau) / whole, (pace * off_turn - off * pace_turn) / whole
        turn, tau = turn - d_turn, tau - d_tau
        if abs(d_turn) < SETTLED and abs(d_tau) < SETTLED * tau:
            return turn, tau, along, 0.0 <= turn <= math.pi - hole
        if not (-0.1 <= turn <= math.pi - hole and tau > 0.0):
            break
    return 0.0, 0.0, 0.0, False

"""The straight putt: from where round the hole a ball does not break."""

import math
from typing import Final

from scipy.optimize import brentq

from orthocline.core.roll import Putt
from orthocline.core.train.putts import NoPuttError, turned
from orthocline.core.train.serves import aims_that_drop, solved_putt
from orthocline.core.units import wrap_rad

STRAIGHT_WIDE_RAD: Final = math.radians(60.0)
"""So far to each side of the mean fall the straight putt is looked for."""
STRAIGHT_CLOSE_RAD: Final = math.radians(0.2)
BESIDE_RAD: Final = math.radians(5.0)
"""The aim's change is told by putts so far to both sides."""


def straight_turns(putt: Putt) -> list[float]:
    """Return from where round the hole a putt goes straight in, up and down the fall.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    list of float
        Turns of the ball clockwise round the hole [rad]; none where the aim does not change its side.
    """
    uphill = -math.atan2(putt.side_tilt_right, putt.grade)
    found = []
    for start in (uphill, uphill + math.pi):
        least, most = start - STRAIGHT_WIDE_RAD, start + STRAIGHT_WIDE_RAD
        try:
            if _aim_from(putt, least) * _aim_from(putt, most) < 0.0:
                turn = brentq(lambda one: _aim_from(putt, one), least, most, xtol=STRAIGHT_CLOSE_RAD)
                found.append(wrap_rad(turn))
        except NoPuttError:
            continue
    return found


def _aim_from(putt: Putt, turn_rad: float) -> float:
    return solved_putt(turned(putt, turn_rad)).aim_right_m or 0.0


def turn_that_serves(putt: Putt, turn_rad: float) -> float:
    """Return how far beside a straight putt a ball that is aimed at the centre still drops.

    Parameters
    ----------
    putt : Putt
        The putt.
    turn_rad : float
        From where round its hole it is straight [rad].

    Returns
    -------
    float
        So far to each side [rad].
    """
    there = aims_that_drop(solved_putt(turned(putt, turn_rad)))
    apart = _aim_from(putt, turn_rad + BESIDE_RAD) - _aim_from(putt, turn_rad - BESIDE_RAD)
    return 0.5 * there.width / max(abs(apart) / (2.0 * BESIDE_RAD), 1e-3)

"""Lobs: putts whose ball passes the hole and rolls back into it, and the softest that does not."""

import math
from dataclasses import replace

from orthocline.core.constants import CAPTURE_SPEED_MPS
from orthocline.core.roll.aim import Aim, aim
from orthocline.core.roll.putt import RANGES, Putt, SpeedAtHole
from orthocline.core.roll.roots import root_finder

SIDEWAYS_RAD = math.pi / 2
"""Direction at the hole, from the line to it, beyond which a ball comes from behind."""
SPEED_TOLERANCE_MPS = 1e-4


def comes_back(solved: Aim) -> bool:
    """Return whether the ball enters on its way back, from beyond the hole.

    Parameters
    ----------
    solved : Aim
        The solved aim.

    Returns
    -------
    bool
        Whether it does.
    """
    return abs(solved.entry_right_rad) > SIDEWAYS_RAD


def softest_straight_in(putt: Putt, solved: Aim) -> Aim | None:
    """Return the aim of the softest ball that enters from the golfer's side, where the solved one comes back.

    Parameters
    ----------
    putt : Putt
        The putt; its pace is left out of account.
    solved : Aim
        Its solved aim.

    Returns
    -------
    Aim or None
        At the speed at the hole found within 0.1 mm/s, rounded up to the next centimetre a second;
        None where every ball that comes from that side is too fast to drop.
    """
    direct = replace(putt, line=1)

    def back(speed: float, _: None) -> float:
        return abs(aim(replace(direct, pace=SpeedAtHole(speed))).entry_right_rad) - SIDEWAYS_RAD

    slowest = max(solved.speed_at_hole_mps, RANGES.speed_at_hole_mps[0])
    if not comes_back(solved) or slowest >= CAPTURE_SPEED_MPS or back(CAPTURE_SPEED_MPS, None) > 0.0:
        return None
    speed = slowest
    if back(slowest, None) > 0.0:
        speed = root_finder(back)(None, slowest, CAPTURE_SPEED_MPS, SPEED_TOLERANCE_MPS)
    return aim(replace(direct, pace=SpeedAtHole(math.ceil(100.0 * speed) / 100.0)))

"""The gate to practise a start line: two of its place, its width and its tolerance give the third."""

import math
from dataclasses import dataclass
from typing import Final

from orthocline.core.constants import BALL_RADIUS_M

NARROWEST_M: Final = 2.0 * BALL_RADIUS_M
"""A gate as wide as the ball."""


@dataclass(frozen=True)
class StartGate:
    """A gate across the start line: how far ahead of the ball, how wide [m], and within what it lets through.

    A ball passes that starts less than `within_rad` off its middle: w = 2 (r + a tan(tolerance)).
    """

    ahead_m: float
    wide_m: float
    within_rad: float


def gate_at(ahead_m: float, within_rad: float) -> StartGate:
    """Return the gate that stands in a place.

    Parameters
    ----------
    ahead_m : float
        From the ball [m].
    within_rad : float
        What it is to let through [rad].

    Returns
    -------
    StartGate
        With its width [m].
    """
    return StartGate(ahead_m, NARROWEST_M + 2.0 * ahead_m * math.tan(within_rad), within_rad)


def gate_of_width(wide_m: float, within_rad: float) -> StartGate | None:
    """Return the gate of a width.

    Parameters
    ----------
    wide_m : float
        Between its posts [m].
    within_rad : float
        What it is to let through [rad], above 0.

    Returns
    -------
    StartGate or None
        With its place [m]; None for one that is no wider than the ball.
    """
    spare = wide_m - NARROWEST_M
    if spare <= 0.0 or within_rad <= 0.0:
        return None
    return StartGate(0.5 * spare / math.tan(within_rad), wide_m, within_rad)


def gate_that_stands(ahead_m: float, wide_m: float) -> StartGate | None:
    """Return what a gate of a width lets through where it stands.

    Parameters
    ----------
    ahead_m : float
        From the ball [m].
    wide_m : float
        Between its posts [m].

    Returns
    -------
    StartGate or None
        With its tolerance [rad]; None for one that is no wider than the ball.
    """
    spare = wide_m - NARROWEST_M
    return None if spare <= 0.0 else StartGate(ahead_m, wide_m, math.atan2(0.5 * spare, ahead_m))

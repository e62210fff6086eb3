"""Units at the edges: feet, inches, paces, percent and degrees. Inside everything is SI and radians."""

import math
from typing import Final

FOOT_M: Final = 0.3048
INCH_M: Final = 0.0254
YARD_M: Final = 0.9144
PACE_M: Final = 0.9144
"""The usual pace, three feet, until the golfer's own stride is known."""
HOUR_RAD: Final = math.pi / 6.0
"""An hour on the cup, or round the hole."""
PERCENT: Final = 0.01
MILE_PER_HOUR_MPS: Final = 0.44704
KILOMETRE_PER_HOUR_MPS: Final = 1.0 / 3.6


def feet(length_m: float) -> float:
    """Return a length [m] in feet.

    Parameters
    ----------
    length_m : float
        A length [m].

    Returns
    -------
    float
        The same in feet.
    """
    return length_m / FOOT_M


def inches(length_m: float) -> float:
    """Return a length [m] in inches.

    Parameters
    ----------
    length_m : float
        A length [m].

    Returns
    -------
    float
        The same in inches.
    """
    return length_m / INCH_M


def wrap_rad(angle_rad: float) -> float:
    """Return the same direction [rad] between -pi (not included) and pi.

    Parameters
    ----------
    angle_rad : float
        Any angle [rad].

    Returns
    -------
    float
        Angle [rad], above -pi up to pi.
    """
    return -math.remainder(-angle_rad, math.tau) if angle_rad != -math.pi else math.pi

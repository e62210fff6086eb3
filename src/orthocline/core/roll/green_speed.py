"""Green speed: what the ramp says of the grass, as the deceleration of a rolling ball."""

from typing import TypeVar

import numpy as np
from numpy.typing import NDArray

from orthocline.core.constants import PULL_PER_SLOPE_MPS2, RAMP_SPEED_MPS
from orthocline.core.units import FOOT_M

Figures = TypeVar("Figures", float, NDArray[np.float64])
"""One figure, or an array of them."""


def rolling_deceleration_mps2(green_speed_ft: Figures) -> Figures:
    """Return the deceleration d [m/s^2] of a ball that rolls on level ground.

    Parameters
    ----------
    green_speed_ft : float
        Distance [ft] that the standard ramp's ball rolls on level ground, above 0.

    Returns
    -------
    float
        Deceleration d [m/s^2].

    Notes
    -----
    d = v_ramp^2 / (2 S), from the energy of a ball released at `RAMP_SPEED_MPS` that rests after S
    (Holmes 1991, Am. J. Phys. 59, 129).
    """
    return RAMP_SPEED_MPS**2 / (2.0 * green_speed_ft * FOOT_M)


def steepest_holding_slope(green_speed_ft: float) -> float:
    """Return the steepest slope [ratio] on which a ball stays at rest: d / (5/7 g).

    Parameters
    ----------
    green_speed_ft : float
        Green speed [ft], 3 to 20.

    Returns
    -------
    float
        Slope [ratio].
    """
    return rolling_deceleration_mps2(green_speed_ft) / PULL_PER_SLOPE_MPS2

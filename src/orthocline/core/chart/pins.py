"""The ground round a pin: how it falls, and whether a ball comes to rest there."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.chart.known import Known
from orthocline.core.ground import Plane
from orthocline.core.roll import steepest_holding_slope
from orthocline.core.sure import Fall

Place = tuple[float, float]
RINGS: Final = (0.0, 0.45, 0.9)
"""A pin holds a ball where it is held on rings out to a pace of it [m]."""
TURNS: Final = np.linspace(0.0, 2.0 * math.pi, 16, endpoint=False)
LEAST_SLOPE: Final = 1e-4


@dataclass(frozen=True)
class PinGround:
    """The ground round a pin.

    Attributes
    ----------
    fall : Fall
        How it falls there, its way clockwise from up the map.
    steepest : float
        The steepest slope within a pace of it [ratio].
    """

    fall: Fall
    steepest: float

    @property
    def plane(self) -> Plane:
        """The plane that falls as it does at the pin."""
        return Plane(self.fall.tilt, 0.5 * math.pi - self.fall.toward_rad)

    @property
    def fastest_ft(self) -> float:
        """The green speed [ft] up to which a ball stays where it stops, all within a pace."""
        return steepest_holding_slope(1.0) / max(self.steepest, LEAST_SLOPE)


def pin_ground(known: Known, at_m: Place) -> PinGround:
    """Return the ground round a pin.

    Parameters
    ----------
    known : Known
        What is known of the green.
    at_m : tuple of float
        Where the pin is [m].

    Returns
    -------
    PinGround
        By the mean of what was read.
    """
    ways = np.stack([np.cos(TURNS), np.sin(TURNS)], axis=-1)
    places = np.array(at_m) + np.concatenate([radius * ways for radius in RINGS])
    steepest = float(np.hypot(*known.relief.slopes_at(places).T).max())
    return PinGround(known.fall_at(at_m), steepest)

"""Back from what is seen to the ground: the place at which an eye looks."""

import math
from typing import Final

import numpy as np

from orthocline.core.roll import Putt
from orthocline.core.sight.eye import NEAREST_M, Eye

LOOKS: Final = 400
"""The ground is looked at in so many places along the line of sight, ever further apart."""


def ground_seen(
    putt: Putt, eye: Eye, right: float, down: float, reach_m: float
) -> tuple[float, float] | None:
    """Return the place of the ground that an eye has before it where it looks.

    Parameters
    ----------
    putt : Putt
        The putt.
    eye : Eye
        The eye, above the ground.
    right, down : float
        Where it looks, on its picture plane [1].
    reach_m : float
        How far ahead it looks [m].

    Returns
    -------
    tuple of float or None
        The nearest, along the ball-hole line from the ball and to its right [m], to a few millimetres; None
        where it looks over the ground.
    """
    ahead = np.geomspace(NEAREST_M, reach_m, LOOKS)
    cos, sin = math.cos(eye.heading_rad), math.sin(eye.heading_rad)
    along = eye.along_m + ahead * (cos - right * sin)
    aside = eye.right_m + ahead * (sin + right * cos)
    over = eye.up_m - down * ahead - putt.levels_m(along, aside)
    under = np.flatnonzero(over <= 0.0)
    if not len(under) or under[0] == 0:
        return None
    last = int(under[0])
    share = over[last - 1] / (over[last - 1] - over[last])
    return (
        float(along[last - 1] + share * (along[last] - along[last - 1])),
        float(aside[last - 1] + share * (aside[last] - aside[last - 1])),
    )

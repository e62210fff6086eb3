"""The ground on a sheet: contours and hachures that show which way it falls, and how steeply."""

import math

from orthocline.drawing.scene import Hachures, Spot
from orthocline.drawing.ticks import INCHES, tick_step
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

LEVEL = 0.0005
"""Slopes [ratio] below this are drawn as level."""
CLOSEST = 42.0
"""Contours lie at least so many units of the sheet apart."""
FARTHEST = 400.0
"""And so many at most, where no round height is small enough: no more than one is in sight then."""


def hachures(tilt: float, fall_deg: float, scale: float, origin: Spot, wording: Wording) -> Hachures | None:
    """Return the hachures of a uniform slope on a sheet of `scale` units per metre; None if level.

    Parameters
    ----------
    tilt : float
        Slope [ratio].
    fall_deg : float
        The way it falls on the sheet, clockwise from up.
    origin : Spot
        Where a contour passes.
    """
    if tilt < LEVEL:
        return None
    per_unit = wording.units.near_m / tilt * scale
    interval = tick_step(CLOSEST / per_unit, () if wording.units.metric else INCHES)
    steep = min(tilt / 0.04, 2.0)
    return Hachures(
        origin,
        fall_deg,
        round(min(interval * per_unit, FARTHEST), 1),
        round(20.0 / (1.0 + 1.6 * steep), 1),
        round(0.7 + 0.7 * steep, 2),
        f"{tidy(interval, 3)} {wording.units.near}",
    )


def clockwise_from_up(grade: float, side_right: float) -> float:
    """Return the way the ground falls [deg], clockwise from the direction of the hole."""
    return math.degrees(math.atan2(side_right, -grade))

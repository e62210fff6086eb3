"""The ground on a sheet: contours and hachures that show which way it falls, and how steeply."""

import math
from dataclasses import dataclass

from orthocline.wording.figures import Wording, tidy

LEVEL = 0.0005
"""Slopes [ratio] below this are drawn as level."""
INTERVALS = {
    "in": (0.125, 0.25, 0.5, 1, 2, 4, 6, 12, 24, 48, 96),
    "cm": (0.25, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500),
}
"""Heights between two contours that may be drawn, by the golfer's unit."""
CLOSEST = 42.0
"""Contours lie at least so many units of the sheet apart."""


@dataclass(frozen=True)
class Hachures:
    """A pattern of one tile: a contour, and strokes down the slope from it.

    Attributes
    ----------
    fall_deg : float
        The way the ground falls on the sheet, clockwise from up.
    spacing : float
        Distance between contours on the sheet.
    every : float
        Distance between strokes; closer where steeper.
    weight : float
        Width of the strokes; heavier where steeper.
    interval : str
        Height between two contours, in words.
    """

    fall_deg: float
    spacing: float
    every: float
    weight: float
    interval: str


def hachures(tilt: float, fall_deg: float, scale: float, wording: Wording) -> Hachures | None:
    """Return the hachures of a uniform slope on a sheet of `scale` units per metre; None if level."""
    if tilt < LEVEL:
        return None
    per_unit = wording.near_m / tilt * scale
    heights = INTERVALS[wording.near_unit]
    interval = next((i for i in heights if i * per_unit >= CLOSEST), heights[-1])
    steep = min(tilt / 0.04, 2.0)
    return Hachures(
        fall_deg,
        round(min(interval * per_unit, 400.0), 1),
        round(20.0 / (1.0 + 1.6 * steep), 1),
        round(0.7 + 0.7 * steep, 2),
        f"{tidy(interval, 3)} {wording.near_unit}",
    )


def clockwise_from_up(grade: float, side_right: float) -> float:
    """Return the way the ground falls [deg], clockwise from the direction of the hole."""
    return math.degrees(math.atan2(side_right, -grade))

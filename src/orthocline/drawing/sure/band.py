"""The range of the aim on the plan: the hatched band between the outer start lines."""

import math
from collections.abc import Iterator

from orthocline.core.estimate import Span
from orthocline.core.roll import Putt
from orthocline.core.sure import AimRange
from orthocline.drawing.frame import PuttFrame
from orthocline.drawing.roll.hole_frame import wedge
from orthocline.drawing.scene import Area, Fill, Item, Sign

LEAST_BAND = 2.0
"""A band narrower than this on the sheet is not drawn."""


def line_end(putt: Putt, right_rad: float) -> tuple[float, float]:
    """Return where a start line is drawn to, beyond the hole and right of it [m]: its distance, if near."""
    length = putt.length_m
    if abs(right_rad) < math.pi / 3.0:
        return 0.0, length * math.tan(right_rad)
    return 2.0 * length * math.cos(right_rad) - length, 2.0 * length * math.sin(right_rad)


def range_ends(putt: Putt, sure: AimRange) -> tuple[tuple[float, float], tuple[float, float]]:
    """Return where the outer start lines end, beyond the hole and right of it [m]."""
    aims: Span | None = sure.aim_right_m
    if aims is None:
        return line_end(putt, sure.right_rad.least), line_end(putt, sure.right_rad.most)
    return (0.0, aims.least), (0.0, aims.most)


def band_items(putt: Putt, sure: AimRange, frame: PuttFrame) -> Iterator[Item]:
    """Yield the band, unless it is too narrow to be seen."""
    least, most = range_ends(putt, sure)
    if not math.dist(frame.spot(*least), frame.spot(*most)) < LEAST_BAND:
        yield Area(wedge(putt, least, most, frame), Sign.UNSURE, Fill.HATCHED, 1.0, name="range")

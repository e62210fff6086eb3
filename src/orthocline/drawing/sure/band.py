"""The range of the aim on the plan: the hatched band between the outer start lines."""

import math
from collections.abc import Iterator

from orthocline.core.estimate import Span
from orthocline.core.roll import Putt
from orthocline.core.sure import AimRange
from orthocline.drawing.frame import Frame
from orthocline.drawing.scene import Area, Fill, Item, Sign, Spot, spots_of

LEAST_BAND = 2.0
"""A band narrower than this on the sheet is not drawn."""


def line_end(putt: Putt, right_rad: float, frame: Frame) -> Spot:
    """Return where a start line is drawn to: the hole's distance, as long as that is near."""
    length = putt.length_m
    if abs(right_rad) < math.pi / 3.0:
        return frame.spot(0.0, length * math.tan(right_rad))
    return frame.spot(2.0 * length * math.cos(right_rad) - length, 2.0 * length * math.sin(right_rad))


def range_ends(putt: Putt, sure: AimRange, frame: Frame) -> tuple[Spot, Spot]:
    """Return where the outer start lines end."""
    aims: Span | None = sure.aim_right_m
    if aims is None:
        return line_end(putt, sure.right_rad.least, frame), line_end(putt, sure.right_rad.most, frame)
    return frame.spot(0.0, aims.least), frame.spot(0.0, aims.most)


def band_items(putt: Putt, sure: AimRange, frame: Frame) -> Iterator[Item]:
    """Yield the band, if it is wide enough to be seen."""
    least, most = range_ends(putt, sure, frame)
    if math.dist(least, most) >= LEAST_BAND:
        ball = frame.spot(-putt.length_m, 0.0)
        yield Area(spots_of(ball, least, most), Sign.UNSURE, Fill.HATCHED, 1.0, name="range")

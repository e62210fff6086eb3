"""The aim spot on the plan: cups side by side from the hole as far as the aim, as golfers count them."""

import math

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Sign

MOST_CUPS = 40
LEAST_RADIUS = 1.5
"""Smaller cups are not seen on the sheet."""


def layer(sheet: PuttSheet, right_m: float | None) -> Layer:
    """Return the layer of an aim; only its label where cups are too small or too many to be counted."""
    if right_m is None:
        return Layer()
    frame = sheet.frame
    mark, radius = frame.spot(0.0, right_m), frame.scale_at(0.0, 0.0) * HOLE_RADIUS_M
    count = round(abs(right_m) / (2.0 * HOLE_RADIUS_M))
    cups = range(1, count + 1) if radius >= LEAST_RADIUS and count <= MOST_CUPS else ()
    rings = tuple(
        frame.ring(math.copysign(2.0 * HOLE_RADIUS_M * i, right_m), HOLE_RADIUS_M, Sign.DO, 1.2, "cups")
        for i in cups
    )
    return Layer(rings, (Wanted("aim here", mark, sheet.outside, Sign.DO),))

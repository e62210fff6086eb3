"""The fall-line dial on the plan: the hours round the hole, 6 straight uphill, and the ball's own."""

import math

from orthocline.core.calls import Dial
from orthocline.core.units import HOUR_RAD
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Disc, Sign, Spot, Strokes, spots_of
from orthocline.wording.ground.dial import hour_words

RADIUS, TICK, SIX = 40.0, 6.0, 12.0
"""Radius of the dial on the sheet, and lengths of its strokes; 6 has a longer one."""


def layer(sheet: PuttSheet, dial: Dial | None) -> Layer:
    """Return the layer of a dial; the ball lies straight below the hole, the hours are turned to it."""
    if dial is None:
        return Layer()
    frame = sheet.frame

    def at(hour: float, units: float) -> Spot:
        way, radius = HOUR_RAD * (hour - dial.hour) + math.pi, frame.round_hole_m(units)
        return frame.spot(radius * math.cos(way), radius * math.sin(way))

    ends = [at(hour, RADIUS + out) for hour in range(1, 13) for out in (0.0, SIX if hour == 6 else TICK)]
    items = (
        frame.ring(0.0, frame.round_hole_m(RADIUS), Sign.FALL, 1.4, "dial-ring"),
        Strokes(spots_of(*ends), Sign.FALL, 2.0, name="dial-hours"),
        Disc(at(dial.hour, RADIUS), 5.0, Sign.DO, name="dial-own"),
    )
    labels = (
        Wanted(hour_words(dial.hour), at(dial.hour, RADIUS), sheet.inside, Sign.DO, needed=False),
        Wanted("6, straight up", at(6.0, RADIUS + SIX), sheet.outside, Sign.FALL, needed=False),
    )
    return Layer(items, labels)

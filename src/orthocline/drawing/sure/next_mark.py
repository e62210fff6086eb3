"""Where the next reading of the slope is best made, marked on the plan."""

import math

from orthocline.core.sure import NextReading
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Sign, Strokes, spots_of

REACH = 11.0
"""Half the length of the mark, which lies as the instrument would."""


def next_mark(sheet: PuttSheet, best: NextReading) -> Layer:
    """Return the mark of a reading that has a place: a stroke as the instrument lies, between two ends."""
    if best.at_m is None:
        return Layer()
    at = sheet.frame.spot(best.at_m - sheet.putt.length_m, 0.0)
    turn = math.radians(sheet.frame.turn_deg + (0.0 if best.across else 90.0))
    x, y = REACH * math.cos(turn), REACH * math.sin(turn)
    ends = [
        *((at.x - x, at.y - y), (at.x + x, at.y + y)),
        *((at.x - x - 0.5 * y, at.y - y + 0.5 * x), (at.x - x + 0.5 * y, at.y - y - 0.5 * x)),
        *((at.x + x - 0.5 * y, at.y + y + 0.5 * x), (at.x + x + 0.5 * y, at.y + y - 0.5 * x)),
    ]
    mark = Strokes(spots_of(*ends), Sign.UNSURE, 2.4, name="next-reading")
    return Layer((mark,), (Wanted(f"{best.by} next", at, sheet.outside, Sign.UNSURE, needed=False),))

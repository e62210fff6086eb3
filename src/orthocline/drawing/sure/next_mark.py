"""Where the next reading of the slope is best made, marked on the plan."""

from orthocline.core.sure import NextReading
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Sign, Strokes, spots_of

REACH = 11.0
"""Half the length of the mark, which lies as the instrument would."""
SHAPE = spots_of((-1, 0), (1, 0), (-1, -0.5), (-1, 0.5), (1, -0.5), (1, 0.5))
"""Its strokes, along the putt, as shares of that."""


def next_mark(sheet: PuttSheet, best: NextReading) -> Layer:
    """Return the mark of a reading that has a place: a stroke as the instrument lies, between two ends."""
    if best.at_m is None:
        return Layer()
    beyond = best.at_m - sheet.putt.length_m
    at = sheet.frame.spot(beyond, 0.0)
    half = REACH / sheet.frame.scale_at(beyond, 0.0)
    ends = half * (SHAPE[:, ::-1] if best.across else SHAPE)
    mark = Strokes(sheet.frame.spots(beyond + ends[:, 0], ends[:, 1]), Sign.UNSURE, 2.4, name="next-reading")
    return Layer((mark,), (Wanted(f"{best.by} next", at, sheet.outside, Sign.UNSURE, needed=False),))

"""Without numbers on the plan: a broad brush from the ball to where about to aim."""

import math

from orthocline.core.calls import Instinct, place_m
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import wedge
from orthocline.drawing.scene import Area, Sign
from orthocline.wording.calls.answers import mood_words

SHADE = 0.22


def layer(sheet: PuttSheet, felt: Instinct | None) -> Layer:
    """Return the layer of a feel."""
    if felt is None:
        return Layer()
    near, far = place_m(felt.place)
    ends = (
        (-far, far) if not felt.place else (math.copysign(near, felt.place), math.copysign(far, felt.place))
    )
    one, other = ((0.0, end) for end in ends)
    brush = Area(wedge(sheet.putt, one, other, sheet.frame), Sign.DO, shade=SHADE, name="brush")
    return Layer((brush,), (Wanted(mood_words(felt.mood), sheet.frame.hole, sheet.inside, Sign.DO),))

"""The curve gate on the plan: two posts with the ball's way between them."""

import numpy as np

from orthocline.core.calls import Mark
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import mark_spot
from orthocline.drawing.scene import Sign, Strokes

POSTS = np.array([-5.0, -15.0, 5.0, 15.0])
"""The ends of both posts, to the right of the gate on the sheet."""


def layer(sheet: PuttSheet, gate: Mark) -> Layer:
    """Return the gate's layer."""
    frame = sheet.frame
    beyond = np.full(len(POSTS), gate.along_m - sheet.putt.length_m)
    posts = Strokes(frame.spots(beyond, gate.right_m + POSTS / frame.scale), Sign.DO, 3.0, name="gate")
    label = Wanted("curve gate", mark_spot(sheet.putt, gate, frame), sheet.inside, Sign.DO)
    return Layer((posts,), (label,))

"""The curve gate on the plan: two posts with the ball's way between them."""

from orthocline.core.calls import Mark
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import mark_spot
from orthocline.drawing.scene import Sign, Strokes

POSTS = (-5.0, -15.0, 5.0, 15.0)
"""The ends of both posts, to the right of the gate on the sheet."""


def layer(sheet: PuttSheet, gate: Mark) -> Layer:
    """Return the gate's layer."""
    posts = sheet.across(gate.along_m - sheet.putt.length_m, gate.right_m, *POSTS)
    label = Wanted("curve gate", mark_spot(sheet.putt, gate, sheet.frame), sheet.inside, Sign.DO)
    return Layer((Strokes(posts, Sign.DO, 3.0, name="gate"),), (label,))

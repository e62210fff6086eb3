"""The stroke on the plan: back and through along the aim line, its middle at the ball."""

from orthocline.core.calls import StrokeLength
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Line, Sign


def layer(sheet: PuttSheet, stroke: StrokeLength) -> Layer:
    """Return the layer of a stroke."""
    half = 0.5 * stroke.length_m
    ends = sheet.aim_line(-half, half)
    label = Wanted(
        f"stroke {sheet.wording.short(stroke.length_m)}", sheet.ahead(half), sheet.outside, Sign.DO
    )
    return Layer((Line(ends, Sign.DO, 7.0, name="stroke"),), (label,))

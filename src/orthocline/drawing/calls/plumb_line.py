"""The plumb line on the plan: the line of sight through the ball, and where it meets the hole's distance."""

from orthocline.core.calls import PlumbLine
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Line, Sign, Strokes, spots_of

HALF = 14.0


def layer(sheet: PuttSheet, line: PlumbLine) -> Layer:
    """Return the layer of a plumb line."""
    at = sheet.frame.spot(0.0, line.right_m)
    items = (
        Line(sheet.from_ball(0.0, line.right_m), Sign.INK, 2.0, "10 5", name="plumb-line"),
        Strokes(spots_of((at.x, at.y - HALF), (at.x, at.y + HALF)), Sign.INK, 4.0, name="plumb"),
    )
    return Layer(items, (Wanted("plumb line", at, sheet.inside, Sign.INK),))

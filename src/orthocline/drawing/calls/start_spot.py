"""The start spot on the plan."""

from orthocline.core.calls import Mark
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import mark_spot
from orthocline.drawing.scene import Disc, Sign


def layer(sheet: PuttSheet, mark: Mark) -> Layer:
    """Return the start spot's layer."""
    spot = mark_spot(sheet.putt, mark, sheet.frame)
    words = f"start spot, {sheet.wording.far(mark.ahead_m)}"
    return Layer(
        (Disc(spot, 4.5, Sign.DO, name="start-spot"),), (Wanted(words, spot, sheet.outside, Sign.DO),)
    )

"""The beat mark on the plan: a stroke across the ball's way where it is one beat after the strike."""

from orthocline.core.calls import BeatMark
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import mark_spot
from orthocline.drawing.scene import Sign, Strokes

HALF = 13.0


def layer(sheet: PuttSheet, beat: BeatMark | None) -> Layer:
    """Return the layer of a beat mark."""
    if beat is None:
        return Layer()
    at = mark_spot(sheet.putt, beat.mark, sheet.frame)
    ends = sheet.across(beat.mark.along_m - sheet.putt.length_m, beat.mark.right_m, -HALF, HALF)
    return Layer(
        (Strokes(ends, Sign.DO, 4.0, name="beat-mark"),), (Wanted("one beat", at, sheet.inside, Sign.DO),)
    )

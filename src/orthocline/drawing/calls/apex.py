"""The apex on the plan: how far from the ball-hole line the ball gets."""

from orthocline.core.calls import Apex
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import mark_spot
from orthocline.drawing.scene import Line, Sign, spots_of


def layer(sheet: PuttSheet, apex: Apex | None) -> Layer:
    """Return the apex's layer; nothing for a straight putt."""
    if apex is None:
        return Layer()
    top = mark_spot(sheet.putt, apex.mark, sheet.frame)
    beyond = apex.mark.along_m - sheet.putt.length_m
    across = sheet.frame.path(spots_of((beyond, 0.0), (beyond, apex.mark.right_m)))
    words = f"apex {sheet.wording.aside(apex.mark.right_m)}"
    return Layer((Line(across, Sign.QUIET, 1.2, name="apex"),), (Wanted(words, top, sheet.inside),))

"""The length of the stroke in words."""

from orthocline.core.calls import StrokeLength
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, titled
from orthocline.wording.wording import Wording

SAME_M = 0.006
"""Ends of a stroke so near the feet are at them."""


def _words(_read: Read, stroke: StrokeLength, wording: Wording) -> Said:
    whose = "by your own putts" if stroke.calibrated else "usual stroke, not yours"
    within = wording.short(stroke.within_share * stroke.length_m)
    rest = f", half of it back, within {within}: {whose}"
    return Said(wording.short(stroke.length_m), rest + _feet_words(stroke.outside_feet_m, wording))


def _feet_words(outside_m: float | None, wording: Wording) -> str:
    if outside_m is None:
        return ""
    if abs(outside_m) < SAME_M:
        return "; from foot to foot"
    side = "outside" if outside_m > 0.0 else "inside"
    return f"; its ends {wording.short(abs(outside_m))} {side} your feet"


SAYING = Saying(
    titled("Stroke"),
    _words,
    lambda wording: wording.short(0.3048),
    "The stroke tells the pace, nothing of the line.",
    "stroke",
)

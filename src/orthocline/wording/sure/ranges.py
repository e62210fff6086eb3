"""The range of a read in words."""

import math
from dataclasses import replace

from orthocline.core.calls import plays_like_m
from orthocline.core.estimate import Span
from orthocline.core.roll import Read
from orthocline.core.sure import AimRange
from orthocline.wording.figures import both, side, tidy
from orthocline.wording.wording import Wording

LEAST_AIM_M = 0.001
"""An aim at the centre, of which a range is no share."""
ENDS_SHARE = 0.5
"""The ends of a range are rounded to half the step that it bears within."""


def blurred(wording: Wording, read: Read, sure: AimRange | None) -> Wording:
    """Return a wording whose figures of a read are rounded to what its range bears."""
    if sure is None:
        return wording
    plays = _plays_like(read, sure)
    share = 0.0
    if sure.aim_right_m is not None and read.aim_right_m is not None:
        share = sure.aim_right_m.width / max(abs(read.aim_right_m), LEAST_AIM_M)
    return replace(wording, aside_share=share, roll_width_m=plays.width)


def range_words(sure: AimRange, wording: Wording) -> str:
    """Return between which the aim lies, as a sentence."""
    if sure.aim_right_m is None:
        least, most = sure.right_rad.least, sure.right_rad.most
        return f"It starts between {_angle(least)} and {_angle(most)}."
    if sure.aim_right_m.width < 0.5 * wording.least_m:
        return f"Sure to within {wording.short(wording.least_m)}."
    return f"Between {span_words(sure.aim_right_m, wording)}."


def span_words(span: Span, wording: Wording, joined: str = "and") -> str:
    """Return the two ends of a range beside the line: ``9 and 15 in right``, ``3 in left and 5 in right``."""
    if _on_one_side(span, wording):
        return f"{range_text(span, wording, joined)} {side(_ends(span)[1])}"
    left, right = (wording.short(end, ENDS_SHARE * span.width) for end in (span.least, span.most))
    return f"{left} left {joined} {right} right"


def range_text(span: Span, wording: Wording, joined: str = "to") -> str:
    """Return a range whose side was said already: ``9 to 15 in``; with both sides where it has both."""
    if not _on_one_side(span, wording):
        return span_words(span, wording, joined)
    width = ENDS_SHARE * span.width
    one, other = (wording.short(end, width) for end in _ends(span))
    if not wording.borne(_ends(span)[0], width):
        return f"the centre {joined} {other}"
    return both(one, other, joined)


def _ends(span: Span) -> tuple[float, float]:
    near, far = sorted((span.least, span.most), key=abs)
    return near, far


def _on_one_side(span: Span, wording: Wording) -> bool:
    near, far = _ends(span)
    return near * far >= 0.0 or wording.borne(near, ENDS_SHARE * span.width) == 0.0


def speed_range_words(read: Read, sure: AimRange | None, wording: Wording) -> str:
    """Return between which lengths the putt plays, as on a level green of the speed that it is read at.

    Empty where they are the same as they are said.
    """
    if sure is None:
        return ""
    plays = _plays_like(read, sure)
    least, most = (wording.far(end, plays.width) for end in (plays.least, plays.most))
    return both(least, most, "to") if least != most else ""


def _plays_like(read: Read, sure: AimRange) -> Span:
    least, most = (plays_like_m(read, speed) for speed in (sure.speed_mps.least, sure.speed_mps.most))
    return Span(max(least, 0.0), most)


def _angle(right_rad: float) -> str:
    return f"{tidy(abs(math.degrees(right_rad)), 0)}° {side(right_rad)}"

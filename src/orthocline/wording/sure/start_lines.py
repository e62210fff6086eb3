"""Which start lines drop, in words."""

import math

import numpy as np

from orthocline.core.estimate import Span
from orthocline.core.sure import StartLines
from orthocline.wording.figures import side
from orthocline.wording.sure.ranges import span_words
from orthocline.wording.wording import Wording


def aims_of(span: Span, length_m: float) -> Span:
    """Return start lines as aims [m] at the hole's distance."""
    return Span(*(length_m * math.tan(end) for end in (span.least, span.most)))


def fan_words(lines: StartLines, length_m: float, wording: Wording) -> str:
    """Return which start lines drop surely, and which perhaps."""
    perhaps = span_words(aims_of(lines.perhaps, length_m), wording)
    if lines.surely is None:
        return f"No start line is sure to drop; perhaps those between {perhaps}, never one outside them."
    surely = span_words(aims_of(lines.surely, length_m), wording)
    if lines.sets == 1:
        return f"Start lines between {surely} drop, none outside them."
    return f"Between {surely} they surely drop, between {perhaps} perhaps, outside never."


def try_words(aim_right_m: float, lines: StartLines, length_m: float, wording: Wording) -> str:
    """Return a candidate line, and how often it drops."""
    share = float(lines.share(np.array([math.atan2(aim_right_m, length_m)]))[0])
    line = f"{wording.short(aim_right_m)} {side(aim_right_m)}" if aim_right_m else "the centre"
    if share in (0.0, 1.0):
        return f"{line}: {'surely drops' if share else 'never drops'}"
    return f"{line}: drops in {min(max(round(100 * share), 1), 99)} of 100"

"""Habits of a golfer's own in words: where the face points, and how a beat is thought over."""

import math
from collections.abc import Callable
from typing import Final, NamedTuple

from orthocline.core.drills import Measured
from orthocline.core.train import Bias
from orthocline.core.units import FOOT_M
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

SAID_AT_M: Final = 10.0 * FOOT_M
"""An aim is also said as what it is off at this length."""
WITHIN: Final = 2.0
"""Within so many standard deviations lie 95 %."""


class CheckWords(NamedTuple):
    """What a habit is called, what one measurement of it is and what it counts, its ends, and its figure."""

    title: str
    noun: str
    grades: str
    ends: tuple[str, str]
    sized: Callable[[float], str]


CHECK_WORDS: Final = {
    Measured.AIM: CheckWords(
        "Aim",
        "check",
        "Balls beside the tee, along the face:",
        ("left", "right"),
        lambda angle: f"{tidy(math.degrees(angle), 1)}°",
    ),
    Measured.BEAT: CheckWords(
        "Silent count",
        "count",
        "Or without the clock, seconds off the beat:",
        ("early", "late"),
        lambda late: f"{tidy(late, 2)} s",
    ),
}


def check_words(measures: Measured, bias: Bias | None, figures: int, wording: Wording) -> str:
    """Return a habit with its bias and spread, or how many more measurements it needs."""
    said = CHECK_WORDS[measures]
    if bias is None:
        more = Bias.FEWEST - figures
        return f"{more} more {said.noun}{'s' if more > 1 else ''}, and your bias and spread stand here."
    spread = said.sized(WITHIN * bias.spread)
    return f"{_bias_words(measures, bias, wording)} One {said.noun} lies within ±{spread} of that."


def _bias_words(measures: Measured, bias: Bias, wording: Wording) -> str:
    said = CHECK_WORDS[measures]
    if not bias.sure:
        return f"On the mean right, as far as {bias.answers} {said.noun}s tell."
    way = said.ends[bias.value > 0.0]
    least, most = (said.sized(one) for one in sorted((abs(bias.least), abs(bias.most))))
    size = f"{said.sized(abs(bias.value))} ({least} to {most})"
    if measures is Measured.BEAT:
        return f"You think your beat over {size} too {way}, by {bias.answers} counts."
    off = wording.short(SAID_AT_M * math.tan(abs(bias.value)))
    return f"You aim {size} {way}, by {bias.answers} checks: {off} on {wording.far(SAID_AT_M)}."

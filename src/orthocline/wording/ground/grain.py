"""Clues of grain in words, and what grain does."""

import math
from collections.abc import Sequence
from typing import NamedTuple

from orthocline.core.grain import Clue
from orthocline.core.units import HOUR_RAD
from orthocline.wording.ground.dial import hour_words
from orthocline.wording.ground.readings import TWELVE
from orthocline.wording.wording import Wording


class ClueWords(NamedTuple):
    """A clue: what it is called, and what makes it doubtful."""

    noun: str
    doubt: str


CLUE_WORDS = {
    "worn": ClueWords("worn edge", "it is the low side too"),
    "sharp": ClueWords("sharp edge", "cut or mended today"),
    "clippings": ClueWords("clippings", "wind moved them"),
    "shiny": ClueWords("shine", "under cloud"),
    "dark": ClueWords("dark sheen", "under cloud"),
}
SHEENS = {"": "neither", "shiny": "shiny, pale", "dark": "dull, dark"}
GRASS_WORDS = {
    "bent": "bent: fine, hardly any grain",
    "fescue": "fescue: fine, hardly any grain",
    "mixed": "mixed grasses",
    "meadow": "annual meadow grass",
    "creeping": "creeping warm-season grass",
    "strong": "strong grain, whatever grass",
}
"""Grasses as a choice."""
STRAIGHT_SHARE = 0.02
"""A putt that plays longer by less of its length plays as long."""


def hour_choice(hour: int) -> str:
    """Return an hour on the cup as a choice."""
    named = {12: "beyond", 3: "right", 6: "your side", 9: "left"}
    return f"{hour} h, {named[hour]}" if hour in named else f"{hour} h"


def grows_words(toward_rad: float) -> str:
    """Return which way grass grows, clockwise from the hole's direction."""
    way = TWELVE[round(6.0 * toward_rad / math.pi) % 12].replace("the ball", "you")
    return f"The grass grows to {hour_words(toward_rad / HOUR_RAD)}: {way}."


def odds_words(pair: tuple[int, int], clues: Sequence[Clue]) -> str:
    """Return which two clues contradict each other."""
    one, other = (CLUE_WORDS[clues[i].kind].noun for i in pair)
    return f"The {one} and the {other} contradict each other: look again, or take one away."


def worth_words(worth: float, wording: Wording) -> str:
    """Return the slope that grain is worth."""
    return f"This grain is worth {wording.slope(worth)} of slope."


def effect_words(aim_right_m: float | None, longer_m: float, length_m: float, wording: Wording) -> str:
    """Return what grain does to a putt: how much further aside it is aimed, and how much longer it plays."""
    parts = []
    if aim_right_m is not None and abs(aim_right_m) >= wording.least_m:
        parts.append(
            f"aim {wording.short(aim_right_m)} more to the {'right' if aim_right_m > 0.0 else 'left'}"
        )
    if abs(longer_m) >= STRAIGHT_SHARE * length_m:
        parts.append(f"it plays {wording.short(longer_m)} {'longer' if longer_m > 0.0 else 'shorter'}")
    return f"For it {', and '.join(parts)}." if parts else "This putt hardly feels it."

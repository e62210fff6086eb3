"""What a training record says, in words."""

from collections.abc import Callable, Mapping
from typing import Final

from orthocline.core.learning import Reads
from orthocline.core.train import Asks, Bias
from orthocline.wording.figures import tidy
from orthocline.wording.log.habits import factor_words
from orthocline.wording.wording import Wording

NOUNS: Final = {
    Asks.SIDE: "the side",
    Asks.AMOUNT: "the aim",
    Asks.PLAYS: "how long it plays",
    Asks.APEX: "the apex",
    Asks.ENTRY: "the hour",
    Asks.STRAIGHT: "the straight putt",
    Asks.PAIR: "which breaks more",
    Asks.SLOPE: "the slope",
    Asks.PACE: "the pace",
    Asks.CARD: "slope cards",
    Asks.GATE: "the gate",
}
SIDES: Final = {-1: "right-to-left putts", 1: "left-to-right putts"}
Sized = Callable[[float, Wording], str]


def seen_words(breaks: int, reads: Reads) -> str:
    """Return how much of the break is seen on one side; empty where nothing is sure."""
    factor = reads.factor
    if factor.least <= 1.0 <= factor.most:
        return ""
    return f"On {SIDES[breaks]} you see {factor_words(factor)}."


def so_far_words(good: int, answers: int, best: Asks, worst: Asks) -> str:
    """Return how answers went while nothing more is sure, and what goes best and worst."""
    said = f"{good} of {answers} {'was' if answers == 1 else 'were'} good"
    if best is worst:
        return f"{said}."
    return f"{said}: you are surest of {NOUNS[best]}, least of {NOUNS[worst]}."


def _hours(hours: float, _wording: Wording) -> str:
    return f"{round(60.0 * hours)} minutes of the clock"


def _degrees(turn_rad: float, _wording: Wording) -> str:
    return f"{tidy(57.29578 * turn_rad, 0)}°"


SIZES: Final[Mapping[Asks, tuple[Sized, str, str]]] = {
    Asks.AMOUNT: (lambda m, wording: wording.short(m), "too far out", "too near the hole"),
    Asks.APEX: (lambda m, wording: wording.short(m), "too far out", "too near the line"),
    Asks.PLAYS: (lambda m, wording: wording.short(m), "too long", "too short"),
    Asks.PACE: (lambda m, wording: wording.short(m), "too far", "too short"),
    Asks.ENTRY: (_hours, "too late", "too early"),
    Asks.STRAIGHT: (_degrees, "too far left", "too far right"),
    Asks.SLOPE: (lambda slope, wording: wording.slope(slope), "too steep", "too flat"),
    Asks.CARD: (lambda slope, wording: wording.slope(slope), "too steep", "too flat"),
    Asks.GATE: (lambda m, wording: wording.short(m), "too far right", "too far left"),
}
"""How the size of a bias is said, and what more and less are."""


def bias_words(asks: Asks, bias: Bias | None, wording: Wording) -> str:
    """Return by how much answers are off on the mean, with its range; empty for those that have no size."""
    if bias is None or asks not in SIZES:
        return ""
    sized, more, less = SIZES[asks]
    if not bias.sure:
        return "right on the mean, as far as is known"
    least, most = sorted((abs(bias.least), abs(bias.most)))
    way = more if bias.value > 0.0 else less
    return f"{sized(abs(bias.value), wording)} {way} ({sized(least, wording)} to {sized(most, wording)})"

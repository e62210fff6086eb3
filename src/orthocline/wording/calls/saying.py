"""How a school's value is said: a title, the figures that would answer it, and the rest of a sentence."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, NamedTuple

from orthocline.core.roll import Read
from orthocline.core.units import INCH_M
from orthocline.wording.figures import quarters, side
from orthocline.wording.wording import Wording

STRAIGHT_M = 0.125 * INCH_M
"""Nearer the centre or the line than an eighth of an inch is said as on it."""
NEAR_M = 0.5 * INCH_M
"""A coin nearer than half an inch is said to be there."""


class Said(NamedTuple):
    """A value as a sentence: its figures, by which it can be answered, and what goes with them."""

    figures: str
    rest: str = ""


@dataclass(frozen=True)
class Saying:
    """The words of one school.

    Attributes
    ----------
    title : callable
        Returns what the golfer calls it.
    words : callable
        Returns the sentence of a read and the school's value of it; None where there is nothing to say.
    example : callable
        Returns an answer as it would be typed; empty where none is taken.
    blind : str
        What it does not know, as a sentence; empty where it knows all that the read does.
    noun : str
        What an answer gives: "your gate".
    """

    title: Callable[[Wording], str]
    words: Callable[[Read, Any, Wording], Said | None]
    example: Callable[[Wording], str] = lambda _wording: ""
    blind: str = ""
    noun: str = ""


class CallLine(NamedTuple):
    """A putt in one school's words, with its range; `school` is its name in the registry."""

    school: str
    title: str
    figures: str
    rest: str = ""
    range: str = ""

    @property
    def words(self) -> str:
        """The whole sentence."""
        return f"{self.figures}{f' ({self.range})' if self.range else ''}{self.rest}"


def titled(title: str) -> Callable[[Wording], str]:
    """Return a title that is the same for every golfer."""
    return lambda _wording: title


def is_centre(right_m: float, wording: Wording) -> bool:
    """Return whether an aim is the centre, as far as its range bears a figure."""
    return abs(wording.borne(right_m, wording.aside_share * abs(right_m))) < STRAIGHT_M


def beside_line(right_m: float, wording: Wording) -> str:
    """Return how far beside the ball-hole line a place lies."""
    return "on the line" if is_centre(right_m, wording) else f"{wording.aside(right_m)} {side(right_m)}"


def fingers_words(fingers: float) -> str:
    """Return so many fingers with their side: ``2¼ fingers right``."""
    count = quarters(abs(fingers))
    if count == "0":
        return "no finger"
    one = count in ("1", "¼", "½", "¾")
    return f"{count} {'finger' if one else 'fingers'} {side(fingers)}"


def beyond_hole(beyond_m: float, wording: Wording) -> str:
    """Return how far past or short of the hole a place lies along the line."""
    if abs(beyond_m) < NEAR_M:
        return "at the hole"
    return f"{wording.rolled(beyond_m)} {'past' if beyond_m > 0.0 else 'short'}"


def against_aim(off_m: float, aim_m: float, wording: Wording) -> str:
    """Return how much too little or too much another aim than the read's is."""
    if abs(off_m) < STRAIGHT_M:
        return "as the read"
    if aim_m * (aim_m + off_m) <= 0.0:
        return f"{wording.short(off_m)} {side(off_m)} of the read"
    return f"{wording.short(off_m)} too {'much' if aim_m * off_m > 0.0 else 'little'}"

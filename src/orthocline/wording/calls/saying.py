"""How a school's value is said: a title and a sentence."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, NamedTuple

from orthocline.core.roll import Read
from orthocline.core.units import INCH_M
from orthocline.wording.figures import side
from orthocline.wording.wording import Wording

STRAIGHT_M = 0.125 * INCH_M
"""Nearer the centre or the line than an eighth of an inch is said as on it."""
NEAR_M = 0.5 * INCH_M
"""A coin nearer than half an inch is said to be there."""


@dataclass(frozen=True)
class Saying:
    """The words of one school.

    Attributes
    ----------
    title : callable
        Returns what the golfer calls it.
    words : callable
        Returns the sentence of a read and the school's value of it; None where there is nothing to say.
    """

    title: Callable[[Wording], str]
    words: Callable[[Read, Any, Wording], str | None]


class CallLine(NamedTuple):
    """A putt in one school's words; `school` is its name in the registry."""

    school: str
    title: str
    words: str


def titled(title: str) -> Callable[[Wording], str]:
    """Return a title that is the same for every golfer."""
    return lambda _wording: title


def is_centre(right_m: float, wording: Wording) -> bool:
    """Return whether an aim is the centre, as far as its range bears a figure."""
    return abs(wording.borne(right_m, wording.aside_share * abs(right_m))) < STRAIGHT_M


def beside_line(right_m: float, wording: Wording) -> str:
    """Return how far beside the ball-hole line a place lies."""
    return "on the line" if is_centre(right_m, wording) else f"{wording.aside(right_m)} {side(right_m)}"


def beyond_hole(beyond_m: float, wording: Wording) -> str:
    """Return how far past or short of the hole a place lies along the line."""
    if abs(beyond_m) < NEAR_M:
        return "at the hole"
    return f"{wording.rolled(beyond_m)} {'past' if beyond_m > 0.0 else 'short'}"

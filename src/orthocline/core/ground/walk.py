"""The walk: in which order a golfer looks at a putt, from where, and what is noted at each stop."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from orthocline.core.ground.readings import Reading
from orthocline.core.units import FOOT_M

DECEIVING_SLOPE: Final = 0.02
"""Who stands on ground tilted by more [ratio] sees level ground beside it as tilted the other way."""
BEHIND_M: Final = 3.0 * FOOT_M
ASIDE_M: Final = 2.0 * FOOT_M
SAME: Final = 1e-3
"""Places and ways that differ by less are the same."""
CLOCK_S: Final = 40
"""Time for a stroke from when it is one's turn, as most committees count it."""


class Kind(StrEnum):
    """What is noted."""

    STEPS = "steps"
    """The length, in steps."""
    SIDE = "side"
    """Which side is low, and how much."""
    GRADE = "grade"
    """Up or down along the way, and how much."""
    RISE = "rise"
    """How much higher the hole is."""
    WAY = "way"
    """Which way the ground falls, or water leaves."""
    GRAIN = "grain"
    """The side of the cup that is worn, toward which the grass grows."""
    PACE = "pace"
    """How far past the hole the ball is to roll."""


@dataclass(frozen=True)
class Ask:
    """Something to be noted: what, with which instrument, at which share of the way."""

    kind: Kind
    by: str = ""
    at: float = 0.5

    @property
    def toward_rad(self) -> float:
        """The way of fall that its positive answer has: to the right, or uphill."""
        return 0.5 * math.pi if self.kind is Kind.SIDE else math.pi


@dataclass(frozen=True)
class Stop:
    """A place to look from.

    Attributes
    ----------
    name : str
        What it goes by.
    at : float
        Share of the way from ball to hole at which one stands.
    behind_m : float
        How far one stands beyond that along the line [m]; before the ball it is less than 0.
    aside_m : float
        How far one stands to the low side of the line [m]; one never stands on it.
    asks : tuple of Ask
        What is noted there, the most telling first.
    """

    name: str
    at: float
    behind_m: float
    aside_m: float
    asks: tuple[Ask, ...]


def _felt(at: float) -> tuple[Ask, Ask]:
    return Ask(Kind.SIDE, "feet", at), Ask(Kind.GRADE, "feet", at)


STOPS: Mapping[str, Stop] = {
    one.name: one
    for one in (
        Stop("first", 0.5, 0.0, 15.0 * FOOT_M, (Ask(Kind.WAY, "first_look"),)),
        Stop("pace", 0.5, 0.0, ASIDE_M, (Ask(Kind.STEPS), *_felt(0.5))),
        Stop("low_side", 0.5, 0.0, 8.0 * FOOT_M, (Ask(Kind.RISE, "rise_by_eye"), Ask(Kind.GRADE, "eye"))),
        Stop("third", 1.0 / 3.0, 0.0, ASIDE_M, _felt(1.0 / 3.0)),
        Stop("two_thirds", 2.0 / 3.0, 0.0, ASIDE_M, _felt(2.0 / 3.0)),
        Stop(
            *("hole", 1.0, BEHIND_M, 0.0),
            (Ask(Kind.WAY, "spill", 1.0), Ask(Kind.SIDE, "feet", 0.9), Ask(Kind.GRAIN), Ask(Kind.PACE)),
        ),
        Stop("ball", 0.0, -BEHIND_M, 0.0, (Ask(Kind.SIDE, "eye", 0.4), *_felt(0.0))),
    )
}
"""By name, in the order of the walk."""
USUAL_STOPS: Final = ("pace", "hole", "ball")


def noted_by(ask: Ask, readings: tuple[Reading, ...]) -> Reading | None:
    """Return the reading that answers what a stop asks.

    Parameters
    ----------
    ask : Ask
        What is asked.
    readings : tuple of Reading
        What was noted so far.

    Returns
    -------
    Reading or None
        None while nothing was noted.
    """
    for one in readings:
        same = one.by == ask.by and abs(one.at - ask.at) < SAME
        along = abs(math.sin(one.toward_rad - ask.toward_rad)) < SAME
        if same and (along or ask.kind is Kind.WAY):
            return one
    return None

"""Which reader one is: twelve questions, and what their errors say of lines or curves, eyes or feet."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from scipy.special import fdtr

from orthocline.core.train.kinds import Asks

WIDEST: Final = 4.0
"""An answer counts as no further off than so many times what still drops: one slip is not a habit."""
LEAST: Final = 0.1
"""And as no nearer: closer than that is luck."""
SURE: Final = 0.9
"""From here on one of two is said to be the golfer's."""


class Shown(StrEnum):
    """How a putt is shown."""

    EYE = "eye"
    """As the eye has it."""
    FELT = "felt"
    """Its slope as a number, as feet feel it."""


TWELVE: Final = tuple((asks, shown) for _ in range(3) for shown in Shown for asks in (Asks.AMOUNT, Asks.GATE))
"""What is asked: an aim or a gate, seen or felt, three times each."""
SUGGESTED: Final = {
    (Asks.AMOUNT, Shown.EYE): "aim_spot",
    (Asks.AMOUNT, Shown.FELT): "hand_gauge",
    (Asks.GATE, Shown.EYE): "curve_gate",
    (Asks.GATE, Shown.FELT): "fall_line_dial",
}
"""Lines by eye, lines from a felt slope, curves by eye, and the hour on the fall from a felt slope."""


@dataclass(frozen=True)
class Either:
    """One of two ways, and how sure it is that the golfer reads better so.

    Attributes
    ----------
    first_off, other_off : float
        How far answers are off each way, as multiples of what still drops (root of the mean square).
    first_better : float
        The chance that the first way is the better one [1].
    """

    first_off: float
    other_off: float
    first_better: float

    @property
    def sure(self) -> float:
        """How sure the better way is [1]."""
        return max(self.first_better, 1.0 - self.first_better)

    @property
    def told(self) -> bool:
        """Whether it is sure enough to be said."""
        return self.sure >= SURE


@dataclass(frozen=True)
class Verdict:
    """What twelve answers say.

    Attributes
    ----------
    lines : Either
        Aims against gates.
    eyes : Either
        Seen against felt.
    """

    lines: Either
    eyes: Either

    @property
    def school(self) -> str:
        """The school that suits, by its name in the registry of calls."""
        asks = Asks.AMOUNT if self.lines.first_better >= 0.5 else Asks.GATE
        shown = Shown.EYE if self.eyes.first_better >= 0.5 else Shown.FELT
        return SUGGESTED[asks, shown]


def verdict_of(offs: Sequence[tuple[Asks, Shown, float]]) -> Verdict:
    """Return what the answers to the twelve questions say.

    Parameters
    ----------
    offs : sequence of tuple
        What was asked, how it was shown, and how far the answer was off (`Marked.off`).

    Returns
    -------
    Verdict
        Lines or curves, eyes or feet.
    """
    by_asks = {
        wanted: [off for asks, _, off in offs if asks is wanted] for wanted in (Asks.AMOUNT, Asks.GATE)
    }
    by_shown = {wanted: [off for _, shown, off in offs if shown is wanted] for wanted in Shown}
    return Verdict(
        _either(by_asks[Asks.AMOUNT], by_asks[Asks.GATE]),
        _either(by_shown[Shown.EYE], by_shown[Shown.FELT]),
    )


def _either(first: Sequence[float], other: Sequence[float]) -> Either:
    """Return which of two ways is the better one, by the ratio of their mean squares (F distribution)."""
    one, two = _square(first), _square(other)
    chance = float(fdtr(len(first), len(other), two / one)) if first and other else 0.5
    return Either(math.sqrt(one), math.sqrt(two), chance)


def _square(offs: Sequence[float]) -> float:
    held = [max(LEAST, min(abs(off), WIDEST)) for off in offs]
    return math.fsum(off**2 for off in held) / len(held) if held else 1.0

"""What is asked, and which putts are alike."""

from bisect import bisect_right
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from orthocline.core.learning import LENGTHS_M, SLOPES
from orthocline.core.roll import Putt
from orthocline.core.units import FOOT_M, PERCENT


class Asks(StrEnum):
    """What a question asks of a putt."""

    SIDE = "side"
    """Which way it breaks."""
    AMOUNT = "amount"
    """Where to aim it."""
    PLAYS = "plays"
    """How long it plays."""
    APEX = "apex"
    """Where its way is furthest out."""
    ENTRY = "entry"
    """The hour at which it goes in."""
    STRAIGHT = "straight"
    """From where round the hole it does not break."""
    PAIR = "pair"
    """Which of two breaks more."""
    SLOPE = "slope"
    """How steep the ground is."""
    PACE = "pace"
    """Where to pace it to on the level for a foot past."""
    CARD = "card"
    """A slope of one to six percent on a bare plane."""
    GATE = "gate"
    """How high over the line it passes at two thirds."""


READING: Final = tuple(one for one in Asks if one not in (Asks.CARD, Asks.GATE))
"""The questions of the reading trainer: cards are the slope trainer's, gates tell which reader one is."""
CARDS: Final = range(1, 7)
"""Percents of the slope cards."""
ENDS_M: Final = (4.0 * FOOT_M, *LENGTHS_M, 30.0 * FOOT_M)
"""Putts are drawn between these lengths [m], in three bands."""
STEEPS: Final = (0.4 * PERCENT, *SLOPES, 3.5 * PERCENT)
"""And on ground between these slopes [ratio], in three bands."""
BANDS: Final = 3


@dataclass(frozen=True)
class Kind:
    """Questions that are alike: what is asked, to which side the putt breaks, how long and steep it is.

    Attributes
    ----------
    asks : Asks
    breaks : int
        1 to the right, -1 to the left.
    length : int
        Its band, 0 for the shortest.
    slope : int
        Its band, 0 for the flattest; of a card its percents.
    """

    asks: Asks
    breaks: int
    length: int
    slope: int

    @property
    def name(self) -> str:
        """What it goes by: ``amount right 1 2``."""
        return f"{self.asks} {'right' if self.breaks > 0 else 'left'} {self.length} {self.slope}"


def kind_named(name: str) -> Kind:
    """Return the kind of a name.

    Parameters
    ----------
    name : str
        As `Kind.name` writes it.

    Returns
    -------
    Kind
        The kind.
    """
    asks, side, length, slope = name.split(" ")
    return Kind(Asks(asks), 1 if side == "right" else -1, int(length), int(slope))


def kind_of(asks: Asks, putt: Putt) -> Kind:
    """Return the kind that a question about a putt is of.

    Parameters
    ----------
    asks : Asks
        What is asked.
    putt : Putt
        The putt.

    Returns
    -------
    Kind
        By its mean slopes and its length; of a card by its percents.
    """
    breaks, tilt = (1 if putt.side_tilt_right >= 0.0 else -1), putt.mean_plane.tilt
    if asks is Asks.CARD:
        return Kind(asks, breaks, 0, round(tilt / PERCENT))
    return Kind(asks, breaks, bisect_right(LENGTHS_M, putt.length_m), bisect_right(SLOPES, tilt))


def kinds(asks: Asks) -> tuple[Kind, ...]:
    """Return all kinds of a question, the easier ones first.

    Parameters
    ----------
    asks : Asks
        What is asked.

    Returns
    -------
    tuple of Kind
        Short and gentle putts come first.
    """
    if asks is Asks.CARD:
        return tuple(Kind(asks, side, 0, percent) for percent in CARDS for side in (-1, 1))
    bands = sorted(((i, j) for i in range(BANDS) for j in range(BANDS)), key=sum)
    return tuple(Kind(asks, side, length, slope) for length, slope in bands for side in (-1, 1))

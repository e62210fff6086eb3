"""What becomes of one putt at one pace: the share that drops, what the misses leave, and putts in all."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from orthocline.core.account import Golfer
from orthocline.core.holing.second_putts import SecondPutts
from orthocline.core.holing.trying import TAKEN_AS_TRUE, TRIES, Doubt, Spread, spread_of
from orthocline.core.roll import Ends, Launch, Putt, ends_of


@dataclass(frozen=True)
class Chances:
    """One putt as one golfer plays it, tried many times.

    Attributes
    ----------
    putt : Putt
    spread : Spread
        How the launches scatter.
    seconds : SecondPutts
        What is holed after a miss; the third putt counts as holed.
    tries : int
        How many launches, a power of two up to 2,048.
    """

    putt: Putt
    spread: Spread
    seconds: SecondPutts
    tries: int = TRIES

    @cached_property
    def ends(self) -> Ends:
        """How each try ends."""
        return ends_of(self.putt, self.spread.launches(self.tries))

    @property
    def holed(self) -> float:
        """Share that drops."""
        return float(self.ends.drops.mean())

    @cached_property
    def second_holed(self) -> NDArray[np.float64]:
        """Share that the next putt is holed from where each try rests, shape (n,)."""
        return self.seconds.holed(self.ends.from_hole)

    @cached_property
    def three_putts(self) -> float:
        """Share that takes three putts: a ball that does not stop costs as much."""
        return float(np.where(self.ends.drops, 0.0, 1.0 - self.second_holed).mean())

    @cached_property
    def below(self) -> float | None:
        """Share of the misses that rest below the hole, as the ground falls there; None without any."""
        missed = ~self.ends.drops & ~np.isnan(self.ends.rests[:, 0])
        if not missed.any():
            return None
        return float((self.ends.from_hole[missed] @ gradient_at_hole(self.putt) < 0.0).mean())

    @property
    def putts(self) -> float:
        """Putts in all, on average."""
        return 2.0 - self.holed + self.three_putts


def gradient_at_hole(putt: Putt) -> tuple[float, float]:
    """Return how the ground rises at the hole.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    tuple of float
        East and north [ratio].
    """
    east, north = putt.surface.slope(putt.hole.x_m, putt.hole.y_m, putt.surface.parameters)
    return float(east), float(north)


def chances_of(
    putt: Putt, meant: Launch, golfer: Golfer, seconds: SecondPutts, doubt: Doubt = TAKEN_AS_TRUE
) -> Chances:
    """Return what becomes of a putt.

    Parameters
    ----------
    putt : Putt
        The putt.
    meant : Launch
        The launch that its golfer means, as the read has it.
    golfer : Golfer
        Who putts.
    seconds : SecondPutts
        What is holed after a miss.
    doubt : Doubt
        How far the read itself may be wrong; by itself it is taken as true.

    Returns
    -------
    Chances
        Shares, and putts in all.
    """
    return Chances(putt, spread_of(golfer, putt, meant, doubt), seconds)

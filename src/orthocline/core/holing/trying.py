"""One putt tried many times by one golfer: by the same launches every time: nothing depends on chance."""

import math
from dataclasses import dataclass
from functools import cache
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtri
from scipy.stats import qmc

from orthocline.core.account import Golfer
from orthocline.core.roll import Launch, Putt

TRIES_POWER: Final = 11
TRIES: Final = 2**TRIES_POWER
SEED: Final = 14
"""Of the scrambling: any would do, but it must stay, for the same putt to have the same share."""
LEAST_ENERGY: Final = 0.01
"""Share of its energy that the softest putt is left."""


@dataclass(frozen=True)
class Doubt:
    """How far the launch that a read asks for may be wrong itself, one standard deviation.

    Attributes
    ----------
    right_rad : float
        Of the launch angle [rad].
    speed_mps : float
        Of the launch speed [m/s].
    """

    right_rad: float
    speed_mps: float


TAKEN_AS_TRUE: Final = Doubt(0.0, 0.0)


@dataclass(frozen=True)
class Spread:
    """How the launches of one putt scatter about the one that is meant: two normal figures.

    What makes a putt go aside - start line, read, ground - adds up to one normal figure of its own, so that
    two dimensions hold what four would, and far fewer launches cover them as evenly.

    Attributes
    ----------
    meant : Launch
    sideways_rad : float
        Standard deviation of the launch angle [rad].
    energy : float
        Standard deviation of the launch speed squared, as a share.
    """

    meant: Launch
    sideways_rad: float
    energy: float

    @property
    def speed_mps(self) -> float:
        """Standard deviation of the launch speed [m/s], to first order."""
        return 0.5 * self.energy * self.meant.speed_mps

    def launches(self, count: int = TRIES) -> NDArray[np.float64]:
        """Return launches of the putt.

        Parameters
        ----------
        count : int
            How many, a power of two up to 2,048.

        Returns
        -------
        ndarray
            Rows of launch angle to the right [rad] and launch speed [m/s], shape (count, 2).
        """
        aside, stronger = normal_pairs()[:count].T
        energies = np.maximum(1.0 + self.energy * stronger, LEAST_ENERGY)
        return np.column_stack(
            [self.meant.right_rad + self.sideways_rad * aside, self.meant.speed_mps * np.sqrt(energies)]
        )


def spread_of(golfer: Golfer, putt: Putt, meant: Launch, doubt: Doubt = TAKEN_AS_TRUE) -> Spread:
    """Return how a golfer's launches of a putt scatter.

    Parameters
    ----------
    golfer : Golfer
        Who putts.
    putt : Putt
        The putt.
    meant : Launch
        The launch of its read.
    doubt : Doubt
        How far that may be wrong itself, to first order: other ground asks for another launch, and a launch
        off by as much does on this ground what the meant one does on that.

    Returns
    -------
    Spread
        The scatter.
    """
    sideways = math.hypot(golfer.sideways_rad(meant.right_rad, putt.length_m), doubt.right_rad)
    return Spread(meant, sideways, math.hypot(golfer.energy, 2.0 * doubt.speed_mps / meant.speed_mps))


@cache
def normal_pairs() -> NDArray[np.float64]:
    """Return the normal scores of a scrambled Sobol set of two dimensions.

    Returns
    -------
    ndarray
        Independent standard normal figures, shape (2048, 2), spread as evenly as can be.
    """
    points = qmc.Sobol(2, scramble=True, rng=SEED).random_base2(TRIES_POWER)
    return np.asarray(ndtri(points))

"""The figures of a putt taken many times over, as their uncertainty has them: the same sets every time."""

from functools import cache
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtri
from scipy.stats import qmc

from orthocline.core.roll import RANGES, PlaneSets, Putt
from orthocline.core.sure.uncertainty import Uncertainty

SETS_POWER: Final = 10
SETS: Final = 2**SETS_POWER
FIGURES: Final = 6
SEED: Final = 14
"""Of the scrambling: any would do, but it must stay, for the same putt to have the same range."""


@cache
def normal_scores() -> NDArray[np.float64]:
    """Return the normal scores of a scrambled Sobol set.

    Returns
    -------
    ndarray
        Independent standard normal figures, shape (1024, 6), spread as evenly as can be.
    """
    points = qmc.Sobol(FIGURES, scramble=True, rng=SEED).random_base2(SETS_POWER)
    return np.asarray(ndtri(points))


def sets_of(putt: Putt, uncertainty: Uncertainty, count: int = SETS) -> PlaneSets:
    """Return the figures of a putt on a plane, many times over.

    Parameters
    ----------
    putt : Putt
        The putt.
    uncertainty : Uncertainty
        Standard deviations of its figures.
    count : int
        How many sets, a power of two up to 1,024.

    Returns
    -------
    PlaneSets
        The first is not the putt itself; length and speed stay within what can be read.
    """
    length, side, grade, speed, grain, way = normal_scores()[:count].T
    return PlaneSets(
        np.clip(putt.length_m * (1.0 + uncertainty.length * length), *RANGES.length_m),
        putt.side_tilt_right + uncertainty.side * side,
        putt.grade + uncertainty.grade * grade,
        np.clip(putt.green_speed_ft + uncertainty.green_speed_ft * speed, *RANGES.green_speed_ft),
        putt.grain.strength * np.maximum(1.0 + uncertainty.grain * grain, 0.0),
        putt.grain.toward_rad - putt.bearing_rad + uncertainty.grain_way_rad * way,
    )

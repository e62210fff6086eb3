"""What the usual golfers need from each distance, on the putts that golfers meet."""

from collections.abc import Mapping
from functools import cache
from typing import Final

import numpy as np
from scipy.interpolate import PchipInterpolator

from orthocline.core.account import GOLFERS
from orthocline.core.log.ranges import Figures
from orthocline.core.units import FOOT_M

Row = tuple[float, ...]
BY_FEET: Final[Mapping[int, tuple[Row, Row]]] = {
    1: ((1.000, 1.000, 1.000, 0.998), (1.000, 1.000, 1.000, 1.002)),
    2: ((0.997, 0.992, 0.955, 0.862), (1.003, 1.008, 1.045, 1.142)),
    3: ((0.959, 0.925, 0.808, 0.651), (1.041, 1.076, 1.194, 1.361)),
    4: ((0.875, 0.811, 0.654, 0.491), (1.125, 1.189, 1.350, 1.532)),
    5: ((0.775, 0.695, 0.529, 0.381), (1.225, 1.306, 1.478, 1.655)),
    6: ((0.678, 0.593, 0.434, 0.303), (1.322, 1.409, 1.576, 1.746)),
    7: ((0.593, 0.507, 0.362, 0.248), (1.407, 1.495, 1.653, 1.817)),
    8: ((0.519, 0.437, 0.306, 0.207), (1.482, 1.566, 1.714, 1.873)),
    10: ((0.404, 0.333, 0.228, 0.153), (1.598, 1.673, 1.806, 1.963)),
    12: ((0.322, 0.263, 0.177, 0.117), (1.681, 1.747, 1.871, 2.035)),
    15: ((0.239, 0.193, 0.129, 0.085), (1.767, 1.826, 1.947, 2.124)),
    20: ((0.159, 0.128, 0.085, 0.055), (1.857, 1.912, 2.043, 2.243)),
    25: ((0.114, 0.091, 0.061, 0.038), (1.915, 1.974, 2.122, 2.337)),
    30: ((0.086, 0.069, 0.045, 0.028), (1.960, 2.027, 2.191, 2.414)),
    40: ((0.055, 0.044, 0.028, 0.017), (2.033, 2.118, 2.306, 2.531)),
    50: ((0.038, 0.029, 0.019, 0.011), (2.099, 2.197, 2.398, 2.612)),
    60: ((0.027, 0.021, 0.014, 0.008), (2.159, 2.267, 2.471, 2.673)),
    80: ((0.016, 0.012, 0.008, 0.005), (2.264, 2.382, 2.582, 2.756)),
    100: ((0.010, 0.008, 0.005, 0.003), (2.352, 2.472, 2.659, 2.808)),
}
"""The share holed and the putts in all of each usual golfer, in the order of `GOLFERS`, by feet to the hole.

Means over sixty putts (tilt 1.5 ± 0.7 % in any direction, speed 11 ± 0.6, meant to roll a foot past), each
tried 2,048 times, the third putt counting as holed: by `benchmarks/usual_putts.py`.
"""


def usual_holed(level: str, length_m: Figures) -> Figures:
    """Return the share of putts that a usual golfer holes.

    Parameters
    ----------
    level : str
        One of `GOLFERS`.
    length_m : ndarray, shape (n,)
        From ball to hole [m]; nan where that is not known.

    Returns
    -------
    ndarray, shape (n,)
        Shares [1]; those beyond 100 ft as from there.
    """
    return _at(level, 0, length_m)


def usual_putts(level: str, length_m: Figures) -> Figures:
    """Return the putts in all that a usual golfer needs on average.

    Parameters
    ----------
    level : str
        One of `GOLFERS`.
    length_m : ndarray, shape (n,)
        From ball to hole [m]; nan where that is not known.

    Returns
    -------
    ndarray, shape (n,)
        Putts [1]; those beyond 100 ft as from there.
    """
    return _at(level, 1, length_m)


def _at(level: str, what: int, length_m: Figures) -> Figures:
    least, most = min(BY_FEET), max(BY_FEET)
    return np.asarray(_curve(level, what)(np.log(np.clip(length_m / FOOT_M, least, most))))


@cache
def _curve(level: str, what: int) -> PchipInterpolator:
    """Return the curve through the table's figures over the logarithm of feet, which swings past none."""
    column = list(GOLFERS).index(level)
    return PchipInterpolator(np.log(list(BY_FEET)), [row[what][column] for row in BY_FEET.values()])

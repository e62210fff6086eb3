"""Ground that a seed makes up: a plane, and a field about it as real greens have one."""

import hashlib
import math
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.draws import Draws
from orthocline.core.ground import Grid, mean_gradient

Fall = tuple[float, float]
NODE_M: Final = 0.5
WAVES: Final = 96
"""The field is the sum of so many."""
FREEDOM: Final = 5
"""Waves of a Matern-5/2 field have the numbers of Student's t with so many degrees of freedom."""
HEIGHT_DECIMALS: Final = 6
"""Heights [m] are kept to the thousandth of a millimetre: machines that round differently agree on that."""


def made_ground(
    draws: Draws, half_m: float, length_m: float, *, fall: Fall, slope_sd: float, field_m: float
) -> Grid:
    """Return ground that falls on the mean along a line just as it is told to, and strays from that.

    Parameters
    ----------
    draws : Draws
        The seed's chance.
    half_m : float
        How far it reaches from its middle [m], 1 or more.
    length_m : float
        Length of the line [m], along +x, its middle in the origin.
    fall : tuple of float
        Mean fall along that line [ratio], along +x and along +y.
    slope_sd : float
        Standard deviation of each component of the slope about its plane [ratio].
    field_m : float
        Length l over which the slope changes [m].

    Returns
    -------
    Grid
        Its middle is the origin.

    Notes
    -----
    A field of Matern-5/2 covariance by random waves (Rahimi and Recht 2007, Random features for large-scale
    kernel machines): z = s sqrt(2/n) sum cos(w x + phase), w = N(0, 1) / (l sqrt(chi2_5 / 5)), with
    s = slope_sd l / sqrt(5/3).
    """
    nodes = math.ceil(half_m / NODE_M)
    at = NODE_M * np.arange(-nodes, nodes + 1, dtype=np.float64)
    first = float(at[0]), float(at[0])
    heights = _field(draws, at, slope_sd, field_m)
    end = 0.5 * length_m
    east, north = mean_gradient(Grid(first, NODE_M, heights), (-end, 0.0), (end, 0.0))
    heights -= (fall[0] + east) * at[None, :] + (fall[1] + north) * at[:, None]
    return Grid(first, NODE_M, np.round(heights, HEIGHT_DECIMALS) + 0.0)


def _field(draws: Draws, at: NDArray[np.float64], slope_sd: float, field_m: float) -> NDArray[np.float64]:
    """Return heights [m] of the field by row and column."""
    ways = draws.normal(2 * WAVES).reshape(2, WAVES)
    tails = np.square(draws.normal(FREEDOM * WAVES)).reshape(FREEDOM, WAVES).sum(axis=0)
    begins = math.tau * np.array([draws.evenly(0.0, 1.0) for _ in range(WAVES)])
    numbers = ways / (field_m * np.sqrt(tails / FREEDOM))
    high = slope_sd * field_m / math.sqrt(5.0 / 3.0)
    # cos(a + b) from those of a and b: a wave costs one row and one column, not a whole grid.
    across, up = np.outer(at, numbers[0]) + begins, np.outer(at, numbers[1])
    both = np.cos(up) @ np.cos(across).T - np.sin(up) @ np.sin(across).T
    return np.asarray(high * math.sqrt(2.0 / WAVES) * both)


def checksum(ground: Grid) -> str:
    """Return what tells ground from any other, on every machine.

    Parameters
    ----------
    ground : Grid
        Ground that was made up.

    Returns
    -------
    str
        Sixteen digits of the SHA-256 of its heights in thousandths of a millimetre.
    """
    counts = np.round(ground.heights_m * 10.0**HEIGHT_DECIMALS).astype("<i8")
    return hashlib.sha256(counts.tobytes()).hexdigest()[:16]

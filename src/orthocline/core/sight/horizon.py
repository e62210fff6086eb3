"""What the ground hides: how high it stands before an eye, each way and as far as each distance."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates

from orthocline.core.roll import Putt
from orthocline.core.sight.eye import NEAREST_M, Eye, Places

WIDEST_RAD: Final = math.radians(70.0)
"""So far to each side of its heading an eye looks for what hides something."""
WAYS, STEPS = 81, 80
"""It looks so many ways, and at so many distances each, ever further apart."""
CLEAR: Final = 3e-4
"""What stands less above what hides it than this [ratio] is seen: 2 mm at 6 m."""


@dataclass(frozen=True)
class Horizon:
    """How high the ground stands before an eye.

    Attributes
    ----------
    eye : Eye
    far_m : ndarray
        Distances [m], shape (n,).
    rises : ndarray
        How steeply one looks up at the ground there [ratio], the most as far as each; shape (ways, n).
    """

    eye: Eye
    far_m: NDArray[np.float64]
    rises: NDArray[np.float64]

    @property
    def ways_rad(self) -> NDArray[np.float64]:
        """The ways looked at [rad], clockwise from the eye's heading."""
        return np.linspace(-WIDEST_RAD, WIDEST_RAD, len(self.rises))

    @property
    def skyline(self) -> NDArray[np.float64]:
        """The edge of the ground on the picture plane [1]: to the right and down, shape (ways, 2)."""
        ways = self.ways_rad
        return np.column_stack([np.tan(ways), -self.rises[:, -1] / np.cos(ways)])

    def sees(self, places_m: Places) -> NDArray[np.bool_]:
        """Return which places the ground does not hide.

        Parameters
        ----------
        places_m : ndarray
            Places [m], shape (n, 3).

        Returns
        -------
        ndarray
            Whether each is seen, shape (n,); those beside what was looked at are.
        """
        ahead, aside = self.eye.ahead_and_aside(places_m[:, 0], places_m[:, 1])
        far, way = np.hypot(ahead, aside), np.arctan2(aside, ahead)
        rise = (places_m[:, 2] - self.eye.up_m) / np.maximum(far, NEAREST_M)
        column = (way + WIDEST_RAD) / (2.0 * WIDEST_RAD) * (len(self.rises) - 1)
        before = np.searchsorted(self.far_m, far) - 1.0
        highest = map_coordinates(self.rises, [column, before], order=1, mode="constant", cval=-np.inf)
        hidden = (np.abs(way) <= WIDEST_RAD) & (before >= 0.0) & (rise < highest - CLEAR)
        return np.asarray(~hidden)


def horizon_of(putt: Putt, eye: Eye, reach_m: float) -> Horizon:
    """Return how high the ground of a putt stands before an eye.

    Parameters
    ----------
    putt : Putt
        The putt.
    eye : Eye
        The eye, above the ground.
    reach_m : float
        How far it looks [m], above 1.

    Returns
    -------
    Horizon
        As far as that.
    """
    far = np.geomspace(0.3, reach_m, STEPS)
    ways = np.linspace(-WIDEST_RAD, WIDEST_RAD, WAYS)
    headings = eye.heading_rad + ways[:, None]
    along, right = eye.along_m + far * np.cos(headings), eye.right_m + far * np.sin(headings)
    levels = putt.levels_m(along.ravel(), right.ravel()).reshape(along.shape)
    return Horizon(eye, far, np.maximum.accumulate((levels - eye.up_m) / far, axis=1))

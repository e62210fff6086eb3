"""What the ground hides: how high it stands before an eye, to each side and as far as each distance."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates

from orthocline.core.roll import Putt
from orthocline.core.sight.eye import NEAREST_M, Eye, Places

WIDEST: Final = 2.5
"""So far to each side of straight ahead an eye looks for what hides something [right / ahead]."""
COLUMNS, STEPS = 101, 64
"""It looks in so many columns, and at so many distances in each, ever further apart."""
FIRST_M: Final = 0.3
"""Distance ahead [m] of the first."""
CLEAR: Final = 3e-4
"""What stands less above what hides it than this [ratio] is seen: 2 mm at 6 m."""


@dataclass(frozen=True)
class Horizon:
    """How high the ground stands before an eye.

    Attributes
    ----------
    eye : Eye
    ahead_m : ndarray
        Distances ahead [m], shape (n,).
    rises : ndarray
        How high the ground stands on the picture plane [up / ahead], the most as far as each distance; shape
        (columns, n), the columns evenly to both sides.
    hides : bool
        Whether the ground hides any of itself.
    """

    eye: Eye
    ahead_m: NDArray[np.float64]
    rises: NDArray[np.float64]
    hides: bool

    @property
    def skyline(self) -> NDArray[np.float64]:
        """The edge of the ground on the picture plane: to the right and down [1], shape (columns, 2)."""
        return np.column_stack([_columns(), -self.rises[:, -1]])

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
        if not self.hides:
            return np.full(len(places_m), True)
        ahead, aside = self.eye.ahead_and_aside(places_m[:, 0], places_m[:, 1])
        near = np.maximum(ahead, NEAREST_M)
        rise, right = (places_m[:, 2] - self.eye.up_m) / near, aside / near
        column = (right + WIDEST) / (2.0 * WIDEST) * (COLUMNS - 1)
        before = np.searchsorted(self.ahead_m, ahead) - 1.0
        highest = map_coordinates(self.rises, [column, before], order=1, mode="constant", cval=-np.inf)
        looked = (np.abs(right) <= WIDEST) & (before >= 0.0)
        return np.asarray(~(looked & (rise < highest - CLEAR)))


def _columns() -> NDArray[np.float64]:
    return np.linspace(-WIDEST, WIDEST, COLUMNS)


def horizon_of(putt: Putt, eye: Eye, reach_m: float) -> Horizon:
    """Return how high the ground of a putt stands before an eye.

    Parameters
    ----------
    putt : Putt
        The putt.
    eye : Eye
        The eye, above the ground.
    reach_m : float
        How far ahead it looks [m], above 1.

    Returns
    -------
    Horizon
        As far as that.
    """
    ahead = np.geomspace(FIRST_M, reach_m, STEPS)
    aside = ahead * _columns()[:, None]
    cos, sin = np.cos(eye.heading_rad), np.sin(eye.heading_rad)
    along = eye.along_m + ahead * cos - aside * sin
    right = eye.right_m + ahead * sin + aside * cos
    rises = (putt.levels_m(along, right) - eye.up_m) / ahead
    highest = np.maximum.accumulate(rises, axis=1)
    return Horizon(eye, ahead, highest, bool((rises < highest - CLEAR).any()))

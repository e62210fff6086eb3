"""How often the next putt is holed from anywhere round a hole, by how often it is from some distances."""

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray
from scipy.interpolate import RegularGridInterpolator
from scipy.special import ndtr, ndtri

Figures = NDArray[np.float64]
TURN = 2.0 * math.pi
SUREST = 1.0 - 1e-4
"""Share taken for always: so few launches tell no more."""


@dataclass(frozen=True)
class NextPutts:
    """What is holed round one hole.

    A share h holed from a distance a is that of a normal figure within plus or minus w / a: 2 Phi(w / a) - 1.
    The width w hardly changes with the distance: between those that were tried it is interpolated, nearer and
    farther it is held.

    Attributes
    ----------
    away_m : tuple of float
        Distances that were tried [m], in order.
    shares : ndarray
        Shares holed, 0 to 1, shape (distances, ways), the ways a whole turn from east, counter-clockwise.
    """

    away_m: tuple[float, ...]
    shares: Figures

    def holed(self, from_hole: Figures) -> Figures:
        """Return the share holed from each place.

        Parameters
        ----------
        from_hole : ndarray
            East and north of the hole [m], shape (n, 2); NaN where a ball did not rest.

        Returns
        -------
        ndarray
            Shares, 0 to 1, shape (n,); none where a ball did not rest.
        """
        east, north = from_hole.T
        away = np.maximum(np.hypot(east, north), 1e-6)
        within = np.clip(away, self.away_m[0], self.away_m[-1])
        found = np.zeros(len(away))
        rested = ~np.isnan(away)
        ways = np.arctan2(north, east)[rested] % TURN
        widths = self._widths(np.column_stack([within[rested], ways]))
        found[rested] = 2.0 * ndtr(widths / away[rested]) - 1.0
        return found

    @cached_property
    def _widths(self) -> RegularGridInterpolator:
        ways = np.linspace(0.0, TURN, self.shares.shape[1] + 1)
        likely = np.minimum(self.shares, SUREST)
        widths = np.array(self.away_m)[:, None] * ndtri(0.5 * (1.0 + likely))
        return RegularGridInterpolator((self.away_m, ways), np.column_stack([widths, widths[:, :1]]))

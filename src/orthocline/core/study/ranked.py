"""Which places of a green are fair holes at which speeds, and which of them play best."""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Final, NamedTuple

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import distance_transform_edt
from scipy.spatial import KDTree

from orthocline.core.relief import Outline
from orthocline.core.study.place import SPACING_M

Figures = NDArray[np.float64]
APART_M: Final = 4.0
"""Holes of one list are so far apart at least [m]: a hole beside another is the same."""
FROM_EDGE_M: Final = 3.6
"""Four paces: the custom of those who cut holes. A club may say otherwise."""
MOST_RANKED: Final = 9
"""So many holes are listed: a week of them, and some."""
HOLDS, HOLED_3FT, HOLED_6FT, THREE_PUTTS = range(4)
"""The figures of a place, in the order of `Played`."""
BEYOND: Final = 2
"""A map of a figure goes on so many places beyond those that were tried, as at the nearest."""


class Ranked(NamedTuple):
    """A fair hole: which place, and at how many of the speeds it is fair."""

    place: int
    fair_at: int


@dataclass(frozen=True, eq=False)
class Holes:
    """How a hole plays at every place of a green, at each of some green speeds.

    Attributes
    ----------
    places_m : ndarray
        Places on the map [m], shape (n, 2).
    played : ndarray
        Their figures in the order above, shape (speeds, n, 4), from the slowest speed.
    outline : Outline
        The green's edge.
    sure : ndarray
        Whether the ground of each place is sure, shape (n,).
    """

    places_m: Figures
    played: Figures
    outline: Outline
    sure: NDArray[np.bool_]

    @cached_property
    def from_edge_m(self) -> Figures:
        """How far each place is from the edge [m], shape (n,)."""
        return np.asarray(KDTree(self.outline.curve).query(self.places_m)[0])

    def on_grid(self, figure: int, speed: int) -> tuple[Figures, Figures, Figures]:
        """Return one figure on the even grid of the places and beyond, as at the nearest that has it.

        Parameters
        ----------
        figure : int
            Which, in the order above.
        speed : int
            At which of the speeds.

        Returns
        -------
        tuple of ndarray
            Where columns and rows lie [m], and the figure, shape (rows, columns); NaN where no place has it.
        """
        nodes = np.rint(self.places_m / SPACING_M).astype(int)
        first, last = nodes.min(axis=0) - BEYOND, nodes.max(axis=0) + BEYOND
        table = np.full((last - first + 1)[::-1], np.nan)
        table[tuple((nodes - first).T[::-1])] = self.played[speed, :, figure]
        if np.isfinite(table).any():
            nearest = distance_transform_edt(np.isnan(table), return_distances=False, return_indices=True)
            table = table[tuple(nearest)]
        x, y = (SPACING_M * np.arange(a, b + 1) for a, b in zip(first, last, strict=True))
        return x, y, table

    def nearest(self, at_m: tuple[float, float]) -> int:
        """Return which place lies nearest to one on the map [m]."""
        return int(np.hypot(*(self.places_m - at_m).T).argmin())

    def fair(self, from_edge_m: float) -> NDArray[np.int_]:
        """Return at how many of the speeds, from the slowest, each place is a fair hole.

        A hole is fair where a ball can be made to stop within a foot past it from all round, on ground that
        is sure, so far from the edge.

        Parameters
        ----------
        from_edge_m : float
            From the edge at least [m].

        Returns
        -------
        ndarray
            Shape (n,).
        """
        holds = np.logical_and.accumulate(self.played[:, :, HOLDS] >= 1.0, axis=0).sum(axis=0)
        return np.where(self.sure & (self.from_edge_m >= from_edge_m), holds, 0)

    def ranked(self, from_edge_m: float, most: int) -> list[Ranked]:
        """Return the fair holes, `most` at most: those fair at more speeds first, of these the easiest.

        Parameters
        ----------
        from_edge_m : float
            From the edge at least [m].
        most : int
            How many.

        Returns
        -------
        list of Ranked
            Each apart from those before it.
        """
        fair = self.fair(from_edge_m)
        three = np.nan_to_num(self.played[0, :, THREE_PUTTS], nan=1.0)
        found: list[Ranked] = []
        for i in np.lexsort((-self.played[0, :, HOLED_6FT], three, -fair)).tolist():
            if not fair[i] or len(found) == most:
                break
            if all(math.dist(self.places_m[i], self.places_m[one.place]) >= APART_M for one in found):
                found.append(Ranked(i, int(fair[i])))
        return found

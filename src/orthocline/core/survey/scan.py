"""Ground that was measured densely: its heights on a grid, and how sure they are."""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.interpolate import RectBivariateSpline
from scipy.ndimage import distance_transform_edt, map_coordinates

from orthocline.core.ground import LEAST_NODES, Grid
from orthocline.core.survey.field import Field, Looks

Figures = NDArray[np.float64]
Place = tuple[float, float]
LEAST_SLOPE_SD: Final = 0.001
"""No scan is surer of a slope [ratio]: grass grows, and ground moves."""
TILT_SD: Final = 0.0005
"""A whole scan is so level [ratio]."""
LENGTHS_M: Final = (0.4, 3.0)
"""Its errors go together over a length within these [m]."""
UNSEEN_PER_M: Final = 0.01
"""So much less sure of its slope is ground for each metre that it lies from what was seen [ratio]."""
MOST_SLOPE_SD: Final = 0.03
"""Of a green of which nothing is seen less is not known [ratio]."""


@dataclass(frozen=True, eq=False)
class Scan:
    """Ground that was measured densely.

    Attributes
    ----------
    grid : Grid
        Its heights, continued where nothing was measured.
    seen : ndarray
        Where it was, shape (rows, columns).
    height_sd_m, slope_sd : float
        What is left in them of the noise of what was measured [m, ratio], one standard deviation.
    left_out : int
        Cells that were not believed.
    """

    grid: Grid
    seen: NDArray[np.bool_]
    height_sd_m: float
    slope_sd: float
    left_out: int = 0

    @cached_property
    def field(self) -> Field:
        """How its errors go together."""
        slope = max(self.slope_sd, LEAST_SLOPE_SD)
        length = math.sqrt(5.0 / 3.0) * self.height_sd_m / slope
        return Field(slope, min(max(length, LENGTHS_M[0]), LENGTHS_M[1]), TILT_SD, 0.0)

    @cached_property
    def box(self) -> tuple[Place, Place]:
        """Its lowest and highest coordinates [m]."""
        (x, y), (rows, columns) = self.grid.origin_m, self.grid.heights_m.shape
        return (x, y), (x + (columns - 1) * self.grid.spacing_m, y + (rows - 1) * self.grid.spacing_m)

    def values(self, looks: Looks) -> Figures:
        """Return what looks see of it.

        Parameters
        ----------
        looks : Looks
            Any, n of it.

        Returns
        -------
        ndarray
            Heights [m] and slopes [ratio] as they are asked for, shape (n,); beyond its edge it goes on as
            it slopes there.
        """
        low, high = self.box
        places = np.clip(looks.places_m, low, high)
        x, y = places.T
        east, north = self._spline(y, x, dy=1, grid=False), self._spline(y, x, dx=1, grid=False)
        beyond = looks.places_m - places
        heights = self._spline(y, x, grid=False) + east * beyond[:, 0] + north * beyond[:, 1]
        return np.asarray((looks.parts * np.column_stack([heights, east, north])).sum(axis=1))

    def doubt(self, looks: Looks) -> Figures:
        """Return how many times less sure than where it was seen looks are.

        Parameters
        ----------
        looks : Looks
            Any, n of it.

        Returns
        -------
        ndarray
            Shape (n,): 1 where it was seen, more with the distance from there.
        """
        low, high = self.box
        places = np.clip(looks.places_m, low, high)
        at = (places - low) / self.grid.spacing_m
        far = map_coordinates(self._unseen_m, at[:, ::-1].T, order=1, mode="nearest")
        far += np.hypot(*(looks.places_m - places).T)
        return np.asarray(np.hypot(1.0, np.minimum(UNSEEN_PER_M * far, MOST_SLOPE_SD) / self.field.slope_sd))

    @cached_property
    def _unseen_m(self) -> Figures:
        """How far each node lies from what was seen [m]."""
        return np.asarray(self.grid.spacing_m * distance_transform_edt(~self.seen), dtype=float)

    @cached_property
    def _spline(self) -> RectBivariateSpline:
        (left, low), spacing = self.grid.origin_m, self.grid.spacing_m
        rows, columns = self.grid.heights_m.shape
        down, across = low + spacing * np.arange(rows), left + spacing * np.arange(columns)
        return RectBivariateSpline(down, across, self.grid.heights_m, s=0)

    @cached_property
    def steepest(self) -> float:
        """The steepest slope [ratio] where it was seen."""
        return float(np.hypot(*self.grid.node_slopes[self.seen].T).max())

    def about(self, places: tuple[Place, ...], margin_m: float) -> "Scan":
        """Return what of it lies about places.

        Parameters
        ----------
        places : tuple of tuple of float
            Any [m].
        margin_m : float
            So far round them [m].

        Returns
        -------
        Scan
            Of the same nodes.
        """
        low, high = np.min(places, axis=0) - margin_m, np.max(places, axis=0) + margin_m
        origin, spacing = np.array(self.grid.origin_m), self.grid.spacing_m
        most = np.array(self.grid.heights_m.shape[::-1])
        first = np.clip(np.floor((low - origin) / spacing).astype(int), 0, most - LEAST_NODES)
        last = np.clip(np.ceil((high - origin) / spacing).astype(int) + 1, first + LEAST_NODES, most)
        rows, columns = (slice(int(first[k]), int(last[k])) for k in (1, 0))
        x, y = (origin + spacing * first).tolist()
        grid = Grid((x, y), spacing, self.grid.heights_m[rows, columns])
        return Scan(grid, self.seen[rows, columns], self.height_sd_m, self.slope_sd)

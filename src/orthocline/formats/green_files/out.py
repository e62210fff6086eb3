"""A green as writers take it: its ground on a north-up grid, its things, its chart and its map."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Final

import numpy as np

from orthocline.formats.green_files.source import Feature, Figures

USUAL_SPACING_M: Final = 0.25


@dataclass(frozen=True)
class OutGrid:
    """Heights on a grid, nan off the green; the first row is the lowest. In the units of the system."""

    left: float
    low: float
    spacing: float
    heights: Figures


@dataclass(frozen=True, eq=False)
class GreenOut:
    """A green that is written.

    Attributes
    ----------
    name : str
    system : str
        Its coordinate system, ``EPSG:25832``; empty for metres of a chart or a surveyor's own.
    unit_m : float
        Metres in the unit of that system, for places and heights.
    box : tuple of two float, each
        Lowest and highest coordinates of its edge [m].
    heights : callable
        Returns the heights [m] of places [m], shape (n, 2), nan off the green.
    features : list of Feature
        Its edge, pins, readings and grain; places [m].
    document : dict
        Its chart, as open data.
    drawn : callable
        Returns its map, as SVG.
    spacing_m : float
        Of the grid that is written [m].
    """

    name: str
    system: str
    unit_m: float
    box: tuple[tuple[float, float], tuple[float, float]]
    heights: Callable[[Figures], Figures]
    features: list[Feature]
    document: dict[str, Any]
    drawn: Callable[[], str]
    spacing_m: float = USUAL_SPACING_M

    def grid(self) -> OutGrid:
        """Return its heights on a grid."""
        (left, low), (right, top) = self.box
        # Whole multiples of the spacing, so that two files of one green have their nodes in the same places.
        first = np.floor(np.array([left, low]) / self.spacing_m)
        columns, rows = (np.ceil(np.array([right, top]) / self.spacing_m) - first + 1).astype(int).tolist()
        left, low = (self.spacing_m * first).tolist()
        x, y = left + self.spacing_m * np.arange(columns), low + self.spacing_m * np.arange(rows)
        heights = self.heights(np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2))
        per_m = 1.0 / self.unit_m
        return OutGrid(
            per_m * left, per_m * low, per_m * self.spacing_m, per_m * heights.reshape(rows, columns)
        )

    def nodes(self) -> Figures:
        """Return the places and heights of that grid on the green, shape (n, 3)."""
        grid = self.grid()
        rows, columns = grid.heights.shape
        x, y = np.meshgrid(
            grid.left + grid.spacing * np.arange(columns), grid.low + grid.spacing * np.arange(rows)
        )
        nodes = np.column_stack([x.ravel(), y.ravel(), grid.heights.ravel()])
        return np.asarray(nodes[~np.isnan(nodes[:, 2])])

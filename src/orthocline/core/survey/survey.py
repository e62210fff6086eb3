"""A green as it was surveyed: readings anywhere, the ground they make, and how sure it is."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache
from typing import Any, Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import Grid
from orthocline.core.instruments import FIRST_SD, FIRST_SLOPE, FLATTEST
from orthocline.core.survey.field import Field, Looks, both_slopes
from orthocline.core.survey.fitting import LIKELY, Fit, fit
from orthocline.core.survey.scan import Scan

Figures = NDArray[np.float64]
Place = tuple[float, float]
SPACING_M: Final = 0.5
"""Slopes between nodes then err by less than 0.03 percent, 0.003 on the mean, on the nine greens."""
MARGIN_M: Final = 6.0
"""The ground is worked out so far beyond what is asked for; further off it slopes as at its edge."""
ROUNDS: Final = 3
"""A way of fall is taken up so often, each time as steep as the ground is then."""
GROWN_HELD: Final = 6
"""Ground with its grain is held for so many green speeds: a read asks for one, and for a little more."""
FITS_KEPT: Final = 32
"""Greens whose fits are kept, for those who read them again."""
FADES_M: Final = 1.0
"""Grain fades out over so much at the edge of its part."""


@dataclass(frozen=True)
class SlopeReading:
    """A slope that was read: rise per run [ratio] toward a way [rad], counter-clockwise from +x."""

    at_m: Place
    slope: float
    toward_rad: float
    sd: float


@dataclass(frozen=True)
class WayReading:
    """A way of fall that was read [rad], counter-clockwise from +x, and how sure it is [rad]; no size."""

    at_m: Place
    downhill_rad: float
    sd: float


@dataclass(frozen=True)
class HeightReading:
    """A height that was read [m]."""

    at_m: Place
    height_m: float
    sd: float


SurveyReading = SlopeReading | WayReading | HeightReading
Row = tuple[Place, tuple[float, float, float], float, float]
"""A place, how much of height and slopes is looked at there, the figure, and its standard deviation."""


@dataclass(frozen=True)
class GrainArea:
    """A round part of a green whose grass grows one way.

    Attributes
    ----------
    at_m : tuple of float
        Its middle [m].
    radius_m : float
        How far it reaches [m]; at its edge it fades.
    toward_rad : float
        The way it grows, counter-clockwise from +x.
    strength : float
        Its gamma, 0 to 0.5.
    way_sd_rad, strength_share : float
        How sure its way is, and its strength as a share of it, one standard deviation.
    """

    at_m: Place
    radius_m: float
    toward_rad: float
    strength: float
    way_sd_rad: float
    strength_share: float


@dataclass(frozen=True)
class Survey:
    """Ground known by readings.

    Attributes
    ----------
    readings : tuple of SurveyReading
        One or more; none are needed where it was scanned.
    around : tuple of two float, each
        Places that balls roll about: the ball and the hole of a putt; none for all that was read.
    grain : tuple of GrainArea
        How its grass grows, part by part; where parts overlap, as their mean.
    scan : Scan or None
        Its ground as it was measured densely; the readings say how far that is off.
    """

    readings: tuple[SurveyReading, ...]
    around: tuple[Place, ...] = ()
    grain: tuple[GrainArea, ...] = ()
    scan: Scan | None = None

    @cached_property
    def fit(self) -> Fit:
        """The field fitted to the readings; the same readings of another putt are fitted once."""
        return self._found() if self.scan else _kept_fit(self.readings)

    def _found(self) -> Fit:
        slopes = dict.fromkeys(
            (one.at_m for one in self.readings if isinstance(one, WayReading)), FIRST_SLOPE
        )
        # How the ground varies is looked for once, when the ways are as steep as they will be.
        for _ in range(ROUNDS - 1 if slopes else 0):
            gradients = self._gradients(self._fitted(slopes, LIKELY), list(slopes))
            steep = np.maximum(np.hypot(*gradients.T), FLATTEST)
            slopes = dict(zip(slopes, steep.tolist(), strict=True))
        if self.scan:
            return self._fitted(slopes, self.scan.field)
        return fit(*self._told(slopes), len(self.readings))

    def _fitted(self, slopes: dict[Place, float], field: Field) -> Fit:
        """Return what is read as it fits a field, or how the scan errs."""
        return Fit(*self._told(slopes), self.scan.field if self.scan else field, self.scan)

    def _told(self, slopes: dict[Place, float]) -> tuple[Looks, Figures, Figures]:
        """Return what is read as looks with their figures and standard deviations."""
        rows = [row for one in self.readings for row in _rows(one, slopes)]
        if not rows:
            return Looks(np.empty((0, 2)), np.empty((0, 3))), np.empty(0), np.empty(0)
        places, parts, values, sds = (np.array(column) for column in zip(*rows, strict=True))
        return Looks(places, parts), values, sds

    @staticmethod
    def _gradients(found: Fit, places: list[Place]) -> Figures:
        """Return the mean gradient at places [ratio], shape (n, 2)."""
        return found.mean(both_slopes(np.array(places))).reshape(2, -1).T

    @cached_property
    def grid(self) -> Grid:
        """Its mean heights on a grid, on which balls roll."""
        scanned = self.scan.box if self.scan else ()
        places = np.array(self.around or scanned or [one.at_m for one in self.readings])
        least, most = places.min(axis=0) - MARGIN_M, places.max(axis=0) + MARGIN_M
        spacing = min(SPACING_M, self.scan.grid.spacing_m) if self.scan else SPACING_M
        columns, rows = (math.ceil(one / spacing) + 1 for one in most - least)
        x, y = (low + spacing * np.arange(count) for low, count in zip(least, (columns, rows), strict=True))
        nodes = np.column_stack([one.ravel() for one in np.meshgrid(x, y)])
        parts = np.tile([1.0, 0.0, 0.0], (len(nodes), 1))
        heights = self.fit.mean(Looks(nodes, parts))
        return Grid((float(least[0]), float(least[1])), spacing, heights.reshape(rows, columns))

    def with_grain(self, i: int, area: GrainArea) -> "Survey":
        """Return it with one part's grain as another; its ground is not worked out again.

        Parameters
        ----------
        i : int
            Which part.
        area : GrainArea
            What it is then.

        Returns
        -------
        Survey
            With the same fit and grid.
        """
        other = replace(self, grain=(*self.grain[:i], area, *self.grain[i + 1 :]))
        other.__dict__.update(fit=self.fit, grid=self.grid)
        return other

    def grown(self, slope_of_grain: float) -> Grid:
        """Return the ground with the slope that its grain is worth.

        Parameters
        ----------
        slope_of_grain : float
            The slope [ratio] that grain of strength 1 is worth, falling the way it grows.

        Returns
        -------
        Grid
            The same heights, leaning.
        """
        if slope_of_grain not in self._grown:
            if len(self._grown) >= GROWN_HELD:
                self._grown.clear()
            self._grown[slope_of_grain] = self.grid.leaning(-slope_of_grain * self._pulls)
        return self._grown[slope_of_grain]

    @cached_property
    def _grown(self) -> dict[float, Grid]:
        """The ground with its grain, by how much that is worth."""
        return {}

    @cached_property
    def _pulls(self) -> Figures:
        """The strength of the grain east and north at the nodes, shape (rows, columns, 2)."""
        rows, columns = self.grid.heights_m.shape
        left, low = self.grid.origin_m
        spacing = self.grid.spacing_m
        x, y = left + spacing * np.arange(columns), low + spacing * np.arange(rows)
        nodes = np.stack(np.meshgrid(x, y), axis=-1)
        pulls, covered = np.zeros((rows, columns, 2)), np.zeros((rows, columns, 1))
        for area in self.grain:
            inward = area.radius_m - np.hypot(*np.moveaxis(nodes - area.at_m, -1, 0))
            share = np.clip(0.5 + inward / FADES_M, 0.0, 1.0)[..., None]
            pulls += share * area.strength * np.array([math.cos(area.toward_rad), math.sin(area.toward_rad)])
            covered += share
        return np.asarray(pulls / np.maximum(covered, 1.0))

    @property
    def slope(self) -> Any:
        """Compiled slope function of signature `GRADIENT`."""
        return self.grid.slope

    @property
    def parameters(self) -> Figures:
        """The parameters that go with it."""
        return self.grid.parameters

    @property
    def step_m(self) -> float:
        """The longest step [m] of an integration that follows its changes of slope."""
        return self.grid.step_m

    @property
    def jumps(self) -> NDArray[np.float64]:
        """None."""
        return self.grid.jumps

    def levels_m(self, x_m: Figures, y_m: Figures) -> Figures:
        """Return levels [m] of places on the map [m]."""
        return self.grid.levels_m(x_m, y_m)

    @cached_property
    def steepest(self) -> float:
        """The steepest slope [ratio] where it was read, and where it must reach."""
        places = [*(one.at_m for one in self.readings), *(() if self.scan else self.around)]
        read = float(np.hypot(*self._gradients(self.fit, places).T).max()) if places else 0.0
        return max(read, self.scan.steepest) if self.scan else read


@lru_cache(FITS_KEPT)
def _kept_fit(readings: tuple[SurveyReading, ...]) -> Fit:
    return Survey(readings)._found()


def _rows(one: SurveyReading, slopes: dict[Place, float]) -> Iterator[Row]:
    """Yield what a reading says as looks; a way of fall that the ground falls so, as steeply as it may."""
    if isinstance(one, HeightReading):
        yield one.at_m, (1.0, 0.0, 0.0), one.height_m, one.sd
        return
    if isinstance(one, SlopeReading):
        yield one.at_m, (0.0, math.cos(one.toward_rad), math.sin(one.toward_rad)), one.slope, one.sd
        return
    cos, sin = math.cos(one.downhill_rad), math.sin(one.downhill_rad)
    yield one.at_m, (0.0, -sin, cos), 0.0, slopes[one.at_m] * one.sd
    yield one.at_m, (0.0, cos, sin), -FIRST_SLOPE, FIRST_SD

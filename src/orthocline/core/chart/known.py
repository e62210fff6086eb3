"""What a chart makes known of its green: its ground, how sure that is, and where to read next."""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.instruments import ARROW_SD, EYE_SD
from orthocline.core.relief import Feature, Outline, Region, Relief, features, regions_above
from orthocline.core.sure import Fall, fall_of_slopes
from orthocline.core.survey import (
    GrainArea,
    Looks,
    NextPlace,
    Scan,
    Survey,
    SurveyReading,
    both_slopes,
    next_place,
)

Figures = NDArray[np.float64]
Place = tuple[float, float]
UNSURE_SD: Final = EYE_SD
"""Where a slope is known no better than a glance tells it [ratio], the ground is not sure."""
ODD_SDS: Final = 4.5
"""A reading that lies so many standard deviations from what the others say disagrees."""
EVERY_M: Final = 1.0
"""How sure the ground is is worked out at places so far apart."""
MARGIN_M: Final = 1.5
"""And so far beyond the outline."""
ASKED: Final = 130
"""Places about so many are asked about for the next reading."""
NEAR_M: Final = 2.5
"""Ground so near to a pin counts for it."""


@dataclass(frozen=True, eq=False)
class Known:
    """The ground of a charted green.

    Attributes
    ----------
    readings : tuple of SurveyReading
        One or more; none are needed where it was scanned.
    outline : Outline
        Its edge.
    grain : tuple of GrainArea
        How its grass grows.
    scan : Scan or None
        Its ground as it was measured densely.
    """

    readings: tuple[SurveyReading, ...]
    outline: Outline
    grain: tuple[GrainArea, ...] = ()
    scan: Scan | None = None

    @cached_property
    def survey(self) -> Survey:
        """The ground that balls roll on."""
        return Survey(self.readings, self.outline.box, self.grain, self.scan)

    @cached_property
    def relief(self) -> Relief:
        """Its shape within the outline."""
        return Relief(self.survey.grid, self.outline)

    @cached_property
    def named(self) -> list[Feature]:
        """Its places that have a name."""
        return features(self.relief)

    @cached_property
    def unsure(self) -> list[Region]:
        """Where it is not sure."""
        (left, low), (right, top) = self.outline.box
        x = np.arange(left - MARGIN_M, right + MARGIN_M + EVERY_M, EVERY_M)
        y = np.arange(low - MARGIN_M, top + MARGIN_M + EVERY_M, EVERY_M)
        places = np.stack(np.meshgrid(x, y), axis=-1)
        return regions_above(x, y, self.sds(places.reshape(-1, 2)).reshape(places.shape[:2]), UNSURE_SD)

    @cached_property
    def odd(self) -> frozenset[Place]:
        """Places whose readings disagree with what all others say [m]."""
        fit = self.survey.fit
        places = fit.looks.places_m[fit.oddness > ODD_SDS].tolist()
        return frozenset((x, y) for x, y in places)

    def sds(self, places: Figures) -> Figures:
        """Return how sure the slope is at places [ratio], the root of the mean square of both ways.

        Parameters
        ----------
        places : ndarray
            Places on the map [m], shape (n, 2).

        Returns
        -------
        ndarray
            Standard deviations, shape (n,).
        """
        return np.asarray(np.sqrt(self.survey.fit.variances(both_slopes(places)).reshape(2, -1).mean(axis=0)))

    def fall_at(self, at_m: Place) -> Fall:
        """Return how the ground falls at a place [m], its way clockwise from up the map, and how sure."""
        looks = both_slopes(np.array([at_m]))
        east, north = self.survey.fit.mean(looks).tolist()
        east_sd, north_sd = np.sqrt(self.survey.fit.variances(looks)).tolist()
        return fall_of_slopes((-north, -east), (north_sd, east_sd))

    @cached_property
    def mean_fall(self) -> Fall:
        """How the whole green falls on the mean, as its readings have it."""
        east, north = self._inside.mean(axis=0).tolist()
        return fall_of_slopes((-north, -east), (0.0, 0.0))

    @cached_property
    def strays(self) -> float:
        """How its slope strays from the mean [ratio]."""
        off = self._inside - self._inside.mean(axis=0)
        return math.sqrt(float(np.square(off).sum(axis=1).mean()))

    @property
    def _inside(self) -> Figures:
        """The slopes at the nodes on the green, shape (n, 2)."""
        return np.moveaxis(self.relief.slopes, 0, -1)[self.relief.inside]

    def heights(self, places: Figures) -> Figures:
        """Return the heights of places [m].

        Parameters
        ----------
        places : ndarray
            Places on the map [m], shape (n, 2).

        Returns
        -------
        ndarray
            Heights over the same level, shape (n,).
        """
        return self.survey.fit.mean(Looks(places, np.tile([1.0, 0.0, 0.0], (len(places), 1))))

    def next_place(self, near_m: Place | None = None) -> tuple[Place, NextPlace]:
        """Return where an arrow would help most: the whole green, or the ground near a place."""
        places = self._asked
        counts = np.ones(len(places))
        if near_m is not None:
            counts = np.exp(-0.5 * (np.hypot(*(places - near_m).T) / NEAR_M) ** 2)
        found = next_place(self.survey.fit, places, counts, ARROW_SD)
        x, y = places[found.place].tolist()
        return (x, y), found

    def needs(self, at_m: Place) -> bool:
        """Return whether a place is known no better than an arrow would tell it."""
        return bool(self.sds(np.array([at_m]))[0] > ARROW_SD)

    @cached_property
    def _asked(self) -> Figures:
        """Places within the outline, as far apart as is asked about."""
        (left, low), (right, top) = self.outline.box
        every = max(math.sqrt(self.outline.area_m2 / ASKED), 0.25)
        x, y = np.arange(left + 0.5 * every, right, every), np.arange(low + 0.5 * every, top, every)
        places = np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2)
        held: Figures = places[self.outline.holds(places)]
        return held if len(held) else self.outline.curve.mean(axis=0)[None, :]

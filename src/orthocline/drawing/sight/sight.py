"""Sight: from places of a putt to a sheet, as they are seen through an eye."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll import Putt
from orthocline.core.sight import NEAREST_M, Eye, Horizon
from orthocline.drawing.scene import Item, Line, Sign, Spot, Spots

STEP_M = 0.3
"""A line over the ground is followed by steps of this length, or by so many at most."""
MOST_STEPS = 80
ROUND = np.linspace(0.0, math.tau, 25)
FLATTEST = 0.04
"""A ring is drawn no larger than if one looked down on it by this slope [ratio]."""


@dataclass(frozen=True)
class Sight:
    """A putt's places as an eye has them on a sheet; what it does not see lies at nan.

    Attributes
    ----------
    putt : Putt
    eye : Eye
    horizon : Horizon
        What the ground hides.
    focal : float
        Units of the sheet for 1 of the picture plane.
    ahead : Spot
        Where on the sheet lies what is straight ahead, at the height of the eye.
    """

    putt: Putt
    eye: Eye
    horizon: Horizon
    focal: float
    ahead: Spot

    @property
    def hole(self) -> Spot:
        """The hole's centre on the sheet, seen or hidden."""
        ((x, y),) = self.lay(self.eye.project(self.ground(np.zeros(1), np.zeros(1)))).tolist()
        return Spot(round(x, 1), round(y, 1))

    def ground(self, beyond_m: NDArray[np.float64], right_m: NDArray[np.float64]) -> Spots:
        """Return places of the ground beyond the hole and right of it [m], as an eye takes them: (n, 3)."""
        along = self.putt.length_m + beyond_m
        return np.column_stack([along, right_m, self.putt.levels_m(along, right_m)])

    def lay(self, seen: Spots) -> Spots:
        """Return where what is seen on the picture plane lies on the sheet."""
        return np.array(self.ahead) + self.focal * seen

    def of(self, places_m: NDArray[np.float64]) -> Spots:
        """Return where places in space lie on the sheet: along, right, up from the ball [m], shape (n, 3)."""
        spots = self.lay(self.eye.project(places_m))
        spots[~self.horizon.sees(places_m)] = np.nan
        return spots

    def spots(self, beyond_m: Spots, right_m: Spots) -> Spots:
        """Return where places of the ground lie on the sheet, shape (n, 2)."""
        return self.of(self.ground(beyond_m, right_m))

    def spot(self, beyond_m: float, right_m: float) -> Spot:
        """Return where one place lies, to a tenth of a unit."""
        ((x, y),) = self.spots(np.array([beyond_m]), np.array([right_m])).tolist()
        return Spot(round(x, 1), round(y, 1))

    def path(self, corners_m: Spots) -> Spots:
        """Return a line over the ground through places, as it is seen: followed step by step."""
        far = np.hypot(*np.diff(corners_m, axis=0).T)
        counts = np.clip(np.ceil(far / STEP_M), 2, MOST_STEPS).astype(int)
        steps = [
            np.linspace(start, end, count, endpoint=False)
            for start, end, count in zip(corners_m[:-1], corners_m[1:], counts, strict=True)
        ]
        return self.spots(*np.concatenate([*steps, corners_m[-1:]]).T)

    def scale_at(self, beyond_m: float, right_m: float) -> float:
        """Return how many units of the sheet a metre across the view is at a place."""
        ahead, _ = self.eye.ahead_and_aside(np.array([self.putt.length_m + beyond_m]), np.array([right_m]))
        return float(self.focal / max(ahead[0], NEAREST_M))

    def round_hole_m(self, units: float) -> float:
        """Return the radius [m] of a ring round the hole that has the area of one so large from above."""
        scale = self.scale_at(0.0, 0.0)
        down = (self.hole.y - self.ahead.y) / self.focal
        return units / (scale * math.sqrt(max(down, FLATTEST)))

    def ring(self, right_m: float, radius_m: float, sign: Sign, width: float, name: str) -> Item:
        """Return a ring on the ground, its centre beside the hole [m]."""
        return Line(self.round(right_m, radius_m), sign, width, name=name)

    def round(self, right_m: float, radius_m: float) -> Spots:
        """Return places round a ring on the ground, the first again at its end."""
        return self.spots(radius_m * np.cos(ROUND), right_m + radius_m * np.sin(ROUND))

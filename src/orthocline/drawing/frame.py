"""The frame of a drawing: from metres on the green to units of the sheet."""

import math
from dataclasses import dataclass
from typing import Protocol

import numpy as np

from orthocline.drawing.scene import Disc, Item, Sign, Spot, Spots


class PuttFrame(Protocol):
    """Where places of a putt lie on a sheet, as it is seen from above or through an eye.

    Places are given beyond the hole and right of it [m]. What is not seen lies nowhere: at nan.
    """

    @property
    def hole(self) -> Spot:
        """The hole's centre on the sheet."""

    def spots(self, beyond_m: Spots, right_m: Spots) -> Spots:
        """Return where places lie on the sheet, shape (n, 2)."""

    def spot(self, beyond_m: float, right_m: float) -> Spot:
        """Return where one place lies, to a tenth of a unit."""

    def path(self, corners_m: Spots) -> Spots:
        """Return a line over the ground through places, shape (n, 2), as it lies on the sheet."""

    def scale_at(self, beyond_m: float, right_m: float) -> float:
        """Return how many units of the sheet a metre across is at a place."""

    def round_hole_m(self, units: float) -> float:
        """Return the radius [m] of a ring round the hole that is about so large on the sheet."""

    def ring(self, right_m: float, radius_m: float, sign: Sign, width: float, name: str) -> Item:
        """Return a ring on the ground, its centre beside the hole [m]."""


@dataclass(frozen=True)
class Frame:
    """Where things lie on the sheet: the hole fixed, the ball-hole line up, unless turned.

    Attributes
    ----------
    scale : float
        Units of the sheet per metre.
    hole_x, hole_y : float
        The hole's centre on the sheet, y down.
    turn_deg : float
        How far the drawing is turned clockwise, while the ball is dragged round the hole.
    """

    scale: float
    hole_x: float
    hole_y: float
    turn_deg: float = 0.0

    @property
    def hole(self) -> Spot:
        """The hole's centre on the sheet, to a tenth of a unit."""
        return Spot(round(self.hole_x, 1), round(self.hole_y, 1))

    def spots(self, beyond_m: Spots, right_m: Spots) -> Spots:
        """Return sheet coordinates, shape (n, 2), of places beyond the hole and right of it [m]."""
        cos, sin = math.cos(math.radians(self.turn_deg)), math.sin(math.radians(self.turn_deg))
        x = self.hole_x + self.scale * (right_m * cos + beyond_m * sin)
        y = self.hole_y - self.scale * (beyond_m * cos - right_m * sin)
        return np.column_stack([x, y])

    def spot(self, beyond_m: float, right_m: float) -> Spot:
        """Return the sheet coordinates of one place, to a tenth of a unit."""
        cos, sin = math.cos(math.radians(self.turn_deg)), math.sin(math.radians(self.turn_deg))
        x = self.hole_x + self.scale * (right_m * cos + beyond_m * sin)
        y = self.hole_y - self.scale * (beyond_m * cos - right_m * sin)
        return Spot(round(x, 1), round(y, 1))

    def path(self, corners_m: Spots) -> Spots:
        """Return a line through places (beyond, right of the hole [m]), shape (n, 2), on the sheet."""
        return self.spots(*corners_m.T)

    def scale_at(self, _beyond_m: float, _right_m: float) -> float:
        """Return how many units of the sheet a metre is, which from above is the same everywhere."""
        return self.scale

    def round_hole_m(self, units: float) -> float:
        """Return the radius [m] of a ring round the hole that is so large on the sheet."""
        return units / self.scale

    def ring(self, right_m: float, radius_m: float, sign: Sign, width: float, name: str) -> Item:
        """Return a ring on the ground, its centre beside the hole [m]."""
        return Disc(self.spot(0.0, right_m), self.scale * radius_m, sign, None, width, name=name)

    def places(self, spots: Spots) -> Spots:
        """Return places of the sheet in metres to the right of the hole and beyond it, shape (n, 2)."""
        cos, sin = math.cos(math.radians(self.turn_deg)), math.sin(math.radians(self.turn_deg))
        x, up = (spots[:, 0] - self.hole_x) / self.scale, (self.hole_y - spots[:, 1]) / self.scale
        return np.column_stack([x * cos - up * sin, x * sin + up * cos])


def fit(
    spots_m: Spots, *, width: float, height: float, center_x: float, top: float, most: float = 900.0
) -> Frame:
    """Return the largest frame in which all places (beyond, right of the hole [m]) fit into a box."""
    beyond, right = spots_m[:, 0], spots_m[:, 1]
    tall, wide = float(np.ptp(beyond)), float(np.ptp(right))
    scale = min(height / max(tall, 1e-6), width / max(wide, 1e-6), most)
    middle = 0.5 * (float(right.max()) + float(right.min()))
    slack = 0.5 * (height - scale * tall)
    return Frame(scale, center_x - scale * middle, top + slack + scale * float(beyond.max()))

"""A school's layer on a drawing of a putt: what it draws, and the labels it wants."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import numpy as np

from orthocline.core.calls import USUAL_GOLFER, GolferFigures
from orthocline.core.roll import Putt, Read
from orthocline.drawing.frame import PuttFrame
from orthocline.drawing.labels import LabelSide, Wanted
from orthocline.drawing.roll.hole_frame import line_from_ball
from orthocline.drawing.scene import Item, Spot, Spots, spots_of
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class PuttSheet:
    """A read on a sheet: what layers draw on."""

    read: Read
    frame: PuttFrame
    wording: Wording
    golfer: GolferFigures = USUAL_GOLFER

    @property
    def putt(self) -> Putt:
        """The putt that is read."""
        return self.read.putt

    @property
    def outside(self) -> LabelSide:
        """The side to which the ball starts."""
        return "right" if self.read.launch_right_rad > 0 else "left"

    @property
    def inside(self) -> LabelSide:
        """The side toward which the ball curves."""
        return "left" if self.read.launch_right_rad > 0 else "right"

    @property
    def ball(self) -> Spot:
        """Where the ball lies."""
        return self.frame.spot(-self.putt.length_m, 0.0)

    def aim_line(self, from_m: float, to_m: float) -> Spots:
        """Return a stroke along the aim line, between distances ahead of the ball [m]."""
        return self.frame.path(spots_of(self._ahead(from_m), self._ahead(to_m)))

    def ahead(self, length_m: float) -> Spot:
        """Return the place on the aim line so far ahead of the ball [m]."""
        return self.frame.spot(*self._ahead(length_m))

    def _ahead(self, length_m: float) -> tuple[float, float]:
        right = self.read.launch_right_rad
        return length_m * math.cos(right) - self.putt.length_m, length_m * math.sin(right)

    def from_ball(self, beyond_m: float, right_m: float) -> Spots:
        """Return the line from the ball to a place beyond the hole and right of it [m]."""
        return line_from_ball(self.putt, (beyond_m, right_m), self.frame)

    def across(self, beyond_m: float, right_m: float, *asides: float) -> Spots:
        """Return places beside one beyond the hole and right of it [m], so many units of the sheet aside."""
        rights = right_m + np.array(asides) / self.frame.scale_at(beyond_m, right_m)
        return self.frame.spots(np.full(len(asides), beyond_m), rights)


@dataclass(frozen=True)
class Layer:
    """What a school draws, and its labels."""

    items: tuple[Item, ...] = ()
    labels: tuple[Wanted, ...] = ()


Draw = Callable[[PuttSheet, Any], Layer]
"""Returns the layer of a school's value."""
Reach = Callable[[Read, Any], Spots]
"""Returns places beyond the hole and right of it [m], shape (n, 2), that a layer must have on its sheet."""

"""The edge of a green on a sheet: its line, and what lies within it."""

from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Any, Final

import numpy as np
import shapely

from orthocline.core.relief import Outline
from orthocline.drawing.frame import Frame
from orthocline.drawing.ground.uneven import spots_within
from orthocline.drawing.scene import Area, Fill, Line, Sign, Spots, fewest

EDGES_KEPT: Final = 64
"""A green is drawn again with each edit of its map, its edge the same."""


@dataclass(frozen=True)
class Edge:
    """The edge of a green on a sheet."""

    frame: Frame
    outline: Outline

    @cached_property
    def spots(self) -> Spots:
        """Its line, which ends where it begins, shape (n, 2)."""
        curve = np.vstack([self.outline.curve, self.outline.curve[:1]])
        return fewest(self.frame.spots(curve[:, 1], curve[:, 0]))

    @cached_property
    def area(self) -> Any:
        """What lies within it."""
        return shapely.Polygon(self.spots).buffer(0.0)

    @cached_property
    def even(self) -> Spots:
        """Even places some way within it."""
        return spots_within(self.spots)

    @property
    def ground(self) -> Area:
        """The green's wash."""
        return Area(self.spots[:-1], Sign.EDGE, Fill.GROUND, name="green")

    def line(self, sign: Sign = Sign.EDGE, width: float = 2.2) -> Line:
        """Return its line as it is drawn."""
        return Line(self.spots, sign, width, name="edge")


@lru_cache(EDGES_KEPT)
def edge_on(frame: Frame, outline: Outline) -> Edge:
    """Return the edge of a green on a sheet, which is kept."""
    return Edge(frame, outline)

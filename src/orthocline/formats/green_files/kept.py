"""So many points of a file as are held: all of them, or evenly fewer."""

from typing import Final

import numpy as np

from orthocline.formats.green_files.source import Figures

MOST_POINTS: Final = 600_000
REACH_M: Final = 40.0
"""Of a file larger than a green, what lies so far from the green's middle is taken."""


class Kept:
    """Points that are held, evenly fewer of them when they grow too many.

    Of each `stride` points of the file one is held; when they are too many, every other one goes.
    """

    def __init__(self, middle: tuple[float, float] | None, most: int = MOST_POINTS) -> None:
        self._middle, self._most = middle, most
        self._held: list[Figures] = []
        self._stride, self._skip = 1, 0
        self.count = 0
        """How many points of the file had figures."""
        self.low, self.high = np.full(3, np.inf), np.full(3, -np.inf)
        """The lowest and highest coordinates of all [m]."""

    def take(self, points: Figures) -> None:
        """Take in points [m], shape (n, 3)."""
        if not len(points):
            return
        self.count += len(points)
        self.low, self.high = (
            np.minimum(self.low, points.min(axis=0)),
            np.maximum(self.high, points.max(axis=0)),
        )
        if self._middle is not None:
            points = points[(np.abs(points[:, :2] - self._middle) <= REACH_M).all(axis=1)]
        thinned = points[self._skip :: self._stride]
        self._skip = (self._skip - len(points)) % self._stride
        self._held.append(thinned)
        if sum(map(len, self._held)) > self._most:
            self._held = [np.concatenate(self._held)[::2]]
            self._stride *= 2
            self._skip = 0

    @property
    def points(self) -> Figures:
        """What is held, shape (n, 3)."""
        return np.concatenate(self._held) if self._held else np.empty((0, 3))

"""Greens made of known shapes by a seed, and what stands where on them, told from heights alone."""

import math
from dataclasses import dataclass

import numpy as np

from orthocline.core.ground import Grid
from orthocline.core.relief import Kind, Outline, Relief

DEEP_M, WIDE_M = 20.0, 24.0
SPACING_M = 0.5
RING = np.linspace(0, 2 * math.pi, 32, endpoint=False)


@dataclass(frozen=True)
class Shape:
    """What was put on a green: its kind, a place on it, and the way it goes on [rad]."""

    kind: Kind
    at: tuple[float, float]
    along_rad: float


class SeededGreen:
    """A plane with a crown or a hollow on it, and a ridge, a valley or a tier."""

    def __init__(self, seed):
        self.rng = np.random.default_rng(seed)
        self.parts = [self._plane()]
        self.shapes = []
        if self.rng.random() < 0.6:
            self._add_bump()
        self._add_long()

    def heights(self, x, y):
        return sum(part(x, y) for part in self.parts)

    def _plane(self):
        tilt, way = self.rng.uniform(0.004, 0.015), self.rng.normal(math.pi / 2, 0.5)
        return lambda x, y: tilt * (math.cos(way) * x + math.sin(way) * y)

    def _add_bump(self):
        size, wide = self.rng.uniform(0.12, 0.25), self.rng.uniform(3.0, 4.5)
        sign = self.rng.choice((-1.0, 1.0))
        cx, cy = self.rng.uniform(6, 18), self.rng.uniform(6, 14)
        self.parts.append(lambda x, y: sign * size * np.exp(-((x - cx) ** 2 + (y - cy) ** 2) / wide**2))

    def _add_long(self):
        kind = Kind(str(self.rng.choice((Kind.RIDGE, Kind.VALLEY, Kind.TIER))))
        cx, cy = self.rng.uniform(9, 15), self.rng.uniform(8, 12)
        lie = self.rng.normal(math.pi / 2, 0.35)
        wide, size = self.rng.uniform(1.5, 2.6), self.rng.uniform(0.12, 0.25)
        if kind is Kind.TIER:
            lie, wide, size = lie - math.pi / 2, self.rng.uniform(1.1, 1.6), self.rng.uniform(0.3, 0.5)

        def across(x, y):
            return ((y - cy) * math.cos(lie) - (x - cx) * math.sin(lie)) / wide

        if kind is Kind.TIER:
            self.parts.append(lambda x, y: 0.5 * size * np.tanh(across(x, y)))
        else:
            sign = 1.0 if kind is Kind.RIDGE else -1.0
            self.parts.append(lambda x, y: sign * size * np.exp(-(across(x, y) ** 2)))
        self.shapes.append(Shape(kind, (cx, cy), lie))

    @property
    def relief(self):
        x, y = np.arange(-3, WIDE_M + 3.01, SPACING_M), np.arange(-3, DEEP_M + 3.01, SPACING_M)
        grid = Grid((-3.0, -3.0), SPACING_M, self.heights(*np.meshgrid(x, y)))
        corners = [
            (12 + 11.5 * math.cos(one) * (1 + 0.06 * math.cos(3 * one)), 10 + 9.5 * math.sin(one))
            for one in np.linspace(0, 2 * math.pi, 14, endpoint=False)
        ]
        return Relief(grid, Outline(tuple(corners)))

    def over_ring(self, at, radius):
        """Return how much higher a ring round a place is than the place."""
        x, y = at
        return self.heights(x + radius * np.cos(RING), y + radius * np.sin(RING)) - self.heights(x, y)

    def spots(self):
        """Return kind, place and how plain it is of each place where the ground is level, by rings."""
        x, y = (one.ravel() for one in np.meshgrid(np.arange(1.0, 23.01, 0.2), np.arange(1.0, 19.01, 0.2)))
        over = self.over_ring((x[:, None], y[:, None]), 0.3)
        changes = (np.sign(over) != np.sign(np.roll(over, 1, axis=1))).sum(axis=1)
        kinds = np.where(changes == 4, Kind.SADDLE, np.where(over[:, 0] < 0, Kind.CROWN, Kind.HOLLOW))
        level = np.isin(changes, (0, 4))
        places = [(float(east), float(north)) for east, north in zip(x[level], y[level], strict=True)]
        return [
            (Kind(str(kind)), at, self._plainness(at, Kind(str(kind))))
            for kind, at in zip(kinds[level], places, strict=True)
        ]

    def _plainness(self, at, kind):
        """Return by how much a ring of a metre and a half lies above or below, both ways of a saddle."""
        over = self.over_ring(at, 1.5)
        opposite = over + np.roll(over, 16)
        if kind is Kind.SADDLE:
            return min(opposite.max(), -opposite.min()) / 2
        return np.abs(opposite).min() / 2

    def folds(self, at, sign):
        """Return whether the ground falls (1) or rises (-1) to both sides of a place, some way across."""
        over = -sign * self.over_ring(at, 0.9)
        return bool((np.minimum(over, np.roll(over, 16)) > 0.001).any())

    def steps(self, at):
        """Return whether a place is steeper, along its fall, than ground three metres up and down of it."""
        x, y = at
        over = self.over_ring(at, 0.3)
        way = RING[over.argmin()]

        def slope(far):
            far = np.array([far - 0.3, far + 0.3])
            return -np.ptp(self.heights(x + far * math.cos(way), y + far * math.sin(way))) / 0.6

        return slope(0.0) < min(slope(3.0), slope(-3.0)) - 0.012

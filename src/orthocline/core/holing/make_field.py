"""The make window as a field: what becomes of every launch about the one that is meant."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.estimate import Span
from orthocline.core.holing.trying import Spread
from orthocline.core.relief import Region, regions_above
from orthocline.core.roll import Aim, Ends, Launch, Putt, by_closed_form, ends_of

ON_PLANE, ELSEWHERE = (80, 60), (40, 30)
"""Launch angles and launch speeds of the field."""
SPREADS: Final = 3.0
"""The field reaches so many standard deviations of the golfer to each side of the launch that is meant."""
HOLES: Final = 2.5
"""And at least to so many holes' widths beside it, seen from the ball, and at most to so many:"""
MOST_HOLES: Final = 10.0
ENERGY: Final = 0.25
"""And at least to so much less or more of its energy, as a share."""
HALVINGS: Final = 8
"""An edge lies between two launches of the field, halved so often."""
ON_GRID: Final = 0.01
"""A corner so near to a launch of the grid, in steps, lies on it."""
Figures = NDArray[np.float64]
Flags = NDArray[np.bool_]


@dataclass(frozen=True)
class MakeField:
    """What becomes of the launches about one: areas over launch angle [rad] and launch speed [m/s].

    Attributes
    ----------
    right_rad, speed_mps : Span
        How far the field reaches.
    drops, meets, short : tuple of Region
        Where a ball drops; where it crosses the rim, whether it drops or lips out; where it rests before it
        has come to the hole. Elsewhere it passes on one side or the other.
    """

    right_rad: Span
    speed_mps: Span
    drops: tuple[Region, ...]
    meets: tuple[Region, ...]
    short: tuple[Region, ...]


def make_field(putt: Putt, aim: Aim, spread: Spread, paces: tuple[Launch, ...] = ()) -> MakeField:
    """Return the field of a putt, about the launch that is meant.

    Parameters
    ----------
    putt : Putt
        The putt.
    aim : Aim
        Its solved aim.
    spread : Spread
        How the golfer's launches scatter about it.
    paces : tuple of Launch
        Launches at other paces, which the field reaches to as well.

    Returns
    -------
    MakeField
        Its areas, each edge found to a hundredth of the step between two launches.
    """
    right, speed = _reach(putt, aim.launch, spread, paces)
    columns, rows = ON_PLANE if by_closed_form(putt) else ELSEWHERE
    angles, speeds = np.linspace(right.least, right.most, columns), np.linspace(speed.least, speed.most, rows)
    grid = np.stack(np.meshgrid(angles, speeds), axis=-1)
    found = ends_of(putt, grid.reshape(-1, 2))
    kinds = [_Kind(putt, grid, ends_so, ends_so(found).reshape(rows, columns)) for ends_so in KINDS]
    return MakeField(right, speed, *(kind.regions for kind in kinds))


KINDS: Final[tuple[Callable[[Ends], Flags], ...]] = (
    lambda ends: ends.drops,
    lambda ends: ends.meets,
    lambda ends: ends.short,
)


@dataclass(frozen=True)
class _Kind:
    """One kind of end over the field: which launches of the grid have it."""

    putt: Putt
    grid: Figures
    ends_so: Callable[[Ends], Flags]
    there: Flags

    @property
    def regions(self) -> tuple[Region, ...]:
        """Its areas, their edges refined."""
        angles, speeds = self.grid[0, :, 0], self.grid[:, 0, 1]
        areas = regions_above(angles, speeds, np.where(self.there, 1.0, -1.0), 0.0)
        return tuple(
            Region(self._refined(one.edge), tuple(self._refined(ring) for ring in one.holes)) for one in areas
        )

    def _refined(self, edge: Figures) -> Figures:
        """Return an edge moved to where it is: each corner of it that lies half-way between two launches."""
        first, step = self.grid[0, 0], self.grid[1, 1] - self.grid[0, 0]
        at = (edge - first) / step
        before, after = (np.asarray(way(at)).astype(int) for way in (_floor, _ceil))
        between = (before != after).any(axis=1)
        corners = [(self.grid[ends[:, 1], ends[:, 0]]) for ends in (before[between], after[between])]
        inside_first = self.there[before[between, 1], before[between, 0]][:, None]
        inside, outside = np.where(inside_first, *corners), np.where(inside_first, *corners[::-1])
        for _ in range(HALVINGS):
            middle = 0.5 * (inside + outside)
            there = self.ends_so(ends_of(self.putt, middle))[:, None]
            inside, outside = np.where(there, middle, inside), np.where(there, outside, middle)
        found = edge.copy()
        found[between] = inside
        return found


def _floor(at: Figures) -> Figures:
    return np.asarray(np.floor(at + ON_GRID))


def _ceil(at: Figures) -> Figures:
    return np.asarray(np.ceil(at - ON_GRID))


def _reach(putt: Putt, meant: Launch, spread: Spread, paces: tuple[Launch, ...]) -> tuple[Span, Span]:
    hole = math.atan2(2.0 * HOLE_RADIUS_M, putt.length_m)
    half = min(max(SPREADS * spread.sideways_rad, HOLES * hole), MOST_HOLES * hole)
    angles = [meant.right_rad - half, meant.right_rad + half, *(one.right_rad for one in paces)]
    energy = min(max(SPREADS * spread.energy, ENERGY), 0.9)
    speeds = [meant.speed_mps * math.sqrt(1.0 + way * energy) for way in (-1.0, 1.0)]
    speeds += [one.speed_mps for one in paces]
    return Span(min(angles), max(angles)), Span(min(speeds), max(speeds))

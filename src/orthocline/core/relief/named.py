"""The places of a green that have a name, by its slopes and their curvature."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from typing import Final, NamedTuple

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import binary_dilation, binary_erosion, label

from orthocline.core.relief.lattice import Relief

Figures = NDArray[np.float64]
Nodes = NDArray[np.bool_]
Place = tuple[float, float]
LEAST_CURVATURE: Final = 0.0015
"""A crown, hollow or saddle turns by so much at least, both ways [1/m]."""
LEAST_FOLD: Final = 0.008
"""A ridge or a valley turns across by so much at least [1/m]: a percent in little over a metre."""
FOLD_SHARE: Final = 0.45
"""And along by no more than this share of it."""
LONGEST_STEP: Final = 0.8
"""In nodes: the place without slope lies so near to the node by which it is found."""
SAME_M: Final = 1.5
LEAST_LONG_M: Final = 4.0
"""Ridges, valleys and tiers are so long at least."""
ASIDE_M: Final = (2.0, 2.75, 3.5, 4.25, 5.25)
"""Beyond a tier, up and down its slope, the ground is looked at so far away."""
EDGE_M: Final = 1.0
"""A false front may be steepest where the green ends, within so much."""
BEYOND_M: Final = 3.0
"""From so far on it is flatter there."""
LEAST_STEP: Final = 0.02
"""A tier is so much steeper [ratio] than the ground above and below."""
FLATTER: Final = 0.6
"""Which is no steeper than this share of it."""
TURNS: Final = 0.005
"""Ground that slopes so much [ratio] the other way there makes it the side of a valley or a ridge."""
EDGE_NODES: Final = 1
ALL_ROUND: Final = np.ones((3, 3), dtype=bool)


class Kind(StrEnum):
    """What a place of a green is called."""

    CROWN = "crown"
    HOLLOW = "hollow"
    SADDLE = "saddle"
    RIDGE = "ridge"
    VALLEY = "valley"
    TIER = "tier"
    FRONT = "front"
    """A tier at the front edge: what stops short on it rolls back off the green."""


@dataclass(frozen=True)
class Feature:
    """A place that has a name.

    Attributes
    ----------
    kind : Kind
        Its name.
    at_m : tuple of float
        Its middle [m].
    along : tuple of tuple of float
        Places along it [m], from one end to the other; none for a spot.
    """

    kind: Kind
    at_m: Place
    along: tuple[Place, ...] = ()


def features(relief: Relief) -> list[Feature]:
    """Return the places of a green that have a name.

    Parameters
    ----------
    relief : Relief
        The ground.

    Returns
    -------
    list of Feature
        Crowns, hollows and saddles, ridges and valleys, tiers.
    """
    inner = binary_erosion(relief.inside, ALL_ROUND, EDGE_NODES)
    if not inner.any():
        return []
    return [*_spots(relief, inner), *_folds(relief, inner), *_tiers(relief, inner)]


def _turns(curvature: Figures) -> tuple[Figures, Figures]:
    """Return how the ground turns least and most [1/m], shape (n, 2), and along which way the latter."""
    east, both, north = curvature[:, 0, 0], curvature[:, 0, 1], curvature[:, 1, 1]
    middle, half = 0.5 * (east + north), np.hypot(0.5 * (east - north), both)
    way = 0.5 * np.arctan2(2.0 * both, east - north)
    return np.column_stack([middle - half, middle + half]), np.column_stack([np.cos(way), np.sin(way)])


def _spots(relief: Relief, inner: Nodes) -> Iterator[Feature]:
    """Yield the places without slope: by one step of Newton's from the nodes round them."""
    slopes, curvature = np.moveaxis(relief.slopes, 0, -1)[inner], relief.curvature[inner]
    places, (own, _) = relief.places[inner], _turns(curvature)
    turns = np.abs(own).min(axis=1) > LEAST_CURVATURE
    places, slopes, curvature, own = places[turns], slopes[turns], curvature[turns], own[turns]
    steps = -np.linalg.solve(curvature, slopes[..., None])[..., 0]
    far = np.abs(steps).max(axis=1)
    near = np.argsort(far)[: np.count_nonzero(far <= LONGEST_STEP * relief.grid.spacing_m)]
    found: list[Place] = []
    for (x, y), (least, most) in zip((places + steps)[near].tolist(), own[near].tolist(), strict=True):
        if all(math.dist((x, y), one) > SAME_M for one in found):
            found.append((x, y))
            kind = Kind.SADDLE if least * most < 0.0 else Kind.CROWN if most < 0.0 else Kind.HOLLOW
            yield Feature(kind, (x, y))


def _folds(relief: Relief, inner: Nodes) -> Iterator[Feature]:
    """Yield ridges and valleys: where the slope across, the way the ground turns most, is none."""
    own, upward = _turns(relief.curvature[inner])
    rows, most = np.arange(len(own)), np.abs(own).argmax(axis=1)
    turn, other = own[rows, most], own[rows, 1 - most]
    across = np.where(most[:, None] == 1, upward, np.column_stack([-upward[:, 1], upward[:, 0]]))
    slope = np.einsum("ij,ij->i", across, np.moveaxis(relief.slopes, 0, -1)[inner])
    near = np.abs(slope) < LONGEST_STEP * relief.grid.spacing_m * np.abs(turn)
    folded = near & (np.abs(turn) > LEAST_FOLD) & (np.abs(other) < FOLD_SHARE * np.abs(turn))
    for kind, sign in ((Kind.RIDGE, -1.0), (Kind.VALLEY, 1.0)):
        nodes = np.zeros_like(inner)
        nodes[inner] = folded & (sign * turn > 0.0)
        yield from _long(relief, nodes, kind)


class _Steep(NamedTuple):
    """Steep nodes: their numbers, how steep they are [ratio], where they lie [m] and which way is down."""

    numbers: NDArray[np.int64]
    steep: Figures
    places: Figures
    down: Figures

    def only(self, which: Nodes) -> "_Steep":
        """Return some of them."""
        return _Steep(self.numbers[which], self.steep[which], self.places[which], self.down[which])

    @property
    def level(self) -> Figures:
        """What ground above and below a tier is flatter than [ratio]."""
        return np.minimum(FLATTER * self.steep, self.steep - LEAST_STEP)


def _tiers(relief: Relief, inner: Nodes) -> Iterator[Feature]:
    """Yield where the ground is steeper than above and below, and falls on the same way there."""
    asked = inner & (relief.steepness > LEAST_STEP)
    steep, step = relief.steepness[asked], relief.grid.spacing_m
    down = -np.moveaxis(relief.slopes, 0, -1)[asked] / steep[:, None]
    tried = _Steep(np.flatnonzero(asked), steep, relief.places[asked], down)
    tried = tried.only(tried.steep >= _steepness_at(relief, tried.places - step * tried.down))
    tried = tried.only(_beside(relief, tried, -1.0) < tried.level)
    ends = tried.steep >= _steepness_at(relief, tried.places + step * tried.down)
    at_edge, off = (~relief.outline.holds(tried.places + far * tried.down) for far in (EDGE_M, ASIDE_M[0]))
    for kind, below in (
        (Kind.TIER, ends & (_beside(relief, tried, 1.0) < tried.level)),
        (Kind.FRONT, (at_edge | (off & ends)) & (tried.down[:, 1] < -math.cos(math.pi / 4))),
    ):
        nodes = np.zeros_like(asked)
        nodes.flat[tried.numbers[below]] = True
        yield from _long(relief, nodes, kind)


def _steepness_at(relief: Relief, places: Figures) -> Figures:
    """Return how steep it is at places [ratio], shape (n,)."""
    return np.asarray(np.hypot(*relief.slopes_at(places).T))


def _beside(relief: Relief, tried: _Steep, way: float) -> Figures:
    """Return how steep it goes on below (1) or above (-1) at most; much where it turns or ends at once."""
    there = tried.places + way * np.array(ASIDE_M)[:, None, None] * tried.down
    falls = -np.einsum("kij,ij->ki", relief.slopes_at(there), tried.down)
    on = relief.outline.holds(there)
    further = np.where(on, falls, 0.0)[np.array(ASIDE_M) >= BEYOND_M].max(axis=0)
    turns = (on & (falls < -TURNS)).any(axis=0) | ~on[0]
    return np.where(turns, np.inf, further)


def _long(relief: Relief, nodes: Nodes, kind: Kind) -> Iterator[Feature]:
    """Yield what is long enough of connected nodes, each as a line."""
    named, _ = label(binary_dilation(nodes, ALL_ROUND), ALL_ROUND)
    numbers = named[nodes]
    order = np.argsort(numbers, kind="stable")
    begins = np.flatnonzero(np.diff(numbers[order])) + 1
    for places in np.split(relief.places[nodes][order], begins):
        along = _along(places)
        if len(along) > 1 and math.dist(along[0], along[-1]) >= LEAST_LONG_M:
            yield Feature(kind, along[len(along) // 2], along)


def _along(places: Figures) -> tuple[Place, ...]:
    """Return the middle of places metre by metre, along the way in which they spread most; none if short."""
    if not len(places) or math.hypot(*np.ptp(places, axis=0)) < LEAST_LONG_M:
        return ()
    centred = places - places.mean(axis=0)
    way = np.linalg.svd(centred, full_matrices=False)[2][0]
    metres = np.floor(centred @ way).astype(int)
    metres -= metres.min()
    counts = np.bincount(metres)
    x, y = (np.bincount(metres, one)[counts > 0] / counts[counts > 0] for one in places.T)
    return tuple(zip(x.tolist(), y.tolist(), strict=True))

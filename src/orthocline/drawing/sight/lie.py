"""The ground through an eye: its skyline, a grid of it, and short strokes the way water runs."""

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray

from orthocline.drawing.ground.uneven import FLATTEST, FULL_SLOPE, WEIGHTS
from orthocline.drawing.scene import Area, Fill, Item, Line, Sign, Spots, Strokes, box, spots_of
from orthocline.drawing.sight.sight import Sight

BESIDE = 60.0
"""So far beside the sheet the ground is still drawn."""
SAMPLES, EVEN = 81, 0.3
"""Lines of the grid are followed through so many places, and stray no further than this on the sheet."""
CLOSEST_LINES, CLOSEST_STROKES = 3.5, 9.0
"""Lines and rows of strokes across the view that lie closer than this on the sheet are not all drawn."""
SHORTEST = 4.0
"""Strokes shorter than this on the sheet are not drawn."""
LONGEST = 0.7
"""A stroke on the steepest ground has this share of the grid's step."""
LEVEL_STEP_M = 0.05
"""The fall at a place is told by its ground so far about it."""
LOWER = 1.8
"""The lower half of a stroke is so much heavier."""
TONES, DARKEST = 10, 0.42
"""The ground has so many tones, the darkest of which covers it so much."""
Tone = Callable[[Spots, Spots], NDArray[np.float64]]
"""Returns how dark places are, 0 to 1, by where they lie [m] and how the ground falls there [ratio]."""


@dataclass(frozen=True)
class Lie:
    """The ground on a sheet of some size, its grid every `step_m`, as far as `reach_m` from the eye."""

    sight: Sight
    width: float
    height: float
    step_m: float
    reach_m: float

    def items(self) -> Iterator[Item]:
        """Yield the ground up to its skyline, the grid and the water."""
        yield from self.land()
        yield self.grid()
        yield from self._water()

    def land(self) -> Iterator[Item]:
        """Yield the ground up to its skyline."""
        sky, foot = self._skyline(), self.height + BESIDE
        corners = spots_of((self.width + BESIDE, foot), (-BESIDE, foot))
        yield Area(np.vstack([sky, corners]), fill=Fill.GROUND, name="lie")
        yield Line(sky, Sign.EDGE, 1.0, name="skyline")

    def everywhere(self) -> Item:
        """Return ground that fills the sheet: where it ends is not seen."""
        return Area(
            box(-BESIDE, -BESIDE, self.width + BESIDE, self.height + BESIDE), fill=Fill.GROUND, name="lie"
        )

    def grid(self) -> Item:
        """Return the grid."""
        return Strokes(self._grid(), Sign.EDGE, 0.7, name="grid")

    def tones(self, tone: Tone) -> Iterator[Item]:
        """Yield the ground's cells in a few tones, the darkest last."""
        along, right = (self._marks(axis) for axis in (0, 1))
        places = np.stack(np.meshgrid(along, right, indexing="ij"), axis=-1)
        levels = self.sight.putt.levels_m(places[..., 0], places[..., 1])
        spots = self._in_reach(np.concatenate([places, levels[..., None]], axis=-1))
        cells, middles = _cells(spots), _cells(places).mean(axis=1)
        seen = ~np.isnan(cells).any(axis=(1, 2)) & self._on_sheet(cells).any(axis=1)
        falls = self._cell_falls(levels)
        steps = np.clip(np.round(TONES * tone(middles[seen], falls[seen])), 0, TONES).astype(int)
        for step in range(1, TONES + 1):
            dark = cells[seen][steps == step]
            if len(dark):
                shade = step * DARKEST / TONES
                yield Area(dark[0], Sign.INK, shade=shade, rings=tuple(dark[1:]), name="tone")

    def _in_reach(self, nodes_m: Spots) -> Spots:
        """Return where nodes of the ground (along, right, up) lie on the sheet; nan beyond the reach."""
        flat = nodes_m.reshape(-1, 3)
        spots = self.sight.of(flat)
        ahead, _ = self.sight.eye.ahead_and_aside(flat[:, 0], flat[:, 1])
        spots[ahead > self.reach_m] = np.nan
        return spots.reshape(*nodes_m.shape[:-1], 2)

    def _cell_falls(self, levels: Spots) -> Spots:
        """Return how each cell falls, along the putt and to the right [ratio], by its corners."""
        ahead = levels[:-1] - levels[1:]
        aside = levels[:, :-1] - levels[:, 1:]
        falls = 0.5 * np.stack([ahead[:, :-1] + ahead[:, 1:], aside[:-1] + aside[1:]], axis=-1)
        return falls.reshape(-1, 2) / self.step_m

    def _skyline(self) -> Spots:
        sky = self.sight.lay(self.sight.horizon.skyline)
        wide = np.flatnonzero((sky[:, 0] > -BESIDE) & (sky[:, 0] < self.width + BESIDE))
        return np.asarray(sky[max(wide[0] - 1, 0) : wide[-1] + 2])

    def _spots(self, places_m: Spots) -> Spots:
        """Return where places along from the ball and right [m] lie on the sheet; nan beyond the reach."""
        flat = places_m.reshape(-1, 2)
        spots = self.sight.spots(flat[:, 0] - self.sight.putt.length_m, flat[:, 1])
        ahead, _ = self.sight.eye.ahead_and_aside(*flat.T)
        spots[ahead > self.reach_m] = np.nan
        return spots.reshape(places_m.shape)

    def _on_sheet(self, spots: Spots) -> NDArray[np.bool_]:
        """Return which places are seen, and lie on the sheet or little beside it."""
        half = np.array([0.5 * self.width, 0.5 * self.height])
        return np.asarray((np.abs(spots - half) <= half + BESIDE).all(axis=-1))

    def _box(self) -> Spots:
        """Return the least and the most in view, along from the ball and right [m]: shape (2, 2)."""
        eye, half = self.sight.eye, math.atan2(0.5 * self.width + BESIDE, self.sight.focal)
        ways = np.array([-half, 0.0, half])
        far = self.reach_m / np.cos(ways)
        along = eye.along_m + far * np.cos(eye.heading_rad + ways)
        right = eye.right_m + far * np.sin(eye.heading_rad + ways)
        ends = np.vstack([np.column_stack([along, right]), (eye.along_m, eye.right_m)])
        return np.array([ends.min(axis=0), ends.max(axis=0)])

    def _marks(self, axis: int) -> Spots:
        """Return where lines of the grid stand along an axis [m]: evenly, one through the ball."""
        least, most = self._box()[:, axis] / self.step_m
        return self.step_m * np.arange(math.ceil(least), most)

    def _grid(self) -> Spots:
        """Return the lines of the grid in strokes, as few as they can be followed by."""
        lines = np.concatenate([self._lines(0), self._lines(1)])
        spots = self._spots(lines)
        on = self._on_sheet(spots)
        # A line goes on to its first place off the sheet, wherever that is seen.
        beside = np.pad(on, ((0, 0), (1, 1)))
        drawn = (on | beside[:, :-2] | beside[:, 2:]) & ~np.isnan(spots).any(axis=-1)
        begins = drawn & ~np.pad(drawn, ((0, 0), (1, 0)))[:, :-1]
        numbers = np.cumsum(begins.ravel())[drawn.ravel()]
        counts = np.bincount(numbers)
        long = counts[numbers] > 1
        if not long.any():
            return np.empty((0, 2))
        _, indices = np.unique(numbers[long], return_inverse=True)
        runs = shapely.linestrings(spots[drawn][long], indices=indices)
        fewest, which = shapely.get_coordinates(
            shapely.simplify(runs, EVEN, preserve_topology=False), return_index=True
        )
        same = which[1:] == which[:-1]
        return np.stack([fewest[:-1][same], fewest[1:][same]], axis=1).reshape(-1, 2)

    def _lines(self, axis: int) -> Spots:
        """Return places of the lines that stand along an axis, along and right [m]: (lines, places, 2)."""
        marks = self._marks(axis)
        if axis == self._away:
            marks = marks[self._of_every(marks, CLOSEST_LINES) > 0]
        lines = np.empty((len(marks), SAMPLES, 2))
        lines[:, :, axis] = marks[:, None]
        least, most = self._box()[:, 1 - axis].tolist()
        lines[:, :, 1 - axis] = np.linspace(least, most, SAMPLES)
        return lines

    @property
    def _away(self) -> int:
        """The axis that runs away from the eye rather than across its view."""
        return 0 if abs(math.cos(self.sight.eye.heading_rad)) >= math.sqrt(0.5) else 1

    def _of_every(self, marks: Spots, closest: float) -> NDArray[np.int_]:
        """Return of every how many places along the axis away from the eye one is drawn; 0 where it is not.

        All of them near the eye; further off every second, fourth and so on, so that they keep apart on the
        sheet.
        """
        sight, eye = self.sight, self.sight.eye
        far = np.maximum(np.abs(marks - (eye.along_m, eye.right_m)[self._away]), self.step_m)
        under = sight.putt.levels_m(np.array([eye.along_m]), np.array([eye.right_m]))[0]
        apart = sight.focal * (eye.up_m - under) * self.step_m / far**2
        every = 2 ** np.ceil(np.maximum(np.log2(closest / apart), 0.0)).astype(int)
        return np.where(np.floor(marks / self.step_m + 1e-9).astype(int) % every == 0, every, 0)

    def _water(self) -> Iterator[Item]:
        """Yield strokes down the slope in the middle of each cell, heavier toward their lower end."""
        along, right = (self._marks(axis) + 0.5 * self.step_m for axis in (0, 1))
        cells = np.stack(np.meshgrid(along, right), axis=-1).reshape(-1, 2)
        cells = cells[self._on_sheet(self._spots(cells))]
        every = self._of_every(cells[:, self._away], CLOSEST_STROKES)
        beside = np.floor(cells[:, 1 - self._away] / self.step_m).astype(int)
        kept = (every > 0) & (beside % np.maximum(every // 2, 1) == 0)
        cells, every = cells[kept], every[kept]
        falls = self._falls(cells)
        slope = np.hypot(*falls.T)
        steep = np.minimum(slope / FULL_SLOPE, 1.0)
        length = 0.5 * LONGEST * self.step_m * every * (0.35 + 0.65 * steep) / np.maximum(slope, FLATTEST)
        half = length[:, None] * falls
        ends = self._spots(np.stack([cells - half, cells, cells + half], axis=1))
        drawn = (slope >= FLATTEST) & (np.hypot(*(ends[:, 2] - ends[:, 0]).T) >= SHORTEST)
        least = 0.0
        for most, width in WEIGHTS:
            chosen = ends[drawn & (slope >= least) & (slope < most)]
            if len(chosen):
                yield Strokes(chosen[:, ::2].reshape(-1, 2), Sign.FALL, width, name="water")
                yield Strokes(chosen[:, 1:].reshape(-1, 2), Sign.FALL, LOWER * width, name="water")
            least = most

    def _falls(self, cells: Spots) -> Spots:
        """Return the fall [ratio] along the putt and to the right at places."""
        putt, step = self.sight.putt, LEVEL_STEP_M
        along, right = cells.T
        ahead = putt.levels_m(along - step, right) - putt.levels_m(along + step, right)
        aside = putt.levels_m(along, right - step) - putt.levels_m(along, right + step)
        return np.column_stack([ahead, aside]) / (2.0 * step)


def _cells(nodes: Spots) -> Spots:
    """Return the four corners of each cell of a grid of nodes, round it: (cells, 4, 2)."""
    corners = (nodes[:-1, :-1], nodes[1:, :-1], nodes[1:, 1:], nodes[:-1, 1:])
    return np.stack(corners, axis=2).reshape(-1, 4, 2)

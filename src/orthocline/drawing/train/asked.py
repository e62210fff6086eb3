"""A question's putt as the eye has it: with as few cues as it is to have, and the mark to be placed."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from orthocline.core.calls import GolferFigures
from orthocline.core.roll import Putt
from orthocline.core.sight import ground_seen
from orthocline.core.train import Cue
from orthocline.drawing.roll.hole_frame import line_from_ball
from orthocline.drawing.scene import Area, Fill, Item, Line, Scene, Sign, Spot, Words, box, diamond
from orthocline.drawing.sight.framing import SHAPES, Framed, Looking, PuttFacts, framed
from orthocline.drawing.sight.lie import DARKEST, Lie
from orthocline.drawing.sight.putt import ball_item, putt_items
from orthocline.drawing.sight.seen import seen_items
from orthocline.drawing.sight.sight import Sight
from orthocline.drawing.train.light import sheen, sunlight
from orthocline.wording.sight.looking import grid_m
from orthocline.wording.wording import Wording

ROOM_SHARE, LEAST_ROOM_M = 0.16, 0.45
"""So much of the putt's length is in view to both sides of the hole, whatever the putt breaks."""
MARK = 9.0
CELLS, LEAST_CELL_M, MOST_CELL_M = 14.0, 0.15, 0.5
"""Light and sheen are drawn in so many cells along the putt, no smaller and no larger than that."""
PATCH, PATCH_ROOM = 26.0, 8.0
BAR_M = 0.35
"""Half the length of the stroke across the line where a gate is asked for."""


@dataclass(frozen=True)
class Placed:
    """A mark that the golfer places: along from the ball and right of the line [m], and its line if any.

    A mark that is `aimed` at has a line from the ball.
    """

    along_m: float
    right_m: float
    aimed: bool = False


@dataclass(frozen=True)
class AskedSheet:
    """A putt as it is asked about; a `bare` one is ground with a ball alone.

    Attributes
    ----------
    sun_rad : float
        Where the sun stands, clockwise from the way from ball to hole.
    across_m : float or None
        How far along the line something is asked for across it [m].
    """

    putt: Putt
    cue: Cue
    looking: Looking
    golfer: GolferFigures
    wording: Wording
    sun_rad: float = 0.0
    bare: bool = False
    across_m: float | None = None

    @cached_property
    def _framed(self) -> Framed:
        room = 0.0 if self.bare else max(ROOM_SHARE * self.putt.length_m, LEAST_ROOM_M)
        facts = PuttFacts(golfer=self.golfer, aside_m=room, horizon=self.cue is Cue.HORIZON)
        return framed(self.putt, facts, self.looking)

    @property
    def sight(self) -> Sight:
        """How it is seen."""
        return self._framed.sight

    def scene(self, says: str, placed: Placed | None = None, name: str = "asked") -> Scene:
        """Return the picture, in words `says`, with the mark that was placed."""
        width, height = SHAPES[self.looking.shape]
        lie = Lie(self.sight, width, height, grid_m(self.wording), self._framed.reach_m)
        items = [
            *_ground(lie, self.cue, self.sun_rad),
            *(() if self.bare else putt_items(self.sight, flag=self.looking.flag)),
            *(() if self.across_m is None else (self._across(self.across_m),)),
            ball_item(self.sight, "ball"),
            *(_placed(self.sight, placed) if placed else ()),
        ]
        return Scene(name, width, height, says, tuple(seen_items(items)))

    def _across(self, along_m: float) -> Item:
        beyond = along_m - self.putt.length_m
        ends = np.array([(beyond, -BAR_M), (beyond, BAR_M)])
        return Line(self.sight.path(ends), Sign.QUIET, 2.0, "3 4", name="across")

    def place_at(self, spot: Spot) -> tuple[float, float] | None:
        """Return the place of the ground at a spot of the sheet, along and right of the ball [m]."""
        right, down = ((np.array(spot) - self.sight.ahead) / self.sight.focal).tolist()
        return ground_seen(self.putt, self.sight.eye, float(right), float(down), self._framed.reach_m)

    def aside_at(self, along_m: float, x: float) -> float:
        """Return how far right of the line [m] something lies so far along that is seen at that x."""
        beyond = along_m - self.putt.length_m
        places = self.sight.ground(np.array([beyond, beyond]), np.array([0.0, 0.01]))
        left, right = self.sight.lay(self.sight.eye.project(places))[:, 0].tolist()
        return float(0.01 * (x - left) / (right - left)) if right != left else 0.0


def _ground(lie: Lie, cue: Cue, sun_rad: float) -> Iterator[Item]:
    """Yield what the ground shows of itself."""
    if cue is Cue.HORIZON:
        yield from lie.land()
        yield from _level(lie)
    else:
        yield lie.everywhere()
    if cue in (Cue.HORIZON, Cue.GRID):
        yield lie.grid()
    else:
        cell = min(max(lie.sight.putt.length_m / CELLS, LEAST_CELL_M), MOST_CELL_M)
        tone = sunlight(sun_rad) if cue is Cue.SUN else sheen(lie.sight.eye)
        yield from replace(lie, step_m=cell).tones(tone)
        yield from _level_patch(lie.height)


def _level_patch(height: float) -> Iterator[Item]:
    """Yield how dark level ground is, in the corner."""
    top = height - PATCH - PATCH_ROOM
    spots = box(PATCH_ROOM, top, PATCH_ROOM + PATCH, top + PATCH)
    yield Area(spots, Sign.EDGE, Fill.OPEN, 1.4, name="level")
    yield Area(spots, fill=Fill.GROUND, name="level")
    yield Area(spots, Sign.INK, shade=0.5 * DARKEST, name="level")
    yield Words("level ground", Spot(2.0 * PATCH_ROOM + PATCH, top + 0.7 * PATCH), name="level-words")


def _level(lie: Lie) -> Iterator[Item]:
    """Yield the sea's horizon, as high as the eye: what is level looks level against it."""
    y = lie.sight.ahead.y
    yield Line(np.array([(0.0, y), (lie.width, y)]), Sign.QUIET, 1.4, "12 5", name="horizon")


def _placed(sight: Sight, placed: Placed) -> Iterator[Item]:
    beyond = placed.along_m - sight.putt.length_m
    if placed.aimed:
        ends = line_from_ball(sight.putt, (beyond, placed.right_m), sight)
        yield Line(ends, Sign.DO, 2.4, name="placed-line")
    at = sight.spot(beyond, placed.right_m)
    if not math.isnan(at.x):
        yield Area(diamond(at, MARK), Sign.DO, Fill.OPEN, 2.4, name="placed")

"""Start lines that drop: the fan on the plan, and its end at the hole drawn large."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.estimate import Span
from orthocline.core.roll import Putt, Read
from orthocline.core.sure import StartLines
from orthocline.drawing.frame import PuttFrame
from orthocline.drawing.labels import Room, Wanted, place_labels
from orthocline.drawing.roll.hole_frame import line_from_ball, wedge
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Strokes,
    Words,
    diamond,
    spots_of,
)
from orthocline.drawing.sure.band import line_end
from orthocline.wording.sure.start_lines import aims_of, fan_words
from orthocline.wording.wording import Wording

SLICES = 24
DARKEST = 0.8
"""The fan is shaded in so many slices, by the root of how often they drop: few lines are ever sure."""
WIDTH, HEIGHT = 640.0, 184.0
LEFT, RIGHT, TOP, FOOT, BELOW = 24.0, 616.0, 34.0, 126.0, 158.0
CURVE_POINTS = 121
LARGEST_HOLE = 20.0
WIDEST_M = 2.0
"""Candidate lines are drawn until so far off the fan [m]."""


def fan_items(putt: Putt, lines: StartLines, frame: PuttFrame) -> Iterator[Item]:
    """Yield the fan from the ball: slices shaded by how often they drop, the sure part with edges drawn."""
    edges = np.linspace(lines.perhaps.least, lines.perhaps.most, SLICES + 1)
    shares = lines.share(0.5 * (edges[1:] + edges[:-1]))
    for i, share in enumerate(shares.tolist()):
        one, other = (line_end(putt, edge) for edge in edges[i : i + 2].tolist())
        shade = round(DARKEST * math.sqrt(share), 2)
        yield Area(wedge(putt, one, other, frame), Sign.UNSURE, shade=shade, name="fan")
    for edge in (lines.perhaps.least, lines.perhaps.most):
        line = line_from_ball(putt, line_end(putt, edge), frame)
        yield Line(line, Sign.UNSURE, 1.2, "4 4", name="fan-edge")
    if lines.surely:
        for edge in (lines.surely.least, lines.surely.most):
            line = line_from_ball(putt, line_end(putt, edge), frame)
            yield Line(line, Sign.UNSURE, 2.0, name="fan-sure")


def try_items(putt: Putt, tries_m: Sequence[float], frame: PuttFrame) -> Iterator[Item]:
    """Yield the golfer's candidate lines."""
    for aim in tries_m:
        yield Line(line_from_ball(putt, (0.0, aim), frame), Sign.DO, 1.2, "2 4", name="try")
        yield Area(diamond(frame.spot(0.0, aim), 4.0), Sign.DO, Fill.OPEN, 1.0)


@dataclass(frozen=True)
class _Across:
    """What lies across at the hole's distance, to scale: from the least to the most aim [m] that is drawn."""

    least: float
    most: float

    @property
    def scale(self) -> float:
        """Units of the sheet per metre."""
        return (RIGHT - LEFT) / (1.1 * (self.most - self.least))

    def x(self, right_m: float) -> float:
        """Return where an aim lies on the sheet, at its edge where it is further off."""
        middle = 0.5 * (self.least + self.most)
        held = min(max(right_m, self.least), self.most)
        return round(0.5 * (LEFT + RIGHT) + self.scale * (held - middle), 1)


def fan(read: Read, lines: StartLines, tries_m: Sequence[float], wording: Wording) -> Scene:
    """Return the fan's end at the hole's distance, drawn large: how often each start line drops.

    The height of the curve is the share of the figures' sets for which a ball started there drops; below it
    are the hole, and the candidate lines, true to scale across.
    """
    length = read.putt.length_m
    span = aims_of(lines.perhaps, length)
    least, most = min(span.least, -HOLE_RADIUS_M), max(span.most, HOLE_RADIUS_M)
    drawn = [min(max(aim, least - WIDEST_M), most + WIDEST_M) for aim in tries_m]
    across = _Across(min(least, *drawn), max(most, *drawn)) if drawn else _Across(least, most)
    items = [*_curve(lines, span, length, across), *_tries(tries_m, across, wording)]
    return Scene("fan", WIDTH, HEIGHT, fan_words(lines, length, wording), tuple(items))


def _curve(lines: StartLines, span: Span, length: float, across: _Across) -> Iterator[Item]:
    aims = np.linspace(span.least, span.most, CURVE_POINTS)
    shares = lines.share(np.arctan2(aims, length))
    curve = np.column_stack([[across.x(aim) for aim in aims.tolist()], FOOT - (FOOT - TOP) * shares])
    closed = np.vstack([(curve[0, 0], FOOT), curve, (curve[-1, 0], FOOT)])
    yield Area(closed, Sign.UNSURE, Fill.HATCHED, 1.0)
    yield Line(curve, Sign.UNSURE, 2.0, name="share")
    yield Strokes(spots_of((LEFT, TOP), (RIGHT, TOP)), Sign.RULE, 1.2)
    yield Strokes(spots_of((LEFT, FOOT), (RIGHT, FOOT)), Sign.EDGE, 1.4)
    yield Disc(
        Spot(across.x(0.0), FOOT), min(across.scale * HOLE_RADIUS_M, LARGEST_HOLE), Sign.INK, name="hole"
    )
    yield Words("drops whatever the figures are", Spot(LEFT, TOP - 8.0), Sign.QUIET)


def _tries(tries_m: Sequence[float], across: _Across, wording: Wording) -> Iterator[Item]:
    wanted = []
    for aim in tries_m:
        x = across.x(aim)
        yield Strokes(spots_of((x, TOP), (x, FOOT)), Sign.DO, 1.6, name="try")
        yield Area(diamond(Spot(x, FOOT), 7.0), Sign.DO, Fill.OPEN, 2.0)
        wanted.append(Wanted(wording.short(aim), Spot(x, BELOW), "near", Sign.DO, needed=False))
    for label in place_labels(wanted, np.empty((0, 2)), Room(4.0, WIDTH - 4.0, BELOW - 20.0, HEIGHT)):
        yield from label.items

"""What the golfer does and what the ball does, on the plan of a putt."""

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass

import numpy as np

from orthocline.core.roll import OwnRoll, Putt, Read
from orthocline.drawing.frame import PuttFrame
from orthocline.drawing.labels import Ink, label_box
from orthocline.drawing.lettering import LARGE_ON_PHONE
from orthocline.drawing.roll.hole_frame import hole_frame, line_from_ball, way_spots
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Sign,
    Spot,
    Spots,
    Strokes,
    Words,
    arrowhead,
    diamond,
    fewest,
    spots_of,
)
from orthocline.wording.wording import Wording

TICK_S = 0.25
LONGEST_TICKS = 60
ABOVE_HOLE = 40.0
"""The dimension of the aim is drawn so far above the hole."""
LEAST_DIMENSION, LEAST_HEADED, LEAST_INSIDE = 3.0, 30.0, 130.0
"""Widths from which the aim's dimension is drawn, has heads, and holds its figure."""
FIGURE_OFF = (12.0, 24.0, 36.0)
"""Else its figure stands so far beyond it, where nothing else does."""


@dataclass(frozen=True)
class Way:
    """A read on the sheet.

    Attributes
    ----------
    ball, aim_end : Spot
        The ball, and where the aim line ends, which is the aim mark if there is one.
    aim_line : ndarray, shape (n, 2)
        From the one to the other.
    to_hole, beyond : ndarray, shape (n, 2)
        The ball's way to the hole, and beyond it with the hole covered.
    ticks, seconds : ndarray, shape (2 n, 2)
        Strokes at quarter seconds and at whole seconds, from end to end.
    marked : bool
        Whether there is an aim mark.
    """

    ball: Spot
    aim_end: Spot
    aim_line: Spots
    to_hole: Spots
    beyond: Spots
    ticks: Spots
    seconds: Spots
    marked: bool

    @property
    def rest(self) -> Spot:
        """Where the ball would rest, or is last followed to."""
        return _last(self.beyond)


@dataclass(frozen=True)
class OwnWay:
    """Another launch than the read's and the ball that it sends, into the hole if it drops."""

    says: str
    line: Spots
    mark: Spot
    way: Spots

    @property
    def finish(self) -> Spot:
        """Where the ball rests, or is last followed to."""
        return _last(self.way)

    @property
    def items(self) -> Iterator[Item]:
        """What is drawn of it."""
        yield Line(self.line, Sign.DO, 1.4, name="own-line")
        yield Area(diamond(self.mark, 5.0), Sign.DO, Fill.OPEN, 1.0, name="own-mark")
        yield Line(self.way, Sign.REAL, 2.4, "7 5", name="own-way")
        yield Disc(self.finish, 6.0, Sign.REAL)


def way_of(putt: Putt, read: Read, frame: PuttFrame) -> Way:
    """Return a read on the sheet."""
    right, length = read.launch_right_rad, putt.length_m
    reach = math.hypot(length, read.aim_right_m or 0.0)
    end = reach * math.cos(right) - length, reach * math.sin(right)
    return Way(
        ball=frame.spot(-length, 0.0),
        aim_end=frame.spot(*end),
        aim_line=line_from_ball(putt, end, frame),
        to_hole=fewest(way_spots(putt, read.path[:, 1:3], frame)),
        beyond=fewest(way_spots(putt, read.path_past[:, 1:3], frame)),
        ticks=_ticks(putt, read, frame, whole=False),
        seconds=_ticks(putt, read, frame, whole=True),
        marked=read.aim_right_m is not None,
    )


def way_items(way: Way, others: Iterable[OwnWay], ball_radius: float) -> Iterator[Item]:
    """Yield what is drawn of a read, others below it."""
    for one in others:
        yield from one.items
    yield Line(way.aim_line, Sign.DO, 2.4, name="aim-line")
    yield Line(way.beyond, Sign.INK, 2.0, "2 5")
    yield Line(way.to_hole, Sign.INK, 3.2, name="way")
    yield Strokes(way.ticks, Sign.INK, 1.4, name="ticks")
    yield Strokes(way.seconds, Sign.INK, 2.0, name="seconds")
    yield Disc(way.rest, ball_radius, Sign.INK, Fill.OPEN, 1.6, name="rest")
    if way.marked:
        yield Area(diamond(way.aim_end, 8.0), Sign.DO, Fill.OPEN, 2.4, name="aim-mark")


def aim_dimension(read: Read, frame: PuttFrame, wording: Wording, drawn: Spots) -> Iterator[Item]:
    """Yield the dimension from the hole to the aim mark, above them, its figure off what is drawn."""
    hole, mark = frame.spot(0.0, 0.0), frame.spot(0.0, read.aim_right_m or 0.0)
    y, wide = hole.y - ABOVE_HOLE, abs(mark.x - hole.x)
    if wide <= LEAST_DIMENSION:
        return
    way = 1.0 if mark.x > hole.x else -1.0
    ends = [(hole.x, y - 9), (hole.x, y + 21), (mark.x, y - 9), (mark.x, y + 15), (hole.x, y), (mark.x, y)]
    yield Strokes(spots_of(*ends), Sign.DO, 1.3)
    if wide > LEAST_HEADED:
        yield Area(arrowhead(Spot(hole.x, y), (-way, 0.0), 10.0, 4.0), Sign.DO)
        yield Area(arrowhead(Spot(mark.x, y), (way, 0.0), 10.0, 4.0), Sign.DO)
    figure = wording.aside(read.aim_right_m or 0.0)
    if wide > LEAST_INSIDE:
        yield Words(figure, Spot((hole.x + mark.x) / 2, y - 8), Sign.DO, "middle", large=True)
    else:
        anchor, ink = "start" if way > 0 else "end", Ink(drawn)
        places = [
            Words(figure, Spot(mark.x + off * way, y + 7), Sign.DO, anchor, large=True) for off in FIGURE_OFF
        ]
        free = (one for one in places if not len(ink.inside(label_box(one, LARGE_ON_PHONE))))
        yield next(free, places[0])


def own_way(putt: Putt, own: OwnRoll, frame: PuttFrame, says: str) -> OwnWay:
    """Return another launch, and its ball, on the sheet."""
    rows = own.track.even_times(0.0, own.track.duration_s, 41)
    if own.capture.drops:
        beyond, _ = hole_frame(putt, rows[:, 1:3])
        rows = rows[beyond < 0.0]
    line = line_from_ball(putt, (0.0, own.aim_right_m), frame)
    way = way_spots(putt, rows[:, 1:3], frame)
    if own.capture.drops:
        way = np.vstack([way, frame.spot(0.0, 0.0)])
    return OwnWay(says, line, frame.spot(0.0, own.aim_right_m), way)


def _ticks(putt: Putt, read: Read, frame: PuttFrame, *, whole: bool) -> Spots:
    """Return strokes square to the path at quarter seconds, or at whole seconds."""
    count = min(int(read.aim.time_to_hole_s / TICK_S), LONGEST_TICKS)
    times = np.array([TICK_S * i for i in range(1, count + 1) if (i % 4 == 0) == whole])
    if not len(times):
        return np.empty((0, 2))
    before, after = (
        way_spots(putt, read.track.at_times(times + shift)[:, 1:3], frame) for shift in (-0.005, 0.005)
    )
    way = after - before
    way *= (9.0 if whole else 5.0) / np.maximum(np.hypot(way[:, 0], way[:, 1]), 1e-9)[:, None]
    square = np.column_stack([-way[:, 1], way[:, 0]])
    middle = 0.5 * (before + after)
    return np.column_stack([middle + square, middle - square]).reshape(-1, 2)


def _last(spots: Spots) -> Spot:
    return Spot(round(float(spots[-1, 0]), 1), round(float(spots[-1, 1]), 1))

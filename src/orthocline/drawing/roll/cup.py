"""The cup drawn large: the hour where the ball goes in, and from where to where it still drops."""

import math
from collections.abc import Iterator

import numpy as np

from orthocline.core.roll import Read
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Spots,
    Strokes,
    Words,
    arrowhead,
    spots_of,
)
from orthocline.wording.figures import hour_words

WIDTH, HEIGHT, RADIUS = 170.0, 174.0, 58.0
MIDDLE = Spot(85.0, 85.0)
HOUR_DEG = 30.0
NAMED = {12: Spot(85.0, 16.0), 3: Spot(158.0, 90.0), 6: Spot(85.0, 170.0), 9: Spot(12.0, 90.0)}
"""Where the hours are named: 6 is nearest the ball."""


def cup(read: Read) -> Scene:
    """Return the cup of a read as the golfer faces it."""
    says = "The cup as you face it"
    if read.entry_clock_hours is not None:
        says = f"The ball goes in at {hour_words(read.entry_clock_hours)}"
    return Scene("cup", WIDTH, HEIGHT, says, tuple(_items(read)))


def _items(read: Read) -> Iterator[Item]:
    yield Disc(MIDDLE, RADIUS, Sign.INK, Fill.OPEN, 2.0, name="rim")
    if read.entry_window_hours:
        yield Area(_wedge(*read.entry_window_hours), Sign.UNSURE, Fill.HATCHED, 1.0, name="window")
    yield Disc(MIDDLE, RADIUS, Sign.INK, None, 2.0)
    yield Strokes(HOURS, Sign.INK, 1.4)
    for hour, spot in NAMED.items():
        yield Words(str(hour), spot, Sign.QUIET, "middle")
    if read.entry_clock_hours is not None:
        yield from _arrow(read)


def _at(hour: float, radius: float) -> Spot:
    angle = math.radians(HOUR_DEG * hour)
    return Spot(MIDDLE.x + radius * math.sin(angle), MIDDLE.y - radius * math.cos(angle))


HOURS = spots_of(*[_at(hour, radius) for hour in range(12) for radius in (RADIUS - 7, RADIUS)])
"""Strokes at the twelve hours."""


def _arrow(read: Read) -> Iterator[Item]:
    """Yield the ball's way over the rim to the centre."""
    right, beyond = math.sin(read.aim.entry_right_rad), math.cos(read.aim.entry_right_rad)
    start, head, end = (
        Spot(MIDDLE.x - right * away, MIDDLE.y + beyond * away) for away in (RADIUS + 10.0, 16.0, 3.0)
    )
    yield Line(spots_of(start, head), Sign.INK, 3.0, name="entry")
    yield Area(arrowhead(end, (right, -beyond), 15.0, 7.5), Sign.INK)


def _wedge(first: float, last: float) -> Spots:
    """Return the wedge between two hours; hours grow clockwise."""
    count = 2 + int((last - first) * 6.0)
    return spots_of(MIDDLE, *[_at(hour, RADIUS) for hour in np.linspace(first, last, count)])

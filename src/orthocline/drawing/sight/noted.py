"""Readings of the ground through an eye: arrows down the slope where they were made, lying on the ground."""

import math
from collections.abc import Iterator

from orthocline.core.ground import Reading
from orthocline.drawing.ground.readings import Marks, tells_way
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Sign, arrowhead, spots_of
from orthocline.drawing.sight.sight import Sight

PER_SLOPE_M, LEAST_M, LONGEST_M = 25.0, 0.3, 1.2
"""Length of an arrow for a slope of 1, and between which lengths it lies."""
HEAD, HALF, PLACE = 8.0, 4.0, 3.5


def noted_items(marks: Marks, sight: Sight) -> Iterator[Item]:
    """Yield the readings; those of which a part is not known yet are dashed and quiet."""
    for one in marks.readings:
        yield from _reading(one, sight)


def _reading(one: Reading, sight: Sight) -> Iterator[Item]:
    known = tells_way(one)
    sign = Sign.FALL if known else Sign.QUIET
    length = LEAST_M if one.size is None else min(max(PER_SLOPE_M * one.size, LEAST_M), LONGEST_M)
    start = (one.at - 1.0) * sight.putt.length_m
    end = start + length * math.cos(one.toward_rad), length * math.sin(one.toward_rad)
    at, tip = sight.spot(start, 0.0), sight.spot(*end)
    far = math.dist(at, tip) or 1.0
    dash = "" if one.size is not None else "4 4"
    yield Line(sight.path(spots_of((start, 0.0), end)), sign, 3.0, dash, name="reading")
    yield Area(arrowhead(tip, ((tip.x - at.x) / far, (tip.y - at.y) / far), HEAD, HALF), sign)
    yield Disc(at, PLACE, sign, Fill.SOLID if known else Fill.OPEN, 2.0, name="reading-place")

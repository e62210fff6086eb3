"""Readings of the ground on the plan: arrows down the slope where they were made, and their reach."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from orthocline.core.ground import REACH_M, Reading
from orthocline.core.instruments import Gives
from orthocline.core.roll import Putt
from orthocline.drawing.calls.layer import Layer
from orthocline.drawing.frame import Frame
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Sign, Spot, arrowhead, spots_of
from orthocline.wording.wording import Wording

PER_SLOPE, LEAST, LONGEST = 1500.0, 16.0, 64.0
"""Length of an arrow for a slope of 1, and between which lengths it is drawn."""
UNSIZED = 34.0
HEAD, HALF = 9.0, 4.5
PLACE, DOUBTFUL = 4.5, 12.0
REACH_WIDTH, BESIDE = 3.5, 9.0


@dataclass(frozen=True)
class Marks:
    """Readings to be drawn, and which of them disagree with another."""

    readings: Sequence[Reading]
    disagree: frozenset[int] = frozenset()


def reading_spot(reading: Reading, putt: Putt, frame: Frame) -> Spot:
    """Return where a reading stands on the sheet."""
    return frame.spot((reading.at - 1.0) * putt.length_m, 0.0)


def tip_spot(reading: Reading, putt: Putt, frame: Frame) -> Spot:
    """Return where its arrow ends."""
    at, length = reading_spot(reading, putt, frame), _length(reading)
    turn = reading.toward_rad + math.radians(frame.turn_deg)
    return Spot(round(at.x + length * math.sin(turn), 1), round(at.y - length * math.cos(turn), 1))


def tells_way(reading: Reading) -> bool:
    """Return whether a reading says which way the ground falls, with a size or without."""
    return reading.size is not None or reading.gives in (Gives.WAY, Gives.ARROW, Gives.FIRST, Gives.FELT)


def reading_layer(marks: Marks, putt: Putt, frame: Frame, wording: Wording) -> Layer:
    """Return the readings, and labels of those that have a size."""
    items = [item for i in range(len(marks.readings)) for item in _items(i, marks, putt, frame)]
    wanted = tuple(
        Wanted(_label(one, wording), tip_spot(one, putt, frame), "near", Sign.FALL, needed=False)
        for one in marks.readings
        if one.size is not None
    )
    return Layer(tuple(items), wanted)


def _label(reading: Reading, wording: Wording) -> str:
    return wording.slope(reading.size or 0.0)


def _length(reading: Reading) -> float:
    if reading.size is None:
        return UNSIZED
    return min(max(PER_SLOPE * reading.size, LEAST), LONGEST)


def _items(i: int, marks: Marks, putt: Putt, frame: Frame) -> Iterator[Item]:
    """Yield one reading: a dashed arrow where its size, or all of it, is not known yet."""
    reading = marks.readings[i]
    at, tip = reading_spot(reading, putt, frame), tip_spot(reading, putt, frame)
    length = math.dist(at, tip)
    way = (tip.x - at.x) / length, (tip.y - at.y) / length
    known = tells_way(reading)
    if known and reading.gives not in (Gives.FIRST, Gives.RISE):
        yield _reach(reading, putt, frame)
    dash = "" if reading.size is not None else "4 4"
    yield Line(spots_of(at, tip), Sign.FALL if known else Sign.QUIET, 3.0, dash, name="reading")
    yield Area(arrowhead(tip, way, HEAD, HALF), Sign.FALL if known else Sign.QUIET)
    yield Disc(at, PLACE, Sign.FALL, Fill.SOLID if known else Fill.OPEN, 2.0, name="reading-place")
    if i in marks.disagree:
        yield Disc(at, DOUBTFUL, Sign.UNSURE, None, 2.4, "4 3", name="disagrees")


def _reach(reading: Reading, putt: Putt, frame: Frame) -> Item:
    """Return the stretch of the line for which a reading speaks."""
    middle, length = (reading.at - 1.0) * putt.length_m, putt.length_m
    ends = (max(middle - REACH_M, -length), min(middle + REACH_M, 0.0))
    if ends[0] >= ends[1]:
        ends = (middle - REACH_M, middle + REACH_M)
    beside = -BESIDE / frame.scale
    spots = spots_of(*(frame.spot(end, beside) for end in ends))
    return Line(spots, Sign.UNSURE, REACH_WIDTH, "1.5 3.5", name="reach")

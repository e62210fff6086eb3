"""How much of the break is seen: each group of reads a dot with its range, beside the whole break."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from orthocline.core.learning import Habit
from orthocline.drawing.lettering import USUAL, text_width
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
    box,
    spots_of,
)

WIDTH, ROW, TOP, FOOT = 640.0, 38.0, 58.0, 20.0
EDGE, RIGHT, LEAST_LEFT, GAP = 12.0, 570.0, 210.0, 18.0
"""Where names begin, where shares end, and where they begin at least; so far after the longest name."""
LEAST, MOST = 0.25, 1.75
"""Shares of the break between which it is drawn; what lies beyond stands on the edge."""
MARKS = {0.5: "half of it", 1.0: "the break", 1.5: "half more"}
DOT, CLEAR = 7.0, 10.0


@dataclass(frozen=True)
class SeenRow:
    """Reads of one group: their name, how many, what they see, and whether they are enough."""

    name: str
    count: int
    factor: Habit
    enough: bool


@dataclass(frozen=True)
class _Scale:
    """Where shares of the break stand on the sheet."""

    left: float

    def x(self, share: float) -> float:
        held = min(max(share, LEAST), MOST)
        return round(self.left + (RIGHT - self.left) * (held - LEAST) / (MOST - LEAST), 1)


def reads_seen(rows: Sequence[SeenRow], says: str) -> Scene:
    """Return the drawing of what reads see of the break; a few reads are drawn open."""
    height = TOP + ROW * len(rows) + FOOT
    longest = max((text_width(row.name, USUAL) for row in rows), default=0.0)
    scale = _Scale(max(LEAST_LEFT, EDGE + longest + GAP))
    top, bottom = TOP - 8.0, height - FOOT
    ends = [end for mark in MARKS for end in ((scale.x(mark), top), (scale.x(mark), bottom))]
    items: list[Item] = [
        Area(box(0.0, 0.0, WIDTH, height), fill=Fill.GROUND),
        Strokes(spots_of(*ends), Sign.EDGE, 1.2, name="marks"),
        Line(spots_of((scale.x(1.0), top), (scale.x(1.0), bottom)), Sign.INK, 2.0, name="whole"),
        *_heads(scale),
    ]
    for i, row in enumerate(rows):
        items += _row(row, scale, TOP + ROW * (i + 0.5))
    return Scene("seen", WIDTH, height, says, tuple(items))


def _heads(scale: _Scale) -> Iterator[Item]:
    """Yield what the marks are; beside the whole break only what stands clear of it."""
    middle = 0.5 * text_width(MARKS[1.0], USUAL)
    for mark, words in MARKS.items():
        apart = abs(scale.x(mark) - scale.x(1.0))
        if mark == 1.0 or apart > middle + 0.5 * text_width(words, USUAL) + CLEAR:
            sign = Sign.INK if mark == 1.0 else Sign.QUIET
            yield Words(words, Spot(scale.x(mark), TOP - 20.0), sign, "middle")


def _row(row: SeenRow, scale: _Scale, y: float) -> Iterator[Item]:
    yield Words(row.name, Spot(EDGE, y + 5.0), Sign.INK)
    ends = spots_of((scale.x(row.factor.least), y), (scale.x(row.factor.most), y))
    yield Line(ends, Sign.REAL, 3.0, name="range")
    fill = Fill.SOLID if row.enough else Fill.OPEN
    yield Disc(Spot(scale.x(row.factor.value), y), DOT, Sign.REAL, fill, 2.0, name="seen")
    yield Words(str(row.count), Spot(WIDTH - EDGE, y + 5.0), Sign.QUIET, "end")

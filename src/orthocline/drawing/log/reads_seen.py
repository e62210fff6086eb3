"""How much of the break is seen: each group of reads a dot with its range, beside the whole break."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from orthocline.core.learning import Habit
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
LEFT, RIGHT = 250.0, 560.0
LEAST, MOST = 0.25, 1.75
"""Shares of the break between which it is drawn; what lies beyond stands on the edge."""
MARKS = (0.5, 1.0, 1.5)
DOT = 7.0


@dataclass(frozen=True)
class SeenRow:
    """Reads of one group: their name, how many, what they see, and whether they are enough."""

    name: str
    count: int
    factor: Habit
    enough: bool


def reads_seen(rows: Sequence[SeenRow], says: str) -> Scene:
    """Return the drawing of what reads see of the break; a few reads are drawn open."""
    height = TOP + ROW * len(rows) + FOOT
    bottom = height - FOOT
    marks = [end for mark in MARKS for end in ((_x(mark), TOP - 8.0), (_x(mark), bottom))]
    items: list[Item] = [
        Area(box(0.0, 0.0, WIDTH, height), fill=Fill.GROUND),
        Strokes(spots_of(*marks), Sign.EDGE, 1.2, name="marks"),
        Line(spots_of((_x(1.0), TOP - 8.0), (_x(1.0), bottom)), Sign.INK, 2.0, name="whole"),
        Words("half the break", Spot(_x(0.5), TOP - 20.0), Sign.QUIET, "middle"),
        Words("all of it", Spot(_x(1.0), TOP - 20.0), Sign.INK, "middle"),
        Words("half too much", Spot(_x(1.5), TOP - 20.0), Sign.QUIET, "middle"),
    ]
    for i, row in enumerate(rows):
        items += _row(row, TOP + ROW * (i + 0.5))
    return Scene("seen", WIDTH, height, says, tuple(items))


def _row(row: SeenRow, y: float) -> Iterator[Item]:
    yield Words(row.name, Spot(12.0, y + 5.0), Sign.INK)
    yield Line(spots_of((_x(row.factor.least), y), (_x(row.factor.most), y)), Sign.REAL, 3.0, name="range")
    fill = Fill.SOLID if row.enough else Fill.OPEN
    yield Disc(Spot(_x(row.factor.value), y), DOT, Sign.REAL, fill, 2.0, name="seen")
    yield Words(str(row.count), Spot(WIDTH - 12.0, y + 5.0), Sign.QUIET, "end")


def _x(share: float) -> float:
    held = min(max(share, LEAST), MOST)
    return round(LEFT + (RIGHT - LEFT) * (held - LEAST) / (MOST - LEAST), 1)

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

WIDTH, ROW, HEADS, TOP, FOOT = 640.0, 60.0, 26.0, 36.0, 2.0
EDGE, LEFT, RIGHT = 12.0, 30.0, 610.0
"""Where names begin; where shares begin and end."""
LEAST, MOST = 0.25, 1.75
"""Shares of the break between which it is drawn; what lies beyond stands on the edge."""
MARKS = {0.5: "half of it", 1.0: "the break", 1.5: "half more"}
NAME, RANGE, MARK = 23.0, 42.0, 11.0
"""In a row so far down stand its name and its range; marks reach so far from that."""
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
    rules = [(x, TOP + ROW * i) for i in range(len(rows)) for x in (EDGE, WIDTH - EDGE)]
    items: list[Item] = [
        Area(box(0.0, 0.0, WIDTH, height), fill=Fill.GROUND),
        Strokes(spots_of(*rules), Sign.RULE, 1.0, name="rules"),
    ]
    for mark, words in MARKS.items():
        whole = mark == 1.0
        items.append(Words(words, Spot(_x(mark), HEADS), Sign.INK if whole else Sign.QUIET, "middle"))
        ticks = [(_x(mark), _y(i) + way * MARK) for i in range(len(rows)) for way in (-1.0, 1.0)]
        if whole:
            items.append(Strokes(spots_of(*ticks), Sign.INK, 2.0, name="whole"))
        else:
            items.append(Strokes(spots_of(*ticks), Sign.EDGE, 1.2, name="marks"))
    for i, row in enumerate(rows):
        items += _row(row, i)
    return Scene("seen", WIDTH, height, says, tuple(items))


def _x(share: float) -> float:
    held = min(max(share, LEAST), MOST)
    return round(LEFT + (RIGHT - LEFT) * (held - LEAST) / (MOST - LEAST), 1)


def _y(row: int) -> float:
    return TOP + ROW * row + RANGE


def _row(row: SeenRow, number: int) -> Iterator[Item]:
    y, name_y = _y(number), TOP + ROW * number + NAME
    yield Words(row.name, Spot(EDGE, name_y), Sign.INK)
    yield Words(str(row.count), Spot(WIDTH - EDGE, name_y), Sign.QUIET, "end")
    yield Line(spots_of((_x(row.factor.least), y), (_x(row.factor.most), y)), Sign.REAL, 3.0, name="range")
    fill = Fill.SOLID if row.enough else Fill.OPEN
    yield Disc(Spot(_x(row.factor.value), y), DOT, Sign.REAL, fill, 2.0, name="seen")

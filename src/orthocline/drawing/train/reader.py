"""The twelve answers of which reader one is, by how far off each was."""

from collections.abc import Iterator, Sequence
from typing import Final

import numpy as np

from orthocline.drawing.scene import Disc, Item, Line, Scene, Sign, Spot, Words

WIDTH, HEIGHT = 520.0, 210.0
LEFT, RIGHT, TOP, ROW = 190.0, 490.0, 34.0, 38.0
MOST: Final = 4.0
DOT = 6.0
ROWS: Final = {
    ("amount", "eye"): "aims you saw",
    ("amount", "felt"): "aims from a number",
    ("gate", "eye"): "gates you saw",
    ("gate", "felt"): "gates from a number",
}


def reader_drawing(answers: Sequence[tuple[str, str, float]], says: str) -> Scene:
    """Return what was asked, how shown and how far off, as multiples of what still drops."""
    return Scene("reader", WIDTH, HEIGHT, says, tuple(_items(answers)))


def _x(off: float) -> float:
    return LEFT + (RIGHT - LEFT) * min(off, MOST) / MOST


def _items(answers: Sequence[tuple[str, str, float]]) -> Iterator[Item]:
    low = TOP + ROW * len(ROWS) - 0.5 * ROW
    yield Line(np.array([(_x(1.0), TOP - 12.0), (_x(1.0), low)]), Sign.FALL, 1.4, "5 4", name="drops")
    yield Words("drops up to here", Spot(_x(1.0), TOP - 18.0), Sign.FALL, "middle")
    for row, (key, says) in enumerate(ROWS.items()):
        y = TOP + ROW * row + 10.0
        yield Words(says, Spot(8.0, y + 5.0))
        yield Line(np.array([(LEFT, y), (RIGHT, y)]), Sign.EDGE, 1.0)
        for asks, shown, off in answers:
            if (asks, shown) == key:
                yield Disc(Spot(_x(off), y), DOT, Sign.REAL, name="answer")
    for times in (0, 2, 4):
        more = " or more" if times == MOST else " times"
        anchor = {0: "start", 4: "end"}.get(times, "middle")
        text = "dead on" if times == 0 else f"{times}{more}"
        yield Words(text, Spot(_x(float(times)), low + 20.0), Sign.QUIET, anchor)

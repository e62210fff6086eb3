"""How the level of each question went, answer by answer."""

from collections.abc import Iterator, Sequence
from typing import Final, NamedTuple

import numpy as np

from orthocline.drawing.scene import Disc, Item, Line, Scene, Sign, Spot, Words, spots_of
from orthocline.wording.figures import tidy

WIDTH, ROW, TOP, FOOT = 480.0, 42.0, 26.0, 8.0
LEFT, RIGHT = 128.0, 424.0
TALL: Final = 30.0
MOST: Final = 10.0


class LevelRow(NamedTuple):
    """A question's name, and its levels from the first answer to now."""

    name: str
    levels: tuple[float, ...]


def levels_drawing(rows: Sequence[LevelRow], says: str) -> Scene:
    """Return how levels went: from the first answer on the left to now, upward the harder."""
    height = TOP + ROW * len(rows) + FOOT
    items: list[Item] = [
        Words("first answer", Spot(LEFT, 16.0), Sign.QUIET),
        Words("now", Spot(RIGHT, 16.0), Sign.QUIET, "end"),
    ]
    for number, row in enumerate(rows):
        items += _row(row, TOP + ROW * (number + 1) - 8.0)
    return Scene("levels", WIDTH, height, f"Levels: {says}", tuple(items))


def _row(row: LevelRow, base: float) -> Iterator[Item]:
    yield Words(row.name, Spot(8.0, base - 8.0))
    yield Line(spots_of((LEFT, base), (RIGHT, base)), Sign.EDGE, 1.0)
    yield Line(spots_of((LEFT, base - TALL), (RIGHT, base - TALL)), Sign.RULE, 1.0, "2 5")
    x = np.linspace(LEFT, RIGHT, max(len(row.levels), 2))[: len(row.levels)]
    y = base - TALL * np.array(row.levels) / MOST
    yield Line(np.column_stack([x, y]), Sign.REAL, 2.4, name="level")
    yield Disc(Spot(float(x[-1]), float(y[-1])), 5.0, Sign.REAL)
    yield Words(tidy(row.levels[-1]), Spot(RIGHT + 16.0, base - 8.0), Sign.REAL, large=True)

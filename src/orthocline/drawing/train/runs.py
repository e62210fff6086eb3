"""How a drill went time after time: a share for each run, beside the model's golfer of that level."""

from collections.abc import Iterator, Sequence
from typing import Final

import numpy as np

from orthocline.drawing.scene import Disc, Item, Line, Scene, Sign, Spot, Strokes, Words, spots_of

WIDTH, HEIGHT = 520.0, 190.0
LEFT, RIGHT, TOP, BOTTOM = 48.0, 500.0, 26.0, 150.0
MARKS: Final = (0.0, 0.5, 1.0)


def runs_drawing(shares: Sequence[float], target: float | None, dates: tuple[str, str], says: str) -> Scene:
    """Return the runs of a drill, oldest on the left, with the first and the last day."""
    return Scene("runs", WIDTH, HEIGHT, says, tuple(_items(shares, target, dates)))


def _y(share: float) -> float:
    return BOTTOM - (BOTTOM - TOP) * share


def _items(shares: Sequence[float], target: float | None, dates: tuple[str, str]) -> Iterator[Item]:
    yield Strokes(
        spots_of(*((x, _y(mark)) for mark in MARKS for x in (LEFT - 6.0, LEFT + 6.0))), Sign.EDGE, 1.2
    )
    yield Line(spots_of((LEFT, _y(0.0)), (RIGHT, _y(0.0))), Sign.EDGE, 1.2)
    for mark in MARKS:
        yield Words(f"{round(100 * mark)}", Spot(LEFT - 12.0, _y(mark) + 5.0), Sign.QUIET, "end")
    if target is not None:
        yield Line(spots_of((LEFT, _y(target)), (RIGHT, _y(target))), Sign.FALL, 1.6, "7 4", name="usual")
    x = np.linspace(LEFT + 20.0, RIGHT - 10.0, len(shares)) if len(shares) > 1 else np.array([RIGHT - 10.0])
    spots = np.column_stack([x, [_y(one) for one in shares]])
    if len(shares) > 1:
        yield Line(spots, Sign.REAL, 1.6, name="trend")
    for spot in spots.tolist():
        yield Disc(Spot(*spot), 5.0, Sign.REAL, name="run")
    first, last = dates
    if len(shares) > 1:
        yield Words(first, Spot(LEFT, BOTTOM + 24.0), Sign.QUIET)
    yield Words(last, Spot(RIGHT, BOTTOM + 24.0), Sign.QUIET, "end")

"""A habit that was measured: each figure where it lies, the newest at the top, and their mean."""

from collections.abc import Iterator, Sequence
from typing import Final

from orthocline.core.train import Bias
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Scene, Sign, Spot, Words, box, spots_of

WIDTH, HEIGHT = 320.0, 150.0
LEFT, RIGHT, TOP, BOTTOM = 16.0, 304.0, 14.0, 112.0
ROOM: Final = 1.15
LEAST_WIDE: Final = 0.02
"""So much at least lies to either side [rad or s]."""


def checks_drawing(
    name: str, figures: Sequence[float], bias: Bias | None, ends: tuple[str, str], says: str
) -> Scene:
    """Return the figures of a habit, newest first, what is right in the middle."""
    return Scene(f"check-{name}", WIDTH, HEIGHT, says, tuple(_items(figures, bias, ends)))


def _items(figures: Sequence[float], bias: Bias | None, ends: tuple[str, str]) -> Iterator[Item]:
    wide = ROOM * max(LEAST_WIDE, *(abs(one) for one in figures))
    middle, scale = 0.5 * (LEFT + RIGHT), 0.5 * (RIGHT - LEFT) / wide
    yield Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND)
    if bias:
        least, most = (middle + scale * one for one in (bias.least, bias.most))
        yield Area(box(least, TOP, most, BOTTOM), Sign.UNSURE, Fill.HATCHED, name="band")
        x = middle + scale * bias.value
        yield Line(spots_of((x, TOP), (x, BOTTOM)), Sign.INK, 2.0, name="mean")
    yield Line(spots_of((middle, TOP - 6.0), (middle, BOTTOM + 6.0)), Sign.DO, 1.6, "6 4", name="meant")
    down = (BOTTOM - TOP - 12.0) / max(len(figures) - 1, 1)
    for i, one in enumerate(figures):
        yield Disc(Spot(middle + scale * one, TOP + 6.0 + down * i), 4.5, Sign.REAL, name="check")
    yield Words(ends[0], Spot(LEFT, HEIGHT - 12.0), Sign.QUIET)
    yield Words("as meant", Spot(middle, HEIGHT - 12.0), Sign.DO, "middle")
    yield Words(ends[1], Spot(RIGHT, HEIGHT - 12.0), Sign.QUIET, "end")

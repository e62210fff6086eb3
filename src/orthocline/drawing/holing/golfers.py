"""The same putt for golfers of all levels: how far past is as good as the best for each, on one scale."""

from collections.abc import Iterator, Mapping

from orthocline.core.holing import FIRMEST_M, PaceAdvice
from orthocline.drawing.holing.scale import PastScale
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
    diamond,
    scale_strokes,
    spots_of,
)
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.holing.pace import advised, of_hundred, putts_text
from orthocline.wording.wording import Wording

WIDTH = 640.0
SCALE = PastScale(222.0, 480.0)
HOLE, NAMES, FIGURES = 204.0, 0.0, 640.0
"""Middle of the holes, where the golfers' names begin, and where their figures end."""
FIRST, ROW, BAND, RADIUS, FOOT = 46.0, 46.0, 10.0, 10.0, 36.0


def golfers_drawing(advice: Mapping[str, PaceAdvice], past_m: float | None, wording: Wording) -> Scene:
    """Return a row for each golfer: the stretch that is as good, the best, its putts; and the pace chosen."""
    items: list[Item] = []
    for i, (level, one) in enumerate(advice.items()):
        items += _row(FIRST + ROW * i, level, one)
    last = FIRST + ROW * (len(advice) - 1)
    items += _scale(last, wording)
    if past_m is not None and past_m <= FIRMEST_M:
        items += _chosen(past_m, last)
    said = ", ".join(f"{LEVEL_WORDS[level]} {advised(one.best_m, wording)}" for level, one in advice.items())
    return Scene("golfers", WIDTH, last + FOOT + 10.0, f"Best past: {said}", tuple(items))


def _row(y: float, level: str, advice: PaceAdvice) -> Iterator[Item]:
    least, most, best = (SCALE.x(at) for at in (advice.as_good.least, advice.as_good.most, advice.best_m))
    yield Words(LEVEL_WORDS[level], Spot(NAMES, y + 6.0), Sign.INK)
    yield Disc(Spot(HOLE, y), RADIUS, Sign.INK, name="hole-row")
    yield Line(spots_of((SCALE.left, y), (SCALE.right, y)), Sign.INK, 1.2)
    yield Area(box(least, y - BAND, most, y + BAND), Sign.INK, Fill.OPEN, 1.8, name=f"as-good-{level}")
    yield Strokes(spots_of((best, y - BAND), (best, y + BAND)), Sign.INK, 4.0)
    holed = of_hundred(advice.at(advice.holed, advice.best_m)).removesuffix(" of 100")
    said = f"{holed} %, {putts_text(advice.best_putts)}"
    yield Words(said, Spot(FIGURES, y + 6.0), Sign.INK, "end")


def _scale(last: float, wording: Wording) -> Iterator[Item]:
    yield Words("drop, putts", Spot(FIGURES, FIRST - 26.0), Sign.QUIET, "end")
    marks = SCALE.marks(wording)
    yield Strokes(scale_strokes([x for _, x in marks], last, 4.0), Sign.INK, 1.2)
    for figure, x in marks:
        unit = f" {wording.units.near}" if (figure, x) == marks[-1] else ""
        yield Words(f"{figure}{unit}", Spot(x, last + FOOT), Sign.QUIET, "middle")


def _chosen(past_m: float, last: float) -> Iterator[Item]:
    """Yield the pace chosen, between the rows."""
    x = SCALE.x(past_m)
    yield Strokes(spots_of((x, FIRST - 20.0), (x, last + 14.0)), Sign.DO, 1.8, name="chosen")
    yield Area(diamond(Spot(x, FIRST - 22.0), 6.0), Sign.DO, Fill.OPEN, 2.0)

"""The advice in one small picture: how far past the hole is as good as the best, and the pace chosen."""

from collections.abc import Iterator

from orthocline.core.holing import PaceAdvice
from orthocline.drawing.holing.scale import PastScale
from orthocline.drawing.lettering import text_width
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
from orthocline.wording.holing.pace import advised, curves_words
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 360.0, 76.0
SCALE = PastScale(30.0, 344.0)
HOLE, LINE, FOOT, ABOVE = 14.0, 40.0, 70.0, 20.0
"""Middle of the hole, height of the scale, and feet of the figures below and above it."""
BAND, HOLE_RADIUS, GAP = 9.0, 11.0, 8.0


def strip(advice: PaceAdvice, past_m: float | None, wording: Wording) -> Scene:
    """Return the scale of roll-pasts with the stretch that is as good, the best in it, and the one chosen."""
    items = [*_scale(wording), *_good(advice)]
    if past_m is not None:
        at = Spot(SCALE.x(past_m), LINE)
        items.append(Area(diamond(at, 7.0), Sign.DO, Fill.OPEN, 2.2, name="chosen"))
    items += _labels(advice, past_m, wording)
    return Scene("strip", WIDTH, HEIGHT, curves_words(advice, wording), tuple(items))


def _scale(wording: Wording) -> Iterator[Item]:
    yield Disc(Spot(HOLE, LINE), HOLE_RADIUS, Sign.INK, name="hole")
    yield Line(spots_of((SCALE.left, LINE), (SCALE.right, LINE)), Sign.INK, 1.6)
    marks = SCALE.marks(wording)
    yield Strokes(scale_strokes([x for _, x in marks], LINE, 5.0), Sign.INK, 1.4)
    for figure, x in marks:
        yield Words(figure, Spot(x, FOOT), Sign.QUIET, "middle")
    middle = 0.5 * (marks[-2][1] + marks[-1][1])
    yield Words(f"{wording.units.near} past", Spot(middle, FOOT), Sign.QUIET, "middle")


def _good(advice: PaceAdvice) -> Iterator[Item]:
    least, most, best = (SCALE.x(at) for at in (advice.as_good.least, advice.as_good.most, advice.best_m))
    yield Area(box(least, LINE - BAND, most, LINE + BAND), Sign.INK, Fill.OPEN, 1.8, name="as-good")
    yield Strokes(spots_of((best, LINE - BAND), (best, LINE + BAND)), Sign.INK, 4.0, name="best")


def _labels(advice: PaceAdvice, past_m: float | None, wording: Wording) -> Iterator[Item]:
    """Yield what the best is, and the one chosen where there is room for both."""
    said = f"best {advised(advice.best_m, wording)}"
    half = 0.5 * text_width(said)
    at = min(max(SCALE.x(advice.best_m), half + 2.0), WIDTH - half - 2.0)
    yield Words(said, Spot(round(at, 1), ABOVE), Sign.INK, "middle", name="best-words")
    if past_m is None:
        return
    own, x = advised(past_m, wording), SCALE.x(past_m)
    own_half = 0.5 * text_width(own)
    x = min(max(x, own_half + 2.0), WIDTH - own_half - 2.0)
    if abs(x - at) > half + own_half + GAP:
        yield Words(own, Spot(round(x, 1), ABOVE), Sign.DO, "middle", name="chosen-words")

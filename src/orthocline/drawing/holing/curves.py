"""What each roll-past is worth: three curves over one scale, the best place, the flat stretch round it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthocline.core.holing import FIRMEST_M, PACE_MARKS_M, PaceAdvice
from orthocline.drawing.holing.scale import PastScale
from orthocline.drawing.scene import (
    Area,
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
    fewest,
    scale_strokes,
    spots_of,
)
from orthocline.drawing.ticks import ticks
from orthocline.wording.figures import hundred
from orthocline.wording.holing.pace import PACE_SHORT, advised, curves_words, putts_text
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 640.0, 488.0
LEFT, RIGHT = 64.0, 600.0
SCALE = PastScale(LEFT, RIGHT)
AXIS = 408.0
FIGURES, SCHOOLS, YOU = AXIS + 27.0, AXIS + 50.0, AXIS + 73.0
"""Height of the scale, and feet of the words below it."""
LEAST_SHARE, LEAST_PUTTS = 0.1, 0.1
"""A panel shows at least so much of its figure."""
MOST_LINES = 3


@dataclass(frozen=True)
class Panel:
    """Where one curve stands, and what it is of."""

    name: str
    says: str
    top: float
    foot: float
    least: float
    most: float

    def y(self, figures: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return where figures lie."""
        return self.foot - (self.foot - self.top) * (figures - self.least) / (self.most - self.least)


def curves(advice: PaceAdvice, past_m: float | None, wording: Wording) -> Scene:
    """Return the curves of putts on average, of the share that drops, and of three-putts."""
    putts, holed, three = (advice.curve(one) for one in (advice.putts, advice.holed, advice.three_putts))
    best = f"putts on average, best {putts_text(advice.best_putts)} at {advised(advice.best_m, wording)}"
    panels = (
        (_panel("putts", best, 30.0, 160.0, putts, LEAST_PUTTS, None), putts),
        (_panel("holed", "drop, of 100", 196.0, 284.0, holed, LEAST_SHARE, 0.0), holed),
        (_panel("three", "three-putts, of 100", 320.0, 396.0, three, LEAST_SHARE, 0.0), three),
    )
    items: list[Item] = []
    for panel, figures in panels:
        items += [*_good(panel, advice), *_curve(panel, figures, advice)]
    items += [*_scale(wording), *_best(panels[0][0], advice)]
    if past_m is not None and past_m <= FIRMEST_M:
        items += _chosen([panel for panel, _ in panels], past_m, wording)
    return Scene("pace-curves", WIDTH, HEIGHT, curves_words(advice, wording), tuple(items))


def _panel(
    name: str,
    says: str,
    top: float,
    foot: float,
    figures: NDArray[np.float64],
    least: float,
    floor: float | None,
) -> Panel:
    low = float(figures.min()) if floor is None else floor
    return Panel(name, says, top, foot, low, max(float(figures.max()), low + least))


def _good(panel: Panel, advice: PaceAdvice) -> Iterator[Item]:
    """Yield the stretch that is as good."""
    least, most = (SCALE.x(end) for end in (advice.as_good.least, advice.as_good.most))
    top, foot = panel.top, panel.foot
    yield Area(box(least, top, most, foot), fill=Fill.GROUND, name="as-good")
    yield Strokes(spots_of((least, top), (least, foot), (most, top), (most, foot)), Sign.EDGE, 1.2)


def _curve(panel: Panel, figures: NDArray[np.float64], advice: PaceAdvice) -> Iterator[Item]:
    yield Words(panel.says, Spot(RIGHT, panel.top - 9.0), Sign.QUIET, "end")
    marks = ticks(panel.least, panel.most, MOST_LINES)
    heights = panel.y(np.array(marks)).tolist()
    rules = [(x, y) for y in heights for x in (LEFT, RIGHT)]
    yield Strokes(spots_of(*rules), Sign.RULE, 1.0)
    for mark, y in zip(marks, heights, strict=True):
        text = putts_text(mark) if panel.name == "putts" else str(hundred(mark))
        yield Words(text, Spot(LEFT - 8.0, round(y + 6.0, 1)), Sign.QUIET, "end")
    x = LEFT + (RIGHT - LEFT) * advice.looks_m / FIRMEST_M
    yield Line(fewest(np.column_stack([x, panel.y(figures)])), Sign.INK, 2.6, name=panel.name)


def _scale(wording: Wording) -> Iterator[Item]:
    """Yield the scale of roll-pasts, and the schools' paces below it."""
    yield Line(spots_of((LEFT, AXIS), (RIGHT, AXIS)), Sign.INK, 1.6)
    *marks, (last, furthest) = SCALE.marks(wording)
    for figure, x in marks:
        yield Words(figure, Spot(x, FIGURES), Sign.QUIET, "middle")
    yield Words(f"{last} {wording.units.near}", Spot(furthest, FIGURES), Sign.QUIET, "middle")
    places = [SCALE.x(past) for past in PACE_MARKS_M.values()]
    yield Strokes(scale_strokes(places, AXIS, 6.0), Sign.INK, 1.6, name="schools")
    for name, x in zip(PACE_MARKS_M, places, strict=True):
        yield Words(PACE_SHORT[name], Spot(x, SCHOOLS), Sign.INK, "middle")
    yield Words("past", Spot(RIGHT, SCHOOLS), Sign.QUIET, "middle")


def _best(panel: Panel, advice: PaceAdvice) -> Iterator[Item]:
    x, y = SCALE.x(advice.best_m), round(float(panel.y(np.array([advice.best_putts]))[0]), 1)
    yield Area(box(x - 4.0, y - 4.0, x + 4.0, y + 4.0), Sign.INK, name="best")


def _chosen(panels: Sequence[Panel], past_m: float, wording: Wording) -> Iterator[Item]:
    x = SCALE.x(past_m)
    upright = [(x, y) for panel in panels for y in (panel.top, panel.foot)]
    yield Strokes(spots_of(*upright), Sign.DO, 2.0, name="chosen")
    yield Area(diamond(Spot(x, AXIS), 7.0), Sign.DO, Fill.OPEN, 2.4)
    yield Words(f"you: {advised(past_m, wording)}", Spot(max(x, LEFT), YOU), Sign.DO, "middle")

"""Where a putt finished, drawn small beside its words: the cup in the middle."""

import math
from collections.abc import Iterator

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.log import Finish
from orthocline.drawing.scene import Disc, Fill, Item, Line, Scene, Sign, Spot, spots_of

SIZE = 56.0
MIDDLE, FOOT = Spot(SIZE / 2, SIZE / 2), Spot(SIZE / 2, SIZE - 1.0)
SPAN_M = 1.5
"""How far from the hole the edge is; a ball further off lies on it."""
MARGIN = 5.0


def small_finish(holed: bool | None, finish: Finish | None, says: str) -> Scene:
    """Return the small drawing of a finish; of none while it is not known."""
    items = [Disc(MIDDLE, SIZE / 2 - 1.0, Sign.QUIET, Fill.GROUND), *_finish_items(holed, finish)]
    return Scene("", SIZE, SIZE, says or "no finish yet", tuple(items))


def _finish_items(holed: bool | None, finish: Finish | None) -> Iterator[Item]:
    at = _spot(finish) if finish else None
    if at:
        yield Line(spots_of(FOOT, at), Sign.REAL, 1.5)
    if holed:
        yield Line(spots_of(FOOT, MIDDLE), Sign.REAL, 2.0)
        yield Disc(MIDDLE, 7.0, Sign.REAL, None, 2.0)
    yield Disc(MIDDLE, 3.0, Sign.REAL if holed else Sign.INK)
    if at:
        yield Disc(at, 4.0, Sign.REAL)
    if holed is None:
        yield Disc(MIDDLE, 14.0, Sign.UNSURE, None, 1.0, "3 4")


def _spot(finish: Finish) -> Spot:
    away = math.hypot(finish.along_m, finish.across_m)
    scale = min(1.0, SPAN_M / max(away, HOLE_RADIUS_M)) * (SIZE / 2 - MARGIN) / SPAN_M
    return Spot(MIDDLE.x + finish.across_m * scale, MIDDLE.y - finish.along_m * scale)

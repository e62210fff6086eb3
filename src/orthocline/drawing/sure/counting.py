"""Where the slope counts, beside where the turning is seen: two curves under the side view, and thirds."""

from collections.abc import Iterator, Sequence

import numpy as np
from numpy.typing import NDArray

from orthocline.core.sure import Counting
from orthocline.drawing.scene import Item, Line, Sign, Spot, Strokes, Words, spots_of
from orthocline.wording.figures import hundred

MOST = 3.0
"""The curves are drawn up to so many times their mean: at the very end the turning has no bound."""
THIRDS = 3
BESIDE, BELOW, LINE, HALF = 8.0, 18.0, 20.0, 6.0


def counting_items(counting: Counting, left: float, right: float, top: float, foot: float) -> Iterator[Item]:
    """Yield the curves between two heights of the sheet, and parts of a hundred per third below them."""
    x = left + (right - left) * counting.shares
    cuts = np.linspace(left, right, THIRDS + 1)
    upright = [(cut, y) for cut in cuts for y in (top, foot)]
    yield Strokes(spots_of(*upright, (left, foot), (right, foot)), Sign.RULE, 1.2)
    scale = (foot - top) / MOST
    for name, sign, curve in (("turns", Sign.INK, counting.turns), ("counts", Sign.FALL, counting.counts)):
        if curve.any():
            seen = curve <= MOST
            yield Line(np.column_stack([x, foot - scale * curve])[seen], sign, 2.2, name=name)
    yield from _figures(counting.counts_by_third, cuts - BESIDE, foot + BELOW, "counts", Sign.FALL)
    begins = foot - scale * float(counting.counts[0])
    yield Words("counts", Spot(left - BESIDE, min(begins + HALF, foot + BELOW - LINE)), Sign.FALL, "end")
    yield Words("of 100", Spot(left - BESIDE, foot + BELOW), Sign.QUIET, "end")
    if counting.turns.any():
        yield from _figures(counting.turns_by_third, cuts + BESIDE, foot + BELOW, "turns", Sign.INK)
        yield Words("turns", Spot(right + BESIDE, top + LINE - HALF))


def _figures(
    by_third: Sequence[float], cuts: NDArray[np.float64], y: float, name: str, sign: Sign
) -> Iterator[Item]:
    """Yield parts of a hundred at the middle of each third, those of what counts before those of turning."""
    anchor = "end" if sign is Sign.FALL else "start"
    for share, x in zip(by_third, (0.5 * (cuts[1:] + cuts[:-1])).tolist(), strict=True):
        yield Words(str(hundred(share)), Spot(x, y), sign, anchor, name=name)

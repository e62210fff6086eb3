"""The fan of start lines: each putt's, from its finish, beside the line that was meant; and what was seen."""

import math
from collections.abc import Iterator, Sequence

import numpy as np
from numpy.typing import NDArray

from orthocline.core.log import Figure
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Scene, Sign, Spot, Strokes, Words, spots_of
from orthocline.drawing.ticks import ticks
from orthocline.wording.figures import hundred, tidy

WIDTH, HEIGHT = 600.0, 460.0
BALL = Spot(300.0, 380.0)
REACH = 320.0
HALF_DEG = 30.0
"""The widest start line is drawn so far aside: the fan is opened, and says by how much."""
LEAST_DEG = 2.0
MOST_MARKS = 3
SEEN_FOOT = 448.0


def start_fan(start_rad: NDArray[np.float64], bias: Figure, seen: Sequence[Figure], says: str) -> Scene:
    """Return the fan of start lines [rad, to the right], and the shares seen to start left, on, and right."""
    widest = math.degrees(float(np.quantile(np.abs(start_rad), 0.97))) if len(start_rad) else 0.0
    opened = HALF_DEG / max(widest, LEAST_DEG)
    lines = np.clip(np.degrees(start_rad) * opened, -HALF_DEG, HALF_DEG)
    items = [
        *_scale(HALF_DEG / opened, opened),
        Strokes(_rays(lines, 0.0, REACH), Sign.REAL, 1.0, name="starts"),
        *_bias(bias, opened),
        Line(spots_of(BALL, (BALL.x, BALL.y - REACH - 14.0)), Sign.DO, 2.0, name="meant"),
        Disc(BALL, 6.0, Sign.INK),
        *_seen(seen),
    ]
    return Scene("start-fan", WIDTH, HEIGHT, says, tuple(items))


def _at(degrees: float, far: float) -> tuple[float, float]:
    turn = math.radians(degrees)
    return round(BALL.x + far * math.sin(turn), 1), round(BALL.y - far * math.cos(turn), 1)


def _rays(degrees: NDArray[np.float64], near: float, far: float) -> NDArray[np.float64]:
    ends = [place for one in degrees.tolist() for place in (_at(one, near), _at(one, far))]
    return spots_of(*ends) if ends else np.empty((0, 2))


def _scale(widest: float, opened: float) -> Iterator[Item]:
    """Yield the degrees on an arc at the fan's end."""
    marks = ticks(-widest, widest, 2 * MOST_MARKS)
    arc = [_at(turn, REACH + 14.0) for turn in np.linspace(-HALF_DEG, HALF_DEG, 31).tolist()]
    yield Line(spots_of(*arc), Sign.EDGE, 1.2)
    strokes = [_at(mark * opened, far) for mark in marks for far in (REACH + 8.0, REACH + 20.0)]
    yield Strokes(spots_of(*strokes), Sign.INK, 1.4)
    for mark in marks:
        x, y = _at(mark * opened, REACH + 30.0)
        text = "meant" if abs(mark) < 1e-9 else f"{tidy(abs(mark))}°"
        yield Words(text, Spot(x, y), Sign.QUIET, "middle")


def _bias(bias: Figure, opened: float) -> Iterator[Item]:
    """Yield between which lines the middle of all of them lies."""
    if bias.span is None:
        return
    ends = [
        max(-HALF_DEG, min(HALF_DEG, math.degrees(end) * opened)) for end in (bias.span.least, bias.span.most)
    ]
    arc = [_at(turn, REACH - 20.0) for turn in np.linspace(ends[0], ends[1], 9).tolist()]
    yield Area(spots_of(BALL, *arc), Sign.UNSURE, Fill.HATCHED, 1.4, name="bias")


def _seen(seen: Sequence[Figure]) -> Iterator[Item]:
    """Yield the shares that were seen to start left, on and right, below the ball."""
    for name, figure, x in zip(("left", "on line", "right"), seen, (105.0, 300.0, 495.0), strict=True):
        share = "–" if figure.value is None else f"{hundred(figure.value)} %"
        yield Words(f"seen {name}: {share}", Spot(x, SEEN_FOOT), Sign.REAL, "middle")

"""A green no larger than a thumb: its outline, readings and pins, for a list."""

from typing import Final

import numpy as np

from orthocline.core.chart import Chart
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.ground.edge import Edge
from orthocline.drawing.scene import Disc, Item, Scene, Sign, Strokes

WIDTH: Final = 120.0
HEIGHT: Final = 96.0
INSET: Final = 6.0
DOT: Final = 2.4


def small_map(chart: Chart, says: str) -> Scene | None:
    """Return the small map of a chart, the way play comes in up; None until its edge is drawn."""
    if chart.outline is None:
        return None
    curve = chart.outline.curve
    frame = fit(
        curve[:, ::-1],
        width=WIDTH - 2.0 * INSET,
        height=HEIGHT - 2.0 * INSET,
        center_x=0.5 * WIDTH,
        top=INSET,
    )
    edge = Edge(frame, chart.outline)
    items: list[Item] = [
        edge.ground,
        edge.line(width=1.4),
        *_readings(frame, chart),
        *(Disc(frame.spot(y, x), 2.8, Sign.INK) for x, y in (one.at_m for one in chart.pins)),
    ]
    return Scene("", WIDTH, HEIGHT, says, tuple(items))


def _readings(frame: Frame, chart: Chart) -> list[Item]:
    """Return the readings as dots, strokes with round ends that lead nowhere: one thing, however many."""
    if not chart.readings:
        return []
    places = np.array([one.at_m for one in chart.readings])
    dots = frame.spots(places[:, 1], places[:, 0])
    return [Strokes(np.repeat(dots, 2, axis=0), Sign.FALL, DOT, name="readings")]

"""A green no larger than a thumb: its outline, readings and pins, for a list."""

from typing import Final

import numpy as np

from orthocline.core.chart import Chart
from orthocline.drawing.frame import fit
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Scene, Sign

WIDTH: Final = 120.0
HEIGHT: Final = 96.0
INSET: Final = 6.0


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
    edge = frame.spots(curve[:, 1], curve[:, 0])
    items: list[Item] = [
        Area(edge, Sign.EDGE, Fill.GROUND),
        Line(np.vstack([edge, edge[:1]]), Sign.EDGE, 1.4),
        *(Disc(frame.spot(one.at_m[1], one.at_m[0]), 1.2, Sign.FALL) for one in chart.readings),
        *(Disc(frame.spot(y, x), 2.8, Sign.INK) for x, y in (one.at_m for one in chart.pins)),
    ]
    return Scene("", WIDTH, HEIGHT, says, tuple(items))

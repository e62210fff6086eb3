"""The hand gauge on the plan: fingers side by side at the hole's distance, from its centre to the aim."""

from itertools import pairwise

import numpy as np

from orthocline.core.calls import HandGauge
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Area, Fill, Item, Sign, Spot, box
from orthocline.wording.calls.saying import fingers_words

UP, DOWN = 6.0, 26.0
"""A finger reaches so far above and below the hole's centre on the sheet."""
MOST = 20
"""More fingers are not drawn."""


def layer(sheet: PuttSheet, hand: HandGauge | None) -> Layer:
    """Return the layer of so many fingers."""
    aim = sheet.read.aim_right_m
    if hand is None or aim is None:
        return Layer()
    count = min(abs(hand.fingers), MOST)
    widths = [sheet.golfer.gauge.width_m(one) for one in (*np.arange(0.0, count), count)]
    share = aim / (widths[-1] or 1.0)
    edges = sheet.frame.spots(np.zeros(len(widths)), share * np.array(widths))[:, 0].tolist()
    y = sheet.frame.hole.y
    fingers: tuple[Item, ...] = tuple(
        Area(box(min(pair), y - UP, max(pair), y + DOWN), Sign.DO, Fill.OPEN, 1.6, name="finger")
        for pair in pairwise(edges)
    )
    label = Wanted(fingers_words(hand.fingers), Spot(edges[-1], y + DOWN), sheet.outside, Sign.DO)
    return Layer(fingers if abs(hand.fingers) <= MOST else (), (label,))

"""A round green that falls to its front by two percent, a pin in use on it and one that is not."""

import math

from orthocline.core.chart import Chart, ChartPin, ChartReading

EDGE = tuple(
    (round(8.0 * math.cos(turn), 2), round(8.0 + 8.0 * math.sin(turn), 2))
    for turn in (2.0 * math.pi * i / 12 for i in range(12))
)
FALLS = tuple(
    ChartReading((float(x), float(y)), "level_averaged", way, size)
    for x in (-5, 0, 5)
    for y in (3, 8, 13)
    for way, size in ((-0.5 * math.pi, 0.02), (0.0, 0.0))
)
CHART = Chart(EDGE, FALLS, (ChartPin((0.0, 8.0), "middle"), ChartPin((2.0, 3.0), "old", retired=True)))

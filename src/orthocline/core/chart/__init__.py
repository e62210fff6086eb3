"""What a golfer has charted of a green, and what that makes known of it."""

from orthocline.core.chart.as_survey import surveyed
from orthocline.core.chart.chart import (
    FARTHEST_M,
    MOST,
    Chart,
    ChartError,
    ChartPin,
    ChartReading,
    Part,
)
from orthocline.core.chart.heights import scan_of, with_heights
from orthocline.core.chart.known import Known
from orthocline.core.chart.measured import Wanted, laid_out, scanned, way_on_chart
from orthocline.core.chart.pins import PinGround, pin_ground
from orthocline.core.chart.site import Site

__all__ = [
    "FARTHEST_M",
    "MOST",
    "Chart",
    "ChartError",
    "ChartPin",
    "ChartReading",
    "Known",
    "Part",
    "PinGround",
    "Site",
    "Wanted",
    "laid_out",
    "pin_ground",
    "scan_of",
    "scanned",
    "surveyed",
    "way_on_chart",
    "with_heights",
]

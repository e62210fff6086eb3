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
from orthocline.core.chart.facts import Facts, Overview, hole_share_of, overview_of, steepest_of
from orthocline.core.chart.heights import scan_of, with_heights
from orthocline.core.chart.known import UNSURE_SD, Known
from orthocline.core.chart.measured import NARROWEST_M, WIDEST_M, Wanted, laid_out, scanned, way_on_chart
from orthocline.core.chart.pins import PinGround, pin_ground
from orthocline.core.chart.site import Site

__all__ = [
    "FARTHEST_M",
    "MOST",
    "NARROWEST_M",
    "UNSURE_SD",
    "WIDEST_M",
    "Chart",
    "ChartError",
    "ChartPin",
    "ChartReading",
    "Facts",
    "Known",
    "Overview",
    "Part",
    "PinGround",
    "Site",
    "Wanted",
    "hole_share_of",
    "laid_out",
    "overview_of",
    "pin_ground",
    "scan_of",
    "scanned",
    "steepest_of",
    "surveyed",
    "way_on_chart",
    "with_heights",
]

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
from orthocline.core.chart.heights import height_readings
from orthocline.core.chart.known import Known
from orthocline.core.chart.pins import PinGround, pin_ground

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
    "height_readings",
    "pin_ground",
    "surveyed",
]

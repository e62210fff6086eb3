"""How far a read can be trusted: ranges, where the slope counts, what to find out next, and the fan."""

from orthocline.core.sure.counting import Counting
from orthocline.core.sure.fall import Fall, fall_at_hole, fall_by_ways, fall_of, fall_of_slopes
from orthocline.core.sure.inputs import normal_scores
from orthocline.core.sure.next_reading import NextReading
from orthocline.core.sure.ranges import AimRange
from orthocline.core.sure.start_lines import StartLines
from orthocline.core.sure.sureness import Sureness
from orthocline.core.sure.uncertainty import (
    BY_NOTHING,
    CERTAIN,
    TYPED,
    GrainBy,
    Source,
    Sources,
    Uncertainty,
)

__all__ = [
    "BY_NOTHING",
    "CERTAIN",
    "TYPED",
    "AimRange",
    "Counting",
    "Fall",
    "GrainBy",
    "NextReading",
    "Source",
    "Sources",
    "StartLines",
    "Sureness",
    "Uncertainty",
    "fall_at_hole",
    "fall_by_ways",
    "fall_of",
    "fall_of_slopes",
    "normal_scores",
]

"""The log's rules: where a ball finished, what is noted of a putt, and the figures that people keep."""

from orthocline.core.log.bands import Band, Month, by_distance, by_month
from orthocline.core.log.conditions import CONDITIONS, GOOD_PAST_M, LEAST_AIM_M, chosen
from orthocline.core.log.finish import FARTHEST_FINISH_M, LEAST_PUTT_M, LONGEST_PUTT_M, Finish
from orthocline.core.log.noted import (
    MOST_HOLES,
    MOST_PUTTS,
    NOT_JUDGED,
    UNSEEN,
    Ground,
    Judged,
    Seen,
    breaks_right,
)
from orthocline.core.log.putts import BESIDE_M, Putts, putts_of
from orthocline.core.log.ranges import FEW, NO_FIGURE, Figure, difference, mean, median, share, spread
from orthocline.core.log.statistics import STATISTICS, Statistic
from orthocline.core.log.usual_golfers import usual_holed, usual_putts

__all__ = [
    "BESIDE_M",
    "CONDITIONS",
    "FARTHEST_FINISH_M",
    "FEW",
    "GOOD_PAST_M",
    "LEAST_AIM_M",
    "LEAST_PUTT_M",
    "LONGEST_PUTT_M",
    "MOST_HOLES",
    "MOST_PUTTS",
    "NOT_JUDGED",
    "NO_FIGURE",
    "STATISTICS",
    "UNSEEN",
    "Band",
    "Figure",
    "Finish",
    "Ground",
    "Judged",
    "Month",
    "Putts",
    "Seen",
    "Statistic",
    "breaks_right",
    "by_distance",
    "by_month",
    "chosen",
    "difference",
    "mean",
    "median",
    "putts_of",
    "share",
    "spread",
    "usual_holed",
    "usual_putts",
]

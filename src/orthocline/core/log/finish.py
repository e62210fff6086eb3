"""Where a ball finished."""

from dataclasses import dataclass

LEAST_PUTT_M, LONGEST_PUTT_M, FARTHEST_FINISH_M = 0.01, 100.0, 30.0
"""No putt is shorter or longer, and none finishes further from the hole, along or across."""


@dataclass(frozen=True)
class Finish:
    """Where the ball rested from the hole's centre: beyond it and to the golfer's right [m]."""

    along_m: float
    across_m: float

    @property
    def plausible(self) -> bool:
        """Whether any putt finishes there."""
        return max(abs(self.along_m), abs(self.across_m)) <= FARTHEST_FINISH_M

"""Which calls a golfer sees first, until they have chosen their own."""

from collections.abc import Mapping
from enum import StrEnum
from typing import Final


class Sight(StrEnum):
    """How a golfer sees a putt."""

    LINES = "lines"
    """As straight lines to spots."""
    CURVES = "curves"
    """As the curve that the ball takes."""
    EITHER = "either"


FIRST_CALLS: Final[Mapping[Sight, tuple[str, ...]]] = {
    Sight.EITHER: ("aim_spot", "curve_gate", "pace_target"),
    Sight.LINES: ("aim_spot", "start_spot", "pace_target"),
    Sight.CURVES: ("curve_gate", "cup_entry", "pace_target"),
}
"""The calls that lead, by their names, in their order."""

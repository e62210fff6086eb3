"""Who putts, in words."""

import math

from orthocline.core.account import Golfer
from orthocline.core.units import PERCENT
from orthocline.wording.figures import tidy

LEVEL_WORDS = {
    "tournament": "tournament golfer",
    "low": "low handicap",
    "middle": "middle handicap",
    "new": "new to golf",
}
"""The usual golfers, by level."""


def spread_words(golfer: Golfer) -> str:
    """Return how one putt of a golfer scatters: ``start line 1.8°, energy 12 %, read 42 %, green 0.3°``."""
    line, ground = (tidy(math.degrees(rad)) for rad in (golfer.start_line_rad, golfer.ground_rad))
    energy, read = (tidy(share / PERCENT) for share in (golfer.energy, golfer.read))
    return f"start line {line}°, energy {energy} %, read {read} % of the aim, green {ground}° on ten feet"

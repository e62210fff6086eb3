"""Who putts, in words."""

import math

from orthocline.core.account import Golfer
from orthocline.core.units import PERCENT
from orthocline.wording.figures import tidy

LEVEL_WORDS = {
    "tournament": "tournament",
    "low": "low-handicap",
    "middle": "middle-handicap",
    "new": "new",
}
"""What kind of golfer the usual ones are, by level."""


def spread_texts(golfer: Golfer) -> dict[str, str]:
    """Return the spreads of a golfer as they would be typed, by field."""
    return {
        "start_line": f"{tidy(math.degrees(golfer.start_line_rad), 2)} deg",
        "energy": f"{tidy(golfer.energy / PERCENT, 2)} %",
        "read_share": f"{tidy(golfer.read / PERCENT, 2)} %",
    }


def spread_words(golfer: Golfer) -> str:
    """Return how one putt of a golfer scatters."""
    line = tidy(math.degrees(golfer.start_line_rad), 2)
    energy, read = (f"{one / PERCENT:.0f} %" for one in (golfer.energy, golfer.read))
    return f"start line {line}°, energy {energy}, read {read} of the aim"


def whose_words(level: str, *, own: bool, learnt_by: int) -> str:
    """Return whose spreads are meant: the usual golfer's of a level, or the golfer's own."""
    usual = f"a usual {LEVEL_WORDS[level]} golfer's"
    if learnt_by:
        return f"yours, by {learnt_by} putts of your log and what you have typed yourself"
    return f"yours where you have kept any, else {usual}" if own else usual


def for_whom_words(level: str, *, own: bool, learnt_by: int) -> str:
    """Return the same in a few words."""
    if learnt_by:
        return f"your spreads, by {learnt_by} putts"
    return "your own spreads" if own else f"usual {LEVEL_WORDS[level]} golfer"

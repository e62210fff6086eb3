"""Which putts of a log are meant, in words."""

from collections.abc import Mapping
from typing import Final

from orthocline.wording.wording import Wording

ONLY_WORDS: Final[Mapping[str, str]] = {
    "known": "with a result",
    "holed": "holed",
    "missed": "missed",
    "measured": "with a length",
    "first": "first putts",
    "second": "second putts",
    "done": "of greens that were holed out",
    "three": "of greens with three putts or more",
    "in_round": "of rounds",
    "stopped": "with a finish",
    "short": "short of the hole",
    "good": "up to two feet (60 cm) past",
    "long": "more than two feet (60 cm) past",
    "meant": "with a pace that was meant",
    "sided": "that passed on a side",
    "high": "missed on the high side",
    "low": "missed on the low side",
    "breaks_left": "breaking left",
    "breaks_right": "breaking right",
    "straight": "straight",
    "seen": "whose start was seen",
    "started_left": "started left",
    "started_on": "started on their line",
    "started_right": "started right",
    "traced": "whose start line is worked out",
    "own_read": "with a read of your own",
    "impression": "with a first impression",
    "worth": "with both lengths",
    "committed": "committed",
    "not_committed": "not committed",
    "told_committed": "with a word on commitment",
    "told_read": "with a word on the read",
    "told_line": "with a word on the line",
    "told_pace": "with a word on the pace",
    "read_wrong": "read off",
    "line_wrong": "line off",
    "pace_wrong": "pace off",
}
"""What the conditions of the log mean, by name."""


def between_words(least_m: float | None, most_m: float | None, wording: Wording) -> str:
    """Return a span of lengths: ``from 3 to 5 ft``, ``beyond 30 ft``; empty for any."""
    if least_m and most_m:
        return f"from {wording.far(least_m).rpartition(' ')[0]} to {wording.far(most_m)}"
    if least_m:
        return f"beyond {wording.far(least_m)}"
    return f"up to {wording.far(most_m)}" if most_m else ""

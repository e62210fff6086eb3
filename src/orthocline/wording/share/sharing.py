"""What is shared, and what became of what a coach set, in words."""

from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Final

from orthocline.wording.dates import Calendar

SHARE_WORDS: Final[Mapping[str, str]] = {
    "log": "log",
    "figures": "figures",
    "drills": "drills",
    "greens": "greens",
    "speeds": "green speeds",
}
SHARE_MEANS: Final[Mapping[str, str]] = {
    "log": "every putt, its read, its finish, your notes",
    "figures": "what is holed, strokes gained, habits",
    "drills": "scores, the trainer; a session can be set for you",
    "greens": "your maps and pins",
}
"""What a golfer lets be seen by it."""


def what_words(what: Iterable[str]) -> str:
    """Return what is shared: ``log, figures and drills``."""
    words = [SHARE_WORDS[one] for one in SHARE_WORDS if one in set(what)]
    return " and ".join(filter(None, (", ".join(words[:-1]), words[-1])))


def state_words(done: int, slots: int, begun_at: datetime | None, calendar: Calendar) -> str:
    """Return how far a golfer has come with a session that was set: ``begun 28 Nov, 2 of 4 done``."""
    if begun_at is None:
        return "not begun"
    begun = calendar.day(begun_at)
    return f"done, {begun}" if done >= slots else f"begun {begun}, {done} of {slots} done"

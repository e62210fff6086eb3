"""A practice session in words."""

from typing import Final

from orthocline.wording.train.drills import TRAINS_WORDS

BY: Final = {"log": "your log", "trainer": "the trainer", "drills": "your drills"}
MUCH: Final = 1.05
"""From here on something is weaker than usual."""


def minute_words(minutes: float) -> str:
    """Return when a part begins, from the start of the session: ``0:04``."""
    return f"{int(minutes) // 60}:{int(minutes) % 60:02d}"


def need_words(trains: str, much: float = 1.0, by: str = "") -> str:
    """Return what a part is for, and by what it is known to be weak."""
    what = TRAINS_WORDS[trains]
    if much < MUCH:
        return what
    return f"{what}: weaker than it should be, by {BY[by]}"


def weak_words(trains: str, by: str) -> str:
    """Return what somebody else needs most, and by what it is known: ``pace, by the log``."""
    return f"{TRAINS_WORDS[trains]}, by {BY[by].replace('your', 'the')}"


def spent_words(spent_s: float) -> str:
    """Return how long it went on: ``4 min``."""
    return f"{int(spent_s // 60)} min"

"""Instruments in words."""

from dataclasses import dataclass


@dataclass(frozen=True)
class InstrumentWords:
    """An instrument as a sentence names it, and as a choice of one."""

    noun: str
    choice: str


INSTRUMENT_WORDS: dict[str, InstrumentWords] = {
    "level": InstrumentWords("level", "level, one place"),
    "level_averaged": InstrumentWords("level", "over three places"),
    "tape": InstrumentWords("tape", "tape"),
    "own_paces": InstrumentWords("your paces", "your paces"),
    "usual_paces": InstrumentWords("usual paces", "usual paces"),
}
"""By the names of the core's registry."""

"""Instruments in words."""

from dataclasses import dataclass

from orthocline.core.instruments import INSTRUMENTS, Gives
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class InstrumentWords:
    """An instrument as a sentence names it, as a choice of one, and as that beside a figure if shorter."""

    noun: str
    choice: str
    short: str = ""


INSTRUMENT_WORDS: dict[str, InstrumentWords] = {
    "level": InstrumentWords("level", "level, one place", "level"),
    "level_averaged": InstrumentWords("level", "over three places", "level, 3 places"),
    "phone": InstrumentWords("phone", "phone, turned round", "phone"),
    "feet": InstrumentWords("feet", "felt"),
    "trained_feet": InstrumentWords("trained feet", "felt, trained"),
    "eye": InstrumentWords("eye", "seen"),
    "trained_eye": InstrumentWords("trained eye", "seen, trained"),
    "plate": InstrumentWords("plate", "plate or marble, way only", "plate"),
    "spill": InstrumentWords("spill side", "where water leaves, way only", "spill"),
    "arrow": InstrumentWords("arrow", "arrow drawn by hand", "arrow"),
    "first_look": InstrumentWords("first look", "first look", "first look"),
    "other_ball": InstrumentWords("other ball", "another ball"),
    "own_ball": InstrumentWords("own ball", "own last ball"),
    "staff": InstrumentWords("staff", "height by staff or laser", "height"),
    "rise_by_eye": InstrumentWords("eye", "inches seen"),
    "tape": InstrumentWords("tape", "tape"),
    "own_paces": InstrumentWords("your paces", "your paces"),
    "usual_paces": InstrumentWords("usual paces", "usual paces"),
}
"""By the names of the core's registry."""
TYPED_WORDS = "as typed"
"""A figure of which nothing says how sure it is."""


def instrument_choice(name: str, wording: Wording) -> str:
    """Return where a figure comes from as a choice: of a slope with how sure that is, usual or yours."""
    if not name:
        return TYPED_WORDS
    instrument, said = INSTRUMENTS[name], INSTRUMENT_WORDS[name]
    words = said.short or said.choice
    own = wording.calibration.senses.get(name)
    if own:
        return f"{words}, yours ±{wording.slope(own.slope(own.middle).within)}"
    if instrument.gives in (Gives.SLOPE, Gives.FELT, Gives.ARROW, Gives.FIRST):
        return f"{words} ±{wording.slope(2.0 * instrument.sd)}"
    return words

"""An instrument that nobody has: a dish of soup that shows a slope to half a percent."""

from orthocline.core.instruments import INSTRUMENTS, Gives, Instrument
from orthocline.wording.instruments import INSTRUMENT_WORDS, InstrumentWords

NAME = "soup"


def add(monkeypatch):
    monkeypatch.setitem(INSTRUMENTS, NAME, Instrument(NAME, Gives.SLOPE, 0.005))
    monkeypatch.setitem(INSTRUMENT_WORDS, NAME, InstrumentWords("soup", "a dish of soup"))

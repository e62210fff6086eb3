"""A green book in words: its scale, on what its pages rest, pins, and what the rules last known allow."""

import math
from collections.abc import Sequence
from typing import Final

from orthocline.core.cards import BookSize
from orthocline.core.chart import UNSURE_SD, ChartPin, ChartReading
from orthocline.core.instruments import Gives
from orthocline.core.relief import Outline
from orthocline.core.sure import Fall
from orthocline.core.units import INCH_M, PERCENT, YARD_M
from orthocline.wording.figures import tidy
from orthocline.wording.ground.greens import LEVEL, paces_words, way_words
from orthocline.wording.instruments import INSTRUMENT_WORDS
from orthocline.wording.wording import Wording

EIGHTHS: Final = ("", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8")
ASK: Final = "ask the committee before you carry it"
BY_HAND: Final = "Hand-entered only: typed by the golfer, with no instrument and no model."
EDGE_LEFT_OUT: Final = "Its edge was measured, and is left out."


def is_by_hand(reading: ChartReading) -> bool:
    """Return whether a reading is the golfer's own: felt, seen, or drawn as an arrow."""
    return reading.gives in (Gives.FELT, Gives.ARROW)


def scale_words(scale: float) -> str:
    """Return a scale: ``3/8 in to 5 yd (1:480)``."""
    inches = 5.0 * YARD_M / scale / INCH_M
    whole, part = divmod(round(8.0 * inches), 8)
    exact = abs(8.0 * inches - (8 * whole + part)) < 0.02
    said = " ".join(filter(None, (str(whole) if whole else "", EIGHTHS[part]))) if exact else tidy(inches, 2)
    return f"{said} in to 5 yd (1:{round(scale)})"


def limit_words(size: BookSize) -> str:
    """Return what is larger than the rules as last known allow; empty where nothing is."""
    over = [
        name
        for name, allowed in (("map", size.map_is_allowed), ("page", size.page_is_allowed))
        if not allowed
    ]
    if not over:
        return ""
    said = " and ".join(over)
    return (
        f"The {said} {'are' if over[1:] else 'is'} larger than the rules of play last known here allow:"
        f" for practice, unless you {ASK}."
    )


def basis_words(readings: Sequence[ChartReading], *, scanned: bool, hand: bool) -> str:
    """Return on what a page rests."""
    if hand:
        return BY_HAND
    nouns = dict.fromkeys(INSTRUMENT_WORDS[one.by].noun for one in readings)
    count = f"{len(readings)} {'reading' if len(readings) == 1 else 'readings'}"
    told = [*(["a scan"] if scanned else []), *([f"{count} by {', '.join(nouns)}"] if readings else [])]
    return f"Worked out from {' and '.join(told)}." if told else "Nothing is read here yet."


def size_words(outline: Outline, wording: Wording) -> str:
    """Return how large a green is: ``24 paces deep, 22 wide``."""
    (left, low), (right, top) = outline.box
    deep, wide = (round(one / wording.calibration.pace_m) for one in (top - low, right - left))
    return f"{deep} paces deep, {wide} wide"


def pin_words(pin: ChartPin, fall: Fall | None, outline: Outline, wording: Wording) -> tuple[str, str, str]:
    """Return a pin: its name, where it is, and how it falls there, empty where that is not known."""
    where = paces_words(pin.at_m, outline, wording)
    if fall is None:
        return pin.name, where, ""
    if fall.tilt < LEVEL:
        return pin.name, where, "level"
    spread = fall.tilt_range.most - fall.tilt_range.least
    figure = slope_figure(fall.tilt, wording, is_sure=spread < 4.0 * UNSURE_SD)
    unit = "°" if wording.units.degrees else " %"
    return pin.name, where, f"{figure}{unit} to {way_words(fall.toward_rad)}"


def slope_figure(slope: float, wording: Wording, *, is_sure: bool = True) -> str:
    """Return a slope [ratio] without its unit, as it stands at an arrow: ``2.1``, or ``~2`` where unsure."""
    figure = math.degrees(math.atan(slope)) if wording.units.degrees else slope / PERCENT
    return tidy(figure) if is_sure else f"~{tidy(figure, 0)}"


def key_words(shows: str, interval: str, wording: Wording, *, unsure: bool) -> str:
    """Return what the lines or arrows of a page mean, some of which may not be sure."""
    if shows == "contours":
        return f"contours every {interval}{', hatched not sure' if unsure else ''}" if interval else ""
    unit = "degrees" if wording.units.degrees else "percent"
    return f"arrows fall, in {unit}{'; ~ not sure' if unsure else ''}"

"""What to find out next, in words."""

from orthocline.core.roll import Read
from orthocline.core.sure import AimRange, NextReading
from orthocline.wording.figures import capital, hundred
from orthocline.wording.sure.ranges import range_text
from orthocline.wording.wording import Wording

HALVES = (0.45, 0.55)
"""A range that is narrower by a share between these is halved."""
HALF_WAY = 0.5
LAID = {
    "level": "a level {way} the line",
    "phone": "a phone {way} the line",
    "feet": "your feet {way} the line",
    "eye": "a look {way} the line",
}
"""Readings of the slope, by instrument."""
ELSE = {
    "ramp": "three balls each way of the ramp",
    "pacing": "pacing it again",
    "ball": "watching another ball on this line",
}


def reading_words(reading: NextReading, read: Read, wording: Wording) -> str:
    """Return a further reading in words: ``a level across the line half-way``."""
    if reading.by in ELSE:
        return ELSE[reading.by]
    laid = LAID[reading.by].format(way="across" if reading.across else "along")
    return f"{laid} {_place(reading, read, wording)}"


def leaves_words(reading: NextReading, wording: Wording) -> str:
    """Return what a reading would leave of the range of the aim."""
    return _left(reading.leaves, wording) or f"{hundred(1 - reading.cut)} of 100 parts of it"


def best_words(reading: NextReading, read: Read, wording: Wording) -> str:
    """Return the reading that narrows the range most, as a sentence."""
    words, left = reading_words(reading, read, wording), leaves_words(reading, wording)
    does = f"would halve that, to {left}" if HALVES[0] <= reading.cut <= HALVES[1] else f"would leave {left}"
    return f"{capital(words)} {does}."


def _left(leaves: AimRange, wording: Wording) -> str:
    return range_text(leaves.aim_right_m, wording) if leaves.aim_right_m else ""


def _place(reading: NextReading, read: Read, wording: Wording) -> str:
    at = reading.at_m or 0.0
    share = round(at / read.putt.length_m, 3)
    if share > 1.0:
        return "just beyond the hole"
    named = {0.0: "at the ball", 1.0: "at the hole", HALF_WAY: "half-way"}
    return named.get(share, f"{wording.far(at)} from the ball")

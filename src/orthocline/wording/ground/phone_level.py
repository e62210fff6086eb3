"""What a phone says of the ground, in words."""

import math

from orthocline.core.drills import HiddenPlace
from orthocline.core.ground import PhoneLevel
from orthocline.core.instruments import INSTRUMENTS, PHONE_SD
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

LEVEL = 0.0005
"""Less slope [ratio] than this is none."""


def level_words(found: PhoneLevel, *, across: bool, wording: Wording) -> str:
    """Return how the ground slopes: across the line with the phone's top to the right, or along it."""
    if abs(found.slope) < LEVEL:
        return "Level there."
    slope = wording.slope(abs(found.slope))
    if across:
        return f"Falls {slope} to the {'left' if found.slope > 0.0 else 'right'}."
    return f"{slope} {'up' if found.slope > 0.0 else 'down'} to the hole."


def error_words(found: PhoneLevel) -> str:
    """Return the phone's own error, which turning it round has taken out."""
    degrees = math.degrees(found.own_error_rad)
    way = "much" if degrees > 0.0 else "little"
    return f"Your phone itself shows {tidy(abs(degrees), 2)}° too {way}: taken out."


def kept_error_words(found: PhoneLevel, ago: str) -> str:
    """Return by which error of the phone one reading was taken, and how old that is."""
    degrees = tidy(abs(math.degrees(found.own_error_rad)), 2)
    return f"By your phone's own {degrees}°, found {ago}: turn it round to be sure."


def sure_words(wording: Wording) -> str:
    """Return within how much a phone tells the slope of a place."""
    within, own = (wording.slope(2.0 * sd) for sd in (INSTRUMENTS["phone"].sd, PHONE_SD))
    return f"Within {within}: {own} of its own, and the bump under it."


def hidden_words(place: HiddenPlace, *, across: bool, wording: Wording) -> str:
    """Return what was hidden."""
    found = PhoneLevel(place.along("across" if across else "along"), 0.0)
    return f"It was: {level_words(found, across=across, wording=wording)}"

"""Instruments that are laid on a hidden place, in words."""

import math
from typing import Final

from orthocline.core.drills import HiddenPlace
from orthocline.core.ground import PhoneLevel
from orthocline.core.instruments import INSTRUMENTS
from orthocline.wording.ground.phone_level import level_words
from orthocline.wording.ground.readings import hour_text
from orthocline.wording.wording import Wording

LAID_WORDS: Final = {
    "level": "level",
    "level_averaged": "level, 3 places",
    "plate": "plate",
    "phone": "phone",
}
"""By the names of the instruments."""
AT_WORDS: Final = {"0 %": "at the ball", "50 %": "half-way", "100 %": "at the hole"}
"""Places of a putt, by how an address has them."""


def shows_words(rise: float, *, across: bool, wording: Wording) -> str:
    """Return what a level shows: how the ground falls or rises along its edge."""
    return level_words(PhoneLevel(rise, 0.0), across=across, wording=wording)


def runs_words(fall_rad: float) -> str:
    """Return where a plate's ball runs to."""
    return f"The ball runs to {hour_text(fall_rad % math.tau)} o'clock."


def laid_sure_words(by: str, wording: Wording) -> str:
    """Return how sure an instrument is."""
    instrument = INSTRUMENTS[by]
    if instrument.way_sd_rad:
        steep, flat = (
            round(math.degrees(2.0 * sd)) for sd in (instrument.way_sd_rad, instrument.flat_way_sd_rad)
        )
        return f"Within {steep}°, or {flat}° on ground flatter than {wording.slope(0.01)}. No size."
    averaged = wording.slope(2.0 * INSTRUMENTS["level_averaged"].sd)
    if by == "level_averaged":
        return f"Within {averaged}: the bumps are gone."
    return f"Within {wording.slope(2.0 * instrument.sd)}: {averaged} of its own, and the bump under it."


def place_words(place: HiddenPlace, wording: Wording) -> str:
    """Return how a hidden place slopes."""
    hour = hour_text(place.fall_rad % math.tau)
    across, along = (
        shows_words(rise, across=way, wording=wording).rstrip(".")
        for rise, way in ((place.right, True), (place.up, False))
    )
    return f"It was {wording.slope(place.slope)} to {hour} o'clock: {across.lower()}, {along.lower()}."

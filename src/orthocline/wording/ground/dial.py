"""The straight putt and the hours round the hole in words; places typed by paces and bearing."""

import math
import re
from typing import NamedTuple

from orthocline.core.calls import Dial
from orthocline.core.roll import Putt
from orthocline.core.sure import Fall
from orthocline.core.units import HOUR_RAD
from orthocline.wording.ground.readings import hour_text, parse_hour
from orthocline.wording.quantities import QuantityError, parse_degrees, parse_far_m
from orthocline.wording.wording import Wording

STRAIGHT_RAD = math.pi
"""The straight putt uphill lies at 6."""
SPOT_ALLOWED = "a place such as 4 h, 5 paces 30 deg, or 2 paces left 1 pace back"
APART = re.compile(r",|\band\b|(?<=left)\s|(?<=right)\s|(?<=back)\s|(?<=nearer)\s")
STEP = re.compile(r"(.+?)\s*(left|right|back|nearer)$")
HOURED = re.compile(r"(?:(.*?)[\s,]+)?(\d{1,2}(?:[.,]\d+|:\d+)?\s*(?:h|o'?clock))")
BORNE = re.compile(r"(?:(.*?)[\s,]+)?([+-]?\d+(?:[.,]\d+)?)\s*(?:deg|°|degrees)\s*(left|right)?")
LEAST_WALK = 0.01
AHEAD_DEG = 12.0


class Placed(NamedTuple):
    """A place by its distance from the hole [m], and how far clockwise round it from a line to it."""

    distance_m: float
    round_rad: float


def hour_words(hour: float) -> str:
    """Return an hour round the hole: ``4 o'clock``, ``4:30``."""
    text = hour_text(hour * HOUR_RAD)
    return text if ":" in text else f"{text} o'clock"


def parse_place(text: str, distance_m: float, wording: Wording) -> Placed:
    """Return a place that is said from the hole, or from where a line to the hole begins.

    ``4 h`` is an hour, 6 where the line begins; ``30 deg right`` so far round the hole, as seen from there;
    either may follow a distance from the hole (``5 paces 4 h``). ``2 paces left 1 pace back`` are steps from
    where the line begins, a `distance_m` from the hole, as one faces it.

    Raises
    ------
    QuantityError
        For anything else.
    """
    said = text.strip().lower()
    houred, borne = HOURED.fullmatch(said), BORNE.fullmatch(said)
    if houred:
        away = parse_far_m(houred[1], wording) if houred[1] else distance_m
        return Placed(away, math.remainder(parse_hour(houred[2]) - STRAIGHT_RAD, 2.0 * math.pi))
    if borne:
        away = parse_far_m(borne[1], wording) if borne[1] else distance_m
        turn = math.radians(parse_degrees(borne[2])) * (-1.0 if borne[3] == "right" else 1.0)
        return Placed(away, math.remainder(turn, 2.0 * math.pi))
    return _stepped(said, distance_m, wording)


def _stepped(said: str, distance_m: float, wording: Wording) -> Placed:
    """Return the place so many steps left or right and back from where a line begins."""
    left, away = 0.0, distance_m
    parts = [part.strip() for part in APART.split(said)]
    for part in filter(None, parts) if any(parts) else [""]:
        step = STEP.fullmatch(part)
        if not step:
            raise QuantityError(f"cannot be read; allowed is {SPOT_ALLOWED}")
        length = parse_far_m(step[1], wording)
        if step[2] in ("left", "right"):
            left += length if step[2] == "left" else -length
        else:
            away += length if step[2] == "back" else -length
    return Placed(math.hypot(left, away), math.atan2(left, away))


def place_text(place: Placed, wording: Wording) -> str:
    """Return a place as it would be typed: ``14 ft 4:15 h``."""
    return f"{wording.far(place.distance_m)} {hour_text(place.round_rad + STRAIGHT_RAD)} h"


def walk_words(dial: Dial, wording: Wording) -> str:
    """Return where to stand for the straight putt, from the ball."""
    if dial.walk_m < LEAST_WALK * dial.length_m:
        return "Your putt is the straight one: it goes straight uphill."
    side = "left" if dial.walk_right_rad < 0.0 else "right"
    degrees = abs(math.degrees(dial.walk_right_rad))
    way = f"{degrees:.0f}° to the {side} of your line" if degrees > AHEAD_DEG else "on past the hole"
    return f"The straight putt uphill begins {wording.paces(dial.walk_m)} from your ball, {way}."


def own_words(dial: Dial) -> str:
    """Return where the ball lies on the dial."""
    half = "putted uphill" if dial.uphill else "putted downhill"
    return f"Yours lies at {hour_words(dial.hour)}, {half}."


def sure_words(fall: Fall, putt: Putt, wording: Wording) -> str:
    """Return how sure the straight putt's place is."""
    if fall.within_rad >= 0.5 * math.pi:
        return "Which way it falls is not known yet: lay a plate at the hole, or stand there."
    if fall.within_rad < math.radians(0.5):
        return "Taken as it was typed."
    aside = wording.far(putt.length_m * math.sin(fall.within_rad))
    return f"Known within {math.degrees(fall.within_rad):.0f}°, that is {aside} to either side."

"""Watched balls in words: where they stopped as it is typed, and what they say."""

import math
import re
from collections.abc import Sequence

from orthocline.core.balls import Implied
from orthocline.core.ground import Reading
from orthocline.core.units import HOUR_RAD
from orthocline.wording.ground.dial import Placed, hour_words
from orthocline.wording.ground.readings import place_words
from orthocline.wording.quantities import QuantityError, parse_aside_m, parse_degrees, parse_near_m
from orthocline.wording.wording import Wording

REST_ALLOWED = "a place such as 2 ft past 6 in left, or 1 ft short"
REST = re.compile(r"(.+?)\s*(past|beyond|short|left|right)(?=[\s,]|$)")
RAN_OFF = ("never", "ran off", "rolled off", "off the green", "still rolling")
TURNED = re.compile(r"([+-]?\d+(?:[.,]\d+)?)\s*(?:deg|°|degrees)\s*(left|right)")
TURN_ALLOWED = "such as 6 in right of the hole, or 3 deg left"
TAKEN = "Your tilt and rise are taken as typed, and nothing betters that: say where they come from."
WHY_WIDE = "Its start line was not seen, so the band is wide: watch the next one from behind."
WHY_LAST = "Its start line was not seen; the last feet narrow the band somewhat."
ODD_OTHER = "No green does that: look at start, finish and start line again."
ODD_OWN = (
    "Only ground steeper than greens are does that: was it struck in another pace than said, or off line?"
)


def parse_rest(text: str, wording: Wording) -> tuple[float, float]:
    """Return where a ball stopped: beyond the hole along its own line, and to its right [m].

    ``2 ft past 6 in left``, ``short 1 ft`` the other way round is not read; either part may be left out.

    Raises
    ------
    QuantityError
        For anything else, and for a ball that never stopped.
    """
    said = text.strip().lower()
    if any(words in said for words in RAN_OFF):
        raise QuantityError("must have come to rest: one that ran off does not say how steep it is")
    along = right = 0.0
    left_over = REST.sub("", said).strip(" ,")
    if not said or left_over.replace("and", "").strip():
        raise QuantityError(f"cannot be read; allowed is {REST_ALLOWED}")
    for length, way in REST.findall(said):
        size = parse_near_m(length.strip(" ,").removeprefix("and ").strip(), wording)
        if way in ("left", "right"):
            right += size if way == "right" else -size
        else:
            along += -size if way == "short" else size
    return along, right


def rest_text(rest_m: tuple[float, float], wording: Wording) -> str:
    """Return where a ball stopped as it would be typed."""
    along, right = rest_m
    told = [
        f"{wording.exact(size)} {way}"
        for size, way in (
            (along, "past" if along >= 0.0 else "short"),
            (right, "right" if right >= 0.0 else "left"),
        )
        if wording.exact(size) != wording.exact(0.0)
    ]
    return " ".join(told) or f"{wording.exact(0.0)} past"


def parse_turn(text: str, length_m: float, wording: Wording) -> float:
    """Return a direction to the right of the hole [rad]: ``6 in right`` at its distance, or ``3 deg left``.

    Raises
    ------
    QuantityError
        For anything else.
    """
    said = text.strip().lower().removesuffix("of the hole").strip()
    turned = TURNED.fullmatch(said)
    if turned:
        return math.radians(parse_degrees(turned[1])) * (1.0 if turned[2] == "right" else -1.0)
    if said in ("straight", "hole", "at the hole"):
        return 0.0
    if not said.endswith(("left", "right")):
        raise QuantityError(f"must be {TURN_ALLOWED}")
    return math.atan2(parse_aside_m(said, wording), length_m)


def turn_text(right_rad: float) -> str:
    """Return a direction as it would be typed."""
    return f"{abs(math.degrees(right_rad)):.1f} deg {'right' if right_rad >= 0.0 else 'left'}"


def start_text(place: Placed, wording: Wording) -> str:
    """Return where a ball started as it would be typed, to a degree."""
    degrees = math.degrees(place.round_rad)
    return f"{wording.far(place.distance_m)} {abs(degrees):.0f} deg {'left' if degrees >= 0.0 else 'right'}"


def said_words(implied: Implied, wording: Wording, *, own: bool) -> str:
    """Return what a ball says of the ground along its line."""
    side, grade = (wording.slope(abs(one.value)) for one in (implied.side, implied.grade))
    level, to_right, up = wording.slope(0.0), implied.side.value >= 0.0, implied.grade.value >= 0.0
    across = "is level across" if side == level else f"falls {side} to its {'right' if to_right else 'left'}"
    along = "is level along it" if grade == level else f"goes {grade} {'uphill' if up else 'downhill'}"
    return f"By it the ground {across}{f', and {along}' if own else ''}."


def sure_words(implied: Implied, wording: Wording, *, own: bool) -> str:
    """Return within how much that is known."""
    side = f"Within {wording.slope(implied.side.within)}"
    return f"{side} aside and {wording.slope(implied.grade.within)} along." if own else f"{side}."


def readings_words(readings: Sequence[Reading], wording: Wording) -> str:
    """Return what that is on the own putt."""
    one = readings[0]
    way = hour_words(one.toward_rad % (2.0 * math.pi) / HOUR_RAD)
    size, within = wording.slope(one.size or 0.0), wording.slope(one.within or 0.0)
    fall = "level" if size == wording.slope(0.0) else f"{size} toward {way}"
    return f"On your putt: {fall}, within {within}, {place_words(one.at)}."


def narrowed_words(before: str, after: str) -> str:
    """Return what a ball does to the range of the own aim."""
    if not before:
        return TAKEN
    return f"Read in places your aim lies {_inside(before)} without it, {_inside(after)} with it."


def _inside(words: str) -> str:
    return f"{words[0].lower()}{words[1:].rstrip('.')}"

"""Readings of the ground in words: places along a putt, ways of fall, what disagrees, how a putt falls."""

import math
import re

from orthocline.core.ground import Conflict, Reading
from orthocline.core.sure import Fall
from orthocline.core.units import PERCENT
from orthocline.wording.instruments import INSTRUMENT_WORDS
from orthocline.wording.quantities import QuantityError, parse_far_m, parse_number
from orthocline.wording.ways import way_text
from orthocline.wording.wording import Wording

NAMED_SHARES = {
    "at the ball": 0.0,
    "at one quarter": 0.25,
    "at one third": 1.0 / 3.0,
    "half-way": 0.5,
    "at two thirds": 2.0 / 3.0,
    "at three quarters": 0.75,
    "at the hole": 1.0,
}
NEAR_SHARE = 0.035
"""A place so near to one that has a name goes by it."""
TYPED_SHARES = {"ball": 0.0, "half": 0.5, "half-way": 0.5, "hole": 1.0}
PLACE_ALLOWED = "such as 1/3, 40 %, 5 ft, hole or 3 ft short"
FRACTION = re.compile(r"(\d{1,2})\s*/\s*(\d{1,2})")
SHORT = re.compile(r"(.+?)\s*(?:short|from the hole|before the hole)$")
HOUR = re.compile(r"(\d{1,2})(?:[.,](25|50?|75)|:(00|15|30|45))?\s*(?:h|o'?clock)?")
QUARTERS = 4
QUARTER_RAD = math.pi / (6.0 * QUARTERS)
"""A quarter of an hour on the cup: nobody tells less apart."""
FALLS_WORDS = {
    "hole": "downhill",
    "ball": "uphill",
    "left": "falls left",
    "right": "falls right",
    "hole and left": "left and downhill",
    "hole and right": "right and downhill",
    "ball and left": "left and uphill",
    "ball and right": "right and uphill",
}
"""The ways of fall that have a name, as `wording.ways` has them."""
TWELVE = (
    *("toward the hole", "toward the hole and a little right", "right and a little toward the hole"),
    *("right", "right and a little toward the ball", "toward the ball and a little right"),
    *("toward the ball", "toward the ball and a little left", "left and a little toward the ball"),
    *("left", "left and a little toward the hole", "toward the hole and a little left"),
)
"""The ways of fall by twelfths of a turn, clockwise from the hole."""
HALF_TURN_DEG = 90.0
"""A way that is known no better than this is not known."""


def parse_share(text: str, length_m: float, wording: Wording) -> float:
    """Return a place along a putt as a share of the way from ball to hole.

    Raises
    ------
    QuantityError
        For anything else than a fraction, a percentage, a length from the ball or short of the hole, a name.
    """
    said = text.strip().lower()
    if said in TYPED_SHARES:
        return TYPED_SHARES[said]
    fraction, short = FRACTION.fullmatch(said), SHORT.fullmatch(said)
    if fraction and int(fraction[2]):
        return int(fraction[1]) / int(fraction[2])
    if short:
        return 1.0 - parse_far_m(short[1], wording) / length_m
    if said.endswith("%") or said.replace(".", "", 1).isdecimal():
        return parse_number(said.removesuffix("%"), PLACE_ALLOWED) * PERCENT
    try:
        return parse_far_m(said, wording) / length_m
    except QuantityError as error:
        raise QuantityError(f"must be {PLACE_ALLOWED}") from error


def parse_hour(text: str) -> float:
    """Return an hour on the cup as a way [rad] clockwise from beyond the hole: 6 is the ball's side.

    Raises
    ------
    QuantityError
        For anything else than 1 to 12, such as 4, 4.5 or 4:30.
    """
    found = HOUR.fullmatch(text.strip().lower())
    hour = float(f"{found[1]}.{found[2] or 0}") + int(found[3] or 0) / 60.0 if found else 0.0
    if not 1.0 <= hour < 13.0:
        raise QuantityError("must be an hour on the cup, 1 to 12: 6 is the ball's side, 3 the right")
    return math.radians(30.0 * (hour % 12.0))


def hour_text(way_rad: float) -> str:
    """Return a way [rad] clockwise from beyond the hole as an hour to a quarter: ``4``, ``4:30``."""
    hour, quarter = divmod(round(way_rad / QUARTER_RAD), QUARTERS)
    return f"{(hour - 1) % 12 + 1}" + (f":{60 // QUARTERS * quarter:02d}" if quarter else "")


def place_words(at: float) -> str:
    """Return where a reading stands: ``at one third``, ``at 40 % of the way``."""
    name, share = min(NAMED_SHARES.items(), key=lambda one: abs(one[1] - at))
    return name if abs(share - at) <= NEAR_SHARE else f"at {100.0 * at:.0f} % of the way"


def noun(by: str) -> str:
    """Return an instrument as a sentence names it."""
    return INSTRUMENT_WORDS[by].noun if by else "typed figure"


def said_words(reading: Reading, wording: Wording) -> str:
    """Return what was read where: ``level half-way: 2.1 % falls left``."""
    where = f"{noun(reading.by)} {place_words(reading.at)}"
    if reading.size is None:
        return f"{where}: falls to {hour_text(reading.toward_rad % math.tau)} o'clock"
    falls = FALLS_WORDS.get(way_text(-reading.toward_rad), "")
    return f"{where}: {wording.slope(reading.size)} {falls}".rstrip()


def conflict_words(conflict: Conflict, readings: tuple[Reading, ...]) -> str:
    """Return which two readings disagree and where, with the remedy."""
    one, other = readings[conflict.one], readings[conflict.other]
    where, there = place_words(one.at), place_words(other.at)
    what = f"the {noun(one.by)} and the {noun(other.by)} disagree"
    if one.by == other.by:
        what = f"two readings by the {noun(one.by)} disagree"
    place = where if where == there else f"{where} and {there}"
    return f"{what[0].upper()}{what[1:]} {place}: read again, or take one away."


def fall_words(fall: Fall, wording: Wording) -> str:
    """Return how a putt falls, and how sure that is."""
    tilt, least, most = (
        wording.slope(one) for one in (fall.tilt, fall.tilt_range.least, fall.tilt_range.most)
    )
    within = math.degrees(fall.within_rad)
    if fall.tilt < 0.5 * PERCENT * 0.1:
        return f"Level on the whole, to {most}." if least != most else "Level on the whole."
    way = TWELVE[round(6.0 * fall.toward_rad / math.pi) % 12]
    sure = "" if least == most else f" ({least} to {most})"
    if within >= HALF_TURN_DEG:
        return f"Falls {tilt}{sure}, which way is not known yet."
    return f"Falls {tilt}{sure} {way}{f', within {within:.0f}°' if within >= 1.0 else ''}."

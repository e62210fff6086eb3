"""What golfers type: lengths, slopes, speeds and directions with their units."""

import math
import re
from collections.abc import Callable, Mapping

from orthocline.core.grain import GRASSES
from orthocline.core.units import FOOT_M, INCH_M, KILOMETRE_PER_HOUR_MPS, MILE_PER_HOUR_MPS, PERCENT, YARD_M
from orthocline.wording.wording import USUAL_WORDING, Wording

LENGTH_UNITS_M: Mapping[str, float] = {
    **dict.fromkeys(("ft", "foot", "feet", "'", "′"), FOOT_M),
    **dict.fromkeys(("in", "inch", "inches", '"', "″"), INCH_M),
    **dict.fromkeys(("yd", "yard", "yards"), YARD_M),
    **dict.fromkeys(("m", "metre", "metres", "meter", "meters"), 1.0),
    "cm": 0.01,
    "mm": 0.001,
}
SPEED_UNITS_MPS: Mapping[str, float] = {
    "m/s": 1.0,
    "ft/s": FOOT_M,
    "mph": MILE_PER_HOUR_MPS,
    "km/h": KILOMETRE_PER_HOUR_MPS,
}
SENSED: Mapping[str, str] = {"felt": "feet", "seen": "eye"}
"""Words after a rating of a slope, and the instrument that they mean."""
SENSED_DECIMALS = 3
"""Of a slope [ratio]: nobody feels less than a tenth of a percent."""
FRACTIONS: Mapping[str, str] = {"¼": ".25", "½": ".5", "¾": ".75"}

_NUMBER = r"[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)"
_TERM = re.compile(rf"\s*({_NUMBER})\s*([a-z/%°'\"′″]*)\s*(?:and\s+)?", re.IGNORECASE)
_UNIT = re.compile(r"[a-z/%°'\"′″]+", re.IGNORECASE)
_DOUBLE_QUOTES = str.maketrans({"“": '"', "”": '"', "’": "'", "‘": "'", "−": "-"})
LONGEST = 40


class QuantityError(ValueError):
    """Something typed that is no figure of the wanted kind; the message says what is allowed."""


def parse_length_m(text: str, unit: str = "ft", wording: Wording = USUAL_WORDING) -> float:
    """Return a length [m]: ``14 ft``, ``14'6"``, ``5 paces``, ``4 shoes``, ``4.3 m``.

    Bare numbers are in `unit`; paces and shoes are the golfer's own.
    """
    units = {**LENGTH_UNITS_M, **wording.calibration.units_m}
    return _sum(text, units, unit, "a length such as 14 ft, 14'6\", 5 paces or 4.3 m")


def parse_far_m(text: str, wording: Wording = USUAL_WORDING) -> float:
    """Return a length along the putt [m]: bare numbers are feet or metres."""
    return parse_length_m(text, wording.units.far, wording)


def parse_near_m(text: str, wording: Wording = USUAL_WORDING) -> float:
    """Return a length near the hole [m]: bare numbers are inches or centimetres."""
    return parse_length_m(text, wording.units.near, wording)


def parse_aside_m(text: str, wording: Wording = USUAL_WORDING) -> float:
    """Return how far aside something lies [m], positive to the right: ``3 in left``, ``-3 in``."""
    return _sided(text, {"left": -1.0, "right": 1.0}, lambda words: parse_near_m(words, wording))


def parted(text: str) -> tuple[str, str]:
    """Return a figure and within how much it is sure: ``2.1 ±0.8 %`` is ``2.1 %`` and ``0.8 %``.

    A unit that stands with one of them alone is that of both, but a percent of a length is a share of it.
    """
    figure, _, within = (part.strip() for part in text.replace("+-", "±").partition("±"))
    if not within:
        return figure, ""
    unit, within_unit = ("".join(_UNIT.findall(part)[-1:]) for part in (figure, within))
    if not unit and within_unit:
        return f"{figure} {within_unit}", within
    return figure, within if within_unit else f"{within} {unit}".strip()


def first_unit(text: str) -> str:
    """Return the unit of a figure that can be read, as it was typed; of several the first."""
    return _terms(text, "")[0][1].lower()


def is_paced(text: str) -> bool:
    """Return whether a length is typed in paces or shoes, which are less sure than a tape."""
    return "pace" in text.lower() or "shoe" in text.lower()


def parse_speed_mps(text: str, unit: str = "m/s") -> float:
    """Return a speed [m/s]: ``0.6 m/s``, ``2 ft/s``, ``12 mph``, ``20 km/h``."""
    return _sum(text, SPEED_UNITS_MPS, unit, "a speed such as 0.6 m/s, 2 ft/s or 12 mph")


def parse_number(text: str, allowed: str) -> float:
    """Return a bare number; `allowed` ends the sentence of the error."""
    return _sum(text, {"": 1.0}, "", allowed)


def parse_grain(text: str) -> float:
    """Return the strength of grain: ``0.1``, or the name of a grass, such as ``bent`` or ``strong``."""
    grass = GRASSES.get(grass_named(text))
    if grass:
        return grass.strength
    return parse_number(text, f"{', '.join(GRASSES)}, or a strength such as 0.1")


def grass_named(text: str) -> str:
    """Return the name of the grass that is typed; empty for a figure."""
    name = text.strip().lower()
    return name if name in GRASSES else ""


def parse_degrees(text: str) -> float:
    """Return an angle in degrees: ``20 deg``, ``20°`` or ``20``."""
    units = dict.fromkeys(("deg", "°", "degree", "degrees"), 1.0)
    return _sum(text, units, "deg", "an angle such as 20 deg")


def parse_off_rad(text: str) -> float:
    """Return how far a start line is off [rad], positive to the right: ``0.8 deg left``."""
    return math.radians(_sided(text, {"left": -1.0, "right": 1.0}, parse_degrees))


def parse_late_s(text: str) -> float:
    """Return how late something comes [s], early below 0: ``0.05 s early``."""
    return _sided(text, {"early": -1.0, "late": 1.0}, parse_seconds)


def parse_firmer(text: str) -> float:
    """Return how much firmer a putt is struck, as a share of its speed: ``4 % firm``, ``4 % soft``."""
    return _sided(text, {"soft": -1.0, "firm": 1.0}, parse_share)


def _sided(text: str, sides: Mapping[str, float], parse: Callable[[str], float]) -> float:
    """Return a figure with the sign of the word that it ends with, if any."""
    words = text.strip().lower()
    for side, sign in sides.items():
        if words.endswith(side):
            return sign * parse(words.removesuffix(side))
    return parse(words)


def parse_share(text: str) -> float:
    """Return a share: ``12 %`` or ``12``."""
    return PERCENT * _sum(text, dict.fromkeys(("%", "percent"), 1.0), "%", "a share such as 12 %")


def parse_seconds(text: str) -> float:
    """Return a time [s]: ``3.5 s`` or ``3.5``."""
    return _sum(text, dict.fromkeys(("s", "sec", "seconds"), 1.0), "s", "a time such as 3.5 s")


def parse_green_speed_ft(text: str) -> float:
    """Return a green speed [ft]: ``10.2`` or ``10 ft 6 in``; metres are taken too."""
    allowed = "a green speed in feet such as 10.2 or 10'6\""
    return _sum(text, LENGTH_UNITS_M, "ft", allowed) / FOOT_M


def _is_percent(units: set[str]) -> bool:
    return units <= {"%", "percent", ""}


def parse_slope(text: str, over_m: float, wording: Wording = USUAL_WORDING) -> tuple[float, str]:
    """Return a slope [ratio] and the unit it was given in (``%``, ``deg``, or ``in`` or ``cm`` of rise).

    Parameters
    ----------
    text : str
        ``2.1 %``, ``1.2 deg``, or a rise over the putt such as ``1 in``.
    over_m : float
        Length [m] of the putt, over which a rise counts.
    """
    sense = sensed(text)
    if sense:
        return _sensed(text.strip()[:-4], sense, wording), "%"
    allowed = "a slope such as 2.1 %, 1.2 deg, or inches of rise over the putt such as 1 in"
    units = {unit.lower() for _, unit in _terms(text, allowed)}
    if units == {""}:
        return parse_slope(f"{text} {wording.units.slope}", over_m, wording)
    if _is_percent(units):
        return _sum(text, {"%": PERCENT, "percent": PERCENT}, "%", allowed), "%"
    if units <= {"deg", "°", "degrees", "degree"}:
        degrees = _sum(text, dict.fromkeys(("deg", "°", "degrees", "degree"), 1.0), "deg", allowed)
        if abs(degrees) >= 45.0:
            raise QuantityError(f"a slope must be less than 45 degrees; allowed is {allowed}")
        return math.tan(math.radians(degrees)), "deg"
    return _sum(text, LENGTH_UNITS_M, "in", allowed) / over_m, wording.units.near


def _sensed(text: str, sense: str, wording: Wording) -> float:
    """Return the slope that a rating stands for: as many percent, or by the golfer's own pairs."""
    rating = PERCENT * parse_number(text, "a rating from 0 to 6 such as 3 felt or 2.5 seen")
    own = wording.calibration.senses.get(sense)
    return max(round(own.slope(rating).value, SENSED_DECIMALS), 0.0) if own else rating


def sensed(text: str) -> str:
    """Return by which sense a slope is typed, `feet` or `eye`; empty for a figure."""
    return SENSED.get(text.strip().lower()[-4:], "")


def _terms(text: str, allowed: str) -> list[tuple[float, str]]:
    plain = text.strip().translate(_DOUBLE_QUOTES)
    for sign, digits in FRACTIONS.items() if FRACTIONS.keys() & set(plain) else ():
        plain = re.sub(rf"(?<=\d)\s*{sign}", digits, plain).replace(sign, "0" + digits)
    if not plain:
        raise QuantityError(f"is not there yet: {allowed}")
    if len(plain) > LONGEST:
        raise QuantityError(f"is too long; allowed is {allowed}")
    terms, at = [], 0
    while at < len(plain):
        match = _TERM.match(plain, at)
        if not match or match.end() == at:
            raise QuantityError(f"cannot be read; allowed is {allowed}")
        terms.append((float(match[1].replace(",", ".")), match[2]))
        at = match.end()
    return terms


def _sum(text: str, units: Mapping[str, float], unit: str, allowed: str) -> float:
    total = 0.0
    terms = _terms(text, allowed)
    sign = -1.0 if terms[0][0] < 0.0 or text.strip().startswith("-") else 1.0
    last = ""
    for number, typed in terms:
        # In 14'6 the second figure is inches.
        last = typed.lower() or ("in" if units.get(last) == FOOT_M else unit)
        size = units.get(last)
        if size is None:
            raise QuantityError(f"has an unknown unit; allowed is {allowed}")
        total += abs(number) * size
    return sign * total

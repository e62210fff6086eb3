"""Figures as golfers say them: inches by quarters, feet, percent, hours on the rim."""

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.instruments import USUAL_SHOE_M
from orthocline.core.units import FOOT_M, INCH_M, PACE_M, PERCENT

QUARTERS = ("", "¼", "½", "¾")
HOURS = (
    "twelve",
    "one",
    "two",
    "three",
    "four",
    "five",
    "six",
    "seven",
    "eight",
    "nine",
    "ten",
    "eleven",
)
COUNTS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")
LONG_IN = 36.0
"""From so many inches on a length is said in feet."""


def quarters(value: float) -> str:
    """Return a figure to the nearest quarter: ``17¾``, ``½``, ``0``."""
    count = round(abs(value) * 4)
    whole, part = divmod(count, 4)
    sign = "−" if value < 0 and count else ""
    return sign + (f"{whole}{QUARTERS[part]}" if whole or not part else QUARTERS[part])


def tidy(value: float, decimals: int = 1) -> str:
    """Return a figure without needless zeros: ``14``, ``2.1``."""
    text = f"{value:.{decimals}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    return "0" if text == "-0" else text.replace("-", "−")


def speed_text(speed_ft: float) -> str:
    """Return a green speed, or how sure it is, in feet to a tenth: ``10.0``."""
    return f"{speed_ft:.1f}"


def side(right_m: float) -> str:
    """Return the side of an offset."""
    return "right" if right_m > 0 else "left"


def hour_words(hours: float) -> str:
    """Return an hour on the rim to the nearest quarter: ``half past five``."""
    count = round(hours * 4) % 48
    hour, part = divmod(count, 4)
    here, after = HOURS[hour], HOURS[(hour + 1) % 12]
    return (f"{here} o'clock", f"quarter past {here}", f"half past {here}", f"quarter to {after}")[part]


def cups_words(right_m: float) -> str:
    """Return an aim in hole widths from the centre: ``about four cups``, ``half a cup``."""
    halves = round(abs(right_m) / HOLE_RADIUS_M)
    if halves == 0:
        return "less than half a cup"
    if halves == 1:
        return "half a cup"
    whole, half = divmod(halves, 2)
    said = COUNTS[whole] if whole < len(COUNTS) else str(whole)
    plural = "cup" if (whole, half) == (1, 0) else "cups"
    return f"about {said}{' and a half' if half else ''} {plural}"


def unbroken(text: str) -> str:
    """Return a sentence in which no line ends between a figure and its unit."""
    return re.sub(r"(?<=[\d¼½¾]) (?=(?:ft|in|cm|m|m/s|ft/s|s|degrees)\b|%)", "\u00a0", text)


def when_words(then: datetime, now: datetime) -> str:
    """Return when something was, by this machine's clock: ``07:40``, ``yesterday 07:40``, ``3 days ago``."""
    here = then.astimezone()
    days = (now.astimezone().date() - here.date()).days
    if days <= 0:
        return f"{here:%H:%M}"
    if days == 1:
        return f"yesterday {here:%H:%M}"
    return f"{days} days ago" if days < 14 else f"{here:%-d %b %Y}"


@dataclass(frozen=True)
class Wording:
    """How a golfer says and types figures: units, words, and the lengths of own paces and shoes.

    Attributes
    ----------
    metric, degrees, borrow : bool
        Metres and centimetres for feet and inches; degrees for percent; borrow for break.
    pace_m, shoe_m : float
        Length [m] of a pace and of a shoe, usual ones until the golfer's own are known.
    own_pace : bool
        Whether the pace is the golfer's own.
    left_handed : bool
        Drawings of the stroke are seen from the golfer's side.
    """

    metric: bool = False
    degrees: bool = False
    borrow: bool = False
    pace_m: float = PACE_M
    shoe_m: float = USUAL_SHOE_M
    own_pace: bool = False
    left_handed: bool = False

    @property
    def far_unit(self) -> str:
        """Unit of lengths along a putt."""
        return "m" if self.metric else "ft"

    @property
    def near_unit(self) -> str:
        """Unit of lengths near the hole."""
        return "cm" if self.metric else "in"

    @property
    def slope_unit(self) -> str:
        """Unit of slopes, as it is typed."""
        return "deg" if self.degrees else "%"

    @property
    def bend(self) -> str:
        """The word for how far to the side a putt is aimed."""
        return "borrow" if self.borrow else "break"

    @property
    def far_m(self) -> float:
        """One `far_unit` in metres."""
        return 1.0 if self.metric else FOOT_M

    @property
    def near_m(self) -> float:
        """One `near_unit` in metres."""
        return 0.01 if self.metric else INCH_M

    @property
    def steps_m(self) -> Mapping[str, float]:
        """The golfer's own units of length [m], for parsing."""
        return {"pace": self.pace_m, "paces": self.pace_m, "shoe": self.shoe_m, "shoes": self.shoe_m}

    def short(self, length_m: float) -> str:
        """Return a length near the hole: ``17¾ in``, from a yard on ``6 ft``; ``45 cm``, ``1.8 m``."""
        if self.metric:
            size = abs(length_m)
            return f"{round(100 * size)} cm" if size < 0.995 else f"{tidy(size, 2 if size < 2 else 1)} m"
        inches = abs(length_m) / INCH_M
        return f"{quarters(inches)} in" if inches < LONG_IN else f"{quarters(inches / 12)} ft"

    def exact(self, length_m: float) -> str:
        """Return a length near the hole to a tenth: ``17.7 in``, ``45.1 cm``."""
        return f"{tidy(abs(length_m) / self.near_m)} {self.near_unit}"

    def far(self, length_m: float) -> str:
        """Return a length along the putt: ``15.1 ft``, ``4.6 m``."""
        return f"{tidy(length_m, 2)} m" if self.metric else f"{tidy(length_m / FOOT_M)} ft"

    def taped(self, length_m: float) -> str:
        """Return a length as a tape says it: ``9 ft 2 in``, ``2.79 m``."""
        if self.metric:
            return f"{tidy(length_m, 2)} m"
        feet, inches = divmod(round(length_m / INCH_M), 12)
        return f"{feet} ft {inches} in" if inches else f"{feet} ft"

    def paces(self, length_m: float) -> str:
        """Return a length in the golfer's paces: ``4.7 paces``."""
        count = tidy(length_m / self.pace_m)
        return f"{count} {'pace' if count == '1' else 'paces'}"

    def slope(self, slope: float) -> str:
        """Return a slope [ratio]: ``2.1 %``, ``1.2°``."""
        if self.degrees:
            return f"{tidy(math.degrees(math.atan(slope)))}°"
        return f"{tidy(slope / PERCENT)} %"

    def ball_speed(self, speed_mps: float, decimals: int = 1) -> str:
        """Return how fast a ball rolls: ``5.4 ft/s``, ``1.6 m/s``."""
        return f"{tidy(speed_mps / self.far_m, decimals)} {self.far_unit}/s"

    def past(self, past_m: float) -> str:
        """Return a roll-past: ``one foot``, ``18 in``, ``4½ ft``; ``30 cm``."""
        inches = past_m / INCH_M
        feet = round(inches / 12)
        if not self.metric and 1 <= feet <= 10 and abs(inches - 12 * feet) < 0.25:
            return f"{COUNTS[feet]} {'foot' if feet == 1 else 'feet'}"
        return self.short(past_m)

    def typed_far(self, length_m: float) -> str:
        """Return a length along the putt as it would be typed."""
        return f"{tidy(length_m / self.far_m, 2)} {self.far_unit}"

    def typed_near(self, length_m: float) -> str:
        """Return a length near the hole as it would be typed."""
        return f"{tidy(length_m / self.near_m, 2)} {self.near_unit}"

    def typed_slope(self, slope: float) -> str:
        """Return a slope [ratio] as it would be typed."""
        figure = math.degrees(math.atan(slope)) if self.degrees else slope / PERCENT
        return f"{tidy(figure, 2)} {self.slope_unit}"


USUAL_WORDING = Wording()
"""Feet, percent and break, with usual paces: whoever has not said otherwise."""

"""Figures as golfers say them: inches by quarters, feet, percent, hours on the rim."""

import re

from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M

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
CENTRE_SHARE, INSIDE_SHARE, EDGE_SHARE, BALLS = 0.2, 0.8, 1.25, 1.5
"""Up to such shares of the hole's radius an aim is the centre, inside the edge, the edge; then balls out."""
MOST_CUPS = 10
"""Nobody counts more cups than this."""
COUNTS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")


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


def capital(words: str) -> str:
    """Return words as they begin a sentence."""
    return f"{words[0].upper()}{words[1:]}"


def hundred(share: float) -> int:
    """Return a share in parts of a hundred."""
    return round(100 * share)


def both(one: str, other: str, joined: str) -> str:
    """Return two figures with their unit said once, if it is the same: ``9 to 15 in``."""
    figure, _, unit = one.rpartition(" ")
    return f"{figure if unit == other.rpartition(' ')[2] else one} {joined} {other}"


def hour_words(hours: float) -> str:
    """Return an hour on the rim to the nearest quarter: ``half past five``."""
    count = round(hours * 4) % 48
    hour, part = divmod(count, 4)
    here, after = HOURS[hour], HOURS[(hour + 1) % 12]
    return (f"{here} o'clock", f"quarter past {here}", f"half past {here}", f"quarter to {after}")[part]


def counted(count: int) -> str:
    """Return a count as a word, from eleven on in digits."""
    return COUNTS[count] if count < len(COUNTS) else str(count)


def about_cup(right_m: float) -> str:
    """Return an aim near the cup as golfers say it: ``inside the left edge``, ``about a cup and a half``.

    Cups are counted from the centre; of more than `MOST_CUPS` nothing is said.
    """
    off, where = abs(right_m), side(right_m)
    if off < CENTRE_SHARE * HOLE_RADIUS_M:
        return "the centre"
    if off < INSIDE_SHARE * HOLE_RADIUS_M:
        return f"inside the {where} edge"
    if off < EDGE_SHARE * HOLE_RADIUS_M:
        return f"the {where} edge"
    if off < HOLE_RADIUS_M + BALLS * 2.0 * BALL_RADIUS_M:
        return f"a ball outside the {where} edge"
    if off >= MOST_CUPS * 2.0 * HOLE_RADIUS_M:
        return ""
    whole, half = divmod(round(off / HOLE_RADIUS_M), 2)
    cups = "a cup" if whole == 1 else f"{counted(whole)} cups"
    return f"about {cups}{' and a half' if half else ''}"


def unbroken(text: str) -> str:
    """Return a sentence in which no line ends between a figure and its unit."""
    return re.sub(r"(?<=[\d¼½¾]) (?=(?:ft|in|cm|m|m/s|ft/s|s|degrees|paces?)\b|%)", "\u00a0", text)

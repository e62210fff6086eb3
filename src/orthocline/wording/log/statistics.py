"""The figures that people keep, in words: what each is, its value, its range, how many it rests on."""

import math
from collections.abc import Mapping, Sequence
from typing import Final, NamedTuple

from orthocline.core.log import STATISTICS, Figure, Statistic
from orthocline.wording.figures import both, hundred, tidy
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.wording import Wording

GROUPS: Final[Mapping[str, Sequence[str]]] = {
    "Holed": ("holed", "against_usual", "holed_breaks_left", "holed_straight", "holed_breaks_right"),
    "On the green": (
        *("putts_a_round", "putts_a_green", "three_near", "three_far", "first_length", "second_length"),
    ),
    "Strokes gained": (
        *("gained_a_round", "gained_a_putt", "gained_read_wrong", "gained_line_wrong", "gained_pace_wrong"),
    ),
    "Pace of the misses": ("short", "good", "long", "pace_off", "pace_spread"),
    "Side of the misses": ("high", "high_short"),
    "Start line": ("started_left", "started_on", "started_right", "start_off", "start_spread"),
    "Reads": ("own_aimed", "impression_aimed"),
    "After the hole": (
        *("read_right", "line_right", "pace_right", "committed", "holed_committed", "holed_not_committed"),
    ),
}
"""The figures by what they are about, in the order of the page."""
TITLES: Final[Mapping[str, str]] = {
    "holed": "holed",
    "against_usual": "holed more than {usual}",
    "holed_breaks_left": "holed, breaking left",
    "holed_straight": "holed, straight",
    "holed_breaks_right": "holed, breaking right",
    "putts_a_round": "putts in 18 holes",
    "putts_a_green": "putts a green",
    "three_near": "three-putts from inside {thirty}",
    "three_far": "three-putts from beyond {thirty}",
    "first_length": "first putts are as long as",
    "second_length": "second putts are as long as",
    "gained_a_round": "gained in 18 holes on {usual}",
    "gained_a_putt": "gained a putt",
    "gained_read_wrong": "gained where you say: read off",
    "gained_line_wrong": "gained where you say: line off",
    "gained_pace_wrong": "gained where you say: pace off",
    "short": "stop short",
    "good": "stop up to {two} past",
    "long": "stop further past",
    "pace_off": "past the pace that was meant",
    "pace_spread": "spread of the pace",
    "high": "pass on the high side",
    "high_short": "short putts pass high",
    "started_left": "seen to start left",
    "started_on": "seen to start on their line",
    "started_right": "seen to start right",
    "start_off": "start line, from its finish",
    "start_spread": "spread of the start line",
    "own_aimed": "own read, as a share of the model's aim",
    "impression_aimed": "first impression, as a share",
    "read_right": "read right, you say",
    "line_right": "line right, you say",
    "pace_right": "pace right, you say",
    "committed": "committed",
    "holed_committed": "holed when committed",
    "holed_not_committed": "holed when not",
}
WHOLE: Final = 10.0
"""From so many putts on a figure has one decimal."""
BY_NAME: Final[Mapping[str, Statistic]] = {one.name: one for one in STATISTICS}


class Said(NamedTuple):
    """A figure in words."""

    value: str
    span: str
    rests_on: str
    few: bool


def title(name: str, level: str, wording: Wording) -> str:
    """Return what a figure is."""
    thirty, two = ("9 m", "60 cm") if wording.units.metric else ("30 ft", "2 ft")
    usual = f"a {LEVEL_WORDS[level]} golfer"
    said = TITLES[name].format(usual=usual, thirty=thirty, two=two)
    return f"{said[0].upper()}{said[1:]}"


def said(name: str, figure: Figure, wording: Wording) -> Said:
    """Return a figure in words: its value, between what it may lie, how many it rests on."""
    unit, counts = BY_NAME[name].unit, BY_NAME[name].counts
    one = counts.removesuffix("s")
    rests = f"{figure.count:,} {one if figure.count == 1 else counts}"
    few = figure.few and figure.count > 0
    if figure.value is None:
        return Said("–", "", rests, few)
    value = figure_text(unit, figure.value, wording)
    if figure.span is None:
        return Said(value, "too few to say how sure", rests, few)
    least, most = (figure_text(unit, end, wording) for end in (figure.span.least, figure.span.most))
    return Said(value, both(least, most, "to"), rests, few)


def figure_text(unit: str, value: float, wording: Wording) -> str:
    """Return a value in its unit: ``43 %``, ``+6 points``, ``−0.12``, ``1.4 ft``, ``0.4° right``."""
    match unit:
        case "share":
            return f"{hundred(value)} %"
        case "points":
            points = _signed(100.0 * value, 0)
            return f"{points} {'point' if points.lstrip('+−') == '1' else 'points'}"
        case "length":
            return f"{'−' if value < 0 else ''}{wording.far(abs(value))}"
        case "angle":
            return f"{_signed(math.degrees(value), 2)}°"
        case "times":
            return f"{hundred(value)} %"
        case "strokes":
            return _signed(value, 1 if abs(value) >= 1.0 else 2)
        case _:
            return tidy(value, 1 if value >= WHOLE else 2)


def _signed(value: float, decimals: int) -> str:
    text = tidy(value, decimals)
    return text if text.startswith("−") or text == "0" else f"+{text}"

"""What a golfer does again and again, in words: reads, start lines, pace, greens, and what to do about it."""

import math
from typing import Final

from orthocline.core.learning import LENGTHS_M, SLOPES, Correction, Habit
from orthocline.core.units import FOOT_M
from orthocline.wording.calls import SAYINGS
from orthocline.wording.figures import both, hundred, side, tidy
from orthocline.wording.wording import Wording

PARTS: Final = (
    *((0.1, "a tenth"), (0.2, "a fifth"), (0.25, "a quarter"), (1.0 / 3.0, "a third"), (0.4, "two fifths")),
    *((0.5, "a half"), (0.67, "two thirds"), (0.75, "three quarters"), (1.0, "as much again")),
)
"""Shares as golfers say them."""
TAKEN: Final = {
    0.5: "half of your read",
    0.67: "two thirds of your read",
    0.75: "three quarters of your read",
    0.9: "nine tenths of your read",
    1.1: "your read and a tenth",
    1.25: "your read and a quarter",
    1.33: "your read and a third",
    1.5: "your read and a half",
    1.75: "your read and three quarters",
    2.0: "twice your read",
}
"""By what a read is corrected."""
SIDES: Final = {-1: "right-to-left putts", 0: "putts that break", 1: "left-to-right putts"}
METHOD_SIDES: Final = {"method_left": SIDES[-1], "method_right": SIDES[1]}
BY: Final = {"model": "by the call", "eye": "by eye alone"}
TEN_FEET_M: Final = 10.0 * FOOT_M
THREE_M: Final = 3.0


def part_words(share: float) -> str:
    """Return a share as golfers say it: ``a third``."""
    return min(PARTS, key=lambda one: abs(one[0] - share))[1]


def factor_words(factor: Habit) -> str:
    """Return what a read factor says: ``about a third too little break``."""
    if factor.most < 1.0:
        return f"about {part_words(1.0 - factor.value)} too little break"
    if factor.least > 1.0:
        return f"about {part_words(factor.value - 1.0)} too much break"
    return "right, as far as is known"


def factor_text(factor: Habit) -> str:
    """Return how much of the break is seen, in parts of a hundred."""
    return f"{hundred(factor.value)} of 100"


def factor_range(factor: Habit) -> str:
    """Return between which that lies."""
    return f"{hundred(factor.least)} to {hundred(factor.most)}"


def by_words(method: str) -> str:
    """Return by what a read was made: ``by your hand gauge``; a method not known any more as it is kept."""
    if method in BY:
        return BY[method]
    return f"by your {SAYINGS[method].noun}" if method in SAYINGS else f"by {method.replace('_', ' ')}"


def group_words(kind: str, name: str, wording: Wording) -> str:
    """Return which reads a group has."""
    if kind == "side":
        return SIDES[-1 if name == "left" else 1]
    if kind == "method":
        return f"read {by_words(name)}" if name else "no method said"
    if kind in METHOD_SIDES:
        return f"{METHOD_SIDES[kind]} read {by_words(name)}"
    if kind == "length":
        return _between(int(name), [_edge(edge, wording) for edge in LENGTHS_M])
    if kind == "slope":
        return _between(int(name), [wording.slope(edge) for edge in SLOPES], "falls ")
    return {"all": "all reads", "first": "first impressions"}[kind]


def _between(number: int, edges: list[str], what: str = "") -> str:
    if number == 0:
        return f"{what}under {edges[0]}"
    if number == len(edges):
        return f"{what}{edges[-1]} or more"
    return f"{what}{both(edges[number - 1], edges[number], 'to')}"


def _edge(length_m: float, wording: Wording) -> str:
    """Return a length that only parts groups; whole feet are no round metres."""
    return wording.far(round(length_m, 1) if wording.units.metric else length_m)


def correction_words(one: Correction, wording: Wording) -> str:
    """Return a correction as an order: ``On left-to-right putts, read as …: take your read and a half``."""
    over = f" of {_edge(one.least_m, wording)} or more" if one.least_m else ""
    return f"On {SIDES[one.breaks]}{over}, read {by_words(one.method)}, take {TAKEN[one.factor]}."


def corrected_words(one: Correction, aim_m: float, wording: Wording) -> str:
    """Return what a correction makes of an own read, up to what the ball would do then."""
    return f"With your correction, {TAKEN[one.factor]}, you aim {wording.short(abs(aim_m))} {side(aim_m)}"


def start_words(bias: Habit, sd: Habit, wording: Wording) -> tuple[str, str]:
    """Return which way balls start, and how far start lines scatter, each with its range."""
    return _start_bias(bias, wording), f"They scatter by {_degrees(sd.value)} ({_degree_range(sd)})."


def _start_bias(bias: Habit, wording: Wording) -> str:
    if not bias.sure:
        return "Your balls start on your line, as far as is known."
    far_m = _putt_m(wording)
    aside = f"{wording.short(far_m * math.tan(abs(bias.value)))} at {wording.far(far_m)}"
    return f"Your balls start {_degrees(abs(bias.value))} {side(bias.value)} of your line: {aside}."


def pace_words(bias: Habit, sd: Habit, wording: Wording) -> tuple[str, str]:
    """Return how much further balls roll than meant, and how far the pace scatters, with its range."""
    return _pace_bias(bias, wording), f"Their pace scatters by {_percent(sd.value)} ({_percent_range(sd)})."


def _pace_bias(bias: Habit, wording: Wording) -> str:
    if not bias.sure:
        return "They roll as far as meant, as far as is known."
    far_m = _putt_m(wording)
    roll = f"{wording.short(abs(bias.value) * far_m)} on {wording.far(far_m)}"
    way = "further" if bias.value > 0.0 else "less far"
    return f"They roll {_percent(abs(bias.value))} {way} than meant: {roll}."


def _putt_m(wording: Wording) -> float:
    """Return how long a putt is by which biases are told."""
    return THREE_M if wording.units.metric else TEN_FEET_M


def bias_range(bias: Habit, *, degrees: bool) -> str:
    """Return between which a bias lies: ``0.1° left to 0.5° right``."""
    text = _degrees if degrees else _percent
    ways = ("left", "right") if degrees else ("less", "more")
    ends = sorted((bias.least, bias.most), key=abs)
    least, most = (ways[end > 0.0] for end in ends)
    if least == most:
        return f"{both(text(abs(ends[0])), text(abs(ends[1])), 'to')} {most}"
    return f"{text(abs(bias.least))} {ways[0]} to {text(abs(bias.most))} {ways[1]}"


def green_words(name: str, faster_ft: Habit, steeper: Habit, misses: int) -> list[str]:
    """Return what a log says against what is said of a green."""
    found = []
    if faster_ft.surely_some:
        way = "faster" if faster_ft.value > 0.0 else "slower"
        least, most = sorted(abs(end) for end in (faster_ft.least, faster_ft.most))
        found.append(
            f"{name} runs {tidy(abs(faster_ft.value))} ft {way} than it was said to"
            f" ({tidy(least)} to {tidy(most)}, by {misses} misses)."
        )
    if steeper.surely_some:
        way = "more" if steeper.value > 0.0 else "less"
        share = hundred(abs(steeper.value))
        found.append(f"{name} slopes {share} % {way} than it was read to be (by {misses} misses).")
    return found


def _degrees(angle_rad: float) -> str:
    return f"{tidy(math.degrees(angle_rad))}°"


def _degree_range(habit: Habit) -> str:
    return f"{tidy(math.degrees(habit.least))} to {_degrees(habit.most)}"


def _percent(share: float) -> str:
    return f"{tidy(100.0 * share, 0)} %"


def _percent_range(habit: Habit) -> str:
    return f"{tidy(100.0 * habit.least, 0)} to {_percent(habit.most)}"

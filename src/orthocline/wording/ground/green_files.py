"""What was understood of a file of a green, in words."""

from typing import Final

from orthocline.core.chart import Facts
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

UNIT_WORDS: Final = {
    "metres": "metres",
    "feet": "feet",
    "us_feet": "US survey feet",
    "centimetres": "centimetres",
    "millimetres": "millimetres",
    "degrees": "degrees of longitude and latitude",
}
FIRST_WORDS: Final = {"east": "east, then north", "north": "north, then east"}
STEEPER_THAN_GREENS: Final = 0.15
"""Ground steeper than so is no green [ratio]."""
LEAST_HOLE: Final = 0.005


def fact_words(facts: Facts, wording: Wording) -> list[str]:
    """Return what was understood, a sentence for each thing that counts."""
    told = [_whole(facts, wording), _system(facts), _heights(facts, wording), _green(facts, wording)]
    if facts.hole_share >= LEAST_HOLE:
        told.append(f"Nothing was measured of {_percent(facts.hole_share)} of the green.")
    things = (("pin", "pins", facts.pins), ("reading", "readings", facts.readings))
    counted = [f"{count} {one if count == 1 else many}" for one, many, count in things if count]
    if facts.grain:
        counted.append(f"grain in {facts.grain} {'part' if facts.grain == 1 else 'parts'}")
    if counted:
        told.append(f"The chart has {_listed(counted)}.")
    return [*filter(None, told), *facts.notes]


def doubt_words(facts: Facts) -> str:
    """Return what makes the answers doubtful; empty where nothing does."""
    if facts.steepest is None or facts.steepest <= STEEPER_THAN_GREENS:
        return ""
    return "That is steeper than greens are: are its heights in another unit, or does the edge reach a bank?"


def _listed(words: list[str]) -> str:
    return " and ".join([", ".join(words[:-1]), words[-1]]) if len(words) > 1 else words[0]


def _percent(share: float) -> str:
    return f"{max(round(100.0 * share), 1)} %"


def _whole(facts: Facts, wording: Wording) -> str:
    """Return how much there is: ``2,385 cells every 0.5 metres, 85 by 72 ft.``"""
    if facts.low_m is None or facts.high_m is None:
        return ""
    wide, deep = (wording.far(facts.high_m[k] - facts.low_m[k]) for k in (0, 1))
    every = f" every {tidy(facts.spacing, 6)} {UNIT_WORDS[facts.unit]}" if facts.spacing else ""
    what = "cells" if facts.spacing else "points"
    return f"{facts.values:,} {what}{every}, {wide} by {deep}."


def _system(facts: Facts) -> str:
    if facts.says_system or facts.called:
        by = "as the file says" if facts.says_system else "as you say"
        return f"Its coordinate system is {facts.called}, {by}."
    if facts.low_m is None:
        return ""
    return f"It names no coordinate system; its places are taken as {UNIT_WORDS[facts.unit]}."


def _heights(facts: Facts, wording: Wording) -> str:
    if facts.low_m is None or facts.high_m is None:
        return ""
    low, high = (wording.far(one[2]) for one in (facts.low_m, facts.high_m))
    unit = UNIT_WORDS[facts.height_unit]
    taken = f"are in {unit}, as it says"
    if not facts.says_heights:
        taken = f"are taken as {unit}, since it does not say"
    return f"Its heights {taken}: from {low} to {high}."


def _green(facts: Facts, wording: Wording) -> str:
    if facts.steepest is None:
        return ""
    points = f"{facts.points:,} of them lie on the green. " if facts.points else ""
    sure = f", slopes are known within {wording.slope(2.0 * facts.slope_sd)}" if facts.slope_sd else ""
    return f"{points}The green is up to {wording.slope(facts.steepest)} steep{sure}."

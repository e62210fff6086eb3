"""Which was it, in words: the cause of a miss, by how much, and how surely."""

import math
from collections.abc import Iterator
from typing import Final

from orthocline.core.learning import Diagnosis, Figures
from orthocline.core.units import INCH_M
from orthocline.wording.figures import capital, counted, side, tidy
from orthocline.wording.wording import Wording

CAUSE_WORDS: Final = {"read": "the read", "line": "the start line", "pace": "the pace"}
RIGHT_WORDS: Final = {
    "read": "only the read right",
    "line": "only the start line right",
    "pace": "only the pace right",
    "read_line": "read and start line",
    "read_pace": "read and pace",
    "line_pace": "start line and pace: struck as meant",
}
"""What is put right."""
SURE: Final = 0.9
"""From such a probability on nothing is only likely."""
LEVEL: Final = 0.0025
"""Ground that is off by less [ratio] is as it was read."""


def cause_words(found: Diagnosis, wording: Wording) -> tuple[str, ...]:
    """Return what one putt says: the cause first, then by how much each was off."""
    if found.played.by_device:
        return _device_words(found), *_ground_words(found)
    if found.played.holed:
        return _holed_words(found), *(f"{capital(one)}." for one in _off_words(found, wording))
    off = dict(zip(CAUSE_WORDS, _off_words(found, wording), strict=True))
    return _miss_words(found, off), *_rest_words(found, off)


def _miss_words(found: Diagnosis, off: dict[str, str]) -> str:
    if found.cause in CAUSE_WORDS:
        share = found.drops_if[found.cause]
        likely = "almost surely" if share >= SURE else "most likely"
        what = CAUSE_WORDS[found.cause]
        return f"It was {likely} {what}: {off[found.cause]}. With that right it drops {in_ten(share)}."
    if found.together and found.cause == "several":
        first, second = found.together.split("_")
        share = found.drops_if[found.together]
        both = f"{CAUSE_WORDS[first]} and {CAUSE_WORDS[second]}"
        return (
            f"More than one: most likely {both} together. {capital(off[first])}, and {off[second]}."
            f" With both right it drops {in_ten(share)}."
        )
    return "It cannot be told: no one thing put right, nor two, would most likely have holed it."


def _rest_words(found: Diagnosis, off: dict[str, str]) -> Iterator[str]:
    """Yield by how much that was off which the first sentence does not say."""
    said = (found.together or "").split("_") if found.cause == "several" else [found.cause]
    rest = [words for name, words in off.items() if name not in said]
    if rest:
        yield f"{capital('; '.join(rest))}."


def _holed_words(found: Diagnosis) -> str:
    as_meant = found.drops_if["line_pace"]
    if found.saved_by:
        missed = in_ten(1.0 - found.drops_if[found.saved_by])
        return (
            f"It dropped, but {CAUSE_WORDS[found.saved_by]} saved it: with {CAUSE_WORDS[found.saved_by]} as"
            f" meant it misses {missed}."
        )
    return f"It dropped. Struck as it was meant it drops {in_ten(as_meant)}."


def _device_words(found: Diagnosis) -> str:
    if found.played.holed:
        return "A device rolled it, and it dropped: the ground is as it was read, as far as one ball tells."
    return "A device rolled it: what it missed by tells of the ground, not of a stroke."


def _ground_words(found: Diagnosis) -> Iterator[str]:
    """Yield what a device's ball says of the ground."""
    side_off, grade_off, feet = (found.posterior.mean(column) for column in found.posterior.errors.T)
    if abs(side_off) >= LEVEL:
        yield f"The ground falls {tidy(100 * abs(side_off))} % more to the {side(side_off)} than was read."
    if abs(grade_off) >= LEVEL:
        way = "uphill" if grade_off > 0.0 else "downhill"
        yield f"It runs {tidy(100 * abs(grade_off))} % more {way} than was read."
    if abs(feet) >= 0.1:
        yield f"It is {tidy(abs(feet))} ft {'faster' if feet > 0.0 else 'slower'} than was said."


def _off_words(found: Diagnosis, wording: Wording) -> tuple[str, str, str]:
    """Return by how much the read, the start line and the pace were off, on the mean."""
    return _read_words(found, wording), _line_words(found), _pace_words(found, wording)


def _read_words(found: Diagnosis, wording: Wording) -> str:
    """Return how far beside what the ground asked for it was aimed: high or low, if it breaks."""
    off_m, width_m = _off(found, found.read_error_m)
    true_m = found.played.putt.length_m * math.tan(found.posterior.mean(found.posterior.angles_rad))
    if abs(off_m) < 0.5 * wording.units.near_m:
        return "the aim was right"
    if abs(true_m) < INCH_M:
        return f"aimed {wording.short(abs(off_m), width_m)} too far {side(off_m)}"
    return f"aimed {wording.short(abs(off_m), width_m)} too {'high' if off_m * true_m > 0.0 else 'low'}"


def _line_words(found: Diagnosis) -> str:
    off_deg = math.degrees(found.posterior.mean(found.posterior.start_errors_rad))
    if abs(off_deg) < 0.05:
        return "it started on its line"
    return f"it started {tidy(abs(off_deg))}° {side(off_deg)} of its line"


def _pace_words(found: Diagnosis, wording: Wording) -> str:
    share, width = _off(found, found.posterior.energy_errors)
    if abs(share) < 0.01:
        return "the pace was right"
    whole_m = found.played.putt.length_m + (found.played.read.aim.past_m or 0.0)
    roll = wording.short(abs(share) * whole_m, width * whole_m)
    return f"struck {'firm' if share > 0.0 else 'soft'} by {roll} of roll"


def _off(found: Diagnosis, figures: Figures) -> tuple[float, float]:
    """Return the mean of what was off, and how wide its range is: it is rounded to what that bears."""
    least, most = found.posterior.range(figures)
    return found.posterior.mean(figures), most - least


def in_ten(share: float) -> str:
    """Return a probability as golfers count it: ``seven times in ten``."""
    count = round(10.0 * share)
    if count == 0:
        return "hardly ever"
    if count == 10:
        return "nearly always"
    return f"{'once' if count == 1 else f'{counted(count)} times'} in ten"

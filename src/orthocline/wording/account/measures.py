"""What a golfer's own measures are, and what they were found from."""

from orthocline.core.calls import Putter
from orthocline.core.estimate import Estimate
from orthocline.core.ground import LEAST_PAIRS, Sense
from orthocline.core.speed import Tempo
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording


def stride_words(pace_m: Estimate | None, wording: Wording) -> str:
    """Return how long the golfer's pace is [m], or how to find out."""
    if pace_m is None:
        return "Pace along a tape, three times. Until then a pace is the usual yard."
    return f"Your pace is {wording.far(pace_m.value)}, within {wording.short(pace_m.within)}."


def stroke_words(rate: Estimate | None, putts: int) -> str:
    """Return how well so many putts calibrate the stroke, or how to do it."""
    if rate is None:
        return (
            "Putt a few on level ground of known speed, and measure stroke and roll. Until then reads give"
            " the usual stroke, which may be a third off."
        )
    sure = tidy(100.0 * rate.within / rate.value, 0)
    return f"Calibrated by {putts} putts: launch speed is known within {sure} %."


def tempo_words(tempo: Tempo) -> str:
    """Return a golfer's tempo and beat."""
    return f"{tidy(tempo.back_s, 2)} s back, then one beat of {tidy(tempo.beat_s, 2)} s"


def stride_trial_words(paces: float, tape_m: float, wording: Wording) -> str:
    """Return one trial of pacing along a tape."""
    return f"{tidy(paces)} paces along {wording.taped(tape_m)}"


def stroke_trial_words(stroke_m: float, roll_m: float, green_speed_ft: float, wording: Wording) -> str:
    """Return one putt that calibrates the stroke."""
    stroke, roll = wording.short(stroke_m), wording.taped(roll_m)
    return f"{stroke} rolled {roll} at speed {tidy(green_speed_ft)}"


def putter_words(putter: Putter, wording: Wording) -> str:
    """Return by which edge of its shaft a putter hangs truer; nothing while that was not checked."""
    if not putter.edge:
        return ""
    off = abs(putter.hang)
    if not off:
        return f"Look along its {putter.edge} edge: it hangs true."
    hangs = f"It hangs {wording.typed_slope(off)} out of plumb, which the call allows for."
    return f"Look along its {putter.edge} edge. {hangs}"


SENSE_NAMES = {"feet": "feet", "eye": "eyes"}
TRIED = 0.03
"""A guess [ratio] of the middle of what greens have, to say what it stands for."""


def sense_words(name: str, sense: Sense | None, pairs: int, wording: Wording) -> str:
    """Return how what a golfer feels, or sees, goes with the level, or how to find out."""
    whose = SENSE_NAMES[name]
    if sense is None:
        more = LEAST_PAIRS - pairs
        return (
            f"Your {whose}: {more} more {'pair' if more == 1 else 'pairs'}, and your guesses count as yours."
        )
    found = sense.slope(TRIED)
    return (
        f"Your {whose}: what you take for {wording.slope(TRIED)} is {wording.slope(found.value)},"
        f" within {wording.slope(found.within)}, by {pairs} pairs."
    )


def pair_words(name: str, guess: float, level: float, wording: Wording) -> str:
    """Return one guess and what the level said."""
    done = "felt" if name == "feet" else "saw"
    return f"{done} {wording.slope(guess)}, level {wording.slope(level)}"

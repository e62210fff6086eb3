"""The variables of the golfer's own measures."""

from dataclasses import dataclass

from orthocline.core.speed import stroke_rate
from orthocline.drawing.account.measures import stride_drawing, strokes_drawing
from orthocline.drawing.scene import Scene
from orthocline.services.account.measures import (
    Measures,
    own_stride,
    own_stroke_rate,
    stroke_putts,
    stroke_trials,
)
from orthocline.services.account.mode import Mode
from orthocline.wording.figures import Wording, tidy


@dataclass(frozen=True)
class OwnView:
    """Everything the page shows: trials as number and words, what follows from them, and both drawings."""

    stride_words: str
    stride_trials: tuple[tuple[int, str], ...]
    stroke_words: str
    stroke_trials: tuple[tuple[int, str], ...]
    stride: Scene
    strokes: Scene | None


def view(measures: Measures, wording: Wording, mode: Mode) -> OwnView:
    """Return the page of a golfer's own measures; in Competition without the strokes, which tell a speed."""
    strokes = stroke_trials(measures, mode)
    putts = stroke_putts(strokes)
    return OwnView(
        _stride_words(measures, wording),
        tuple(
            (trial.id, f"{tidy(trial.paces)} paces along {wording.taped(trial.tape_m)}")
            for trial in measures.stride_trials
        ),
        _stroke_words(measures) if mode is Mode.PRACTICE else "",
        tuple(
            (
                trial.id,
                f"{wording.short(trial.stroke_m)} rolled {wording.taped(trial.roll_m)} at speed"
                f" {tidy(trial.green_speed_ft)}",
            )
            for trial in strokes
        ),
        stride_drawing(wording),
        strokes_drawing(putts, stroke_rate(putts), wording),
    )


def _stride_words(measures: Measures, wording: Wording) -> str:
    own = own_stride(measures)
    if own is None:
        return "Pace along a tape, three times. Until then a pace is the usual yard."
    return f"Your pace is {wording.far(own.value)}, within {wording.short(own.within)}."


def _stroke_words(measures: Measures) -> str:
    rate = own_stroke_rate(measures)
    if rate is None:
        return (
            "Putt a few on level ground of known speed, and measure stroke and roll. Until then reads give"
            " the rule of thumb, an inch a foot."
        )
    sure = tidy(100.0 * rate.within / rate.value, 0)
    return f"Calibrated by {len(measures.stroke_trials)} putts: launch speed is known within {sure} %."

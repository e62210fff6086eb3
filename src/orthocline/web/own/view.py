"""The variables of the golfer's own measures."""

from dataclasses import dataclass

from orthocline.core.api import StrokePutt
from orthocline.db.models import OwnMeasures
from orthocline.formats.wording import Wording, tidy
from orthocline.services.own import own_stride, own_stroke_rate
from orthocline.web.own.drawing import Stride, Strokes, stride_drawing, strokes_drawing


@dataclass(frozen=True)
class OwnView:
    """Everything the page shows: what was tried in words, what follows from it, and both drawings."""

    stride_words: str
    stride_tries: tuple[str, ...]
    stroke_words: str
    stroke_putts: tuple[str, ...]
    stride: Stride
    strokes: Strokes


def view(measures: OwnMeasures, wording: Wording) -> OwnView:
    """Return the page of a golfer's own measures."""
    rate = own_stroke_rate(measures)
    putts = [StrokePutt(**one) for one in measures.stroke_putts]
    return OwnView(
        _stride_words(measures, wording),
        tuple(
            f"{tidy(one['paces'])} paces along {wording.taped(one['tape_m'])}"
            for one in measures.stride_tries
        ),
        _stroke_words(measures),
        tuple(
            f"{wording.short(putt.stroke_m)} rolled {wording.taped(putt.roll_m)} at speed"
            f" {tidy(putt.green_speed_ft)}"
            for putt in putts
        ),
        stride_drawing(wording),
        strokes_drawing(putts, rate, wording),
    )


def _stride_words(measures: OwnMeasures, wording: Wording) -> str:
    own = own_stride(measures)
    if own is None:
        return "Pace along a tape, three times. Until then a pace is the usual yard."
    return f"Your pace is {wording.far(own.value)}, within {wording.short(own.within)}."


def _stroke_words(measures: OwnMeasures) -> str:
    rate = own_stroke_rate(measures)
    if rate is None:
        return (
            "Putt a few on level ground of known speed, and measure stroke and roll. Until then reads give"
            " the rule of thumb, an inch a foot."
        )
    sure = tidy(100.0 * rate.within / rate.value, 0)
    return f"Calibrated by {len(measures.stroke_putts)} putts: launch speed is known within {sure} %."

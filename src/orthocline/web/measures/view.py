"""The variables of the golfer's own measures."""

from dataclasses import dataclass

from orthocline.core.speed import stroke_rate
from orthocline.drawing.account.measures import stride_drawing, strokes_drawing
from orthocline.drawing.scene import Scene
from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import (
    Measures,
    own_stride,
    own_tempo,
    stroke_putts,
    stroke_trials,
)
from orthocline.wording.account.measures import (
    stride_trial_words,
    stride_words,
    stroke_trial_words,
    stroke_words,
    tempo_words,
)
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class OwnView:
    """Everything the page shows: trials as number and words, what follows from them, and both drawings."""

    stride_words: str
    stride_trials: tuple[tuple[int, str], ...]
    stroke_words: str
    stroke_trials: tuple[tuple[int, str], ...]
    stride: Scene
    strokes: Scene | None
    tempo: str


def view(viewer: Viewer, measures: Measures, wording: Wording) -> OwnView:
    """Return the page of a golfer's own measures; in Competition without the strokes, which tell a speed."""
    strokes = stroke_trials(viewer, measures)
    putts = stroke_putts(strokes)
    return OwnView(
        stride_words(own_stride(measures), wording),
        tuple((one.id, stride_trial_words(one.paces, one.tape_m, wording)) for one in measures.stride_trials),
        "" if viewer.in_competition else stroke_words(stroke_rate(putts), len(putts)),
        tuple(
            (one.id, stroke_trial_words(one.stroke_m, one.roll_m, one.green_speed_ft, wording))
            for one in strokes
        ),
        stride_drawing(wording),
        strokes_drawing(putts, stroke_rate(putts), wording),
        tempo_words(own_tempo(measures)),
    )

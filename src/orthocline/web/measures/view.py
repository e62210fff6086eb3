"""The variables of the golfer's own measures."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from orthocline.core.account import GOLFERS
from orthocline.core.speed import stroke_rate
from orthocline.drawing.account.measures import stride_drawing, strokes_drawing
from orthocline.drawing.account.senses import senses_drawing
from orthocline.drawing.scene import Scene
from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import (
    SENSES,
    Measures,
    golfer_figures,
    own_stride,
    own_tempo,
    pairs_of,
    stroke_putts,
    stroke_trials,
)
from orthocline.services.train.checks import Check
from orthocline.web.shared.checks import CheckView, check_view
from orthocline.wording.account.measures import (
    pair_words,
    putter_words,
    sense_words,
    stride_trial_words,
    stride_words,
    stroke_trial_words,
    stroke_words,
    tempo_words,
)
from orthocline.wording.holing.golfers import spread_texts, spread_words
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class SenseView:
    """What the page says of feet, or eyes: what they tell, pairs as number and words, a drawing."""

    words: str
    pairs: tuple[tuple[int, str], ...]
    drawing: Scene | None


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
    senses: tuple[SenseView, ...]
    usual_spread: str
    learnt: str
    usual: dict[str, str]
    putter: str
    checks: tuple[CheckView, ...]


def view(viewer: Viewer, measures: Measures, checks: Iterable[Check], wording: Wording) -> OwnView:
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
        tuple(_sense(measures, name, wording) for name in SENSES),
        spread_words(GOLFERS[measures.golfer_level]),
        _learnt(measures),
        spread_texts(GOLFERS[measures.golfer_level]),
        putter_words(golfer_figures(measures).putter, wording),
        tuple(check_view(one, wording) for one in checks),
    )


def _learnt(measures: Measures) -> str:
    """Return the spreads that the log knows; empty where it knows none."""
    if not measures.learnt:
        return ""
    own = replace(GOLFERS[measures.golfer_level], **measures.learnt)
    return f"by {measures.learnt_by} putts of your log, {spread_words(own)}"


def _sense(measures: Measures, name: str, wording: Wording) -> SenseView:
    pairs, own = pairs_of(measures, name), wording.calibration.senses.get(name)
    said = "feel" if name == "feet" else "see"
    return SenseView(
        sense_words(name, own, len(pairs), wording),
        tuple(
            (one.id, pair_words(name, one.guess, one.level, wording))
            for one in measures.slope_pairs
            if one.sense == name
        ),
        senses_drawing(pairs, own, said, wording) if pairs else None,
    )

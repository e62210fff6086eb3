"""A habit that drills measure, as pages show it."""

from typing import NamedTuple

from orthocline.drawing.scene import Scene
from orthocline.drawing.train.checks import checks_drawing
from orthocline.services.train.checks import Check
from orthocline.wording.train.checks import CHECK_WORDS, check_words
from orthocline.wording.wording import Wording


class CheckView(NamedTuple):
    """What it is called, the drill that measures it, its bias and spread in words, and its figures drawn."""

    title: str
    drill: str
    words: str
    drawing: Scene | None


def check_view(check: Check, wording: Wording) -> CheckView:
    """Return a habit as pages show it, without a drawing while nothing was measured."""
    said = CHECK_WORDS[check.measures]
    words = check_words(check.measures, check.bias, len(check.figures), wording)
    drawing = (
        checks_drawing(check.measures, check.figures, check.bias, said.ends, words) if check.figures else None
    )
    return CheckView(said.title, check.drill, words, drawing)

"""A putt through its golfer's eyes, beside something else: as it is seen from one stop of the walk."""

from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.calls import GolferFigures
from orthocline.core.ground import STOPS, Stop
from orthocline.core.roll import Read
from orthocline.core.sure import Sureness
from orthocline.drawing.scene import Scene
from orthocline.drawing.sight.eyes import Looking, Shown, through_eyes
from orthocline.wording.figures import capital
from orthocline.wording.ground.walk import STOP_WORDS
from orthocline.wording.sight.looking import hidden_words, seen_words
from orthocline.wording.wording import Wording


class Glimpse(NamedTuple):
    """The drawing, from where it is seen, what the ground hides, and every stop with its own address."""

    scene: Scene
    caption: str
    note: str
    stops: tuple[tuple[str, str], ...]


def glimpse(
    read: Read, sure: Sureness | None, golfer: GolferFigures, stop: Stop, wording: Wording, query: str
) -> Glimpse:
    """Return a read as it is seen from a stop; `query` is that of its address."""
    shown = Shown(read, sure=sure, golfer=golfer, says=STOP_WORDS[stop.name].title)
    eyes = through_eyes(read.putt, shown, Looking(stop, shape="tall"), wording)
    return Glimpse(
        eyes.scene,
        capital(seen_words(stop, eyes.stand, golfer, wording)),
        hidden_words(eyes.hole_hidden, eyes.aim_hidden),
        tuple((STOP_WORDS[name].short, f"/eyes?{query}&{urlencode({'stop': name})}") for name in STOPS),
    )

"""A putt through its golfer's eyes, beside something else: as it is seen from one stop of the walk."""

from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.ground import STOPS, Stop
from orthocline.drawing.scene import Scene
from orthocline.drawing.sight.eyes import through_eyes
from orthocline.drawing.sight.framing import Looking, PuttFacts
from orthocline.wording.ground.walk import STOP_WORDS
from orthocline.wording.sight.looking import hidden_words, seen_words
from orthocline.wording.wording import Wording


class Glimpse(NamedTuple):
    """The drawing, from where it is seen, what the ground hides, and every stop with its own address."""

    scene: Scene
    caption: str
    note: str
    stops: tuple[tuple[str, str], ...]


def glimpse(facts: PuttFacts, stop: Stop, wording: Wording, query: str) -> Glimpse | None:
    """Return a read as it is seen from a stop; None without one. `query` is that of its address."""
    read, golfer = facts.read, facts.golfer
    if read is None:
        return None
    eyes = through_eyes(read.putt, facts, Looking(stop, shape="tall"), wording)
    return Glimpse(
        eyes.scene,
        seen_words(stop, eyes.stand, golfer, wording),
        hidden_words(eyes.hole_hidden, eyes.aim_hidden),
        tuple((STOP_WORDS[name].short, f"/eyes?{query}&{urlencode({'stop': name})}") for name in STOPS),
    )

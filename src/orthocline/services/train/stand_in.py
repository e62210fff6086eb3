"""A hidden putt for the desk, and balls that are struck or rolled on it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from orthocline.core.account import Golfer
from orthocline.core.drills import Swing, struck, swing_launch
from orthocline.core.instruments import USUAL_STROKE_RATE
from orthocline.core.roll import Launch, OwnRoll, PuttError, Read, read, roll_of
from orthocline.core.speed import Tempo
from orthocline.core.train import MADE, Asks, NoPuttError, Question, made_putt
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.account.measures import Measures, own_stroke_rate
from orthocline.services.errors import NotFoundError
from orthocline.services.train.putts import MISSING

ROOM: Final = "The stand-ins"
LEVEL: Final = 3.0


@dataclass(frozen=True)
class Struck:
    """A ball: its launch as it was meant, and its roll."""

    meant: Launch
    rolled: OwnRoll


@open_play(ROOM)
def hidden_putt(_viewer: Viewer, seed: int) -> Read:
    """Return the putt that a seed hides; raises NotFoundError for a seed that is none."""
    try:
        return read(made_putt(Question(Asks.AMOUNT, MADE, LEVEL, seed)))
    except (NoPuttError, PuttError) as error:
        raise NotFoundError(MISSING) from error


@open_play(ROOM)
def strokes_on(
    _viewer: Viewer,
    solved: Read,
    swings: Sequence[Swing],
    measures: Measures | None,
    tempo: Tempo,
    golfer: Golfer,
    seed: int,
) -> list[Struck]:
    """Return balls that are struck by the golfer's own calibration, with a golfer's spreads."""
    own = own_stroke_rate(measures) if measures else None
    rate = (own or USUAL_STROKE_RATE).value
    found = []
    for number, swing in enumerate(swings):
        meant = swing_launch(swing, rate, tempo.beat_s)
        launch = struck(meant, golfer, solved.putt.length_m, seed, number)
        found.append(Struck(meant, roll_of(solved.putt, solved.aim, launch)))
    return found


@open_play(ROOM)
def rollers_on(_viewer: Viewer, solved: Read, launches: Sequence[Launch]) -> list[Struck]:
    """Return balls that a roller sends off just as it is told: what misses then is the read."""
    return [Struck(one, roll_of(solved.putt, solved.aim, one)) for one in launches]

"""A hidden putt for the desk: balls that are struck or rolled on it, and instruments that are laid on it."""

import secrets
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Final

import numpy as np

from orthocline.core.account import Golfer
from orthocline.core.drills import (
    HiddenPlace,
    Swing,
    level_on,
    phone_on,
    place_on,
    plate_on,
    struck,
    swing_launch,
)
from orthocline.core.instruments import USUAL_STROKE_RATE
from orthocline.core.roll import Launch, OwnRoll, Putt, PuttError, Read, read, roll_of
from orthocline.core.speed import Tempo
from orthocline.core.train import LARGEST_SEED, MADE, Asks, NoPuttError, Question, made_putt
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.account.measures import Measures, own_stroke_rate
from orthocline.services.errors import NotFoundError
from orthocline.services.train.putts import MISSING

ROOM: Final = "The stand-ins"
LEVEL: Final = 3.0
INSTRUMENTS_LAID: Final = ("level", "level_averaged", "plate", "phone")
EDGES: Final = ("across", "along")


@dataclass(frozen=True)
class Struck:
    """A ball: its launch as it was meant, and its roll."""

    meant: Launch
    rolled: OwnRoll


@dataclass(frozen=True)
class Lay:
    """How an instrument is laid on a hidden putt.

    Attributes
    ----------
    by : str
        ``level``, ``level_averaged``, ``plate`` or ``phone``.
    way : str
        Its edge: ``across`` the line, or ``along`` it.
    share : float
        Where on the way to the hole [1].
    time : int
        Which time it is laid there: each has its own chance.
    """

    by: str
    way: str
    share: float
    time: int = 1

    def rng(self, seed: int) -> np.random.Generator:
        """Return the chance of it on the putt that a seed hides."""
        by, way = INSTRUMENTS_LAID.index(self.by), EDGES.index(self.way)
        return np.random.default_rng([seed, by, way, round(100.0 * self.share), self.time])


@open_play(ROOM)
def some_seed(_viewer: Viewer) -> int:
    """Return the number of a hidden putt by chance; refused in Competition."""
    return secrets.randbelow(LARGEST_SEED)


@lru_cache(64)
def _putt(seed: int) -> Putt:
    try:
        return made_putt(Question(Asks.AMOUNT, MADE, LEVEL, seed))
    except (NoPuttError, PuttError) as error:
        raise NotFoundError(MISSING) from error


@open_play(ROOM)
def putt_at_hand(_viewer: Viewer, seed: int) -> Putt:
    """Return the putt that a seed hides, unread; raises NotFoundError for a seed that is none."""
    return _putt(seed)


@open_play(ROOM)
def hidden_putt(_viewer: Viewer, seed: int) -> Read:
    """Return the putt that a seed hides; raises NotFoundError for a seed that is none."""
    return read(_putt(seed))


@open_play(ROOM)
def hidden_place(_viewer: Viewer, seed: int, share: float) -> HiddenPlace:
    """Return how the ground slopes at a place of a hidden putt; raises as `hidden_putt` does."""
    return place_on(_putt(seed), share)


@open_play(ROOM)
def level_laid(viewer: Viewer, seed: int, lay: Lay) -> float:
    """Return the rise [ratio] that a simulated level shows along its edge; raises as `hidden_putt` does."""
    place = hidden_place(viewer, seed, lay.share)
    return level_on(place, lay.way, lay.rng(seed), averaged=lay.by == "level_averaged")


@open_play(ROOM)
def plate_laid(viewer: Viewer, seed: int, lay: Lay) -> float:
    """Return the way [rad] that a simulated plate says the ground falls; raises as `hidden_putt` does."""
    return plate_on(hidden_place(viewer, seed, lay.share), lay.rng(seed))


@open_play(ROOM)
def phone_laid(viewer: Viewer, seed: int, lay: Lay) -> tuple[float, float]:
    """Return what a simulated phone shows [rad], laid and turned; raises as `hidden_putt` does."""
    return phone_on(hidden_place(viewer, seed, lay.share), lay.way, lay.rng(seed))


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

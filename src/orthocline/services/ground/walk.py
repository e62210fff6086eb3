"""The walk: in open play with the read by what is noted, in Competition its order and clock alone."""

import math
from contextlib import suppress
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.ground import DECEIVING_SLOPE, STOPS, Reading, Stop
from orthocline.core.roll import Putt
from orthocline.services.account.access import Viewer, anyone, open_play
from orthocline.services.account.trials import add_slope_pair
from orthocline.services.errors import InvalidError

FLATTEST_GAIN = 0.7
"""Another place is flatter if it tilts by no more than this share of one's own."""


@anyone
def stops_of(_viewer: Viewer, names: tuple[str, ...]) -> list[Stop]:
    """Return the stops of a walk; allowed in Competition too, for they are but an order of looking."""
    return [STOPS[name] for name in names]


@open_play("Where the stance deceives")
def deceiving(_viewer: Viewer, putt: Putt, stop: Stop) -> tuple[float, Stop | None] | None:
    """Return how much the ground tilts under a golfer's feet, and the flattest stop to look again from.

    None where it does not deceive. Refused in Competition.
    """
    tilt = abs(_side(putt, stop))
    if tilt <= DECEIVING_SLOPE:
        return None
    on_the_green = [one for one in STOPS.values() if one.name != "first"]
    flattest = min(on_the_green, key=lambda one: abs(_side(putt, one)))
    return tilt, flattest if abs(_side(putt, flattest)) <= FLATTEST_GAIN * tilt else None


@open_play("What a level reads")
def keep_guess(
    viewer: Viewer, session: Session, sense: str, guess: Reading | None, level: Reading, key: UUID | None
) -> None:
    """Keep a guess and what an instrument then read in the same place as a pair of a golfer's own.

    There is none without a guess, and none to be kept for a visitor. Refused in Competition.
    """
    if guess is None or guess.size is None or level.size is None or viewer.golfer is None:
        return
    opposite = math.cos(level.toward_rad - guess.toward_rad) < 0.0
    figure = -level.size if opposite else level.size
    # Who has pairs enough loses no reading by it.
    with suppress(InvalidError):
        add_slope_pair(viewer, session, sense=sense, guess=guess.size, level=figure, key=key)


def _side(putt: Putt, stop: Stop) -> float:
    """Return the tilt across the line [ratio] where one stands at a stop."""
    return putt.fall_right_at(stop.at * putt.length_m + stop.behind_m)

"""What watched balls say of the ground: another player's, and the golfer's own as a probe."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from orthocline.core.balls import (
    Conditions,
    Implied,
    OwnBall,
    SeenBall,
    Way,
    implied_by_other,
    implied_by_own,
    readings_of,
    rolled_way,
)
from orthocline.core.ground import Reading
from orthocline.core.instruments import OTHER_BALL, OWN_BALL
from orthocline.core.roll import Grain, Putt
from orthocline.core.sure import Uncertainty
from orthocline.services.account.access import Viewer, open_play


@dataclass(frozen=True)
class Watched:
    """A ball that was watched on the green of a putt.

    Attributes
    ----------
    way : Way
        From where it started to where it stopped.
    start_right_rad, last_right_rad : float or None
        Its start line, and the way of its last feet, to the right of its hole, if they were seen.
    passed : int
        +1 if it passed the hole on its right, -1 on its left, 0 if that was not seen.
    meant_past_m : float or None
        Of the golfer's own ball: how far past it would have stopped on the level; None for another's.
    """

    way: Way
    start_right_rad: float | None = None
    last_right_rad: float | None = None
    passed: int = 0
    meant_past_m: float | None = None


class BallSaid(NamedTuple):
    """What a ball says: the ground along its line, that as readings of the putt, and the way it rolled if so.

    The last are places beyond the putt's hole and to the right of it [m], shape (n, 2).
    """

    implied: Implied
    readings: tuple[Reading, ...]
    rolled_m: NDArray[np.float64]


@open_play("What a ball says")
def ball_says(
    _viewer: Viewer, putt: Putt, uncertainty: Uncertainty, ball: Watched, places: Sequence[float]
) -> BallSaid:
    """Return what a ball says of a putt's green, read in some places already; refused in Competition."""
    way, conditions = ball.way, _conditions(putt, uncertainty, ball.way)
    beyond, right = way.rest_m
    own = ball.meant_past_m is not None
    if ball.meant_past_m is not None:
        implied = implied_by_own(OwnBall(way.to_hole_m, beyond, right, ball.meant_past_m), conditions)
    else:
        seen = SeenBall(way.to_hole_m, beyond, right, ball.start_right_rad, ball.last_right_rad, ball.passed)
        implied = implied_by_other(seen, conditions)
    by = OWN_BALL if own else OTHER_BALL
    readings = readings_of(implied, way, putt.length_m, by, both=own, places=places)
    return BallSaid(implied, readings, rolled_way(implied, way, conditions))


def _conditions(putt: Putt, uncertainty: Uncertainty, way: Way) -> Conditions:
    """Return the green as a ball on another way meets it."""
    grain = putt.grain
    toward = grain.toward_rad - putt.bearing_rad + way.heading_rad
    met = Grain(grain.strength * (1.0 - grain.since), toward)
    return Conditions(putt.green_speed_ft, uncertainty.green_speed_ft, met)

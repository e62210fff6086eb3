"""How many balls of one putt end: in the hole, off its rim, past it on either side, or short."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from orthocline.core.constants import CAPTURE_SPEED_MPS, HOLE_RADIUS_M
from orthocline.core.roll.outcomes import FINISH_X, FINISH_Y, MISS, RIM
from orthocline.core.roll.putt import Point, Putt
from orthocline.core.roll.rollers import outcomes_of

Flags = NDArray[np.bool_]


@dataclass(frozen=True)
class Ends:
    """How balls end, each an entry; where a ball rests is meant with the hole covered.

    Attributes
    ----------
    hole : Point
    bearing_rad : float
        The direction from the ball to the hole [rad], counter-clockwise from +x.
    rows : ndarray
        Rows of the figures of `outcomes`, shape (n, 4).
    """

    hole: Point
    bearing_rad: float
    rows: NDArray[np.float64]

    @cached_property
    def meets(self) -> Flags:
        """Whether each ball crosses the rim, shape (n,)."""
        return np.asarray((self.rows[:, RIM] >= 0.0) & (np.abs(self.rows[:, MISS]) < HOLE_RADIUS_M))

    @cached_property
    def drops(self) -> Flags:
        """Whether each ball drops, shape (n,): v <= 1.63 m/s (1 - (delta/R)^2), as `Capture` has it."""
        fastest = CAPTURE_SPEED_MPS * (1.0 - (self.rows[:, MISS] / HOLE_RADIUS_M) ** 2)
        return np.asarray(self.meets & (self.rows[:, RIM] <= fastest))

    @cached_property
    def short(self) -> Flags:
        """Whether each ball rests before it has come as far as the hole, shape (n,)."""
        return np.asarray((self.rests[:, 0] < 0.0) & ~self.meets)

    @cached_property
    def passes_right(self) -> Flags:
        """Whether each ball passes the hole's centre on the right, or rests so short of it, shape (n,)."""
        return np.where(self.short, self.rests[:, 1] > 0.0, self.rows[:, MISS] > 0.0)

    @property
    def misses_m(self) -> NDArray[np.float64]:
        """How far each ball passes the hole's centre [m], positive on the right of it, shape (n,)."""
        return self.rows[:, MISS]

    @property
    def rim_mps(self) -> NDArray[np.float64]:
        """How fast each ball first crosses the rim [m/s], -1 where it does not, shape (n,)."""
        return self.rows[:, RIM]

    @cached_property
    def from_hole(self) -> NDArray[np.float64]:
        """Where each ball rests, east and north of the hole [m], shape (n, 2); NaN where it rolls on."""
        return self.rows[:, [FINISH_X, FINISH_Y]] - (self.hole.x_m, self.hole.y_m)

    @cached_property
    def rests(self) -> NDArray[np.float64]:
        """The same beyond the hole, and to its right, as its golfer faces it [m]."""
        east, north = self.from_hole.T
        cos, sin = np.cos(self.bearing_rad), np.sin(self.bearing_rad)
        return np.column_stack([east * cos + north * sin, east * sin - north * cos])


def ender(putt: Putt) -> Callable[[NDArray[np.float64]], Ends]:
    """Return `ends(launches)`: how many balls of a putt end, for those who ask more than once.

    Parameters
    ----------
    putt : Putt
        The putt; its pace is left aside.

    Returns
    -------
    callable
        Takes what `ends_of` takes, and returns what it returns.
    """
    outcomes, hole, bearing_rad = outcomes_of(putt), putt.hole, putt.bearing_rad
    return lambda launches: Ends(hole, bearing_rad, outcomes(launches))


def ends_of(putt: Putt, launches: NDArray[np.float64]) -> Ends:
    """Return how many balls of a putt end.

    Parameters
    ----------
    putt : Putt
        The putt; its pace is left aside.
    launches : ndarray
        Rows of launch angle to the right [rad] and launch speed [m/s], shape (n, 2).

    Returns
    -------
    Ends
        How each ends.
    """
    return ender(putt)(launches)

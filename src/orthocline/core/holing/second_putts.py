"""The putt after a miss: how often it is holed from anywhere round the hole."""

import math
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.interpolate import RegularGridInterpolator

from orthocline.core.account import Golfer, UsualPasts
from orthocline.core.ground import Plane, mean_gradient
from orthocline.core.holing.trying import spread_of
from orthocline.core.roll import RANGES, STILL_AIR, Launch, Point, Putt, RollPast, aims, ends_of

AWAY_M: Final = (RANGES.length_m[0], 0.3, 0.5, 0.75, 1.1, 1.6, 2.3, 3.4, 5.0, 8.0, 14.0)
"""Distances of the table [m]; nearer than the first a putt is holed."""
WAYS: Final = 12
"""Directions of the table."""
TRIES: Final = 256
"""Launches for each entry, a power of two."""
TURN: Final = 2.0 * math.pi


@dataclass(frozen=True)
class SecondPutts:
    """A table of what a golfer holes on one green from round one hole, by distance and direction.

    Attributes
    ----------
    round_hole : RoundHole
        The putts of it.
    golfer : Golfer
    """

    round_hole: "RoundHole"
    golfer: Golfer

    def holed(self, from_hole: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the share holed from each place.

        Parameters
        ----------
        from_hole : ndarray
            East and north of the hole [m], shape (n, 2); NaN where a ball did not rest.

        Returns
        -------
        ndarray
            Shares, 0 to 1, shape (n,); none where a ball did not rest.
        """
        east, north = from_hole.T
        away = np.minimum(np.hypot(east, north), AWAY_M[-1])
        rested = ~np.isnan(away)
        found = np.zeros(len(from_hole))
        ways = np.arctan2(north[rested], east[rested]) % TURN
        found[rested] = self._between(np.column_stack([away[rested], ways]))
        return found

    @cached_property
    def _between(self) -> RegularGridInterpolator:
        ways = TURN * np.arange(WAYS + 1) / WAYS
        shares = np.array([self._share(*one) for one in self.round_hole.putts]).reshape(-1, WAYS)
        table = np.vstack([np.ones((2, WAYS)), shares])
        return RegularGridInterpolator(((0.0, *AWAY_M), ways), np.column_stack([table, table[:, 0]]))

    def _share(self, putt: Putt, meant: Launch) -> float:
        launches = spread_of(self.golfer, putt, meant).launches(TRIES)
        return float(ends_of(putt, launches).drops.mean())


@dataclass(frozen=True)
class RoundHole:
    """The putts from round one hole, the same for all golfers who roll them alike.

    Each is played on the plane that the ground is between its place and the hole, in still air.

    Attributes
    ----------
    putt : Putt
        Hole, ground, green speed and grain.
    pasts : UsualPasts
        The usual roll-pasts: what the second putt is rolled at.
    """

    putt: Putt
    pasts: UsualPasts

    @cached_property
    def putts(self) -> list[tuple[Putt, Launch]]:
        """Each putt of the table with its launch, the nearest first, and round the hole."""
        ways = (TURN * np.arange(WAYS) / WAYS).tolist()
        seconds = [self.second(away, way) for away in AWAY_M[1:] for way in ways]
        return [(putt, aims(putt)[0].launch) for putt in seconds]

    def second(self, away_m: float, way_rad: float) -> Putt:
        """Return the putt from a place round the hole.

        Parameters
        ----------
        away_m : float
            From the hole [m].
        way_rad : float
            Direction from the hole [rad], counter-clockwise from +x.

        Returns
        -------
        Putt
            On a plane, at the golfer's usual pace.
        """
        hole = self.putt.hole
        ball = Point(hole.x_m + away_m * math.cos(way_rad), hole.y_m + away_m * math.sin(way_rad))
        grain = replace(self.putt.grain, since=0.0)
        plane = self._plane(ball)
        past = RollPast(self.pasts.on(plane.grade(way_rad + math.pi)))
        return replace(self.putt, ball=ball, surface=plane, pace=past, grain=grain, wind=STILL_AIR, line=1)

    def _plane(self, ball: Point) -> Plane:
        """Return the plane that the ground is on the mean between a place and the hole."""
        surface, hole = self.putt.surface, self.putt.hole
        if isinstance(surface, Plane):
            return surface
        east, north = mean_gradient(surface, (ball.x_m, ball.y_m), (hole.x_m, hole.y_m))
        return Plane(math.hypot(east, north), math.atan2(-north, -east))

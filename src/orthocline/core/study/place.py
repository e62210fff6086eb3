"""One place of a green as a hole: putts to it from all round, each tried many times by one golfer.

A place knows nothing of the others, so that a green is as many pieces of work as it has places, done in any
order and anywhere.
"""

import math
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final, NamedTuple

import numpy as np
from numpy.typing import NDArray

from orthocline.core.account import Golfer, UsualPasts
from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import Surface
from orthocline.core.holing import spread_of
from orthocline.core.relief import Outline
from orthocline.core.roll import (
    Ends,
    Point,
    Putt,
    PuttError,
    RollPast,
    aims,
    ends_of,
    rolling_deceleration_mps2,
    steepest_holding_slope,
)
from orthocline.core.study.next_putts import NextPutts
from orthocline.core.survey import Survey
from orthocline.core.units import FOOT_M

Figures = NDArray[np.float64]
Place = tuple[float, float]
SPACING_M: Final = 0.5
WAYS: Final = 8
"""Directions from which it is putted to, a whole turn."""
SHORT_FT: Final = (3.0, 6.0, 12.0)
"""Distances from which is counted how often it is holed; the next putt is holed as from those."""
LONG_FT: Final = (20.0, 30.0, 40.0)
"""Distances from which three-putts are counted, where they begin on the green."""
AWAY_FT: Final = (*SHORT_FT, *LONG_FT)
TRIES: Final = 512
"""Launches of each putt, a power of two."""
NEAR: Final = 0.02
"""Where no ball stops by the hole the pace is found to this share: golfers scatter by three times that."""
TURN: Final = 2.0 * math.pi


@dataclass(frozen=True)
class Study:
    """What is asked of a green.

    Attributes
    ----------
    ground : Surface
        The green.
    outline : Outline
        Its edge: nobody putts to a hole from beyond it.
    green_speed_ft : float
        Green speed [ft].
    golfer : Golfer
        Who putts.
    pasts : UsualPasts
        What the golfer rolls a putt at; here a foot at most.
    """

    ground: Surface
    outline: Outline
    green_speed_ft: float
    golfer: Golfer
    pasts: UsualPasts


class Played(NamedTuple):
    """How a hole at one place plays.

    Attributes
    ----------
    holds : float
        Share of the directions from which a ball can be made to stop within a foot past it.
    holed_3ft, holed_6ft : float
        Share holed from three and from six feet, of all directions.
    three_putts : float
        Share of three-putts from twenty to forty feet, from wherever on the green; NaN where it is nowhere so
        far.
    rolls : int
        Balls that were rolled for it.
    """

    holds: float
    holed_3ft: float
    holed_6ft: float
    three_putts: float
    rolls: int


def study_of(
    survey: Survey, outline: Outline, green_speed_ft: float, golfer: Golfer, pasts: UsualPasts
) -> Study:
    """Return what is asked of a surveyed green at a green speed: its ground leans as its grain is worth then.

    Parameters
    ----------
    survey : Survey
        The green.
    outline : Outline
        Its edge.
    green_speed_ft : float
        Green speed [ft].
    golfer : Golfer
        Who putts.
    pasts : UsualPasts
        What the golfer rolls a putt at.

    Returns
    -------
    Study
        On its mean ground.
    """
    worth = rolling_deceleration_mps2(green_speed_ft) / PULL_PER_SLOPE_MPS2
    ground = survey.grown(worth) if survey.grain else survey.grid
    return Study(ground, outline, green_speed_ft, golfer, pasts)


def places_of(outline: Outline, spacing_m: float = SPACING_M) -> Figures:
    """Return the places of a green at which a hole is tried.

    Parameters
    ----------
    outline : Outline
        The green's edge.
    spacing_m : float
        How far they are apart, east and north [m].

    Returns
    -------
    ndarray
        Places on the map [m], shape (n, 2), row by row from the lowest north, each from the west.
    """
    (west, south), (east, north) = outline.box
    across = spacing_m * np.arange(math.ceil(west / spacing_m), math.floor(east / spacing_m) + 1)
    up = spacing_m * np.arange(math.ceil(south / spacing_m), math.floor(north / spacing_m) + 1)
    places = np.stack(np.meshgrid(across, up), axis=-1).reshape(-1, 2)
    return places[outline.holds(places)]


def played_at(study: Study, place: Place) -> Played:
    """Return how a hole at one place plays.

    Parameters
    ----------
    study : Study
        What is asked of the green.
    place : tuple of float
        Where the hole is [m].

    Returns
    -------
    Played
        By the same launches every time: the same to the last bit wherever it is worked out.
    """
    return _Hole(study, Point(*place)).played


class _Rolled(NamedTuple):
    """The balls of one putt: whether they stop by the hole, and how they end; None where none gets there."""

    stops: bool
    ends: Ends | None

    @property
    def holed(self) -> float:
        """Share that drops."""
        return float(self.ends.drops.mean()) if self.ends else 0.0

    def three_putts(self, next_putts: NextPutts) -> float:
        """Share that is not holed by the next putt either."""
        if self.ends is None:
            return 1.0
        left = 1.0 - next_putts.holed(self.ends.from_hole)
        return float(np.where(self.ends.drops, 0.0, left).mean())


@dataclass(frozen=True)
class _Hole:
    """A hole at one place."""

    study: Study
    hole: Point

    @property
    def played(self) -> Played:
        """How it plays."""
        ways = (TURN * np.arange(WAYS) / WAYS).tolist()
        near = [[self._rolled(self._ball(away, way)) for way in ways] for away in SHORT_FT]
        holed = np.array([[one.holed for one in ring] for ring in near])
        next_putts = NextPutts(tuple(FOOT_M * away for away in SHORT_FT), holed)
        balls = [self._ball(away, way) for away in LONG_FT for way in ways]
        on_green = self.study.outline.holds(np.array([(ball.x_m, ball.y_m) for ball in balls]))
        far = [self._rolled(ball) for ball, on in zip(balls, on_green, strict=True) if on]
        three = float(np.mean([one.three_putts(next_putts) for one in far])) if far else math.nan
        holds = float(np.mean([one.stops for one in near[1]]))
        tried = sum(one.ends is not None for one in (*near[0], *near[1], *near[2], *far))
        return Played(holds, float(holed[0].mean()), float(holed[1].mean()), three, TRIES * tried)

    @cached_property
    def rests(self) -> bool:
        """Whether a ball rests at the hole itself."""
        ground = self.study.ground
        rises = ground.slope(self.hole.x_m, self.hole.y_m, ground.parameters)
        return math.hypot(*rises) < steepest_holding_slope(self.study.green_speed_ft)

    def _ball(self, away_ft: float, way: float) -> Point:
        away = FOOT_M * away_ft
        return Point(self.hole.x_m + away * math.cos(way), self.hole.y_m + away * math.sin(way))

    def _rolled(self, ball: Point) -> _Rolled:
        """Return the balls of the putt from one place, rolled a foot past at most."""
        study = self.study
        try:
            putt = Putt(ball, self.hole, study.ground, study.green_speed_ft, RollPast(FOOT_M))
            putt = replace(putt, pace=RollPast(min(FOOT_M, study.pasts.on(putt.grade))))
            aim = aims(putt, rests=self.rests, near=NEAR)[0]
        except PuttError:
            return _Rolled(False, None)
        launches = spread_of(study.golfer, putt, aim.launch).launches(TRIES)
        return _Rolled(aim.pace_met, ends_of(putt, launches))

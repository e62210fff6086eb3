"""Without numbers: the aim and the pace as steps that words stand for, for golfers who play by instinct."""

import math
from bisect import bisect
from dataclasses import dataclass, replace
from typing import Final

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Blind, Figures, School, Term, aimed, solved_aim
from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M
from orthocline.core.roll import Launch, Putt, Read, RollPast
from orthocline.core.units import INCH_M

BALL_M: Final = 2.0 * BALL_RADIUS_M
PLACES_M: Final = (
    *(0.2 * HOLE_RADIUS_M, 0.8 * HOLE_RADIUS_M, 1.25 * HOLE_RADIUS_M),
    *(HOLE_RADIUS_M + 1.5 * BALL_M, 6.0 * HOLE_RADIUS_M, 12.0 * HOLE_RADIUS_M),
)
"""Aims [m] from which the next step begins: the centre, inside the edge, the edge, just outside, a little
outside, well outside, far outside."""
MOODS_M: Final = (3.0 * INCH_M, 9.0 * INCH_M, 18.0 * INCH_M)
"""Roll-pasts [m] from which the next step begins: dying, just past, past, firm."""
RUNNING_ON: Final = len(MOODS_M) + 1
"""The step of a ball that will not rest."""
FURTHEST: Final = 1.5
"""The last step is taken to be so many times where it begins."""


@dataclass(frozen=True)
class Instinct:
    """The steps of aim, positive to the right, and of pace."""

    place: int
    mood: int


def instinct_of(read: Read) -> Instinct | None:
    """Return a putt without numbers.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    Instinct or None
        None for a putt without an aim spot.
    """
    aim, past = read.aim_right_m, read.aim.past_m
    if aim is None:
        return None
    place = bisect(PLACES_M, abs(aim))
    return Instinct(place if aim > 0.0 else -place, RUNNING_ON if past is None else bisect(MOODS_M, past))


def place_m(place: int) -> tuple[float, float]:
    """Return between which aims a step lies.

    Parameters
    ----------
    place : int
        The step; its side does not matter.

    Returns
    -------
    tuple of float
        From and to, off the hole's centre [m].
    """
    return _between(PLACES_M, abs(place))


def mood_m(mood: int) -> tuple[float, float]:
    """Return between which roll-pasts a step lies.

    Parameters
    ----------
    mood : int
        The step, not `RUNNING_ON`.

    Returns
    -------
    tuple of float
        From and to [m].
    """
    return _between(MOODS_M, mood)


def _between(steps: tuple[float, ...], step: int) -> tuple[float, float]:
    edges = (0.0, *steps, FURTHEST * steps[-1])
    return edges[step], edges[step + 1]


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch:
    """Return the launch of the middles of both steps; a ball that runs on keeps the putt's own pace."""
    place, mood = round(figures[0]), round(figures[1])
    aim = 0.0 if not place else math.copysign(0.5 * sum(place_m(place)), place)
    if mood == RUNNING_ON:
        return aimed(putt, aim)
    paced = solved_aim(replace(putt, pace=RollPast(0.5 * sum(mood_m(mood)))))
    return replace(paced.launch, right_rad=math.atan2(aim, putt.length_m))


SCHOOL = School(
    "instinct",
    lambda read, _: instinct_of(read),
    blind_to=(Blind.FIGURES,),
    terms=(Term.PLACE, Term.MOOD),
    figures=lambda _, felt: (float(felt.place), float(felt.mood)) if felt else None,
    launch=_launch,
)

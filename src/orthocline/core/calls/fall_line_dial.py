"""The fall-line dial: the ball's hour round the hole, 6 straight uphill, and what each hour breaks."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import brentq

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Blind, Figures, Goes, School, Term, aimed, toward
from orthocline.core.roll import WIDEST_AIM_RAD, Launch, PlaneSets, Putt, Read, steepest_holding_slope
from orthocline.core.units import HOUR_RAD, wrap_rad

HOURS: Final = tuple(range(1, 13))
FLAT: Final = 5e-4
"""On less tilt [ratio] there is no fall line to be told."""
STEEPEST_SHARE, CLOSE_TILT = 0.98, 1e-6
"""Tilts of an answer are looked for up to a share of what holds a ball, and found within so much [ratio]."""
STRAIGHT: Final = 6.0
"""The hour of the straight putt uphill."""


@dataclass(frozen=True)
class Dial:
    """The dial of a putt, its ground taken as one tilt all round the hole.

    Attributes
    ----------
    hour : float
        Where the ball lies, above 0 to 12, clockwise from straight above the hole.
    aims_m : tuple of float or None
        What a putt as long at the same pace is aimed from each hour, 1 to 12, to the right [m]; None where it
        has no aim spot.
    own_aim_m : float or None
        The same from the ball's own place.
    round_rad : float
        How far the straight putt uphill lies from the ball, clockwise round the hole.
    length_m : float
        The putt's length [m].
    """

    hour: float
    aims_m: tuple[float | None, ...]
    own_aim_m: float | None
    round_rad: float
    length_m: float

    @property
    def uphill(self) -> bool:
        """Whether the ball lies in the lower half, and is putted uphill."""
        return 3.0 <= self.hour <= 9.0

    @property
    def share(self) -> float | None:
        """The break against that of the same putt square across, on the same side of the hole."""
        square = self.square_m
        return None if square is None or self.own_aim_m is None else abs(self.own_aim_m) / square

    @property
    def square_m(self) -> float | None:
        """The break of the same putt square across [m], to the high side.

        None without an aim spot, and where grain outweighs the slope.
        """
        aim = self.aims_m[HOURS.index(3 if self.hour < STRAIGHT else 9)]
        high = 1.0 if self.hour < STRAIGHT else -1.0
        return None if aim is None or aim * high <= 0.0 else aim * high

    @property
    def walk_m(self) -> float:
        """From the ball straight to where the putt uphill begins, as far from the hole [m]."""
        return 2.0 * self.length_m * abs(math.sin(0.5 * self.round_rad))

    @property
    def walk_right_rad(self) -> float:
        """The way there, to the right of the way to the hole."""
        return -math.copysign(0.5 * (math.pi - abs(self.round_rad)), self.round_rad)


def dial_of(putt: Putt) -> Dial | None:
    """Return the dial of a putt.

    Parameters
    ----------
    putt : Putt
        The putt; of uneven ground the mean along its line is taken.

    Returns
    -------
    Dial or None
        None on ground that is all but level.
    """
    if putt.mean_plane.tilt < FLAT:
        return None
    own = _own_rad(putt)
    aims = _aims_m(putt, putt.mean_plane.tilt, np.append(HOUR_RAD * np.array(HOURS), own))
    hour = (own / HOUR_RAD) % 12.0 or 12.0
    return Dial(hour, tuple(aims[:-1]), aims[-1], wrap_rad(STRAIGHT * HOUR_RAD - own), putt.length_m)


def _own_rad(putt: Putt) -> float:
    """Return the angle of a putt's ball on the dial.

    It is as far clockwise from straight above the hole as the fall lies counter-clockwise from the way there.
    """
    return wrap_rad(putt.mean_plane.downhill_rad - putt.bearing_rad)


def _aims_m(putt: Putt, tilt: float, turns: NDArray[np.float64]) -> list[float | None]:
    """Return the aims [m] of putts as long at the same pace from places round the hole, on one tilt."""
    same, grain = np.ones(len(turns)), putt.grain
    sets = PlaneSets(
        putt.length_m * same,
        -tilt * np.sin(turns),
        -tilt * np.cos(turns),
        putt.green_speed_ft * same,
        grain.strength * (1.0 - grain.since) * same,
        grain.toward_rad - putt.bearing_rad + turns - _own_rad(putt),
    )
    starts = sets.launches(putt.pace)[:, 0].tolist()
    return [putt.length_m * math.tan(one) if abs(one) <= WIDEST_AIM_RAD else None for one in starts]


def _by_dial(read: Read, _golfer: GolferFigures, dial: Dial | None) -> Launch | None:
    """Return the launch of whoever takes the ground for the dial's one tilt."""
    if dial is None:
        return read.aim.launch
    return None if dial.own_aim_m is None else toward(read, dial.own_aim_m)


def _steepest(putt: Putt) -> float:
    """Return the tilt [ratio] up to which more tilt is more break: there a ball hardly rests."""
    return STEEPEST_SHARE * steepest_holding_slope(putt.green_speed_ft)


def _figures(read: Read, dial: Dial | None) -> Figures | None:
    if dial is None or dial.square_m is None or read.putt.mean_plane.tilt > _steepest(read.putt):
        return None
    return dial.hour, dial.square_m


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch | None:
    """Return the launch from an hour where the same putt square across breaks so much [m].

    None where no tilt that holds a ball makes it break so much.
    """
    hour, square_m = figures
    high = 1.0 if hour % 12.0 < STRAIGHT else -1.0
    turns = HOUR_RAD * np.array([STRAIGHT - 3.0 * high, hour])

    def over(tilt: float) -> float:
        aim = _aims_m(putt, tilt, turns)[0]
        return putt.length_m * math.tan(WIDEST_AIM_RAD) if aim is None else high * aim - square_m

    steepest = _steepest(putt)
    if over(0.0) > 0.0 or over(steepest) < 0.0:
        return None
    aim = _aims_m(putt, brentq(over, 0.0, steepest, xtol=CLOSE_TILT), turns)[1]
    return None if aim is None else aimed(putt, aim)


SCHOOL = School(
    "fall_line_dial",
    lambda read, _: dial_of(read.putt),
    blind_to=(Blind.BETWEEN,),
    played=_by_dial,
    terms=(Term.HOUR, Term.SIZE),
    goes=(Goes.STAYS, Goes.AIM),
    figures=_figures,
    launch=_launch,
)

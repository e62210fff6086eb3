"""The fall-line dial: the ball's hour round the hole, 6 straight uphill, and what each hour breaks."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.calls.school import School
from orthocline.core.roll import WIDEST_AIM_RAD, PlaneSets, Putt
from orthocline.core.units import HOUR_RAD, wrap_rad

HOURS: Final = tuple(range(1, 13))
FLAT: Final = 5e-4
"""On less tilt [ratio] there is no fall line to be told."""
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
        square = self.aims_m[HOURS.index(3 if self.hour < STRAIGHT else 9)]
        return abs(self.own_aim_m / square) if square and self.own_aim_m is not None else None

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
    ground, bearing = putt.mean_plane, putt.bearing_rad
    if ground.tilt < FLAT:
        return None
    # As far clockwise from straight above the hole as the fall lies counter-clockwise from the way there.
    own = wrap_rad(ground.downhill_rad - bearing)
    hours = np.append(HOUR_RAD * np.array(HOURS), own)
    same, grain = np.ones(len(hours)), putt.grain
    sets = PlaneSets(
        putt.length_m * same,
        -ground.tilt * np.sin(hours),
        -ground.tilt * np.cos(hours),
        putt.green_speed_ft * same,
        grain.strength * (1.0 - grain.since) * same,
        grain.toward_rad - bearing + hours - own,
    )
    starts = sets.launches(putt.pace)[:, 0].tolist()
    aims = [putt.length_m * math.tan(one) if abs(one) <= WIDEST_AIM_RAD else None for one in starts]
    hour = (own / HOUR_RAD) % 12.0 or 12.0
    return Dial(hour, tuple(aims[:-1]), aims[-1], wrap_rad(STRAIGHT * HOUR_RAD - own), putt.length_m)


SCHOOL = School("fall_line_dial", lambda read, _: dial_of(read.putt))

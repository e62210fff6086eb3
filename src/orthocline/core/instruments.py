"""How sure instruments and habits are, until the golfer's own calibration says better.

Every figure is one standard deviation: half of the range within which it is said to be.
"""

import math
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from orthocline.core.estimate import Estimate
from orthocline.core.units import FOOT_M

LEVEL_SD: Final = 0.001
"""Digital level: slope [ratio] of the place where it lies."""
LEVEL_BUMP_SD: Final = 0.0025
"""Digital level laid down once: slope [ratio] of the bump under it; averaged over three places it is gone."""
PACING_SD: Final = 0.02
"""A length paced with a stride known from a tape, as a share of it."""
USUAL_PACING_SD: Final = 0.05
"""A length paced with the usual stride, as a share of it."""
RAMP_SD_FT: Final = 0.15
"""Ramp: what its set-up and the place on the green add to the scatter of its rolls."""
ONE_WAY_SD_FT: Final = 0.5
"""Ramp: the least that rolling one way on ground that was not proved level adds."""
UNPROVED_SLOPE_SD: Final = 0.0075
"""Slope [ratio] of ground that looks level and was not proved to be: a flat spot found by eye."""
GRAIN_SD: Final = 0.03
"""Strength of grain along a line where nobody noted any: with it or against it by 0.06."""
TIMED_GRADE_SD: Final = 0.0025
"""Grade [ratio] along a timed putt on ground that was taken to be level, where no level was laid."""
RAMP_ROLL_SHARE: Final = 0.03
"""Ramp: usual scatter of one roll, as a share of it, where too few were made to tell."""
TAPE_SHARE: Final = 0.005
"""Ramp: least scatter of one roll as a share of it, read off a tape to the inch, however alike rolls look."""
POSTED_SD_FT: Final = 0.5
"""A posted number, on its day."""
DAY_SD_FT: Final = math.sqrt(0.75**2 - 0.5**2)
"""What a day adds to a green speed: a posted number is known within 1.0 ft that day, 1.5 ft after."""
THUMB_SD_S: Final = 0.075
"""A stopwatch started and stopped by thumb."""
USUAL_STROKE_RATE: Final = Estimate(5.7, 0.5 * 0.3 * 5.7)
"""Launch speed per length of the whole stroke [1/s], until the golfer's own is known: within 30 %."""
STROKE_SHARE: Final = 0.04
"""Usual scatter of launch speed from putts of one stroke length, where too few were made to tell."""
USUAL_SHOE_M: Final = FOOT_M
"""A shoe from heel to toe, until the golfer's own is known."""


class Gives(StrEnum):
    """What an instrument reads."""

    SLOPE = "slope"
    """Slope [ratio] along its edge."""
    LENGTH = "length"
    """Length [m]; its standard deviation is a share of it."""


@dataclass(frozen=True)
class Instrument:
    """Something that gives a figure, and how sure it is.

    Attributes
    ----------
    name : str
        What it goes by in addresses, in what is kept and among the words.
    gives : Gives
        What it reads.
    sd : float
        Standard deviation of one reading, in the unit of what it reads.
    """

    name: str
    gives: Gives
    sd: float


INSTRUMENTS: dict[str, Instrument] = {
    one.name: one
    for one in (
        Instrument("level", Gives.SLOPE, math.hypot(LEVEL_SD, LEVEL_BUMP_SD)),
        Instrument("level_averaged", Gives.SLOPE, LEVEL_SD),
        Instrument("tape", Gives.LENGTH, 0.0),
        Instrument("own_paces", Gives.LENGTH, PACING_SD),
        Instrument("usual_paces", Gives.LENGTH, USUAL_PACING_SD),
    )
}
"""By name. Of rolls along a tape their own scatter counts, not the tape's."""


def giving(what: Gives) -> list[Instrument]:
    """Return the instruments that read something.

    Parameters
    ----------
    what : Gives
        What is to be read.

    Returns
    -------
    list of Instrument
        In the order of the registry.
    """
    return [one for one in INSTRUMENTS.values() if one.gives is what]

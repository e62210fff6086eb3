"""How sure instruments and habits are, until the golfer's own calibration says better.

Every figure is one standard deviation: half of the range within which it is said to be.
"""

import math
from collections.abc import Container
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from orthocline.core.estimate import Estimate
from orthocline.core.units import FOOT_M, INCH_M

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
USUAL_PAST_M: Final = FOOT_M
"""Roll-past until a golfer says another."""
TRUENESS_DEG: Final = {5: 0.2, 4: 0.3, 3: 0.45, 2: 0.65, 1: 0.9}
"""How far aside the ground scatters a roll [degrees], by the rating of how true it rolls, of five."""
PHONE_SD: Final = 0.0015
"""Phone laid down, turned round and laid down again: slope [ratio] of the place where it lies."""
TRAINED_SD: Final = 0.004
"""Slope [ratio] felt or seen by a golfer who has compared it with a level often enough."""
FEET_SD: Final = 0.0075
"""Slope [ratio] felt with the feet."""
EYE_SD: Final = 0.01
"""Slope [ratio] seen by eye."""
BALL_SD: Final = 0.004
"""Side tilt [ratio] by another ball whose start line was seen."""
STAFF_SD_M: Final = 0.005
"""A spot height by a levelling staff or a laser."""
RISE_SD_M, RISE_SHARE = 0.5 * INCH_M, 0.125
"""Rise over the putt judged by eye: an inch and a quarter of it."""
GRAIN_STRENGTH_SHARE: Final = 0.25
"""Grain judged by clues: its strength, as a share of it; each kind is within half of itself."""
GRAIN_WAY_SD_RAD: Final = math.radians(22.5)
"""Grain judged by clues: the way it grows."""
WAY_SD_RAD, FLAT_WAY_SD_RAD = math.radians(5.0), math.radians(15.0)
"""A bubble, plate or marble: the way the ground falls, and the same where it hardly slopes."""
FLAT: Final = 0.01
"""Slope [ratio] below which it hardly does."""
FLATTEST: Final = 0.005
"""On flatter ground [ratio] a way of fall is as sure as on ground that slopes so much."""
ARROW_SD, ARROW_WAY_SD_RAD = 0.005, math.radians(12.5)
"""An arrow drawn by hand: slope [ratio], and the way it falls."""
FIRST_LOOK: Final = "first_look"
"""What a first look goes by: it is said of a whole putt, until anything is read."""
OTHER_BALL, OWN_BALL = "other_ball", "own_ball"
"""Another player's ball that was watched, and the golfer's own last one."""
FIRST_SLOPE, FIRST_SD, FIRST_WAY_SD_RAD = 0.02, 0.015, math.radians(45.0)
"""A first look from beside the green: the slope that greens have [ratio], how that spreads, and its way."""
USUAL_SHOE_M: Final = FOOT_M
"""A shoe from heel to toe, until the golfer's own is known."""


class Gives(StrEnum):
    """What an instrument reads."""

    SLOPE = "slope"
    """Slope [ratio] along its edge."""
    FELT = "felt"
    """Slope [ratio] of a place, felt or seen."""
    WAY = "way"
    """Which way the ground falls, not how steeply."""
    ARROW = "arrow"
    """Which way the ground falls, and its slope [ratio]."""
    FIRST = "first"
    """Which way a whole putt falls, as it looks before anybody steps on it."""
    BALL = "ball"
    """Slope [ratio] of the way along which a ball rolled, across it or along it."""
    HEIGHT = "height"
    """Height [m] of a place over another."""
    RISE = "rise"
    """Rise [m] over the whole putt."""
    LENGTH = "length"
    """Length [m]."""


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
    share : float
        What it grows by, as a share of the figure read.
    way_sd_rad, flat_way_sd_rad : float
        Standard deviation of the way that it says the ground falls, and of that on ground that hardly slopes.
    """

    name: str
    gives: Gives
    sd: float
    share: float = 0.0
    way_sd_rad: float = 0.0
    flat_way_sd_rad: float = 0.0

    def sd_of(self, figure: float) -> float:
        """Return the standard deviation of a figure that it reads.

        Parameters
        ----------
        figure : float
            What it reads, in its unit.

        Returns
        -------
        float
            Standard deviation, in the same unit.
        """
        return self.sd + self.share * abs(figure)

    def way_sd_of(self, slope: float) -> float:
        """Return the standard deviation of the way that it says the ground falls.

        Parameters
        ----------
        slope : float
            Slope of the place [ratio].

        Returns
        -------
        float
            Standard deviation [rad].
        """
        return self.way_sd_rad if abs(slope) > FLAT else self.flat_way_sd_rad


INSTRUMENTS: dict[str, Instrument] = {
    one.name: one
    for one in (
        Instrument("level", Gives.SLOPE, math.hypot(LEVEL_SD, LEVEL_BUMP_SD)),
        Instrument("level_averaged", Gives.SLOPE, LEVEL_SD),
        Instrument("phone", Gives.SLOPE, math.hypot(PHONE_SD, LEVEL_BUMP_SD)),
        Instrument("feet", Gives.FELT, FEET_SD),
        Instrument("trained_feet", Gives.FELT, TRAINED_SD),
        Instrument("eye", Gives.FELT, EYE_SD),
        Instrument("trained_eye", Gives.FELT, TRAINED_SD),
        Instrument("plate", Gives.WAY, 0.0, way_sd_rad=WAY_SD_RAD, flat_way_sd_rad=FLAT_WAY_SD_RAD),
        Instrument("spill", Gives.WAY, 0.0, way_sd_rad=WAY_SD_RAD, flat_way_sd_rad=FLAT_WAY_SD_RAD),
        Instrument(
            *("arrow", Gives.ARROW, ARROW_SD),
            way_sd_rad=ARROW_WAY_SD_RAD,
            flat_way_sd_rad=ARROW_WAY_SD_RAD,
        ),
        Instrument(
            *(FIRST_LOOK, Gives.FIRST, FIRST_SD),
            way_sd_rad=FIRST_WAY_SD_RAD,
            flat_way_sd_rad=FIRST_WAY_SD_RAD,
        ),
        Instrument(OTHER_BALL, Gives.BALL, BALL_SD),
        Instrument(OWN_BALL, Gives.BALL, BALL_SD),
        Instrument("staff", Gives.HEIGHT, STAFF_SD_M),
        Instrument("rise_by_eye", Gives.RISE, RISE_SD_M, RISE_SHARE),
        Instrument("tape", Gives.LENGTH, 0.0),
        Instrument("own_paces", Gives.LENGTH, 0.0, PACING_SD),
        Instrument("usual_paces", Gives.LENGTH, 0.0, USUAL_PACING_SD),
    )
}
"""By name. Of rolls along a tape their own scatter counts, not the tape's."""


def giving(what: Container[Gives]) -> list[Instrument]:
    """Return the instruments that read something.

    Parameters
    ----------
    what : container of Gives
        What is to be read, any of it.

    Returns
    -------
    list of Instrument
        In the order of the registry.
    """
    return [one for one in INSTRUMENTS.values() if one.gives in what]

"""How uncertain the figures of a putt are, and what makes them so."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field

from orthocline.core.ground import Sense
from orthocline.core.instruments import GRAIN_STRENGTH_SHARE, GRAIN_WAY_SD_RAD, INSTRUMENTS, Gives
from orthocline.core.roll import Putt


@dataclass(frozen=True)
class Uncertainty:
    """Standard deviations of the figures of a putt; 0 for one that is taken as it is.

    Attributes
    ----------
    length : float
        Of the length, as a share of it.
    side, grade : float
        Of the fall to the right and of the rise toward the hole [ratio].
    green_speed_ft : float
        Of the green speed [ft].
    grain : float
        Of the strength of the grain, as a share of it.
    grain_way_rad : float
        Of the way that it grows [rad].
    """

    length: float = 0.0
    side: float = 0.0
    grade: float = 0.0
    green_speed_ft: float = 0.0
    grain: float = 0.0
    grain_way_rad: float = 0.0


CERTAIN = Uncertainty()
"""Every figure is taken as it is."""


@dataclass(frozen=True)
class Source:
    """Where a figure comes from.

    Attributes
    ----------
    by : str
        The instrument's name in the registry; empty for one that was typed.
    within : float or None
        Within how much of the figure it was said to be (95 %), in its own SI unit; it goes before the
        instrument.
    """

    by: str = ""
    within: float | None = None

    def slope_sd(self, slope: float, length_m: float, own: Mapping[str, Sense]) -> float:
        """Return the standard deviation [ratio] of a slope that comes from here.

        Parameters
        ----------
        slope : float
            The slope [ratio].
        length_m : float
            The putt's length [m], over which a rise was judged.
        own : mapping
            How the golfer's own senses go with the level, by instrument.

        Returns
        -------
        float
            Standard deviation [ratio]; 0 for one that was typed.
        """
        if self.within is not None:
            return 0.5 * self.within
        if not self.by:
            return 0.0
        if self.by in own:
            return own[self.by].slope(abs(slope)).sd
        instrument = INSTRUMENTS[self.by]
        if instrument.gives is Gives.RISE:
            return instrument.sd_of(slope * length_m) / length_m
        return instrument.sd_of(slope)

    def length_sd_m(self, length_m: float) -> float:
        """Return the standard deviation [m] of a length that comes from here.

        Parameters
        ----------
        length_m : float
            The length [m].

        Returns
        -------
        float
            Standard deviation [m]; 0 for one that was typed.
        """
        if self.within is not None:
            return 0.5 * self.within
        return INSTRUMENTS[self.by].sd_of(length_m) if self.by else 0.0


TYPED = Source()
"""A figure that was typed, and is taken as it is."""


@dataclass(frozen=True)
class GrainBy:
    """By what grain was judged.

    Attributes
    ----------
    strength_by_kind : bool
        Whether its strength is the usual one of a kind of grass, not a figure of its own.
    way_within_deg : float or None
        Within how many degrees (95 %) its way is known by clues; None where it was but said.
    """

    strength_by_kind: bool = False
    way_within_deg: float | None = None

    @property
    def way_sd_rad(self) -> float:
        """Standard deviation of its way [rad]: that of one clue where a kind of grass was named alone."""
        if self.way_within_deg is not None:
            return 0.5 * math.radians(self.way_within_deg)
        return GRAIN_WAY_SD_RAD if self.strength_by_kind else 0.0


BY_NOTHING = GrainBy()
"""Strength and way were typed, and are taken as they are."""


@dataclass(frozen=True)
class Sources:
    """Where the figures of a putt come from.

    Attributes
    ----------
    length, side, rise : Source
        Of the length, the tilt across the line and the rise along it.
    speed_sd_ft : float
        Standard deviation of the green speed [ft], its age counted in.
    grain_by : GrainBy
        By what the grain was judged.
    own : mapping
        How the golfer's own senses go with the level, by instrument.
    """

    length: Source = field(default=TYPED)
    side: Source = field(default=TYPED)
    rise: Source = field(default=TYPED)
    speed_sd_ft: float = 0.0
    grain_by: GrainBy = field(default=BY_NOTHING)
    own: Mapping[str, Sense] = field(default_factory=dict)

    def uncertainty(self, putt: Putt) -> Uncertainty:
        """Return how uncertain the putt's figures are that come from here.

        Parameters
        ----------
        putt : Putt
            The putt.

        Returns
        -------
        Uncertainty
            Standard deviations of its figures.
        """
        length_m = putt.length_m
        grows = putt.grain.strength > 0.0
        return Uncertainty(
            self.length.length_sd_m(length_m) / length_m,
            self.side.slope_sd(putt.side_tilt_right, length_m, self.own),
            self.rise.slope_sd(putt.grade, length_m, self.own),
            self.speed_sd_ft,
            GRAIN_STRENGTH_SHARE if grows and self.grain_by.strength_by_kind else 0.0,
            self.grain_by.way_sd_rad if grows else 0.0,
        )

"""A day's green against the golfer's usual one: what its speed does to aim and stroke."""

import math
from dataclasses import dataclass


@dataclass(frozen=True)
class DayEffect:
    """How much more a putt wants than on the usual green, as shares: of aim, and of stroke.

    Attributes
    ----------
    aim_share : float or None
        None where the usual aim is too small to compare with.
    stroke_share : float
        Of launch speed, and with that of the stroke.
    """

    aim_share: float | None
    stroke_share: float

    @classmethod
    def on_the_level(cls, speed_ft: float, usual_ft: float) -> "DayEffect":
        """Return what a green's speed does to putts that are level along their line.

        The break of such a putt grows as green speed does, a/d with d ~ 1/S; its launch falls as sqrt(d).

        Parameters
        ----------
        speed_ft, usual_ft : float
            The day's green speed and the usual one [ft].

        Returns
        -------
        DayEffect
            Shares of aim and stroke.
        """
        return cls(speed_ft / usual_ft - 1.0, math.sqrt(usual_ft / speed_ft) - 1.0)

"""A golfer's own calibration: paces and shoes, feet and eyes."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from orthocline.core.ground import Sense
from orthocline.core.instruments import USUAL_SHOE_M
from orthocline.core.units import PACE_M


@dataclass(frozen=True)
class Calibration:
    """Length [m] of a pace and of a shoe, usual ones until the golfer's own are known.

    Attributes
    ----------
    own_pace : bool
        Whether the pace is the golfer's own.
    senses : mapping
        How what the golfer feels and sees goes with the level, by instrument, of those that are known.
    """

    pace_m: float = PACE_M
    shoe_m: float = USUAL_SHOE_M
    own_pace: bool = False
    senses: Mapping[str, Sense] = field(default_factory=dict, hash=False)

    @property
    def units_m(self) -> Mapping[str, float]:
        """What golfers type them as, with their lengths [m]."""
        return {"pace": self.pace_m, "paces": self.pace_m, "shoe": self.shoe_m, "shoes": self.shoe_m}


USUAL_CALIBRATION = Calibration()
"""The usual pace and shoe."""

"""One putt as it was played: what was asked, what was meant, and what was seen of it."""

import math
from dataclasses import dataclass, field
from functools import cached_property
from typing import Final

from orthocline.core.account import Golfer
from orthocline.core.log import UNSEEN, Finish, Seen
from orthocline.core.roll import Launch, Putt, Read, read
from orthocline.core.sure import CERTAIN, Uncertainty
from orthocline.core.units import INCH_M

THUMB_M: Final = INCH_M
THUMB_SHARE: Final = 0.015
"""Where a ball stopped is known within an inch and this share of its distance (one standard deviation)."""


@dataclass(frozen=True)
class Played:
    """A putt that was played.

    Attributes
    ----------
    putt : Putt
        As it was read; it was meant to be rolled at that read's launch speed.
    golfer : Golfer
        How far the one who played it scatters.
    holed : bool
        Whether it dropped.
    finish : Finish or None
        Where it stopped; None for one that dropped, and for a miss that nobody placed.
    aim_right_m : float or None
        Where it was aimed, at the hole's distance and to its right [m]; None for the read's own aim.
    corrected_by : float
        By which the own read was multiplied for that.
    uncertainty : Uncertainty
        How sure the putt's figures are.
    seen : Seen
        What else was seen of it.
    by_device : bool
        Whether a device rolled it.
    """

    putt: Putt
    golfer: Golfer
    holed: bool
    finish: Finish | None = None
    aim_right_m: float | None = None
    corrected_by: float = 1.0
    uncertainty: Uncertainty = field(default=CERTAIN)
    seen: Seen = field(default=UNSEEN)
    by_device: bool = False

    @cached_property
    def read(self) -> Read:
        """The read of the putt.

        Raises
        ------
        PuttError
            When no ball reaches the hole.
        """
        return read(self.putt)

    @property
    def own_read_m(self) -> float | None:
        """The aim of the own read before it was corrected [m, to the right]; None where there was none."""
        return None if self.aim_right_m is None else self.aim_right_m / self.corrected_by

    @cached_property
    def meant(self) -> Launch:
        """The launch that was meant: along the aim, as hard as the read asks."""
        asked = self.read.aim.launch
        if self.aim_right_m is None:
            return asked
        return Launch(math.atan2(self.aim_right_m, self.putt.length_m), asked.speed_mps)


def thumb_sd_m(finish: Finish) -> float:
    """Return how sure a finish is that was shown with a thumb.

    Parameters
    ----------
    finish : Finish
        Where the ball stopped.

    Returns
    -------
    float
        Standard deviation either way [m].
    """
    return THUMB_M + THUMB_SHARE * math.hypot(finish.along_m, finish.across_m)

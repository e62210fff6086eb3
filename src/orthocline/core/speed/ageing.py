"""How a green speed ages: greens grow and dry."""

import math

from orthocline.core.estimate import Estimate
from orthocline.core.instruments import DAY_SD_FT

DAY_H = 24.0
STALE_H = 6.0
"""After so many hours a green has grown and dried: measure again."""


def aged(estimate: Estimate, hours: float) -> Estimate:
    """Return a green speed [ft] so many hours later: as sure as it was, and what up to a day adds.

    Parameters
    ----------
    estimate : Estimate
        A green speed [ft] as it was measured.
    hours : float
        Time since [h]; less than 0 is 0.

    Returns
    -------
    Estimate
        The same speed, less sure.
    """
    share = min(max(hours, 0.0) / DAY_H, 1.0)
    return Estimate(estimate.value, math.hypot(estimate.sd, DAY_SD_FT * share))

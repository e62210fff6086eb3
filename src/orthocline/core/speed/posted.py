"""The posted number: what the club has put up, as sure as its keepers have been."""

import math
from collections.abc import Sequence
from typing import Final

from orthocline.core.estimate import Estimate
from orthocline.core.instruments import POSTED_SD_FT
from orthocline.core.roll import RANGES
from orthocline.core.speed.method import Figure, Quantity, SpeedMethod

HABIT_SD_FT: Final = 0.35
"""Of the usual spread of a posted number, what is the keeper's habit: the same each day."""
USUAL_PAIRS: Final = 6.0
"""What is usual of posted numbers counts as so many days of the keeper's own."""


def posted_speed(speed_ft: float, pairs: Sequence[tuple[float, Estimate]] = ()) -> Estimate:
    """Return the green speed [ft] of a posted number on its day, corrected by how its keeper's have been.

    A keeper is an instrument with a habit, numbers too high or too low by as much each day, and a spread from
    day to day. Both begin as usual and give way to what the golfer measured on the same days: the habit as a
    normal mean with a normal prior, the spread as a variance with a scaled inverse chi-squared one
    (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.6), less what the measures themselves are unsure by.

    Parameters
    ----------
    speed_ft : float
        The number [ft].
    pairs : sequence of (float, Estimate)
        Numbers that were posted there [ft], each with the speed [ft] that was measured that day; without any
        it is as sure as posted numbers usually are.

    Returns
    -------
    Estimate
        Speed [ft].
    """
    usual_var = POSTED_SD_FT**2 - HABIT_SD_FT**2
    habit = Estimate(0.0, HABIT_SD_FT)
    var = usual_var
    for _ in range(3):
        weights = [1.0 / (var + measured.sd**2) for _, measured in pairs]
        precision = HABIT_SD_FT**-2 + math.fsum(weights)
        apart = [posted - measured.value for posted, measured in pairs]
        habit = Estimate(
            math.fsum(w * d for w, d in zip(weights, apart, strict=True)) / precision, precision**-0.5
        )
        seen = [
            max((d - habit.value) ** 2 + habit.sd**2 - measured.sd**2, 0.0)
            for d, (_, measured) in zip(apart, pairs, strict=True)
        ]
        var = (USUAL_PAIRS * usual_var + math.fsum(seen)) / (USUAL_PAIRS + len(pairs))
    return Estimate(speed_ft - habit.value, math.hypot(math.sqrt(var), habit.sd))


METHOD = SpeedMethod(
    "posted",
    (Figure("posted", Quantity.GREEN_SPEED, RANGES.green_speed_ft),),
    lambda findings: posted_speed(findings.figures["posted"][0]),
    measured=False,
)

"""Ticks: the one way to choose round figures along a scale."""

import math
from collections.abc import Sequence

DECIMAL = (1.0, 2.0, 5.0)
"""Steps within each power of ten."""
INCHES = (0.125, 0.25, 0.5, 1.0, 2.0, 4.0, 6.0, 12.0, 24.0, 48.0, 96.0)
"""Steps of a rule of inches: it is halved, and its feet are dozens."""
CALENDAR = (1.0, 2.0, 7.0, 14.0)
"""Steps of days."""


def tick_step(least: float, steps: Sequence[float] = ()) -> float:
    """Return the smallest round step that is not below `least`, of `steps` or else of 1, 2 and 5 times tens.

    Where `steps` end before, it is the last of them.
    """
    if steps:
        return next((step for step in steps if step >= least * (1.0 - 1e-9)), steps[-1])
    ten = 10.0 ** math.floor(math.log10(least))
    return next(step * ten for step in (*DECIMAL, 10.0) if step * ten >= least * (1.0 - 1e-9))


def ticks(low: float, high: float, most: int) -> list[float]:
    """Return the round figures from `low` to `high`, both included, at most `most` of them and one."""
    step = tick_step((high - low) / most)
    first, last = math.ceil(low / step - 1e-9), math.floor(high / step + 1e-9)
    return [step * i for i in range(first, last + 1)]

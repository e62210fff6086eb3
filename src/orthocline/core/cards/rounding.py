"""How coarsely a figure may be said: rounding moves an aim by no more than a quarter of what still drops."""

from collections.abc import Sequence
from typing import Final

QUARTER: Final = 0.25


def step_for(value: float, drops: float, steps: Sequence[float]) -> float:
    """Return the coarsest step to which a figure may be rounded.

    Parameters
    ----------
    value : float
        The figure [any unit].
    drops : float
        How wide what still drops is [the same unit].
    steps : sequence of float
        Steps that are said, the coarsest first [the same unit], one or more.

    Returns
    -------
    float
        The first step that moves the figure by a quarter of what drops at most; the last one if none does.
    """
    return next((one for one in steps if abs(rounded(value, one) - value) <= QUARTER * drops), steps[-1])


def rounded(value: float, step: float) -> float:
    """Return a figure rounded to a step.

    Parameters
    ----------
    value, step : float
        The figure and the step [any one unit].

    Returns
    -------
    float
        The nearest multiple of the step.
    """
    return step * round(value / step)

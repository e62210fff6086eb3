"""A cell of a card: its figure, how coarsely it may be said, and what half a percent more would change."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

from orthocline.core.units import PERCENT

HALF: Final = 0.5 * PERCENT
"""A cell also says by how much half a percent would change it."""
QUARTER: Final = 0.25
"""Rounding moves an aim by no more than this share of what still drops."""


@dataclass(frozen=True)
class Cell:
    """One cell, in whatever unit its card has.

    Attributes
    ----------
    value : float
        The figure.
    least, most : float
        Between these it may be said: there the aim is moved by a quarter of what still drops at most.
    more : float or None
        How much more it is with half a percent more of tilt; None where no ball holds then.
    """

    value: float
    least: float
    most: float
    more: float | None

    def told(self, step: Callable[[float], float]) -> "Cell":
        """Return it in another unit, which grows with its own."""
        value = step(self.value)
        more = None if self.more is None else step(self.value + self.more) - value
        return Cell(value, step(self.least), step(self.most), more)

    def step(self, steps: Sequence[float]) -> float | None:
        """Return the coarsest step to which it may be rounded.

        Parameters
        ----------
        steps : sequence of float
            Steps that are said, the coarsest first [its unit].

        Returns
        -------
        float or None
            The first that leaves it within what may be said; None if none does.
        """
        return next((one for one in steps if self.least <= rounded(self.value, one) <= self.most), None)


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

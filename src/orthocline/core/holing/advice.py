"""How firm: what each roll-past is worth to one golfer on one putt, and which is the best."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.interpolate import make_interp_spline, make_lsq_spline

from orthocline.core.estimate import Span
from orthocline.core.holing.chances import Chances
from orthocline.core.roll import Launch, Putt, RollPast
from orthocline.core.units import INCH_M

DYING_M: Final = INCH_M
"""A ball that dies in the hole would roll so far past it."""
FIRMEST_M: Final = 36.0 * INCH_M
PASTS_M: Final = (DYING_M, *(INCH_M * past for past in range(3, 37, 3)))
"""Roll-pasts that are tried [m]."""
AS_GOOD: Final = 0.01
"""A roll-past that costs no more putts than this is as good as the best."""
LOOKS: Final = 351
"""Roll-pasts between those that are tried, a tenth of an inch apart."""
KNOTS: Final = (2, 5)
"""The curves bend most where a ball all but dies: their knots are at these of the roll-pasts."""
LEAST_SMOOTHED: Final = 8
LEAST_PASTS: Final = 4
"""Fewer that a ball can be rolled at give no curve."""


@dataclass(frozen=True)
class PaceAdvice:
    """What each roll-past is worth.

    Attributes
    ----------
    pasts_m : tuple of float
        Roll-pasts that were tried [m], in order.
    meant : tuple of Launch
        The launch of the read at each.
    holed, three_putts, putts : tuple of float
        Share that drops, share of three-putts, and putts on average, at each.
    below : tuple of float or None
        Share of the misses that rest below the hole, at each; None where nothing misses.
    """

    pasts_m: tuple[float, ...]
    meant: tuple[Launch, ...]
    holed: tuple[float, ...]
    three_putts: tuple[float, ...]
    putts: tuple[float, ...]
    below: tuple[float | None, ...]

    @cached_property
    def looks_m(self) -> NDArray[np.float64]:
        """Roll-pasts close to each other [m], shape (351,), for drawing and looking for the best."""
        return np.linspace(self.pasts_m[0], self.pasts_m[-1], LOOKS)

    def curve(self, figures: Sequence[float]) -> NDArray[np.float64]:
        """Return one of its figures at each of `looks_m`.

        Parameters
        ----------
        figures : sequence of float
            `holed`, `three_putts` or `putts`.

        Returns
        -------
        ndarray
            The figure, shape (351,), by a smooth cubic spline of least squares: what is tried errs by a few
            thousandths, and more bends than the knots allow are no putt's.
        """
        pasts = self.pasts_m
        if len(pasts) < LEAST_SMOOTHED:
            return np.asarray(make_interp_spline(pasts, figures, k=3)(self.looks_m))
        knots = [*4 * [pasts[0]], *(pasts[i] for i in KNOTS), *4 * [pasts[-1]]]
        return np.asarray(make_lsq_spline(pasts, figures, knots)(self.looks_m))

    def at(self, figures: Sequence[float], past_m: float) -> float:
        """Return one of its figures at a roll-past.

        Parameters
        ----------
        figures : sequence of float
            `holed`, `three_putts` or `putts`.
        past_m : float
            Roll-past [m], held within those that were tried.

        Returns
        -------
        float
            The figure.
        """
        return float(np.interp(past_m, self.looks_m, self.curve(figures)))

    @cached_property
    def best_m(self) -> float:
        """The roll-past that takes the fewest putts [m]."""
        return float(self.looks_m[self._curve.argmin()])

    @property
    def best_putts(self) -> float:
        """Putts on average at the best."""
        return float(self._curve.min())

    @cached_property
    def as_good(self) -> Span:
        """Roll-pasts round the best that cost no more than a hundredth of a putt [m]."""
        worse = np.flatnonzero(self._curve > self._curve.min() + AS_GOOD)
        best = int(self._curve.argmin())
        first = worse[worse < best].max(initial=-1) + 1
        last = worse[worse > best].min(initial=LOOKS) - 1
        return Span(float(self.looks_m[first]), float(self.looks_m[last]))

    @cached_property
    def _curve(self) -> NDArray[np.float64]:
        return self.curve(self.putts)


def advice_of(tried: Sequence[Chances]) -> PaceAdvice | None:
    """Return what each roll-past is worth to a golfer.

    Parameters
    ----------
    tried : sequence of Chances
        What becomes of the putt at each roll-past that a ball can have, the softest first.

    Returns
    -------
    PaceAdvice or None
        None where a ball can be rolled at too few of the paces: on ground that holds none, or hardly one.
    """
    if len(tried) < LEAST_PASTS:
        return None
    return PaceAdvice(
        tuple(_past_m(one.putt) for one in tried),
        tuple(one.spread.meant for one in tried),
        tuple(one.holed for one in tried),
        tuple(one.three_putts for one in tried),
        tuple(one.putts for one in tried),
        tuple(one.below for one in tried),
    )


def _past_m(putt: Putt) -> float:
    assert isinstance(putt.pace, RollPast)
    return putt.pace.past_m

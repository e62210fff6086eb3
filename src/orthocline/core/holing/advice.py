"""How firm: what each roll-past is worth to one golfer on one putt, and which is the best."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.interpolate import make_interp_spline, make_lsq_spline

from orthocline.core.account import Golfer
from orthocline.core.estimate import Span
from orthocline.core.holing.chances import Chances, chances_of
from orthocline.core.holing.second_putts import SecondPutts
from orthocline.core.roll import Launch, Putt, PuttError, RollPast, aims
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

PACE_MARKS_M: Final = {
    "dying": DYING_M,
    "hand": 7.0 * INCH_M,
    "foot": 12.0 * INCH_M,
    "foot_and_half": 18.0 * INCH_M,
    "two_feet": 24.0 * INCH_M,
}
"""The schools' paces, as roll-past [m]: the hand is the golfer's own, heel to fingertip."""


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
    """

    pasts_m: tuple[float, ...]
    meant: tuple[Launch, ...]
    holed: tuple[float, ...]
    three_putts: tuple[float, ...]
    putts: tuple[float, ...]

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


def advice_of(putt: Putt, golfer: Golfer, seconds: SecondPutts) -> PaceAdvice | None:
    """Return what each roll-past is worth to a golfer.

    Parameters
    ----------
    putt : Putt
        The putt; its own pace is left aside, its line is kept where it is there at a pace.
    golfer : Golfer
        Who putts.
    seconds : SecondPutts
        What is holed after a miss.

    Returns
    -------
    PaceAdvice or None
        None where a ball can be rolled at too few of the paces: on ground that holds none, or hardly one.
    """
    tried = [chances for past in PASTS_M if (chances := at_past(putt, past, golfer, seconds))]
    if len(tried) < LEAST_PASTS:
        return None
    return PaceAdvice(
        tuple(_past_m(one.putt) for one in tried),
        tuple(one.spread.meant for one in tried),
        tuple(one.holed for one in tried),
        tuple(one.three_putts for one in tried),
        tuple(one.putts for one in tried),
    )


def at_past(putt: Putt, past_m: float, golfer: Golfer, seconds: SecondPutts) -> Chances | None:
    """Return what becomes of a putt at a roll-past.

    Parameters
    ----------
    putt : Putt
        The putt; its own pace is left aside.
    past_m : float
        Roll-past [m].
    golfer : Golfer
        Who putts.
    seconds : SecondPutts
        What is holed after a miss.

    Returns
    -------
    Chances or None
        None where no ball has that roll-past.
    """
    meant = launch_at(putt, past_m)
    if meant is None:
        return None
    return chances_of(replace(putt, pace=RollPast(past_m)), meant, golfer, seconds)


def launch_at(putt: Putt, past_m: float) -> Launch | None:
    """Return the launch of a putt at a roll-past.

    Parameters
    ----------
    putt : Putt
        The putt; its own pace is left aside.
    past_m : float
        Roll-past [m].

    Returns
    -------
    Launch or None
        By its line where that is there; None where no ball has that roll-past.
    """
    try:
        lines = aims(replace(putt, pace=RollPast(past_m)))
    except PuttError:
        return None
    aim = lines[: putt.line][-1]
    return aim.launch if aim.pace_met and aim.past_m is not None else None


def _past_m(putt: Putt) -> float:
    assert isinstance(putt.pace, RollPast)
    return putt.pace.past_m

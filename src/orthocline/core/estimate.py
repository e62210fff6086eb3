"""An estimate and how sure it is, and how several become one."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from scipy.special import stdtrit

NORMAL_95 = 1.959964
"""Standard deviations of the normal distribution within which 95 % lie."""


@dataclass(frozen=True)
class Estimate:
    """A figure and its standard deviation, both in the figure's unit."""

    value: float
    sd: float

    @property
    def within(self) -> float:
        """Half of the range within which it is said to be (95 %): two standard deviations."""
        return 2.0 * self.sd


@dataclass(frozen=True)
class Span:
    """The range of a figure, both ends in its unit."""

    least: float
    most: float

    @property
    def width(self) -> float:
        """How wide it is."""
        return self.most - self.least

    def holds(self, figure: float) -> bool:
        """Return whether a figure lies in it, its ends included."""
        return self.least <= figure <= self.most


def widened(scatter_sd: float, freedom: int, other_sd: float = 0.0) -> float:
    """Return the standard deviation that gives a 95 % range its due where scatter is known from few trials.

    Parameters
    ----------
    scatter_sd : float
        Standard deviation [the figure's unit] of a mean, from the trials themselves.
    freedom : int
        Degrees of freedom behind it; 0 where it is a usual figure, taken as it is.
    other_sd : float
        Standard deviation [the figure's unit] of what the trials have in common.

    Returns
    -------
    float
        Standard deviation [the figure's unit].

    Notes
    -----
    Student's t with the effective degrees of freedom of Welch (1947, Biometrika 34, 28) over the normal
    distribution's 1.96.
    """
    both = math.hypot(scatter_sd, other_sd)
    if freedom < 1 or scatter_sd == 0.0:
        return both
    effective = freedom * (both / scatter_sd) ** 4
    return both * float(stdtrit(effective, 0.975)) / NORMAL_95


def mean_estimate(trials: Sequence[float], usual_share: float, other_sd: float = 0.0) -> Estimate:
    """Return the mean of trials, one or more.

    Parameters
    ----------
    trials : sequence of float
        The figures, one or more, in one unit.
    usual_share : float
        Usual scatter of one try as a share of it, for want of a third try.
    other_sd : float
        Standard deviation [the figure's unit] of what all trials have in common.

    Returns
    -------
    Estimate
        Their mean and how sure it is.
    """
    count = len(trials)
    mean = math.fsum(trials) / count
    if count < 3:
        return Estimate(mean, widened(usual_share * mean / math.sqrt(count), 0, other_sd))
    spread = math.sqrt(math.fsum((one - mean) ** 2 for one in trials) / (count - 1))
    return Estimate(mean, widened(spread / math.sqrt(count), count - 1, other_sd))


def combine(estimates: Sequence[Estimate]) -> Estimate:
    """Return one estimate from several independent ones, each weighted by 1/sd^2.

    Where they lie further apart than their standard deviations allow, that of the result grows by the ratio
    of Birge (1932, Phys. Rev. 40, 207).

    Parameters
    ----------
    estimates : sequence of Estimate
        Independent estimates of one figure, one or more; standard deviations above 0.

    Returns
    -------
    Estimate
        The figure that they make together.
    """
    weights = [1.0 / one.sd**2 for one in estimates]
    total = math.fsum(weights)
    value = math.fsum(w * one.value for w, one in zip(weights, estimates, strict=True)) / total
    chi2 = math.fsum(w * (one.value - value) ** 2 for w, one in zip(weights, estimates, strict=True))
    birge = math.sqrt(max(1.0, chi2 / (len(estimates) - 1))) if len(estimates) > 1 else 1.0
    return Estimate(value, birge / math.sqrt(total))

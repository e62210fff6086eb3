"""The range of the aim and of the launch speed: between which they lie, given how sure the figures are."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.estimate import NORMAL_95, Span
from orthocline.core.roll import WIDEST_AIM_RAD

TAILS: Final = (0.025, 0.975)
"""Shares below and above which 5 % lie."""


@dataclass(frozen=True)
class AimRange:
    """Between which a read's figures lie (95 %).

    Attributes
    ----------
    right_rad : Span
        Launch angle [rad] to the right of the hole's direction.
    speed_mps : Span
        Launch speed [m/s].
    aim_right_m : Span or None
        The aim [m] to the right of the hole's centre, at the hole's own distance, which may itself be
        uncertain; None where an end of it has no aim mark.
    """

    right_rad: Span
    speed_mps: Span
    aim_right_m: Span | None

    def narrowed(self, right_rad: float, aim_right_m: float | None, share: float) -> "AimRange":
        """Return it with the ranges of angle and aim about the read's own so much narrower.

        Parameters
        ----------
        right_rad : float
            The read's launch angle [rad].
        aim_right_m : float or None
            The read's aim [m], if it has one.
        share : float
            What is left of the ranges, 0 to 1.

        Returns
        -------
        AimRange
            The narrower range; that of the launch speed stays.
        """
        aim = self.aim_right_m
        if aim is not None and aim_right_m is not None:
            aim = _about(aim_right_m, aim, share)
        return AimRange(_about(right_rad, self.right_rad, share), self.speed_mps, aim)


def _about(middle: float, span: Span, share: float) -> Span:
    return Span(middle + share * (span.least - middle), middle + share * (span.most - middle))


def range_of_sets(launches: NDArray[np.float64], length_m: NDArray[np.float64]) -> AimRange:
    """Return the range of many launches, from 2.5 to 97.5 % of each figure.

    Parameters
    ----------
    launches : ndarray
        Rows of launch angle to the right [rad] and launch speed [m/s], shape (n, 2).
    length_m : ndarray
        Lengths [m] of their putts, shape (n,).

    Returns
    -------
    AimRange
        Between which they lie.
    """
    angles, speeds = (_tails(column) for column in launches.T)
    marked = max(abs(angles.least), abs(angles.most)) <= WIDEST_AIM_RAD
    return AimRange(angles, speeds, _tails(length_m * np.tan(launches[:, 0])) if marked else None)


def _tails(figures: NDArray[np.float64]) -> Span:
    return Span(*np.quantile(figures, TAILS).tolist())


def normal_range(
    right_rad: float, speed_mps: float, aim_right_m: float | None, variance: NDArray[np.float64]
) -> AimRange:
    """Return the range of a launch whose figures scatter as the normal distribution has it.

    Parameters
    ----------
    right_rad : float
        Launch angle to the right [rad].
    speed_mps : float
        Launch speed [m/s].
    aim_right_m : float or None
        Aim [m] to the right of the hole's centre, if there is one.
    variance : ndarray
        Of launch angle, launch speed and aim, shape (3,).

    Returns
    -------
    AimRange
        Between which they lie.
    """
    angle_half, speed_half, aim_half = (NORMAL_95 * np.sqrt(variance)).tolist()
    angle = Span(right_rad - angle_half, right_rad + angle_half)
    marked = max(abs(angle.least), abs(angle.most)) <= WIDEST_AIM_RAD
    aim = None
    if marked and aim_right_m is not None:
        aim = Span(aim_right_m - aim_half, aim_right_m + aim_half)
    return AimRange(angle, Span(max(speed_mps - speed_half, 0.0), speed_mps + speed_half), aim)

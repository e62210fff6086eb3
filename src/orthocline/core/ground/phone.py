"""A phone as a level: laid down, and turned round in the same place, which tells its own error."""

import math
from dataclasses import dataclass
from typing import Final

STEEPEST_READ_RAD: Final = math.radians(15.0)
"""A phone that leans further was not laid down."""


@dataclass(frozen=True)
class PhoneLevel:
    """What a phone says of the ground.

    Attributes
    ----------
    slope : float
        Rise [ratio] toward where its top pointed at first.
    own_error_rad : float
        What the phone itself adds [rad]; it goes with the phone, not with the place.
    """

    slope: float
    own_error_rad: float


def phone_level(laid_rad: float, turned_rad: float | None, own_error_rad: float = 0.0) -> PhoneLevel:
    """Return the slope of a place, and the phone's own error, from two readings there, or one.

    Parameters
    ----------
    laid_rad : float
        How far [rad] the phone's top is raised, laid down.
    turned_rad : float or None
        The same [rad], turned round by half a turn in the same place; None where it was not.
    own_error_rad : float
        What the phone itself was found to add before [rad]: one reading alone is taken by that.

    Returns
    -------
    PhoneLevel
        Slope from half the difference; the error is half the sum.
    """
    if turned_rad is None:
        return PhoneLevel(math.tan(laid_rad - own_error_rad), own_error_rad)
    return PhoneLevel(math.tan(0.5 * (laid_rad - turned_rad)), 0.5 * (laid_rad + turned_rad))

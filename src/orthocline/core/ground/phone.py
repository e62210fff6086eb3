"""A phone as a level: laid down, and turned round in the same place, which tells its own error."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

STEEPEST_READ_RAD: Final = math.radians(15.0)
"""A phone that leans further was not laid down."""
READING_SCATTER_RAD: Final = math.radians(0.02)
"""Scatter of a simulated phone's reading, averaged over a second at rest."""
OWN_ERROR_RAD: Final = math.radians(0.8)
"""A simulated phone's own error is at most this."""


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


@dataclass(frozen=True)
class HiddenPlace:
    """A simulated phone on a place: the rise there [ratio], and the phone's own error [rad]."""

    slope: float
    own_error_rad: float


def some_place(rng: np.random.Generator) -> HiddenPlace:
    """Return a place such as one finds on a green, and a phone such as one has.

    Parameters
    ----------
    rng : Generator
        Source of chance.

    Returns
    -------
    HiddenPlace
        Up to 4 % of slope either way.
    """
    error = float(rng.uniform(-OWN_ERROR_RAD, OWN_ERROR_RAD))
    return HiddenPlace(round(float(rng.uniform(-0.04, 0.04)), 3), error)


def simulated_readings(place: HiddenPlace, rng: np.random.Generator) -> tuple[float, float]:
    """Return what the simulated phone shows, laid down and turned round.

    Parameters
    ----------
    place : HiddenPlace
        The place, and the phone.
    rng : Generator
        Source of chance.

    Returns
    -------
    tuple of float
        How far its top is raised [rad], laid down and turned round.
    """
    lean = math.atan(place.slope)
    scatter = rng.normal(0.0, READING_SCATTER_RAD, 2).tolist()
    return lean + place.own_error_rad + scatter[0], -lean + place.own_error_rad + scatter[1]

"""Instruments that are laid on a hidden place: a level, a plate with its ball, and a phone."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.instruments import INSTRUMENTS, LEVEL_BUMP_SD, LEVEL_SD
from orthocline.core.roll import Putt
from orthocline.core.units import wrap_rad

READING_SCATTER_RAD: Final = math.radians(0.02)
"""Scatter of a simulated phone's reading, averaged over a second at rest."""
OWN_ERROR_RAD: Final = math.radians(0.8)
"""A simulated phone's own error is at most this."""


@dataclass(frozen=True)
class HiddenPlace:
    """A place on hidden ground, seen along a putt.

    Attributes
    ----------
    up, right : float
        How the ground rises to the hole, and to the right of the line [ratio].
    """

    up: float
    right: float

    @property
    def fall_rad(self) -> float:
        """The way the ground falls [rad], clockwise from the way to the hole."""
        return math.atan2(-self.right, -self.up)

    @property
    def slope(self) -> float:
        """How steep it is that way [ratio]."""
        return math.hypot(self.up, self.right)

    def along(self, way: str) -> float:
        """Return how the ground rises along an instrument's edge.

        Parameters
        ----------
        way : str
            ``across`` the line, its end to the right, or ``along`` it, its end to the hole.

        Returns
        -------
        float
            Rise [ratio].
        """
        return self.right if way == "across" else self.up


def place_on(putt: Putt, share: float) -> HiddenPlace:
    """Return a place of a putt.

    Parameters
    ----------
    putt : Putt
        The putt.
    share : float
        How much of the way is behind it [1].

    Returns
    -------
    HiddenPlace
        How the ground slopes there.
    """
    way = putt.hole.x_m - putt.ball.x_m, putt.hole.y_m - putt.ball.y_m
    ahead, left = way[0] / putt.length_m, way[1] / putt.length_m
    at = putt.ball.x_m + share * way[0], putt.ball.y_m + share * way[1]
    east, north = putt.surface.slope(*at, putt.surface.parameters)
    return HiddenPlace(east * ahead + north * left, east * left - north * ahead)


def level_on(place: HiddenPlace, way: str, rng: np.random.Generator, *, averaged: bool) -> float:
    """Return what a simulated digital level shows.

    Parameters
    ----------
    place : HiddenPlace
        Where it is laid.
    way : str
        Its edge: ``across`` the line, or ``along`` it.
    rng : Generator
        Source of chance.
    averaged : bool
        Whether it was laid on three places, so that the bump under it is gone.

    Returns
    -------
    float
        Rise along its edge [ratio].
    """
    own, bump = rng.normal(size=2).tolist()
    return place.along(way) + LEVEL_SD * float(own) + (0.0 if averaged else LEVEL_BUMP_SD * float(bump))


def plate_on(place: HiddenPlace, rng: np.random.Generator) -> float:
    """Return where the ball of a simulated plate runs to.

    Parameters
    ----------
    place : HiddenPlace
        Where it is laid.
    rng : Generator
        Source of chance.

    Returns
    -------
    float
        The way it says that the ground falls [rad], clockwise from the way to the hole.
    """
    spread = INSTRUMENTS["plate"].way_sd_of(place.slope)
    return wrap_rad(place.fall_rad + spread * float(rng.normal()))


def phone_on(place: HiddenPlace, way: str, rng: np.random.Generator) -> tuple[float, float]:
    """Return what a simulated phone shows, laid down and turned round, with an error of its own.

    Parameters
    ----------
    place : HiddenPlace
        Where it is laid.
    way : str
        Where its top points at first: to the right (``across``) or to the hole (``along``).
    rng : Generator
        Source of chance.

    Returns
    -------
    tuple of float
        How far its top is raised [rad], laid down and turned round.
    """
    lies = place.along(way) + INSTRUMENTS["phone"].sd * float(rng.normal())  # and the bump under it
    lean, error = math.atan(lies), float(rng.uniform(-OWN_ERROR_RAD, OWN_ERROR_RAD))
    scatter = rng.normal(0.0, READING_SCATTER_RAD, 2).tolist()
    return lean + error + scatter[0], -lean + error + scatter[1]

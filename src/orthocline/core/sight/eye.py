"""An eye: a pinhole, and the picture that it throws on an upright plane before it."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

Places = NDArray[np.float64]
"""Along the ball-hole line from the ball, to its right, and up from the ball's ground [m]; shape (n, 3)."""
NEAREST_M: Final = 0.1
"""What lies nearer before the eye, or behind it, is not seen."""


@dataclass(frozen=True)
class Eye:
    """A pinhole that looks level, at a picture plane that stands upright.

    Upright, because what hangs or stands is upright in it then, and because the hand gauge's fingers, which
    are held upright at arm's length, end at n f (L + s) / a beside the hole as its rule says. A plane that
    is tilted back toward a hole on the ground would show the same directions, more strongly drawn together.

    Attributes
    ----------
    along_m, right_m, up_m : float
        Where the eye is [m].
    heading_rad : float
        Which way it looks [rad], clockwise from the way from ball to hole.
    """

    along_m: float
    right_m: float
    up_m: float
    heading_rad: float

    def project(self, places_m: Places) -> NDArray[np.float64]:
        """Return where places are seen: x = right / ahead, y = down / ahead.

        Parameters
        ----------
        places_m : ndarray
            Places [m], shape (n, 3).

        Returns
        -------
        ndarray
            To the right and down on the picture plane [1], shape (n, 2); nan where a place lies nearer
            before the eye than `NEAREST_M`, or behind it.
        """
        ahead, aside = self.ahead_and_aside(places_m[:, 0], places_m[:, 1])
        seen = np.where(ahead >= NEAREST_M, ahead, np.nan)
        return np.column_stack([aside / seen, (self.up_m - places_m[:, 2]) / seen])

    def ahead_and_aside(
        self, along_m: NDArray[np.float64], right_m: NDArray[np.float64]
    ) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
        """Return how far places lie before the eye, level, and to its right.

        Parameters
        ----------
        along_m, right_m : ndarray
            Along the ball-hole line from the ball, and to its right [m], of one shape.

        Returns
        -------
        tuple of ndarray
            Both [m], of the same shape.
        """
        cos, sin = math.cos(self.heading_rad), math.sin(self.heading_rad)
        along, right = along_m - self.along_m, right_m - self.right_m
        return along * cos + right * sin, right * cos - along * sin

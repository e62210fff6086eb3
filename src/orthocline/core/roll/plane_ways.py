"""Balls of many sets at once on a plane: along which way each comes to rest."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll.plane_sets import PlaneSets

Figures = NDArray[np.float64]
HALVINGS: Final = 16
UNHELD: Final = 0.999
"""A pull that is more of the drag than this counts as so much: no ball comes to rest on steeper ground."""


@dataclass(frozen=True)
class _Balls:
    """Balls on their planes, by the closed form of `plane_roll`: a figure of each ball, shape (n,).

    `turn` is the launch heading from straight downhill, counter-clockwise [rad].
    """

    drag: Figures
    pull: Figures
    downhill: Figures
    turn: Figures
    speed: Figures

    def after(self, tau: Figures) -> "_Balls":
        """Return the balls as they roll on at `tau`."""
        half = np.tan(0.5 * np.abs(self.turn)) * np.exp(-self.pull * tau)
        c, s = np.cos(0.5 * self.turn) ** 2, np.sin(0.5 * self.turn) ** 2
        slower = c * np.exp(-(self.drag - self.pull) * tau) + s * np.exp(-(self.drag + self.pull) * tau)
        turn = np.copysign(2.0 * np.arctan(half), self.turn)
        return _Balls(self.drag, self.pull, self.downhill, turn, self.speed * slower)

    @property
    def rest(self) -> Figures:
        """Where they rest from here, along the hole's direction and to its right [m], shape (n, 2)."""
        c, s, energy = np.cos(0.5 * self.turn) ** 2, np.sin(0.5 * self.turn) ** 2, self.speed**2
        drag, pull = self.drag, self.pull
        left = energy * np.sin(self.turn) * (c / (2.0 * drag - pull) + s / (2.0 * drag + pull))
        down = 0.5 * energy * (c * c / (drag - pull) - s * s / (drag + pull))
        cos, sin = np.cos(self.downhill), np.sin(self.downhill)
        return np.column_stack([down * cos - left * sin, -(down * sin + left * cos)])

    @property
    def path_left_m(self) -> Figures:
        """Their path until rest [m]."""
        c, s = np.cos(0.5 * self.turn) ** 2, np.sin(0.5 * self.turn) ** 2
        drag, pull = self.drag, self.pull
        return np.asarray(
            0.5 * self.speed**2 * (c * c / (drag - pull) + 2.0 * c * s / drag + s * s / (drag + pull))
        )


def _when(balls: _Balls, early: Callable[[_Balls], NDArray[np.bool_]]) -> _Balls:
    """Return the balls where something is early no more, by halving the speed that they have lost."""
    low, high = np.zeros(len(balls.speed)), np.ones(len(balls.speed))
    least_loss = balls.drag - balls.pull
    for _ in range(HALVINGS):
        middle = 0.5 * (low + high)
        before = early(balls.after(-np.log1p(-middle) / least_loss))
        low, high = np.where(before, middle, low), np.where(before, high, middle)
    return balls.after(-np.log1p(-low) / least_loss)


def _balls(sets: PlaneSets, launches: Figures) -> _Balls:
    drag, pull, downhill = sets.frames
    turn = np.angle(np.exp(1j * (-launches[:, 0] - downhill)))
    return _Balls(drag, np.minimum(pull, UNHELD * drag), downhill, turn, launches[:, 1])


def last_ways_of_sets(sets: PlaneSets, launches: Figures, last_m: float) -> Figures:
    """Return the ways along which balls go over the last of their path.

    Parameters
    ----------
    sets : PlaneSets
        Figures of one putt.
    launches : ndarray
        Launch angle to the right [rad] and launch speed [m/s] of each set, shape (n, 2).
    last_m : float
        So much of the path before rest [m]; of a shorter one all.

    Returns
    -------
    ndarray
        Directions of the chords, to the right of the hole's [rad], shape (n,).
    """
    ahead, right = _when(_balls(sets, launches), lambda balls: balls.path_left_m > last_m).rest.T
    return np.asarray(np.arctan2(right, ahead))

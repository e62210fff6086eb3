"""A putt on a plane with its figures taken many times over: how each asks to be played, and what drops."""

import math
from dataclasses import dataclass
from typing import Any, Final

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.constants import CAPTURE_SPEED_MPS, HOLE_RADIUS_M, PULL_PER_SLOPE_MPS2
from orthocline.core.roll.ends import Ends
from orthocline.core.roll.green_speed import rolling_deceleration_mps2
from orthocline.core.roll.outcomes import FIGURES, MISS, RIM
from orthocline.core.roll.plane_aim import PAST, SPEED, aims_on_plane
from orthocline.core.roll.plane_outcomes import plane_outcomes
from orthocline.core.roll.putt import Pace, Point, RollPast

WIDENINGS: Final = 12
HALVINGS: Final = 8
"""An edge errs by less than a hundredth of the window's half: a bracket of a third of it, halved so often."""
GUESSES: Final = 2
CLOSE: Final = 0.01
"""A guessed edge is taken that is as near as this share of the window's half."""
TABLE = types.float64[:, ::1]


@dataclass(frozen=True)
class PlaneSets:
    """Figures of one putt, each an array of shape (n,).

    Attributes
    ----------
    length_m : ndarray
        From ball to hole [m].
    side, grade : ndarray
        Fall to the right, and rise toward the hole [ratio].
    green_speed_ft : ndarray
        Green speeds [ft].
    grain : ndarray
        Strengths of the grain.
    grain_toward_rad : ndarray
        The ways it grows [rad], counter-clockwise from the hole's direction.
    """

    length_m: NDArray[np.float64]
    side: NDArray[np.float64]
    grade: NDArray[np.float64]
    green_speed_ft: NDArray[np.float64]
    grain: NDArray[np.float64]
    grain_toward_rad: NDArray[np.float64]

    @property
    def frames(self) -> NDArray[np.float64]:
        """Drag and pull [m/s^2], and the way water runs [rad] from the hole's direction, shape (3, n)."""
        drag = rolling_deceleration_mps2(self.green_speed_ft)
        grown = self.grain * drag / PULL_PER_SLOPE_MPS2
        ahead = -self.grade + grown * np.cos(self.grain_toward_rad)
        left = -self.side + grown * np.sin(self.grain_toward_rad)
        return np.array([drag, PULL_PER_SLOPE_MPS2 * np.hypot(ahead, left), np.arctan2(left, ahead)])

    def launches(self, pace: Pace) -> NDArray[np.float64]:
        """Return the most direct launch of each set through the hole at a pace, or the nearest there is.

        Parameters
        ----------
        pace : RollPast or SpeedAtHole
            The pace asked for.

        Returns
        -------
        ndarray
            Rows of launch angle to the right [rad] and launch speed [m/s], shape (n, 2).
        """
        drag, pull, downhill = self.frames
        kind, asked = (PAST, pace.past_m) if isinstance(pace, RollPast) else (SPEED, pace.speed_mps)
        paces = np.full(len(drag), asked)
        rows = aims_on_plane(drag, pull, np.abs(downhill), self.length_m, kind, paces)
        return np.column_stack([np.where(downhill > 0.0, 1.0, -1.0) * rows[:, 0], rows[:, 1]])

    def windows(self, launches: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return between which start lines a ball drops, for each set at its launch's speed.

        Parameters
        ----------
        launches : ndarray
            A launch of each set, as `launches` returns them, shape (n, 2).

        Returns
        -------
        ndarray
            Rows of the first and the last launch angle to the right [rad] that drop, shape (n, 2); NaN where
            even the launch given does not.
        """
        return np.asarray(_windows(self.frames, self.length_m, np.ascontiguousarray(launches)))

    def launches_to(self, ahead_m: NDArray[np.float64], right_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the launch of each set whose ball stops at a place, the hole being covered.

        Parameters
        ----------
        ahead_m, right_m : ndarray
            The places, from the ball along its line to the hole and to the right of that [m], shape (n,).

        Returns
        -------
        ndarray
            Rows of launch angle to the right [rad] and launch speed [m/s], shape (n, 2). Where no ball rests
            there it is the launch that comes nearest: see `ends`.
        """
        turn = np.arctan2(right_m, ahead_m)
        cos, sin = np.cos(turn), np.sin(turn)
        there = PlaneSets(
            np.hypot(ahead_m, right_m),
            self.side * cos + self.grade * sin,
            self.grade * cos - self.side * sin,
            self.green_speed_ft,
            self.grain,
            self.grain_toward_rad + turn,
        )
        launches = there.launches(RollPast(0.0))
        launches[:, 0] += turn
        return launches

    def ends(self, launches: NDArray[np.float64]) -> Ends:
        """Return how the ball of each set ends.

        Parameters
        ----------
        launches : ndarray
            Launch angle to the right [rad] and launch speed [m/s] of each set, shape (n, 2).

        Returns
        -------
        Ends
            Of one ball each, as its golfer faces the hole.
        """
        rows = _outcomes(self.frames, self.length_m, np.ascontiguousarray(launches))
        return Ends(Point(0.0, 0.0), 0.0, rows)


@njit(types.UniTuple(types.float64, 2)(types.float64[::1], types.float64, types.float64), **KEPT)
def _passing(frame: Any, length_m: float, right_rad: float) -> tuple[float, float]:
    """Return miss and speed at the rim of a ball; `frame` has drag, pull, downhill and launch speed."""
    launch = np.array([[-right_rad, frame[3]]])
    row = plane_outcomes(0.0, 0.0, length_m, 0.0, frame[2], frame[0], frame[1], launch)[0]
    return row[MISS], row[RIM]


@njit(TABLE(TABLE, types.float64[::1], TABLE), **KEPT)
def _outcomes(frames: Any, length_m: Any, launches: Any) -> NDArray[np.float64]:
    """Return the outcome of each set's ball, on a map with the hole at its origin and the ball at -x."""
    found = np.empty((len(launches), FIGURES))
    launch = np.empty((1, 2))
    for i in range(len(launches)):
        launch[0, 0], launch[0, 1] = -launches[i, 0], launches[i, 1]
        found[i] = plane_outcomes(
            -length_m[i], 0.0, 0.0, 0.0, frames[2, i], frames[0, i], frames[1, i], launch
        )[0]
    return found


@njit(types.boolean(types.float64[::1], types.float64, types.float64), **KEPT)
def _drops(frame: Any, length_m: float, right_rad: float) -> bool:
    """Return whether a ball drops."""
    miss, rim_mps = _passing(frame, length_m, right_rad)
    share = miss / HOLE_RADIUS_M
    drops: bool = 0.0 <= rim_mps <= CAPTURE_SPEED_MPS * (1.0 - share * share)
    return drops


@njit(types.float64(types.float64[::1], types.float64, types.float64, types.float64), **KEPT)
def _sought(frame: Any, length_m: float, inside: float, step: float) -> float:
    """Return the last launch angle [rad] that drops, going from `inside` by steps."""
    outside = inside + step
    for _ in range(WIDENINGS):
        if not _drops(frame, length_m, outside):
            break
        inside, outside = outside, outside + step
    for _ in range(HALVINGS):
        middle = 0.5 * (inside + outside)
        if _drops(frame, length_m, middle):
            inside = middle
        else:
            outside = middle
    return inside


@njit(types.float64(types.float64[::1], types.float64, types.float64, types.float64), **KEPT)
def _edge(frame: Any, length_m: float, middle: float, step: float) -> float:
    """Return the last launch angle [rad] that drops, going from `middle` the way of a step.

    The miss grows with the angle, the speed hardly changes: the edge is guessed from a ball within it, and
    taken if it lies between one that drops and one that does not. Else it is looked for.
    """
    edge = middle + step
    for _ in range(GUESSES):
        miss, rim_mps = _passing(frame, length_m, edge)
        if rim_mps < 0.0 or rim_mps >= CAPTURE_SPEED_MPS or miss == 0.0:
            break
        reach = HOLE_RADIUS_M * math.sqrt(1.0 - rim_mps / CAPTURE_SPEED_MPS)
        edge = middle + (edge - middle) * reach / abs(miss)
    within, beyond = middle + (1.0 - CLOSE) * (edge - middle), middle + (1.0 + CLOSE) * (edge - middle)
    if _drops(frame, length_m, within) and not _drops(frame, length_m, beyond):
        return edge
    return _sought(frame, length_m, middle, step)


@njit(TABLE(TABLE, types.float64[::1], TABLE), **KEPT)
def _windows(frames: Any, length_m: Any, launches: Any) -> NDArray[np.float64]:
    """Return first and last launch angle to the right [rad] that drop, at each set's speed; NaN for none."""
    found = np.full((len(launches), 2), np.nan)
    for i in range(len(launches)):
        frame = np.array([frames[0, i], frames[1, i], frames[2, i], launches[i, 1]])
        if _drops(frame, length_m[i], launches[i, 0]):
            step = math.atan2(HOLE_RADIUS_M, length_m[i]) / 3.0
            found[i, 0] = _edge(frame, length_m[i], launches[i, 0], -step)
            found[i, 1] = _edge(frame, length_m[i], launches[i, 0], step)
    return found

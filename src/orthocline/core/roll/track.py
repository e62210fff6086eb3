"""A rolled ball: where it was, how fast and when, and what can be asked of that."""

import math
from dataclasses import dataclass
from typing import Any, Final

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.roll.putt import Point

T, X, Y, VX, VY, S = range(6)
COLUMNS: Final = 6
ROWS = types.float64[:, ::1]


@dataclass(frozen=True)
class Track:
    """The way of one ball.

    Attributes
    ----------
    samples : ndarray, shape (n, 6)
        Rows of t [s], x, y [m], vx, vy [m/s] and path length s [m], in the order of time. Between rows the
        way is the cubic Hermite curve in time, which errs by less than a micrometre at the steps taken.
    rests : bool
        Whether the ball comes to rest at the last row; if not it would roll on.
    """

    samples: NDArray[np.float64]
    rests: bool

    @property
    def finish(self) -> Point:
        """The place of the last row."""
        return Point(float(self.samples[-1, X]), float(self.samples[-1, Y]))

    @property
    def duration_s(self) -> float:
        """Time [s] of the last row."""
        return float(self.samples[-1, T])

    @property
    def length_m(self) -> float:
        """Path length [m] at the last row."""
        return float(self.samples[-1, S])

    @property
    def headings(self) -> NDArray[np.float64]:
        """Rows of path s [m] and heading [rad] as long as the ball moves, without jumps, shape (m, 2)."""
        rows = self.samples[np.hypot(self.samples[:, VX], self.samples[:, VY]) > 0.0]
        return np.column_stack([rows[:, S], np.unwrap(np.arctan2(rows[:, VY], rows[:, VX]))])

    def at_times(self, times_s: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return t, x, y, v, s at each time, shape (m, 5); times beyond the ends give the end."""
        return np.asarray(interpolate(self.samples, times_s))

    def even_times(self, start_s: float, end_s: float, count: int) -> NDArray[np.float64]:
        """Return `count` rows of t, x, y, v, s evenly spaced in time, shape (count, 5)."""
        return self.at_times(start_s + (end_s - start_s) / max(count - 1, 1) * np.arange(float(count)))


@njit(types.UniTuple(types.float64, 4)(ROWS, types.int64, types.float64), **KEPT)
def between(rows: Any, i: int, share: float) -> tuple[float, float, float, float]:
    """Return (x, y, vx, vy) at a share of the time between row `i` and the next, by cubic Hermite.

    Parameters
    ----------
    rows : ndarray
        Rows of a track: t [s], x, y [m], vx, vy [m/s], path s [m]; shape (n, 6).
    i : int
        Row before the step.
    share : float
        Share of the step's time, 0 to 1.

    Returns
    -------
    tuple of float
        Place [m] and velocity [m/s].
    """
    a, b = rows[i], rows[i + 1]
    h, f = b[0] - a[0], share
    rise, fall = f * f * (3.0 - 2.0 * f), f * (1.0 - f)
    x = a[1] + rise * (b[1] - a[1]) + h * fall * ((1.0 - f) * a[3] - f * b[3])
    y = a[2] + rise * (b[2] - a[2]) + h * fall * ((1.0 - f) * a[4] - f * b[4])
    return x, y, a[3] + f * (b[3] - a[3]), a[4] + f * (b[4] - a[4])


@njit(ROWS(ROWS, types.float64[::1]), **KEPT)
def interpolate(rows: Any, times_s: Any) -> Any:
    """Return t, x, y, v, s at each time: places by cubic Hermite, speed and path between the rows' own.

    Parameters
    ----------
    rows : ndarray
        Rows of a track: t [s], x, y [m], vx, vy [m/s], path s [m]; shape (n, 6).
    times_s : ndarray
        Times [s], shape (m,).

    Returns
    -------
    ndarray
        Rows of t [s], x, y [m], v [m/s], s [m], shape (m, 5).
    """
    out = np.empty((len(times_s), 5))
    last, i = len(rows) - 1, 0
    for k in range(len(times_s)):
        time = min(max(times_s[k], rows[0, T]), rows[last, T])
        if time < rows[i, T]:
            i = 0
        while i < last - 1 and rows[i + 1, T] <= time:
            i += 1
        a, b = rows[i], rows[i + 1]
        h = b[T] - a[T]
        f = (time - a[T]) / h if h > 0.0 else 0.0
        x, y, vx, vy = between(rows, i, f)
        v = math.sqrt(vx * vx + vy * vy)
        before = math.sqrt(a[VX] * a[VX] + a[VY] * a[VY])
        out[k, 0] = time
        out[k, 1], out[k, 2] = x, y
        out[k, 3] = v
        out[k, 4] = a[S] + 0.5 * h * f * (before + v)
    return out

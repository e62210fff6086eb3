"""Places on the way that a golfer can look at."""

import math
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll import Point, Putt, Track

FINE = 33
"""Points at which a few steps of a track are looked at between its rows."""
Rows = NDArray[np.float64]
TIME, X, Y = 0, 1, 2
"""Columns of a track's rows."""


@dataclass(frozen=True)
class Mark:
    """A place, and how it lies along the ball-hole line and to its right [m]."""

    place: Point
    along_m: float
    right_m: float

    @property
    def ahead_m(self) -> float:
        """Its straight distance [m] from the ball."""
        return math.hypot(self.along_m, self.right_m)


def mark_after(putt: Putt, track: Track, time_s: float) -> Mark:
    """Return where the ball is so long [s] after the start.

    Parameters
    ----------
    putt : Putt
        The putt.
    track : Track
        The ball's way.
    time_s : float
        Time [s] after the start, 0 to the end of the track.

    Returns
    -------
    Mark
        Where the ball is then.
    """
    _, x, y, _, _ = track.at_times(np.array([time_s]))[0]
    place = Point(float(x), float(y))
    return Mark(place, *putt.along_and_right_m(place))


def mark_members(mark: Mark) -> dict[str, Any]:
    """Return a mark as JSON data, lengths in metres.

    Parameters
    ----------
    mark : Mark
        A place along the putt.

    Returns
    -------
    dict
        Names and lengths [m].
    """
    return {
        "x_m": mark.place.x_m,
        "y_m": mark.place.y_m,
        "along_m": mark.along_m,
        "right_m": mark.right_m,
    }


def along_m(putt: Putt, rows: Rows) -> Rows:
    """Return how far [m] each row lies along the ball-hole line from the ball.

    Parameters
    ----------
    putt : Putt
        The putt.
    rows : ndarray
        Rows with x, y [m] in columns 1 and 2, shape (n, k).

    Returns
    -------
    ndarray
        Distances [m], shape (n,).
    """
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    return (rows[:, X] - putt.ball.x_m) * cos + (rows[:, Y] - putt.ball.y_m) * sin


def right_m(putt: Putt, rows: Rows) -> Rows:
    """Return how far [m] each row lies to the right of the ball-hole line.

    Parameters
    ----------
    putt : Putt
        The putt.
    rows : ndarray
        Rows with x, y [m] in columns 1 and 2, shape (n, k).

    Returns
    -------
    ndarray
        Distances [m], shape (n,), positive to the right.
    """
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    return (rows[:, X] - putt.ball.x_m) * sin - (rows[:, Y] - putt.ball.y_m) * cos


def between_rows(track: Track, first: int, steps: int) -> Rows:
    """Return `FINE` rows of t, x, y, v, s over some steps of a track.

    Parameters
    ----------
    track : Track
        The ball's way.
    first : int
        Row to begin at; below 0 is 0.
    steps : int
        Steps to go on for.

    Returns
    -------
    ndarray
        Rows of t [s], x, y [m], v [m/s], s [m], shape (33, 5).
    """
    low, high = max(first, 0), min(first + steps, len(track.samples) - 1)
    return track.even_times(float(track.samples[low, TIME]), float(track.samples[high, TIME]), FINE)

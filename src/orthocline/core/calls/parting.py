"""Where two balls of one putt part."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.calls.marks import Rows, along_m, right_m
from orthocline.core.constants import BALL_RADIUS_M
from orthocline.core.roll import Putt, Track

LOOKS: Final = 401
PLACES: Final = 201
APART_M: Final = 2.0 * BALL_RADIUS_M
"""Ways so far apart have parted: two balls would lie side by side."""


@dataclass(frozen=True)
class Parting:
    """How two ways part.

    Attributes
    ----------
    along_m : float or None
        How far along the ball-hole line they are a ball apart [m]; None where they are not before the hole,
        or before one of them ends.
    apart_m : float
        How far apart they are beside the hole, or where the shorter one ends [m].
    rests_m : float
        How far apart both balls rest, or are last followed to, the hole covered [m].
    """

    along_m: float | None
    apart_m: float
    rests_m: float


def parting_of(putt: Putt, one: Track, other: Track) -> Parting:
    """Return where two balls of a putt part.

    Parameters
    ----------
    putt : Putt
        The putt.
    one, other : Track
        Their ways.

    Returns
    -------
    Parting
        Where along the line, and how far at the hole and at rest [m].
    """
    ways = [track.even_times(0.0, track.duration_s, LOOKS) for track in (one, other)]
    reach = min(putt.length_m, *(float(along_m(putt, rows).max()) for rows in ways))
    places = np.linspace(0.0, reach, PLACES)
    gaps = np.abs(_beside(putt, ways[0], places) - _beside(putt, ways[1], places))
    wide = np.flatnonzero(gaps >= APART_M)
    rests = np.subtract(*(rows[-1, 1:3] for rows in ways))
    return Parting(float(places[wide[0]]) if len(wide) else None, float(gaps[-1]), float(np.hypot(*rests)))


def _beside(putt: Putt, rows: Rows, places: Rows) -> Rows:
    """Return how far right of the line [m] a ball first passes each place along it."""
    furthest = np.maximum.accumulate(along_m(putt, rows))
    ahead = np.concatenate([[True], np.diff(furthest) > 0.0])
    return np.asarray(np.interp(places, furthest[ahead], right_m(putt, rows)[ahead]))

"""The ball that rolls, as an eye follows it."""

import numpy as np

from orthocline.core.constants import BALL_RADIUS_M
from orthocline.core.roll import Track
from orthocline.drawing.roll.hole_frame import hole_frame
from orthocline.drawing.sight.sight import Sight

RATE_HZ = 30
LEAST = 3.0
"""A ball is drawn no smaller."""


def rolling_rows(track: Track, end_s: float, sight: Sight) -> list[list[float] | None]:
    """Return where a ball is on the sheet in even steps of time, and its radius; None while it is hidden."""
    end = min(end_s, track.duration_s)
    rows = track.even_times(0.0, end, max(2, int(end * RATE_HZ)))
    beyond, right = hole_frame(sight.putt, rows[:, 1:3])
    places = sight.ground(beyond, right) + np.array([0.0, 0.0, BALL_RADIUS_M])
    spots = sight.of(places)
    ahead, _ = sight.eye.ahead_and_aside(*places.T[:2])
    radii = np.maximum(sight.focal * BALL_RADIUS_M / np.maximum(ahead, BALL_RADIUS_M), LEAST)
    found = np.column_stack([spots, radii]).round(1)
    return [None if np.isnan(row).any() else row.tolist() for row in found]

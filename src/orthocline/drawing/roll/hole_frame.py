"""Places of a putt as the golfer faces the hole."""

import math

from orthocline.core.calls import Mark
from orthocline.core.roll import Putt
from orthocline.drawing.frame import PuttFrame
from orthocline.drawing.scene import Spot, Spots, spots_of


def hole_frame(putt: Putt, rows: Spots) -> tuple[Spots, Spots]:
    """Return how far beyond the hole, and right of it, the places (x, y) of rows lie [m]."""
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    east, north = rows[:, 0] - putt.hole.x_m, rows[:, 1] - putt.hole.y_m
    return east * cos + north * sin, east * sin - north * cos


def way_spots(putt: Putt, rows: Spots, frame: PuttFrame) -> Spots:
    """Return where the places (x, y) of rows lie on the sheet."""
    return frame.spots(*hole_frame(putt, rows))


def line_from_ball(putt: Putt, end_m: tuple[float, float], frame: PuttFrame) -> Spots:
    """Return the line from the ball to a place beyond the hole and right of it [m]."""
    return frame.path(spots_of((-putt.length_m, 0.0), end_m))


def wedge(putt: Putt, one_m: tuple[float, float], other_m: tuple[float, float], frame: PuttFrame) -> Spots:
    """Return the area between the lines from the ball to two places beyond the hole and right of it [m]."""
    ball = -putt.length_m, 0.0
    return frame.path(spots_of(ball, one_m, other_m, ball))[:-1]


def mark_spot(putt: Putt, mark: Mark, frame: PuttFrame) -> Spot:
    """Return where a mark along the putt lies on the sheet."""
    return frame.spot(mark.along_m - putt.length_m, mark.right_m)

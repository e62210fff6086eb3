"""One ball rolled on any ground, and whether it stays where it stopped."""

import math

import numpy as np

from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import Surface, ground_of
from orthocline.core.roll.accelerations import Accelerations
from orthocline.core.roll.integrator import REST_MPS, STEP_SHARE, trace
from orthocline.core.roll.putt import Point
from orthocline.core.roll.track import Track


def roll(
    surface: Surface,
    accelerations: Accelerations,
    start: Point,
    *,
    heading_rad: float,
    speed_mps: float,
    path_limit_m: float,
    step_share: float = STEP_SHARE,
) -> Track:
    """Return the track of a ball that starts rolling on any ground.

    Parameters
    ----------
    surface : Surface
        The ground.
    accelerations : Accelerations
        Drag, grain and wind.
    start : Point
        Where it starts [m].
    heading_rad : float
        Direction [rad] of the start, counter-clockwise from +x.
    speed_mps : float
        Speed [m/s] of the start.
    path_limit_m : float
        Path [m] after which the ball is followed no further.
    step_share : float
        Share of its speed that it loses in a step on level ground; where that is much, steps are also up to
        twice as long as the ground's own.

    Returns
    -------
    Track
        The ball's way.
    """
    vx, vy = speed_mps * math.cos(heading_rad), speed_mps * math.sin(heading_rad)
    row = np.array([0.0, start.x_m, start.y_m, vx, vy, 0.0])
    limits = np.array([path_limit_m, step_share, min(2.0, step_share / STEP_SHARE) * surface.step_m])
    rows = trace(ground_of(surface), accelerations.row, row, limits)
    slow = math.hypot(rows[-1, 3], rows[-1, 4]) < REST_MPS
    return Track(rows, rests=slow and holds_ball(surface, accelerations, Point(rows[-1, 1], rows[-1, 2])))


def holds_ball(surface: Surface, accelerations: Accelerations, place: Point) -> bool:
    """Return whether a ball at rest stays there: slope, grain and wind no stronger than the drag.

    Parameters
    ----------
    surface : Surface
        The ground.
    accelerations : Accelerations
        Drag, grain and wind.
    place : Point
        Where [m].

    Returns
    -------
    bool
        Whether a ball stays there.
    """
    rise_east, rise_north = surface.slope(place.x_m, place.y_m, surface.parameters)
    push_east, push_north = accelerations.push_at_rest_mps2
    east, north = push_east - PULL_PER_SLOPE_MPS2 * rise_east, push_north - PULL_PER_SLOPE_MPS2 * rise_north
    return bool(math.hypot(east, north) < accelerations.drag_mps2)

"""Another launch than the read's: the golfer's own aim at the read's pace, or one that is tried."""

import math
from dataclasses import dataclass

import numpy as np

from orthocline.core.roll.aim import WIDEST_AIM_RAD, Aim, Launch
from orthocline.core.roll.capture import Capture, capture_of
from orthocline.core.roll.putt import Point, Putt
from orthocline.core.roll.rollers import roller
from orthocline.core.roll.track import Track

SHORT_CLOSE_M = 1e-3
LOOKS = 401
"""How often a ball's way is looked at for the side on which it passes."""


@dataclass(frozen=True)
class OwnRoll:
    """The ball of one launch.

    Attributes
    ----------
    aim_right_m : float
        Where it starts for [m] at the hole's distance, positive to the right; held within 60 degrees.
    launch : Launch
    track : Track
    capture : Capture
        How it meets the hole.
    passed_right_m : float
        On which side it passes: how far [m] its closest point lies to the right of the hole.
    finish_along_m, finish_right_m : float
        Where it rests (or is last followed to), beyond the hole and to its right [m]; the hole is the
        origin.
    """

    aim_right_m: float
    launch: Launch
    track: Track
    capture: Capture
    passed_right_m: float
    finish_along_m: float
    finish_right_m: float

    @property
    def short(self) -> bool:
        """Whether it rests before it has come to the hole, rather than beside it."""
        away = math.hypot(self.finish_along_m, self.finish_right_m)
        nearest = self.track.rests and away - self.capture.closest_m < SHORT_CLOSE_M
        return nearest and -self.finish_along_m > abs(self.finish_right_m)


def roll_of(putt: Putt, aim: Aim, launch: Launch) -> OwnRoll:
    """Return the roll of a launch near the solved one.

    Parameters
    ----------
    putt : Putt
        The putt.
    aim : Aim
        Its solved aim.
    launch : Launch
        The launch, less than a quarter turn off the hole's direction.

    Returns
    -------
    OwnRoll
        The ball and how it ends.
    """
    track = roller(putt, aim)(launch)
    along, right = putt.along_and_right_m(track.finish)
    return OwnRoll(
        putt.length_m * math.tan(min(max(launch.right_rad, -WIDEST_AIM_RAD), WIDEST_AIM_RAD)),
        launch,
        track,
        capture_of(track, putt.hole),
        _passed_right_m(putt, track),
        along - putt.length_m,
        right,
    )


def _passed_right_m(putt: Putt, track: Track) -> float:
    rows = track.even_times(0.0, track.duration_s, LOOKS)
    nearest = np.argmin(np.hypot(rows[:, 1] - putt.hole.x_m, rows[:, 2] - putt.hole.y_m))
    return putt.along_and_right_m(Point(float(rows[nearest, 1]), float(rows[nearest, 2])))[1]

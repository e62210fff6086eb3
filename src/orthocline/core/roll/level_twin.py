"""The level twin: the same strike on level ground, as a coin to putt to."""

import math
from dataclasses import dataclass


@dataclass(frozen=True)
class LevelTwin:
    """Where the coin lies, seen from the ball.

    Attributes
    ----------
    plays_like_m : float
        Distance [m] from the ball to the coin along the launch line; the moved hole is as far on the
        ball-hole line.
    along_m, right_m : float
        The coin along the ball-hole line from the ball, and to its right [m].
    """

    plays_like_m: float
    along_m: float
    right_m: float


def level_twin(
    launch_speed_mps: float, launch_right_rad: float, drag_mps2: float, past_m: float
) -> LevelTwin:
    """Return the coin to which the same strike would roll on level ground with the same roll-past.

    The strike stops there after v0^2/(2d); less the roll-past (0 where the ball would not rest) that is how
    far the putt plays.
    """
    plays_like = launch_speed_mps**2 / (2.0 * drag_mps2) - past_m
    return LevelTwin(
        plays_like,
        plays_like * math.cos(launch_right_rad),
        plays_like * math.sin(launch_right_rad),
    )

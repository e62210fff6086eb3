"""Stand-ins for the desk: a stroke drawn back along a ruler, and a roller that makes no error."""

import math
from dataclasses import dataclass
from typing import Final

from orthocline.core.account import Golfer
from orthocline.core.draws import LARGEST_SEED, Draws
from orthocline.core.roll import Launch

NEXT: Final = 7_919
"""From one ball of a seed to the next."""
LATEST: Final = 0.5
"""A stroke is let go at most so much of a beat early or late."""


@dataclass(frozen=True)
class Swing:
    """A stroke as it is made on the ruler.

    Attributes
    ----------
    stroke_m : float
        How far the putter is drawn back and goes through, in all [m].
    late_s : float
        How long after the beat it is let go [s]; before it less than 0.
    aim_rad : float
        Where the face points, to the right of the hole [rad].
    """

    stroke_m: float
    late_s: float
    aim_rad: float


def swing_launch(swing: Swing, rate_per_s: float, beat_s: float) -> Launch:
    """Return the launch that a stroke means, before anything scatters.

    Parameters
    ----------
    swing : Swing
        The stroke.
    rate_per_s : float
        The golfer's launch speed per length of stroke [1/s].
    beat_s : float
        One beat [s], above 0.

    Returns
    -------
    Launch
        Whoever lets go late takes so much longer to the ball, and strikes it so much softer: the speed goes
        with beat / (beat + late), the lateness held within half a beat.
    """
    late = max(-LATEST * beat_s, min(swing.late_s, LATEST * beat_s))
    return Launch(swing.aim_rad, rate_per_s * swing.stroke_m * beat_s / (beat_s + late))


def struck(launch: Launch, golfer: Golfer, length_m: float, seed: int, number: int) -> Launch:
    """Return a launch as a golfer strikes it: the start line, the ground and the energy scatter.

    Parameters
    ----------
    launch : Launch
        What is meant.
    golfer : Golfer
        Who putts; nothing is read, so the spread of the read is left aside.
    length_m : float
        From ball to hole [m].
    seed, number : int
        Chance: the same ball of the same seed scatters the same.

    Returns
    -------
    Launch
        What is struck.
    """
    aside, energy = Draws((seed * NEXT + number) % LARGEST_SEED).normal(2).tolist()
    sideways = golfer.sideways_rad(0.0, length_m)
    share = max(1.0 + golfer.energy * energy, 0.0)
    return Launch(launch.right_rad + sideways * aside, launch.speed_mps * math.sqrt(share))

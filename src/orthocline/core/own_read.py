"""My read first: the roll that the golfer's own aim would have given at the read's pace."""

import math
from dataclasses import dataclass

from orthocline.core.aim import Aim, Launch, roller
from orthocline.core.capture import Meeting, meet
from orthocline.core.putt import Putt
from orthocline.core.track import Track


@dataclass(frozen=True)
class OwnRoll:
    """The ball that starts at the golfer's own aim spot, as fast as the read says.

    Attributes
    ----------
    aim_right_m : float
        The golfer's aim [m] at the hole's distance, positive to the right.
    track : Track
    meeting : Meeting
        How it meets the hole.
    finish_along_m, finish_right_m : float
        Where it rests (or is last followed to), beyond the hole and to its right [m]; the hole is the
        origin.
    """

    aim_right_m: float
    launch: Launch
    track: Track
    meeting: Meeting
    finish_along_m: float
    finish_right_m: float


def own_roll(putt: Putt, aim: Aim, aim_right_m: float) -> OwnRoll:
    """Return the roll of the golfer's own aim (how far right of the hole's centre [m], at its distance)."""
    launch = Launch(math.atan2(aim_right_m, putt.length_m), aim.launch.speed_mps)
    track = roller(putt, aim)(launch)
    along, right = putt.along_and_right_m(track.finish)
    return OwnRoll(aim_right_m, launch, track, meet(track, putt.hole), along - putt.length_m, right)

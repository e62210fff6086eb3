"""The beat: when to sound what, for a tempo and for the one-second count."""

from dataclasses import dataclass
from typing import Literal

from orthocline.core.speed.stroke import BACK_S, THROUGH_S

REST_S = 2.1
"""From one strike to the next start of the stroke: time to look, and to set the next ball."""
Sound = Literal["start", "top", "strike", "mark"]


@dataclass(frozen=True)
class Beat:
    """A cycle of sounds: when each sounds [s] after the cycle's start, and how long the cycle is [s]."""

    sounds: tuple[tuple[Sound, float], ...]
    period_s: float


def tempo_beat(back_s: float = BACK_S, through_s: float = THROUGH_S, *, count: bool = True) -> Beat:
    """Return the beat of a stroke: start, top and strike, and one second later the mark if `count`.

    Two to one is 0.6 s back and 0.3 s to the ball. The count ends one second after the strike, as the ball
    should pass its beat mark.

    Parameters
    ----------
    back_s : float
        Time [s] to the top of the stroke.
    through_s : float
        Time [s] from there to the ball.
    count : bool
        Whether the mark sounds.

    Returns
    -------
    Beat
        Its sounds and period [s].
    """
    strike = back_s + through_s
    sounds: list[tuple[Sound, float]] = [("start", 0.0), ("top", back_s), ("strike", strike)]
    if count:
        sounds.append(("mark", strike + 1.0))
    return Beat(tuple(sounds), strike + REST_S)

"""The beat: when to sound what, for a tempo and for the count to the beat mark."""

from dataclasses import dataclass
from typing import Literal

BACK_RANGE_S = (0.3, 1.2)
"""Between which the time [s] to the top of a stroke lies."""
BEAT_RANGE_S = (0.8, 2.0)
"""Between which a golfer's beat [s] lies."""
REST_S = 1.1
"""From the mark to the next start of the stroke: time to look, and to set the next ball."""
Sound = Literal["start", "top", "strike", "mark"]


@dataclass(frozen=True)
class Tempo:
    """A golfer's tempo of two to one, the usual one until theirs is known.

    Attributes
    ----------
    back_s : float
        Time [s] to the top of the stroke, within `BACK_RANGE_S`; half of it leads from there to the ball.
    beat_s : float
        One beat [s], from the strike to the mark, within `BEAT_RANGE_S`.
    """

    back_s: float = 0.6
    beat_s: float = 1.0


@dataclass(frozen=True)
class Beat:
    """A cycle of sounds: when each sounds [s] after the cycle's start, and how long the cycle is [s]."""

    sounds: tuple[tuple[Sound, float], ...]
    period_s: float


def tempo_beat(tempo: Tempo) -> Beat:
    """Return the beat of a stroke: start, top and strike, and one beat later the mark.

    The ball should pass its beat mark with the last sound.

    Parameters
    ----------
    tempo : Tempo
        The golfer's.

    Returns
    -------
    Beat
        Its sounds and period [s].
    """
    strike = 1.5 * tempo.back_s
    mark = strike + tempo.beat_s
    sounds: tuple[tuple[Sound, float], ...] = (
        ("start", 0.0),
        ("top", tempo.back_s),
        ("strike", strike),
        ("mark", mark),
    )
    return Beat(sounds, mark + REST_S)

"""How hard a question is, and the staircase that keeps it as hard as a golfer can bear."""

from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from orthocline.core.units import PERCENT

EASIEST, HARDEST = 0.0, 10.0
START: Final = 2.0
GOOD_SHARE: Final = 0.7
"""So many answers are to be good."""
FIRST_STEP, STEP, SOONER = 1.8, 0.6, 6
"""Up and down together: of the first answers, and of those after as many as `SOONER`."""
DECIMALS: Final = 2


class Cue(StrEnum):
    """What the ground shows of itself."""

    HORIZON = "horizon"
    """A grid, and the horizon."""
    GRID = "grid"
    """A grid alone."""
    SUN = "sun"
    """Light and shade of a low sun."""
    SHEEN = "sheen"
    """The sheen of the grass, and nothing else."""


CUES: Final = ((2.5, Cue.HORIZON), (5.0, Cue.GRID), (7.5, Cue.SUN), (HARDEST + 1.0, Cue.SHEEN))
"""Below which level each is given."""


@dataclass(frozen=True)
class Hardness:
    """What a level means for a putt that is made up.

    Attributes
    ----------
    cue : Cue
        What the ground shows.
    green_speed_ft : float
        Green speed [ft].
    slope_sd : float
        How far the slope strays from its plane [ratio].
    field_m : float
        Over which length it changes [m].
    along : float
        How near the putt may lie to straight up or down the fall [share of a right angle].
    """

    cue: Cue
    green_speed_ft: float
    slope_sd: float
    field_m: float
    along: float


def hardness(level: float) -> Hardness:
    """Return what a level means: faster, more uneven, nearer to straight, with fewer cues the higher it is.

    Parameters
    ----------
    level : float
        From `EASIEST` to `HARDEST` [1].

    Returns
    -------
    Hardness
        What it means.
    """
    share = level / HARDEST
    cue = next(cue for below, cue in CUES if level < below)
    return Hardness(cue, 8.0 + 5.0 * share, 1.2 * PERCENT * share, 9.0 - 5.0 * share, 0.35 - 0.25 * share)


def level_after(level: float, answered: int, *, good: bool) -> float:
    """Return the level after one more answer.

    Parameters
    ----------
    level : float
        The level at which it was asked [1].
    answered : int
        How many were answered before it: the first steps are wide.
    good : bool
        Whether it was good.

    Returns
    -------
    float
        Held within `EASIEST` and `HARDEST` [1].

    Notes
    -----
    A weighted up-down staircase (Kaernbach 1991, Perception & Psychophysics 49, 227): it rests where
    p up = (1 - p) down, so that with up = (1 - p) step and down = p step a share p of answers is good.
    """
    step = FIRST_STEP if answered < SOONER else STEP
    moved = level + ((1.0 - GOOD_SHARE) * step if good else -GOOD_SHARE * step)
    return round(min(max(moved, EASIEST), HARDEST), DECIMALS)

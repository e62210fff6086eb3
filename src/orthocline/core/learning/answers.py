"""How the errors that a finish implies answer to the ground: what its doubt is worth in them."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.learning.grounds import STEPS, Figures, grounds_of, slope_sds
from orthocline.core.learning.played import Played
from orthocline.core.log import Finish
from orthocline.core.roll import PuttError

ERRORS: Final = np.vstack([np.zeros(3), np.diag(STEPS), -np.diag(STEPS)])


@dataclass(frozen=True)
class Answers:
    """Errors of start line [rad, to the right] and energy [share] that end in a place, and their answers.

    Attributes
    ----------
    off : ndarray, shape (2,)
    by_ground : ndarray, shape (3, 2)
        Their change per ratio of fall to the right and of rise, and per foot of green speed.
    """

    off: Figures
    by_ground: Figures


def answers_of(played: Played, finish: Finish) -> Answers | None:
    """Return the errors of a putt that end in a place, and how they answer to the ground.

    Parameters
    ----------
    played : Played
        The putt.
    finish : Finish
        The place.

    Returns
    -------
    Answers or None
        None where no launch ends there.
    """
    places = np.tile((finish.along_m, finish.across_m), (len(ERRORS), 1))
    try:
        launches = grounds_of(played.putt, played.read.aim, ERRORS).launches_to(places)
    except (PuttError, ValueError):
        return None
    meant = played.meant
    off = np.column_stack(
        [launches[:, 0] - meant.right_rad, np.square(launches[:, 1] / meant.speed_mps) - 1.0]
    )
    if not np.isfinite(off).all():
        return None
    return Answers(off[0], (off[1:4] - off[4:7]) / (2.0 * STEPS[:, None]))


def doubt_of(played: Played) -> Figures:
    """Return what the doubt of the ground is worth in the errors that a putt implies.

    Parameters
    ----------
    played : Played
        The putt.

    Returns
    -------
    ndarray
        Standard deviations of start line [rad] and energy [share], shape (2,); 0 where all is certain.
    """
    side, grade = slope_sds(played.read, played.uncertainty)
    sds = np.array([side, grade, played.uncertainty.green_speed_ft])
    if not sds.any():
        return np.zeros(2)
    there = played.finish or Finish(played.read.aim.past_m or 0.0, 0.0)
    found = answers_of(played, there)
    return np.zeros(2) if found is None else np.hypot.reduce(sds[:, None] * found.by_ground, axis=0)

"""What still serves: the putt solved, the aims that drop, and how far off their middle an answer is."""

import math
from typing import Final

from orthocline.core.estimate import Span
from orthocline.core.roll import Putt, PuttError, Read, read
from orthocline.core.train.putts import NoPuttError

FURTHEST: Final = 20.0
"""An answer is taken for no further off than so many times what still serves."""


def solved_putt(putt: Putt) -> Read:
    """Return the read of a putt.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Read
        The read.

    Raises
    ------
    NoPuttError
        When no ball reaches its hole.
    """
    try:
        return read(putt)
    except PuttError as error:
        raise NoPuttError(str(error)) from error


def held(off: float) -> float:
    """Return how far an answer is off, held within `FURTHEST`.

    Parameters
    ----------
    off : float
        As a multiple of what still serves [1].

    Returns
    -------
    float
        The same, or the furthest on its side [1].
    """
    return max(-FURTHEST, min(off, FURTHEST))


def off_middle(figure: float, serves: Span) -> float:
    """Return how far a figure is off the middle of what serves.

    Parameters
    ----------
    figure : float
        The figure [any unit].
    serves : Span
        Between what it serves [the same unit].

    Returns
    -------
    float
        0 in the middle, -1 and 1 at the ends [1].
    """
    return held((figure - 0.5 * (serves.least + serves.most)) / (0.5 * serves.width))


def aims_that_drop(solved: Read) -> Span:
    """Return the aims of a putt whose ball still drops at the read's pace.

    Parameters
    ----------
    solved : Read
        The solved putt.

    Returns
    -------
    Span
        Beside the hole's centre [m], positive to the right.

    Raises
    ------
    NoPuttError
        When none does.
    """
    window = solved.make_window
    if window is None:
        raise NoPuttError("no ball drops on this putt")
    length = solved.putt.length_m
    return Span(*(length * math.tan(end) for end in (window.right_rad.least, window.right_rad.most)))

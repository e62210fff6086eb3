"""What is noted of a putt beside its finish. Sides are -1 for left, 0 for neither and 1 for right."""

from dataclasses import dataclass
from typing import Final, NamedTuple

from orthocline.core.constants import HOLE_RADIUS_M

MOST_HOLES: Final = 18
MOST_PUTTS: Final = 9
"""Nobody counts more putts on one green."""


@dataclass(frozen=True)
class Seen:
    """What was seen of a roll; None where nothing was.

    Attributes
    ----------
    started_right : int or None
        To which side of the line that was meant the ball left.
    passed_right : int or None
        On which side of the hole it passed, or fell in.
    gate_touched : bool or None
        Whether it touched a gate on its way.
    struck_centre : bool or None
        Whether the middle of the face struck it.
    """

    started_right: int | None = None
    passed_right: int | None = None
    gate_touched: bool | None = None
    struck_centre: bool | None = None


class Ground(NamedTuple):
    """What a putt was read on: the mean fall to the right and rise to the hole [ratio], the speed [ft]."""

    tilt_right: float
    grade: float
    speed_ft: float


@dataclass(frozen=True)
class Judged:
    """What a golfer says of a putt after the hole, apart from its result; None where nothing is said.

    Attributes
    ----------
    read, line, pace : bool or None
        Whether each was right.
    committed : bool or None
        Whether the stroke was meant as it was read.
    """

    read: bool | None = None
    line: bool | None = None
    pace: bool | None = None
    committed: bool | None = None


UNSEEN: Final = Seen()
NOT_JUDGED: Final = Judged()


def breaks_right(aim_right_m: float) -> int:
    """Return the way a putt breaks, by the aim that it asks for.

    Parameters
    ----------
    aim_right_m : float
        How far right of the hole's centre it is aimed [m].

    Returns
    -------
    int
        -1 for one that breaks left, 1 for one that breaks right; 0 where the aim lies in the hole [1].
    """
    if abs(aim_right_m) < HOLE_RADIUS_M:
        return 0
    return -1 if aim_right_m > 0.0 else 1

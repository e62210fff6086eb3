"""What to do about reads that see too much or too little: so much of the own read, where that is so."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.learning.reads import Aimed, Reads
from orthocline.core.units import FOOT_M

FACTORS: Final = (0.5, 0.67, 0.75, 0.9, 1.1, 1.25, 1.33, 1.5, 1.75, 2.0)
"""A golfer can take so much of a read without a pencil."""
LONG_M: Final = 10.0 * FOOT_M
"""Where only long putts are misread, these are long."""
LEAST_OFF: Final = 0.12
"""A factor nearer to 1, as a logarithm, is left alone."""


@dataclass(frozen=True)
class Correction:
    """So much of the own read is taken, on some putts.

    Attributes
    ----------
    method : str
        In whose words the read is.
    breaks : int
        -1 for putts that break left, 1 for those that break right, 0 for both.
    least_m : float
        On putts of this length [m] and more.
    factor : float
        By which the read's aim is multiplied.
    """

    method: str
    breaks: int
    least_m: float
    factor: float

    def applies(self, method: str, breaks: int, length_m: float) -> bool:
        """Return whether it is meant for a read.

        Parameters
        ----------
        method : str
            In whose words it is.
        breaks : int
            -1 for a putt that breaks left, 1 for right, 0 for neither [1].
        length_m : float
            From ball to hole [m].

        Returns
        -------
        bool
            Whether it is.
        """
        sided = breaks == self.breaks if self.breaks else breaks != 0
        return method == self.method and sided and length_m >= self.least_m


def corrections_of(aimed: Aimed, usual_sd: float) -> tuple[Correction, ...]:
    """Return the corrections that a log suggests.

    By each method one on each side, at most, where enough reads say surely that too much or too little break
    is seen; on long putts alone where short ones are read otherwise. Where neither side has enough of them,
    and both are alike, one for both.

    Parameters
    ----------
    aimed : Aimed
        The reads.
    usual_sd : float
        Spread of the reads of a usual golfer [share].

    Returns
    -------
    tuple of Correction
        None for reads that are right, as far as is known.
    """
    found: list[Correction] = []
    for method in sorted(set(aimed.methods)):
        by = aimed.by(method)
        left, right = by & aimed.falls_left, by & ~aimed.falls_left
        sides = [_suggested(aimed, usual_sd, method, -1, left), _suggested(aimed, usual_sd, method, 1, right)]
        known = [one for one in sides if one]
        some = [aimed.reads(side, usual_sd) for side in (left, right)]
        if not known and not any(one.own for one in some) and not _apart(*some):
            both = _suggested(aimed, usual_sd, method, 0, by)
            known = [both] if both else []
        found += known
    return tuple(found)


def _suggested(
    aimed: Aimed, usual_sd: float, method: str, breaks: int, there: NDArray[np.bool_]
) -> Correction | None:
    every = aimed.reads(there, usual_sd)
    far = aimed.reads(there & (aimed.length_m >= LONG_M), usual_sd)
    near = aimed.reads(there & (aimed.length_m < LONG_M), usual_sd)
    only_far = _apart(far, near) and _off(far) > _off(near)
    of, least_m = (far, LONG_M) if only_far else (every, 0.0)
    if of.own and (of.short or of.long) and _off(of) >= LEAST_OFF:
        return Correction(method, breaks, least_m, _factor(of))
    return None


def correction_for(
    corrections: Sequence[Correction], method: str, breaks: int, length_m: float
) -> Correction | None:
    """Return the correction that is meant for a read.

    Parameters
    ----------
    corrections : sequence of Correction
        Those that are switched on.
    method : str
        In whose words the read is.
    breaks : int
        -1 for a putt that breaks left, 1 for right, 0 for neither [1].
    length_m : float
        From ball to hole [m].

    Returns
    -------
    Correction or None
        None where none is meant.
    """
    return next((one for one in corrections if one.applies(method, breaks, length_m)), None)


def _off(reads: Reads) -> float:
    return abs(math.log(reads.factor.value))


def _apart(one: Reads, other: Reads) -> bool:
    """Return whether two factors surely differ."""
    return one.factor.least > other.factor.most or one.factor.most < other.factor.least


def _factor(reads: Reads) -> float:
    return min(FACTORS, key=lambda factor: abs(math.log(factor * reads.factor.value)))

"""What to do about reads that see too much or too little: so much of the own read, where that is so."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from orthocline.core.learning.reads import Aimed, Reads
from orthocline.core.units import FOOT_M

FACTORS: Final = (0.5, 0.67, 0.75, 0.9, 1.1, 1.25, 1.33, 1.5, 1.75, 2.0)
"""A golfer can take so much of a read without a pencil."""
LONG_M: Final = 10.0 * FOOT_M
"""Where only long putts are misread, these are long."""
LEAST_OFF: Final = 0.08
"""A factor nearer to 1, as a logarithm, is left alone."""


@dataclass(frozen=True)
class Correction:
    """So much of the own read is taken, on some putts.

    Attributes
    ----------
    method : str
        In whose words the read is.
    breaks : int
        -1 for putts that break left, 1 for those that break right.
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
        return method == self.method and breaks == self.breaks and length_m >= self.least_m


def corrections_of(aimed: Aimed, usual_sd: float) -> tuple[Correction, ...]:
    """Return the corrections that a log suggests.

    By each method and on each side one, at most, where enough reads say surely that too much or too little
    break is seen; on long putts alone where short ones are read otherwise.

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
    found = []
    for method in sorted(set(aimed.methods)):
        for breaks in (-1, 1):
            there = aimed.by(method) & (aimed.falls_left if breaks < 0 else ~aimed.falls_left)
            every = aimed.reads(there, usual_sd)
            far = aimed.reads(there & (aimed.length_m >= LONG_M), usual_sd)
            near = aimed.reads(there & (aimed.length_m < LONG_M), usual_sd)
            only_far = _apart(far, near) and _off(far) > _off(near)
            of, least_m = (far, LONG_M) if only_far else (every, 0.0)
            if of.own and (of.short or of.long) and _off(of) >= LEAST_OFF:
                found.append(Correction(method, breaks, least_m, _factor(of)))
    return tuple(found)


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

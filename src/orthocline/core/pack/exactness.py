"""How near what lies between solved reads is to what the solver says there."""

import math
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Final

from orthocline.core.units import INCH_M

NEAR_M, NEAR_SHARE = 0.5 * INCH_M, 0.05
"""An aim is near enough within so much, or so much of the break."""
LEAST_SHARE: Final = 0.95


@dataclass(frozen=True)
class Exactness:
    """How exact a pack is.

    Attributes
    ----------
    reads : int
        So many were compared.
    near : float
        What share of them it has within half an inch, or five percent of the break.
    within_m : float
        Within so much 95 of 100 aims lie that it has [m].
    missing : float
        The share of reads that it does not have.
    """

    reads: int
    near: float
    within_m: float
    missing: float

    @property
    def good(self) -> bool:
        """Whether enough of them are near."""
        return self.near >= LEAST_SHARE


def near_enough(said_m: float, true_m: float) -> bool:
    """Return whether an aim that was told is as good as the solver's.

    Parameters
    ----------
    said_m, true_m : float
        Aims from the hole's centre to the right [m]: as it was told, and as the solver has it.

    Returns
    -------
    bool
        Whether they lie within half an inch, or five percent of the break.
    """
    return abs(said_m - true_m) <= max(NEAR_M, NEAR_SHARE * abs(true_m))


def exactness_of(pairs: Iterable[tuple[float | None, float]]) -> Exactness:
    """Return how exact a pack is.

    Parameters
    ----------
    pairs : iterable of (float or None, float)
        Aims from the hole's centre to the right [m]: as the pack has it, None for none, and as the solver
        has it.

    Returns
    -------
    Exactness
        Of all of them.
    """
    told = list(pairs)
    known = [(said, true) for said, true in told if said is not None]
    off = sorted(abs(said - true) for said, true in known)
    near = sum(near_enough(said, true) for said, true in known)
    within = off[math.ceil(LEAST_SHARE * len(off)) - 1] if off else 0.0
    return Exactness(len(told), near / max(len(told), 1), within, 1.0 - len(known) / max(len(told), 1))

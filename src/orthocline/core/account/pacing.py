"""The golfer's own measures: the stride from paces against a tape."""

from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.estimate import Estimate, mean_estimate
from orthocline.core.instruments import PACING_SD


@dataclass(frozen=True)
class StrideTry:
    """So many paces along so much tape [m]."""

    paces: float
    tape_m: float


def stride(tries: Sequence[StrideTry]) -> Estimate | None:
    """Return the length of a pace [m]; None for no tries."""
    if not tries:
        return None
    return mean_estimate([one.tape_m / one.paces for one in tries], PACING_SD)

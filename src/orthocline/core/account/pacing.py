"""The golfer's own measures: the stride from paces against a tape."""

from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.estimate import Estimate, mean_estimate
from orthocline.core.instruments import PACING_SD


@dataclass(frozen=True)
class PacedTape:
    """So many paces along so much tape [m]."""

    paces: float
    tape_m: float


def stride(trials: Sequence[PacedTape]) -> Estimate | None:
    """Return the length of a pace [m]; None for no trials.

    Parameters
    ----------
    trials : sequence of PacedTape
        Paces counted along lengths of tape.

    Returns
    -------
    Estimate or None
        Length of a pace [m] and how sure it is; None for no trials.
    """
    if not trials:
        return None
    return mean_estimate([one.tape_m / one.paces for one in trials], PACING_SD)

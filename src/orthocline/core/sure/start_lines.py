"""Which start lines drop at the pace asked for: surely, perhaps, or never, given how sure the figures are."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.estimate import Span

FAN_SETS: Final = 256
"""Sets whose windows are looked for: each takes a score of rolls, and the eye sees no more."""


@dataclass(frozen=True)
class StartLines:
    """The windows of the inputs' sets, each at its own launch speed for the pace.

    Attributes
    ----------
    firsts, lasts : ndarray
        First and last launch angles [rad] to the right that drop, each in order, shape (n,).
    sets : int
        How many sets there are; for those beyond n no line drops at all.
    """

    firsts: NDArray[np.float64]
    lasts: NDArray[np.float64]
    sets: int

    @property
    def perhaps(self) -> Span:
        """Between the outermost lines that drop for any of the sets."""
        return Span(float(self.firsts[0]), float(self.lasts[-1]))

    @property
    def surely(self) -> Span | None:
        """Between the lines that drop for all of the sets; None where none does."""
        first, last = float(self.firsts[-1]), float(self.lasts[0])
        return Span(first, last) if first < last and len(self.firsts) == self.sets else None

    def share(self, right_rad: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return for how many of the sets lines drop.

        Parameters
        ----------
        right_rad : ndarray
            Launch angles [rad] to the right.

        Returns
        -------
        ndarray
            Shares, 0 to 1, of the same shape.
        """
        begun = np.searchsorted(self.firsts, right_rad, "right")
        ended = np.searchsorted(self.lasts, right_rad, "left")
        return np.asarray((begun - ended) / self.sets)


def start_lines_of(windows: NDArray[np.float64]) -> StartLines | None:
    """Return which start lines drop, of windows that may not all be there.

    Parameters
    ----------
    windows : ndarray
        First and last launch angle [rad] that drop for each set; NaN for a set without one. Shape (n, 2).

    Returns
    -------
    StartLines or None
        None where nothing drops for any of the sets. A set without a window counts: no line drops for it.
    """
    there = windows[~np.isnan(windows[:, 0])]
    if not len(there):
        return None
    return StartLines(np.sort(there[:, 0]), np.sort(there[:, 1]), len(windows))

"""Chance that a seed gives: the same on every machine, for ever."""

from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtri

LARGEST_SEED: Final = 2**31 - 1
BITS: Final = 53


class Draws:
    """Numbers drawn one after another.

    Only the generator's raw bits are used, which stay the same from one version of NumPy to the next; what
    NumPy makes of them for a distribution may change.

    Parameters
    ----------
    seed : int
        From 0 to `LARGEST_SEED`.
    """

    def __init__(self, seed: int) -> None:
        self._bits = np.random.PCG64(seed)

    def evenly(self, least: float, most: float) -> float:
        """Return a figure drawn evenly between two.

        Parameters
        ----------
        least, most : float
            In any unit.

        Returns
        -------
        float
            Between them.
        """
        return least + (most - least) * float(self._shares(1)[0])

    def one_of(self, count: int) -> int:
        """Return a number drawn evenly below a count.

        Parameters
        ----------
        count : int
            1 or more.

        Returns
        -------
        int
            From 0 to below the count.
        """
        return min(int(self.evenly(0.0, float(count))), count - 1)

    def normal(self, count: int) -> NDArray[np.float64]:
        """Return figures of the normal distribution.

        Parameters
        ----------
        count : int
            How many.

        Returns
        -------
        ndarray
            Standard normal [1], shape (count,).
        """
        return np.asarray(ndtri(self._shares(count)))

    def _shares(self, count: int) -> NDArray[np.float64]:
        """Return shares between 0 and 1, never the ends."""
        raw = np.asarray(self._bits.random_raw(count)) >> np.uint64(64 - BITS)
        return (raw.astype(np.float64) + 0.5) / 2.0**BITS

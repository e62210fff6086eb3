"""A table of figures on even places, and what lies between them by cubic curves."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Figures = NDArray[np.float64]


@dataclass(frozen=True)
class Axis:
    """Even places of one coordinate.

    Attributes
    ----------
    least, most : float
        The first and the last place [its unit]; of a round one, where it comes back to the first.
    count : int
        How many places, four or more.
    is_round : bool
        Whether it comes back to its first place.
    """

    least: float
    most: float
    count: int
    is_round: bool = False

    @property
    def step(self) -> float:
        """From one place to the next."""
        return (self.most - self.least) / (self.count if self.is_round else self.count - 1)

    @property
    def places(self) -> Figures:
        """All of them, shape (count,)."""
        return np.asarray(self.least + self.step * np.arange(self.count), dtype=np.float64)

    def found(self, value: float) -> tuple[NDArray[np.int_], float] | None:
        """Return which four places lie round a value, -1 for none, and where it lies between the middle two.

        Parameters
        ----------
        value : float
            A value of the coordinate.

        Returns
        -------
        tuple of ndarray and float, or None
            None for a value outside.
        """
        at = (value - self.least) / self.step
        if self.is_round:
            first = int(np.floor(at))
            return (first + np.arange(-1, 3)) % self.count, at - first
        if not 0.0 <= at <= self.count - 1:
            return None
        first = min(int(at), self.count - 2)
        four = first + np.arange(-1, 3)
        return np.where((four >= 0) & (four < self.count), four, -1), at - first


@dataclass(frozen=True, eq=False)
class Table:
    """Figures at the places of some axes.

    Attributes
    ----------
    axes : tuple of Axis
        One or more.
    values : ndarray
        The figures, shape (counts of the axes, figures); NaN where there are none.
    """

    axes: tuple[Axis, ...]
    values: Figures

    def at(self, *coordinates: float) -> Figures | None:
        """Return the figures between the places: by cubic curves (Catmull and Rom), axis after axis.

        Parameters
        ----------
        *coordinates : float
            One for each axis.

        Returns
        -------
        ndarray or None
            Shape (figures,); None outside, and where one of the places next to it has no figures.
        """
        block = self.values
        shares = []
        for i, (axis, value) in enumerate(zip(self.axes, coordinates, strict=True)):
            found = axis.found(value)
            if found is None:
                return None
            four, share = found
            block = np.take(block, four, axis=i)
            missing = [slice(None)] * i + [four < 0]
            block[tuple(missing)] = np.nan
            shares.append(share)
        for share in shares:
            block = _between(block, share)
        return None if np.isnan(block).any() else block


def _between(four: Figures, share: float) -> Figures:
    """Return what lies between the middle two of four; an outer one that is missing goes on as they do."""
    before, one, other, after = four
    before = np.where(np.isnan(before), 2.0 * one - other, before)
    after = np.where(np.isnan(after), 2.0 * other - one, after)
    steep = 2.0 * before - 5.0 * one + 4.0 * other - after
    bent = 3.0 * (one - other) + after - before
    between: Figures = one + 0.5 * share * (other - before + share * (steep + share * bent))
    return between

"""Golfers by how far their putts scatter: the usual ones by level, and what a golfer knows of themselves."""

import math
from dataclasses import dataclass, replace
from typing import Final

from orthocline.core.instruments import TRUENESS_DEG
from orthocline.core.units import FOOT_M, PERCENT

GROUND_AT_M: Final = 10.0 * FOOT_M
"""The ground's scatter is said of a putt so long."""
USUAL_TRUENESS: Final = 4
USUAL_LEVEL: Final = "middle"
"""Whoever has not said what kind of golfer they are is taken for one of this level."""


@dataclass(frozen=True)
class Golfer:
    """How one putt of a golfer scatters, one standard deviation of each cause.

    Attributes
    ----------
    start_line_rad : float
        Of the start line [rad].
    energy : float
        Of the roll's energy, which goes with the launch speed squared, as a share.
    read : float
        Of the read, as a share of the launch angle.
    ground_rad : float
        Of the ground's own scatter on a putt of ten feet [rad]; it grows with the root of the length.
    """

    start_line_rad: float
    energy: float
    read: float
    ground_rad: float

    def sideways_rad(self, aim_rad: float, length_m: float) -> float:
        """Return how far aside a putt scatters: start line, read and ground together.

        Parameters
        ----------
        aim_rad : float
            Launch angle of the read [rad].
        length_m : float
            From ball to hole [m].

        Returns
        -------
        float
            One standard deviation of the launch angle [rad].
        """
        ground = self.ground_rad * math.sqrt(length_m / GROUND_AT_M)
        return math.hypot(self.start_line_rad, self.read * aim_rad, ground)

    def on_ground(self, trueness: int | None) -> "Golfer":
        """Return the same golfer on a green that rolls as true as rated.

        Parameters
        ----------
        trueness : int or None
            The day's rating from 1 to 5; None leaves the golfer as they are.

        Returns
        -------
        Golfer
            With that green's scatter.
        """
        return self if trueness is None else replace(self, ground_rad=ground_of(trueness))


def ground_of(trueness: int) -> float:
    """Return how far the ground scatters a putt of ten feet.

    Parameters
    ----------
    trueness : int
        Its rating from 1 to 5.

    Returns
    -------
    float
        One standard deviation of the direction [rad].
    """
    return math.radians(TRUENESS_DEG[trueness])


def _usual(line_deg: float, energy_percent: float, read_percent: float) -> Golfer:
    shares = PERCENT * energy_percent, PERCENT * read_percent
    return Golfer(math.radians(line_deg), *shares, ground_of(USUAL_TRUENESS))


GOLFERS: Final = {
    "tournament": _usual(1.0, 8.0, 30.0),
    "low": _usual(1.2, 9.5, 34.0),
    "middle": _usual(1.75, 12.0, 42.0),
    "new": _usual(2.4, 16.0, 55.0),
}
"""The usual golfer of each level. The first was fitted to published shares of tournament golfers; the others
are scaled from it to where such golfers hole half of their putts: 8, 7, 5 and 4 ft."""

"""What a card is made for, and the putt of one of its cells."""

from dataclasses import dataclass
from typing import Final

from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, PuttError, Read, ReadWarning, RollPast, read

UNTOLD: Final = frozenset(ReadWarning) - {ReadWarning.COMES_BACK}
"""A putt of which one of these is to be said is no cell's."""


@dataclass(frozen=True)
class Conditions:
    """What a card is made for: green speed [ft], and roll-past [m]."""

    green_speed_ft: float
    past_m: float

    @property
    def asked(self) -> tuple[float, RollPast]:
        """Green speed [ft] and pace, as a putt takes them."""
        return self.green_speed_ft, RollPast(self.past_m)

    def solved(self, length_m: float, side: float, rise: float) -> Read | None:
        """Return the read of a plane putt that falls to the right.

        Parameters
        ----------
        length_m : float
            From ball to hole [m].
        side, rise : float
            How the ground falls to the right, and rises to the hole [ratio].

        Returns
        -------
        Read or None
            None where no ball holds there, drops at that pace, or has a spot to be aimed at.
        """
        ground = plane_from_grade(rise, side, 0.0)
        try:
            solved = read(Putt(Point(0.0, 0.0), Point(length_m, 0.0), ground, *self.asked))
        except PuttError:
            return None
        return None if UNTOLD & set(solved.warnings) else solved

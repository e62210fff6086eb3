"""A golfer's own read in a school's words, and the launch that it means."""

from dataclasses import dataclass

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.registry import SCHOOLS
from orthocline.core.calls.school import Figures, School, Term
from orthocline.core.roll import Launch, Putt, Read

SPEEDS_MPS = (0.01, 40.0)
"""Nobody putts slower or faster."""


@dataclass(frozen=True)
class Answer:
    """A golfer's own read.

    Attributes
    ----------
    name : str
        Of the school in whose words it is.
    figures : tuple of float
        One for each of its terms; of a band between two lines half its width [m] follows.
    """

    name: str
    figures: Figures

    @property
    def school(self) -> School:
        """The school."""
        return SCHOOLS[self.name]

    @property
    def band_m(self) -> float | None:
        """Half the width of a band between two lines [m]; None where it is one line."""
        terms = self.school.terms
        return self.figures[-1] if terms == (Term.ASIDE,) and len(self.figures) > len(terms) else None

    def launch(self, putt: Putt, golfer: GolferFigures) -> Launch | None:
        """Return the launch that it means.

        Parameters
        ----------
        putt : Putt
            The putt, as it is asked.
        golfer : GolferFigures
            Whose fingers, eyes and stroke they are.

        Returns
        -------
        Launch or None
            Angle [rad] and speed [m/s]; None where no putt does so.
        """
        found = self.school.launch(putt, self.figures, golfer) if self.school.launch else None
        least, most = SPEEDS_MPS
        return found if found and least <= found.speed_mps <= most else None

    def sought(self, read: Read, golfer: GolferFigures) -> Figures | None:
        """Return the figures with which it would have been right.

        Parameters
        ----------
        read : Read
            The solved putt.
        golfer : GolferFigures
            What is known of the golfer.

        Returns
        -------
        tuple of float or None
            One for each term; None where the school has nothing to say of the putt.
        """
        value = self.school.value(read, golfer)
        return None if value is None else self.school.sought(read, value)

"""The outlook of one putt for one golfer: everything that is said of how often and how firm."""

from dataclasses import dataclass
from functools import cached_property

from orthocline.core.account import Golfer, UsualPasts
from orthocline.core.holing.advice import PaceAdvice
from orthocline.core.holing.chances import Chances, chances_of
from orthocline.core.holing.leaves import Leaves, SafeLeave, leaves_of, safe_leave_of
from orthocline.core.holing.make_field import MakeField, make_field
from orthocline.core.holing.second_putts import RoundHole, SecondPutts
from orthocline.core.holing.ways import Ways
from orthocline.core.roll import Aim, Putt


@dataclass(frozen=True)
class Outlook:
    """A putt as it is read, and who putts; each part is worked out when it is first asked for.

    Attributes
    ----------
    putt : Putt
    aim : Aim
        As it was solved, at the pace chosen.
    ways : Ways
        The same putt at other paces.
    """

    putt: Putt
    aim: Aim
    ways: Ways

    @cached_property
    def chances(self) -> Chances:
        """What becomes of it at the pace chosen."""
        ways = self.ways
        return chances_of(self.putt, self.aim.launch, ways.golfer, ways.seconds, ways.doubt)

    @property
    def advice(self) -> PaceAdvice | None:
        """What each roll-past is worth."""
        return self.ways.advice

    @cached_property
    def leaves(self) -> Leaves:
        """What misses leave on either side."""
        return leaves_of(self.chances)

    @cached_property
    def safe_leave(self) -> SafeLeave | None:
        """How to leave the next putt below the hole."""
        return safe_leave_of(self.chances, self.advice)

    @cached_property
    def field(self) -> MakeField:
        """What becomes of the launches about the one that is meant."""
        return make_field(self.putt, self.aim, self.chances.spread, tuple(self.ways.marks.values()))


def outlook_of(putt: Putt, aim: Aim, golfer: Golfer, pasts: UsualPasts) -> Outlook:
    """Return the outlook of a putt, its read taken as true.

    Parameters
    ----------
    putt : Putt
        The putt.
    aim : Aim
        Its solved aim.
    golfer : Golfer
        Who putts.
    pasts : UsualPasts
        What the golfer rolls the next putt at.

    Returns
    -------
    Outlook
        Everything that is said of how often and how firm.
    """
    return Outlook(putt, aim, Ways(putt, golfer, SecondPutts(RoundHole(putt, pasts), golfer)))

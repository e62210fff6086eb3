"""One putt at any pace: what does not change with the one that is chosen."""

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

from orthocline.core.account import Golfer
from orthocline.core.holing.advice import DYING_M, PASTS_M, PaceAdvice, advice_of
from orthocline.core.holing.chances import Chances
from orthocline.core.holing.second_putts import SecondPutts
from orthocline.core.holing.trying import TAKEN_AS_TRUE, TRIES, Doubt, spread_of
from orthocline.core.roll import Launch, Putt, PuttError, RollPast, aims
from orthocline.core.units import INCH_M

PACE_MARKS_M: Final = {
    "dying": DYING_M,
    "hand": 7.0 * INCH_M,
    "foot": 12.0 * INCH_M,
    "foot_and_half": 18.0 * INCH_M,
    "two_feet": 24.0 * INCH_M,
}
"""The schools' paces, as roll-past [m]: the hand is the golfer's own, heel to fingertip."""


@dataclass(frozen=True)
class Ways:
    """A putt at any pace.

    Attributes
    ----------
    putt : Putt
        Its own pace is left aside; its line is kept where it is there at a pace.
    golfer : Golfer
    seconds : SecondPutts
        What the golfer holes after a miss.
    doubt : Doubt
        How far the read may be wrong, where that is to count.
    tries : int
        How many launches at each pace, a power of two up to 2,048.
    """

    putt: Putt
    golfer: Golfer
    seconds: SecondPutts
    doubt: Doubt = TAKEN_AS_TRUE
    tries: int = TRIES

    def at(self, past_m: float) -> Chances | None:
        """Return what becomes of the putt at a roll-past.

        Parameters
        ----------
        past_m : float
            Roll-past [m].

        Returns
        -------
        Chances or None
            None where no ball has that roll-past.
        """
        at_pace = replace(self.putt, pace=RollPast(past_m))
        meant = _launch(at_pace)
        if meant is None:
            return None
        return Chances(at_pace, spread_of(self.golfer, at_pace, meant, self.doubt), self.seconds, self.tries)

    @cached_property
    def advice(self) -> PaceAdvice | None:
        """What each roll-past is worth; None where there is hardly one to choose."""
        return advice_of([chances for past in PASTS_M if (chances := self.at(past))])

    @cached_property
    def marks(self) -> dict[str, Launch]:
        """The launch at each of the schools' paces that a ball can be rolled at."""
        found = {
            name: _launch(replace(self.putt, pace=RollPast(past))) for name, past in PACE_MARKS_M.items()
        }
        return {name: launch for name, launch in found.items() if launch}


def _launch(putt: Putt) -> Launch | None:
    """Return the launch of a putt, by its line where that is there; None where no ball has its roll-past."""
    try:
        aim = aims(putt)[: putt.line][-1]
    except PuttError:
        return None
    return aim.launch if aim.pace_met and aim.past_m is not None else None

"""Which was it: what would have dropped, had only the read, the line or the pace been right."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np

from orthocline.core.learning.grounds import Figures, changed
from orthocline.core.learning.played import Played
from orthocline.core.learning.posterior import Posterior, posterior_of
from orthocline.core.roll import Launch, OwnRoll, Putt, PuttError, aims, roll_of

RIGHT: Final = {
    "read": ("read",),
    "line": ("line",),
    "pace": ("pace",),
    "read_line": ("read", "line"),
    "read_pace": ("read", "pace"),
    "line_pace": ("line", "pace"),
}
"""What is put right, by the name of the share that drops then."""
SINGLES: Final = ("read", "line", "pace")
PAIRS: Final = ("read_line", "read_pace", "line_pace")
MOST: Final = 0.5
AHEAD: Final = 0.1
"""A cause is named that would have mended more than half, and so much more than the next."""


@dataclass(frozen=True)
class Diagnosis:
    """What one putt says of its read, its line and its pace.

    Attributes
    ----------
    posterior : Posterior
        What may have happened.
    drops_if : mapping of str to float
        The probability that the ball had dropped, had only that been right: ``read``, ``line`` and ``pace``,
        and two of them at once.
    """

    posterior: Posterior
    drops_if: Mapping[str, float]

    @property
    def played(self) -> Played:
        """The putt."""
        return self.posterior.played

    @cached_property
    def cause(self) -> str:
        """Of a miss ``read``, ``line``, ``pace``, ``several`` or ``unclear``; always that of a holed ball."""
        if self.played.holed:
            return "unclear"
        first, second = sorted(SINGLES, key=lambda name: -self.drops_if[name])[:2]
        if self.drops_if[first] > MOST and self.drops_if[first] >= self.drops_if[second] + AHEAD:
            return first
        return "several" if self.together else "unclear"

    @property
    def together(self) -> str | None:
        """Which two would most often have dropped together, if that is more than half."""
        most = max(PAIRS, key=lambda name: self.drops_if[name])
        return most if self.drops_if[most] > MOST else None

    @property
    def saved_by(self) -> str | None:
        """What saved a holed ball: ``pace`` or ``line``, without whose error it had most likely missed."""
        if not self.played.holed:
            return None
        least = min(("pace", "line"), key=lambda name: self.drops_if[name])
        return least if self.drops_if[least] < 1.0 - MOST - AHEAD else None

    @cached_property
    def read_error_m(self) -> Figures:
        """How far right of what the ground asks it was aimed, at the hole's distance [m], shape (n,)."""
        length, found = self.played.putt.length_m, self.posterior
        return np.asarray(length * (np.tan(self.played.meant.right_rad) - np.tan(found.angles_rad)))

    @cached_property
    def ground(self) -> Putt:
        """The putt on the ground as it most likely was, its hole covered."""
        found = self.posterior
        return changed(self.played.putt, [found.mean(column) for column in found.errors.T])

    @cached_property
    def rolls(self) -> dict[str, OwnRoll]:
        """The ball there as it most likely ``was``, and with ``read``, ``line`` or ``pace`` put right.

        None of them on ground that is too steep to be rolled on, or where no ball reaches the hole.
        """
        found, meant = self.posterior, self.played.meant
        angle, speed = (found.mean(column) for column in found.launches.T)
        asked = found.mean(found.angles_rad)
        launches = {
            "was": Launch(angle, speed),
            "read": Launch(asked + angle - meant.right_rad, speed),
            "line": Launch(meant.right_rad, speed),
            "pace": Launch(angle, meant.speed_mps),
        }
        try:
            line = aims(self.ground)[0]
        except PuttError:
            return {}
        return {name: roll_of(self.ground, line, launch) for name, launch in launches.items()}


def diagnosis_of(played: Played) -> Diagnosis:
    """Return what one putt says of its read, its line and its pace.

    Each share is the probability of a definite event over what may have happened: the same ground, green
    speed and launch, but aimed as the model asks there (read), started where it was meant (line), or as hard
    as the read as asked (pace).

    Parameters
    ----------
    played : Played
        The putt.

    Returns
    -------
    Diagnosis
        The shares and what follows.

    Raises
    ------
    UnexplainedError
        When no launch on such ground ends there.
    PuttError
        When no ball reaches the hole.
    """
    found = posterior_of(played)
    starts, shares = found.start_errors_rad, {}
    for name, right in RIGHT.items():
        launches = _mended(played, found.launches, found.angles_rad, starts, right)
        shares[name] = found.mean(found.grounds.ends(launches).drops.astype(float))
    return Diagnosis(found, shares)


def _mended(
    played: Played, launches: Figures, angles: Figures, starts: Figures, right: tuple[str, ...]
) -> Figures:
    meant = played.meant
    aimed = angles if "read" in right else np.full(len(launches), meant.right_rad)
    aside = np.zeros(len(launches)) if "line" in right else starts
    speeds = np.full(len(launches), meant.speed_mps) if "pace" in right else launches[:, 1]
    return np.column_stack([aimed + aside, speeds])

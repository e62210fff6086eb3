"""The way of grain by its clues, and what it does to a putt."""

from collections.abc import Sequence
from dataclasses import replace
from typing import NamedTuple

from orthocline.core.calls import plays_like_m
from orthocline.core.grain import Clue, GrainWay, at_odds, combined
from orthocline.core.roll import NO_GRAIN, Putt, PuttError, grain_worth, read
from orthocline.services.account.access import Viewer, open_play


class GrainSaid(NamedTuple):
    """What clues say together: a way, or None; and which of them contradict."""

    way: GrainWay | None
    conflicts: tuple[tuple[int, int], ...]


class GrainEffect(NamedTuple):
    """What grain does to a putt.

    Attributes
    ----------
    worth : float
        The slope [ratio] that it acts as.
    aim_right_m : float or None
        How much further right the putt is aimed for it [m]; None without an aim spot.
    plays_longer_m : float
        How much longer it plays [m].
    """

    worth: float
    aim_right_m: float | None
    plays_longer_m: float


@open_play("What clues of grain say")
def grain_by(_viewer: Viewer, clues: Sequence[Clue]) -> GrainSaid:
    """Return the way of grain by its clues; refused in Competition."""
    return GrainSaid(combined(clues), at_odds(clues))


@open_play("What grain does")
def grain_effect(_viewer: Viewer, putt: Putt) -> GrainEffect | None:
    """Return what a putt's grain does to it; None without grain. Refused in Competition."""
    if not putt.grain.strength:
        return None
    try:
        grown, bare = read(putt), read(replace(putt, grain=NO_GRAIN))
    except PuttError:
        return None
    aims = grown.aim_right_m, bare.aim_right_m
    aside = None if aims[0] is None or aims[1] is None else aims[0] - aims[1]
    longer = plays_like_m(grown, grown.launch_speed_mps) - plays_like_m(bare, bare.launch_speed_mps)
    return GrainEffect(grain_worth(putt), aside, longer)

"""What to find out next: which further reading would narrow the range of the aim most."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from orthocline.core.instruments import (
    BALL_SD,
    INSTRUMENTS,
    RAMP_ROLL_SHARE,
    RAMP_SD_FT,
    USUAL_PACING_SD,
)
from orthocline.core.roll import Putt, Read
from orthocline.core.sure.doubts import AIM, Doubts
from orthocline.core.sure.ranges import AimRange
from orthocline.core.sure.uncertainty import Uncertainty

INSTRUMENTS_AT_HAND: Final = ("level", "phone", "feet", "eye")
"""What the ground may be read with, the surest first."""
TENTHS: Final = 10
BEYOND_HOLE_M: Final = 0.5
"""Where the ground may be read beyond the hole; beside the line these grounds say the same as on it."""
RAMP_BALLS: Final = 3
LEAST_CUT: Final = 0.05
"""A reading that would narrow the range by less than this share is not worth the walk."""
EVEN: Final = 1e-9
"""Two readings that leave the same to this share of the variance are as good as each other."""


@dataclass(frozen=True)
class NextReading:
    """A further reading, and what it would leave.

    Attributes
    ----------
    by : str
        `ramp`, `pacing`, `ball` (another ball watched), or the instrument that the ground is read with.
    across : bool or None
        Whether the ground is read across the line, or along it; None for what reads no slope.
    at_m : float or None
        Where along the line, from the ball [m]; None for what has no place.
    cut : float
        By which share the range of the aim would be narrower.
    leaves : AimRange
        The range that would be left.
    """

    by: str
    across: bool | None
    at_m: float | None
    cut: float
    leaves: AimRange


@dataclass(frozen=True)
class _Candidate:
    by: str
    left: float
    across: bool | None = None
    at_m: float | None = None


def next_readings(
    solved: Read, now: AimRange, doubts: Doubts, uncertainty: Uncertainty
) -> tuple[NextReading, ...]:
    """Return the readings worth making, the one that narrows the aim's range most first.

    Of each instrument the best place stands; where all are as good, that nearest to where the slope counts.

    Parameters
    ----------
    solved : Read
        The read.
    now : AimRange
        Its range as things stand.
    doubts : Doubts
        What makes it uncertain.
    uncertainty : Uncertainty
        Standard deviations of its figures.

    Returns
    -------
    tuple of NextReading
        None where nothing is uncertain.
    """
    variance = float(doubts.variance[AIM])
    if variance <= 0.0:
        return ()
    candidates = [*_of_slope(solved.putt, doubts), *_of_figures(solved.putt, doubts, uncertainty)]
    found = [_reading(one, variance, solved, now) for one in candidates]
    worth = [one for one in found if one.cut >= LEAST_CUT]
    return tuple(sorted(worth, key=lambda one: -one.cut))


def _reading(one: _Candidate, variance: float, solved: Read, now: AimRange) -> NextReading:
    share = math.sqrt(max(one.left, 0.0) / variance)
    leaves = now.narrowed(solved.launch_right_rad, solved.aim_right_m, share)
    return NextReading(one.by, one.across, one.at_m, 1.0 - share, leaves)


def _of_slope(putt: Putt, doubts: Doubts) -> Iterator[_Candidate]:
    """Yield readings of the slope: each instrument's best, and another ball that rolls along the line."""
    if doubts.slope.variance[AIM] <= 0.0:
        return
    for by in INSTRUMENTS_AT_HAND:
        yield _best_place(by, putt, doubts)
    yield _Candidate("ball", _left(doubts, 0.5 * putt.length_m, BALL_SD, across=True))


def _best_place(by: str, putt: Putt, doubts: Doubts) -> _Candidate:
    """Return the best of an instrument's readings at each tenth of the way and beyond the hole.

    Where all places are as good, it is that nearest to the middle of where the slope counts.
    """
    length, sd = putt.length_m, INSTRUMENTS[by].sd
    places = [length * i / TENTHS for i in range(TENTHS + 1)] + [length + BEYOND_HOLE_M]
    readings = [
        _Candidate(by, _left(doubts, at, sd, across=across), across, at)
        for at in places
        for across in (True, False)
    ]
    least = min(one.left for one in readings)
    as_good = [one for one in readings if one.left <= least + EVEN * doubts.variance[AIM]]
    return min(as_good, key=lambda one: abs((one.at_m or 0.0) - doubts.counts_m))


def _left(doubts: Doubts, at_m: float, sd: float, *, across: bool) -> float:
    others = float(doubts.variance[AIM] - doubts.slope.variance[AIM])
    return others + doubts.slope.left(at_m, sd, across=across)


def _of_figures(putt: Putt, doubts: Doubts, uncertainty: Uncertainty) -> Iterator[_Candidate]:
    """Yield measuring the green speed anew, and pacing the length again."""
    rolls_ft = putt.green_speed_ft * RAMP_ROLL_SHARE / math.sqrt(RAMP_BALLS)
    for by, name, sd, own in (
        ("ramp", "green_speed_ft", uncertainty.green_speed_ft, math.hypot(RAMP_SD_FT, rolls_ft)),
        ("pacing", "length", uncertainty.length, min(uncertainty.length, USUAL_PACING_SD)),
    ):
        if name in doubts.others:
            now = float(doubts.others[name][AIM]) ** 2
            # By the ratio of the two: the squares of figures next to nothing are nothing.
            yield _Candidate(by, float(doubts.variance[AIM]) - now * (sd / math.hypot(sd, own)) ** 2)

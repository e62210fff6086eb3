"""The figures that people keep: one registry, each with the putts it rests on. One more is one more entry."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.log.conditions import JUDGED, chosen
from orthocline.core.log.putts import Mask, Putts
from orthocline.core.log.ranges import NO_FIGURE, Figure, Figures, mean, median, share, spread
from orthocline.core.units import FOOT_M

THREE_PUTTS_M: Final = 30.0 * FOOT_M
"""Three-putts are counted apart from here."""
SHORT_PUTT_M: Final = 6.0 * FOOT_M
HALF_ROUND: Final = 9.0
WHOLE_ROUND: Final = 18.0
Of = Callable[[Putts, Mask], Figure]


@dataclass(frozen=True)
class Statistic:
    """One figure that people keep.

    Attributes
    ----------
    name : str
    unit : str
        ``share``, ``points`` (a difference of shares), ``length``, ``angle``, ``times``, ``putts`` or
        ``strokes``.
    of : callable
        Returns the figure of a log and of the putts in it that it rests on.
    only : tuple of str
        The conditions of those putts.
    least_m, most_m : float or None
        Between which they are long [m].
    counts : str
        What it rests on: ``putts``, ``greens`` (their first putts) or ``rounds``.
    """

    name: str
    unit: str
    of: Of
    only: tuple[str, ...] = ()
    least_m: float | None = None
    most_m: float | None = None
    counts: str = "putts"

    def figure(self, putts: Putts, among: Mask) -> Figure:
        """Return the figure of some of a log's putts.

        Parameters
        ----------
        putts : Putts
            The log.
        among : ndarray of bool, shape (n,)
            Which of them are asked for [1]; those of an unknown result are left out.

        Returns
        -------
        Figure
            In SI units, shares from 0 to 1.
        """
        mask = among & chosen(putts, ("known", *self.only))
        if self.least_m is not None:
            mask &= putts.length_m > self.least_m
        if self.most_m is not None:
            mask &= putts.length_m <= self.most_m
        return self.of(putts, mask)


def _share_of(name: str) -> Of:
    return lambda putts, mask: share(chosen(putts, (name,))[mask])


def _of(figure: Callable[[Figures], Figure], values: Callable[[Putts], Figures]) -> Of:
    return lambda putts, mask: figure(values(putts)[mask])


def _too_long_m(putts: Putts) -> Figures:
    return putts.along_m - putts.past_m


def _gained_a_round(putts: Putts, mask: Mask) -> Figure:
    return mean((putts.usual_putts - putts.on_green)[mask]).times(WHOLE_ROUND)


def against_usual(putts: Putts, mask: Mask) -> Figure:
    """Return by which share more were holed than the usual golfer holes from the same lengths.

    Parameters
    ----------
    putts : Putts
        The log.
    mask : ndarray of bool, shape (n,)
        Which of its putts, all of known length [1].

    Returns
    -------
    Figure
        A difference of shares.
    """
    if not mask.any():
        return NO_FIGURE
    return share(putts.holed[mask] == 1.0).less(float(putts.usual_holed[mask].mean()))


def _putts_a_round(putts: Putts, mask: Mask) -> Figure:
    """Return putts in eighteen holes, over rounds of nine or more; a card also says holes without a putt."""
    code = np.unique(putts.outing[mask], return_inverse=True)[1]
    taken, greens = np.bincount(code, putts.on_green[mask]), np.bincount(code).astype(float)
    np.maximum.at(greens, code, putts.round_holes[mask])
    whole = greens >= HALF_ROUND
    return mean(WHOLE_ROUND * taken[whole] / greens[whole])


def _aimed(name: str) -> Of:
    def ratio(putts: Putts) -> Figures:
        with np.errstate(divide="ignore", invalid="ignore"):
            return np.asarray(getattr(putts, name) / putts.read_m)

    return _of(median, ratio)


def _right(name: str) -> Of:
    return lambda putts, mask: share(getattr(putts, name)[mask] == 1.0)


GREEN: Final = ("known", "first", "done")
ROUND: Final = (*GREEN, "in_round")
STATISTICS: Final[Sequence[Statistic]] = (
    Statistic("holed", "share", _share_of("holed")),
    Statistic("against_usual", "points", against_usual, ("measured",)),
    Statistic("holed_breaks_left", "share", _share_of("holed"), ("breaks_left",)),
    Statistic("holed_straight", "share", _share_of("holed"), ("straight",)),
    Statistic("holed_breaks_right", "share", _share_of("holed"), ("breaks_right",)),
    Statistic("putts_a_round", "putts", _putts_a_round, ROUND, counts="rounds"),
    Statistic("putts_a_green", "putts", _of(mean, lambda p: p.on_green), GREEN, counts="greens"),
    Statistic("three_near", "share", _share_of("three"), GREEN, most_m=THREE_PUTTS_M, counts="greens"),
    Statistic("three_far", "share", _share_of("three"), GREEN, least_m=THREE_PUTTS_M, counts="greens"),
    Statistic("first_length", "length", _of(median, lambda p: p.length_m), ("first", "measured")),
    Statistic("second_length", "length", _of(median, lambda p: p.length_m), ("second", "measured")),
    Statistic("gained_a_round", "strokes", _gained_a_round, (*GREEN, "measured"), counts="greens"),
    Statistic("gained_a_putt", "strokes", _of(mean, lambda p: p.gained), ("worth",)),
    *(
        Statistic(
            f"gained_{name}_wrong", "strokes", _of(mean, lambda p: p.gained), ("worth", f"{name}_wrong")
        )
        for name in JUDGED
    ),
    Statistic("short", "share", _share_of("short"), ("stopped",)),
    Statistic("good", "share", _share_of("good"), ("stopped",)),
    Statistic("long", "share", _share_of("long"), ("stopped",)),
    Statistic("pace_off", "length", _of(mean, _too_long_m), ("meant",)),
    Statistic("pace_spread", "length", _of(spread, _too_long_m), ("meant",)),
    Statistic("high", "share", _share_of("high"), ("sided",)),
    Statistic("high_short", "share", _share_of("high"), ("sided",), most_m=SHORT_PUTT_M),
    Statistic("started_left", "share", _share_of("started_left"), ("seen",)),
    Statistic("started_on", "share", _share_of("started_on"), ("seen",)),
    Statistic("started_right", "share", _share_of("started_right"), ("seen",)),
    Statistic("start_off", "angle", _of(mean, lambda p: p.start_rad), ("traced",)),
    Statistic("start_spread", "angle", _of(spread, lambda p: p.start_rad), ("traced",)),
    Statistic("own_aimed", "times", _aimed("own_m"), ("own_read",)),
    Statistic("impression_aimed", "times", _aimed("impression_m"), ("impression",)),
    *(Statistic(f"{name}_right", "share", _right(f"{name}_right"), (f"told_{name}",)) for name in JUDGED),
    Statistic("committed", "share", _right("committed"), ("told_committed",)),
    Statistic("holed_committed", "share", _share_of("holed"), ("committed",)),
    Statistic("holed_not_committed", "share", _share_of("holed"), ("not_committed",)),
)
"""All of them, in the order of the page."""

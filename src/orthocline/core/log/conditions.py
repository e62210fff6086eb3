"""Which putts of a log: conditions by name, each the same as the one of that name that finds them again."""

from collections.abc import Callable, Iterable, Mapping
from typing import Final

import numpy as np

from orthocline.core.log.putts import Mask, Putts
from orthocline.core.units import FOOT_M, INCH_M

GOOD_PAST_M: Final = 2.0 * FOOT_M
"""A miss that stops no further past the hole had a good pace."""
LEAST_AIM_M: Final = INCH_M
"""A read that asks for less aim says nothing of how much a golfer sees."""
JUDGED: Final = ("read", "line", "pace")
Condition = Callable[[Putts], Mask]


def _is(name: str, value: float) -> Condition:
    return lambda putts: np.asarray(getattr(putts, name) == value)


def _known(name: str) -> Condition:
    return lambda putts: ~np.isnan(getattr(putts, name))


def _read_as(name: str) -> Condition:
    return lambda putts: ~np.isnan(getattr(putts, name)) & (np.abs(putts.read_m) >= LEAST_AIM_M)


CONDITIONS: Final[Mapping[str, Condition]] = {
    "known": _known("holed"),
    "holed": _is("holed", 1.0),
    "missed": _is("holed", 0.0),
    "measured": _known("length_m"),
    "first": _is("number", 1.0),
    "second": _is("number", 2.0),
    "done": _is("done", 1.0),
    "three": lambda putts: putts.on_green >= 3.0,
    "in_round": _known("round_holes"),
    "stopped": lambda putts: putts.stopped,
    "short": lambda putts: putts.stopped & (putts.along_m < 0.0),
    "good": lambda putts: putts.stopped & (putts.along_m >= 0.0) & (putts.along_m <= GOOD_PAST_M),
    "long": lambda putts: putts.stopped & (putts.along_m > GOOD_PAST_M),
    "meant": lambda putts: putts.stopped & ~np.isnan(putts.past_m),
    "sided": _known("high"),
    "high": _is("high", 1.0),
    "low": _is("high", 0.0),
    "breaks_left": _is("breaks", -1.0),
    "breaks_right": _is("breaks", 1.0),
    "straight": _is("breaks", 0.0),
    "seen": _known("started"),
    "started_left": _is("started", -1.0),
    "started_on": _is("started", 0.0),
    "started_right": _is("started", 1.0),
    "traced": _known("start_rad"),
    "own_read": _read_as("own_m"),
    "impression": _read_as("impression_m"),
    "worth": lambda putts: ~np.isnan(putts.next_m) & ~np.isnan(putts.length_m),
    "committed": _is("committed", 1.0),
    "not_committed": _is("committed", 0.0),
    "told_committed": _known("committed"),
    **{f"told_{name}": _known(f"{name}_right") for name in JUDGED},
    **{f"{name}_wrong": _is(f"{name}_right", 0.0) for name in JUDGED},
}
"""All of them, by name."""


def chosen(putts: Putts, names: Iterable[str]) -> Mask:
    """Return which putts fulfil conditions.

    Parameters
    ----------
    putts : Putts
        The putts.
    names : iterable of str
        Of `CONDITIONS`.

    Returns
    -------
    ndarray of bool, shape (n,)
        Whether each fulfils all [1].
    """
    mask = np.ones(len(putts), dtype=bool)
    for name in names:
        if name not in putts.chosen_by:
            putts.chosen_by[name] = CONDITIONS[name](putts)
        mask &= putts.chosen_by[name]
    return mask

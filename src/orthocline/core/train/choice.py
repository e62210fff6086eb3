"""What is asked next: what is due first, then what is new, then what comes due soonest."""

from collections.abc import Mapping, Sequence
from datetime import datetime
from typing import Final

from orthocline.core.train.kinds import Asks, Kind, kinds
from orthocline.core.train.levels import START

BANDS_PER_LEVEL: Final = 0.5
"""New kinds are as long and steep together as this share of the level lets them be, and one band more."""


def next_kind(
    asks: Sequence[Asks],
    due: Mapping[Kind, datetime],
    levels: Mapping[Asks, float],
    now: datetime,
    last: Asks | None = None,
) -> Kind:
    """Return the kind that is asked next.

    Parameters
    ----------
    asks : sequence of Asks
        What may be asked, one or more.
    due : mapping
        When each kind that was answered before comes back.
    levels : mapping
        The golfer's level by what is asked; one that is missing is `START`.
    now : datetime
        The moment.
    last : Asks or None
        What was asked last: not once more if anything else is due.

    Returns
    -------
    Kind
        What is due longest, else a new kind of what is known least, else what comes due soonest.
    """
    known = sorted((at, kind.name, kind) for kind, at in due.items() if kind.asks in asks)
    overdue = [kind for at, _, kind in known if at <= now]
    if overdue:
        return next((one for one in overdue if one.asks is not last), overdue[0])
    fresh = [new for one in asks if (new := _fresh(one, due, levels.get(one, START)))]
    if fresh:
        counts = {one: sum(kind.asks is one for kind in due) for one in asks}
        return min(fresh, key=lambda kind: (counts[kind.asks], kind.asks is last))
    if known:
        return known[0][2]
    return kinds(asks[0])[0]


def _fresh(asks: Asks, due: Mapping[Kind, datetime], level: float) -> Kind | None:
    """Return the easiest kind of a question that was not answered yet, if the level is up to it."""
    most = 1.0 + BANDS_PER_LEVEL * level
    unknown = (one for one in kinds(asks) if one not in due)
    return next((one for one in unknown if asks is Asks.CARD or one.length + one.slope <= most), None)

"""The card of the dial: what a putt breaks from each hour round the hole, against the most of any."""

from orthocline.core.calls import dial_of
from orthocline.core.cards.conditions import Conditions


def dial_shares(conditions: Conditions, length_m: float, tilt: float) -> tuple[float | None, ...]:
    """Return what a putt breaks from each hour, as a share of the most.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.
    length_m : float
        From ball to hole [m].
    tilt : float
        How steep the ground is all round the hole [ratio].

    Returns
    -------
    tuple of float or None
        From 1 to 12 o'clock [1], 6 being straight uphill; None where a putt has no spot to be aimed at.
    """
    solved = conditions.solved(length_m, tilt, 0.0)
    dial = dial_of(solved.putt) if solved else None
    if dial is None:
        return (None,) * 12
    aims = [None if one is None else abs(one) for one in dial.aims_m]
    most = max((one for one in aims if one is not None), default=0.0)
    return tuple(None if one is None or not most else one / most for one in aims)

"""The timed putt: how far a putt on level ground rolled, and how long it took."""

import math
from collections.abc import Sequence

from orthocline.core.constants import FACE_FRICTION, GRAVITY_MPS2, RAMP_SPEED_MPS
from orthocline.core.estimate import Estimate, combine
from orthocline.core.instruments import THUMB_SD_S
from orthocline.core.speed.method import (
    ROLL_RANGE_M,
    Figure,
    FindingError,
    Findings,
    Quantity,
    SpeedMethod,
)
from orthocline.core.units import FOOT_M


def timed_speed(length_m: float, times_s: Sequence[float], length_share_sd: float = 0.0) -> Estimate:
    """Return the green speed [ft] from putts on level ground, timed from strike to rest, slide included.

    Parameters
    ----------
    length_m : float
        How far they rolled in all [m].
    times_s : sequence of float
        One time [s] or more.
    length_share_sd : float
        How far the length may be off, as a share.

    Returns
    -------
    Estimate
        Speed [ft].

    Raises
    ------
    ValueError
        When no ball can take so short a time: it would slide all the way.

    Notes
    -----
    T = 2 v_f/(7 mu g) + 5 v_f/(7 d) and L = 12 v_f^2/(49 mu g) + (5 v_f/7)^2/(2 d) leave, without d,
    v_f^2/(7 mu g) + (5/14) T v_f - L = 0.
    """
    time = combine([Estimate(one, THUMB_SD_S) for one in times_s])
    speed = _timed_speed_ft(length_m, time.value)
    rate = (_timed_speed_ft(length_m, time.value * 1.001) - speed) / (0.001 * time.value)
    return Estimate(speed, math.hypot(rate * time.sd, speed * length_share_sd))


def _timed_speed_ft(length_m: float, time_s: float) -> float:
    grip = FACE_FRICTION * GRAVITY_MPS2
    half = 5.0 / 28.0 * time_s
    face = 7.0 * grip * (-half + math.sqrt(half**2 + length_m / (7.0 * grip)))
    rolling_s = time_s - 2.0 * face / (7.0 * grip)
    if rolling_s <= 0.0:
        raise ValueError("no ball rolls so far in so short a time")
    drag = 5.0 * face / (7.0 * rolling_s)
    return RAMP_SPEED_MPS**2 / (2.0 * drag) / FOOT_M


def _speed(findings: Findings) -> Estimate:
    (length_m,), times_s = findings.figures["length"], findings.figures["times"]
    try:
        return timed_speed(length_m, times_s, findings.length_share_sd)
    except ValueError as error:
        raise FindingError("times", str(error)) from error


METHOD = SpeedMethod(
    "timed",
    (Figure("length", Quantity.FAR, ROLL_RANGE_M), Figure("times", Quantity.TIME, (0.5, 30.0), many=True)),
    _speed,
)

"""The timed putt: how far a putt on level ground rolled, and how long it took."""

import math
from collections.abc import Sequence

from orthocline.core.constants import FACE_FRICTION, GRAVITY_MPS2, RAMP_SPEED_MPS
from orthocline.core.estimate import Estimate, combine
from orthocline.core.instruments import INSTRUMENTS, THUMB_SD_S, TIMED_GRADE_SD
from orthocline.core.speed.method import (
    ROLL_RANGE_M,
    Figure,
    FindingError,
    Findings,
    Quantity,
    SpeedMethod,
)
from orthocline.core.speed.ramp_rolls import SLOPE_PER_INVERSE_M, level_speed_m
from orthocline.core.units import FOOT_M

UNREAD_GRADE = Estimate(0.0, TIMED_GRADE_SD)
"""Rise [ratio] along a putt on ground that was taken to be level."""


def timed_speed(
    length_m: float, times_s: Sequence[float], length_share_sd: float = 0.0, grade: Estimate = UNREAD_GRADE
) -> Estimate:
    """Return the green speed [ft] from putts timed from strike to rest, slide included.

    Parameters
    ----------
    length_m : float
        How far they rolled in all [m].
    times_s : sequence of float
        One time [s] or more.
    length_share_sd : float
        How far the length may be off, as a share.
    grade : Estimate
        Rise [ratio] of the ground the way they rolled: read by a level, or taken to be none.

    Returns
    -------
    Estimate
        Speed [ft].

    Raises
    ------
    ValueError
        When no ball can take so short a time: it would slide all the way; or the grade leaves no drag.

    Notes
    -----
    T = 2 v_f/(7 mu g) + 5 v_f/(7 d) and L = 12 v_f^2/(49 mu g) + (5 v_f/7)^2/(2 d) leave, without d,
    v_f^2/(7 mu g) + (5/14) T v_f - L = 0.
    """
    time = combine([Estimate(one, THUMB_SD_S) for one in times_s])
    speed = _timed_speed_ft(length_m, time.value)
    rate = (_timed_speed_ft(length_m, time.value * 1.001) - speed) / (0.001 * time.value)
    level_m = level_speed_m(speed * FOOT_M, grade.value)
    # What the grade took is taken out of the roll's inverse, and so weighs more on a slow green.
    turned = (level_m / (speed * FOOT_M)) ** 2
    ground = grade.sd * level_m**2 / (2.0 * SLOPE_PER_INVERSE_M) / FOOT_M
    return Estimate(
        level_m / FOOT_M, math.hypot(turned * rate * time.sd, turned * speed * length_share_sd, ground)
    )


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
    read = findings.figures.get("grade")
    grade = Estimate(read[0], INSTRUMENTS["level_averaged"].sd) if read else UNREAD_GRADE
    try:
        return timed_speed(length_m, times_s, findings.length_share_sd, grade)
    except ValueError as error:
        raise FindingError("times", str(error)) from error


METHOD = SpeedMethod(
    "timed",
    (
        Figure("length", Quantity.FAR, ROLL_RANGE_M),
        Figure("times", Quantity.TIME, (0.5, 30.0), many=True),
        Figure("grade", Quantity.SLOPE, (-0.05, 0.05), optional=True),
    ),
    _speed,
)

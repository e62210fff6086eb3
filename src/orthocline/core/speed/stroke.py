"""The stroke: its length for a roll, the golfer's own once a few putts calibrate it, and a speed from it."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.constants import RAMP_SPEED_MPS
from orthocline.core.estimate import Estimate, mean_estimate
from orthocline.core.instruments import STROKE_SHARE
from orthocline.core.roll import rolling_deceleration_mps2
from orthocline.core.speed.method import (
    ROLL_RANGE_M,
    Figure,
    FindingError,
    Findings,
    Quantity,
    SpeedMethod,
)
from orthocline.core.units import FOOT_M, INCH_M


@dataclass(frozen=True)
class StrokePutt:
    """A putt that calibrates: length of the stroke and of the roll on level ground [m], green speed [ft]."""

    stroke_m: float
    roll_m: float
    green_speed_ft: float


def stroke_rate(putts: Sequence[StrokePutt]) -> Estimate | None:
    """Return launch speed per length of stroke [1/s] from the golfer's own putts; None for no putts.

    For one golfer and one tempo launch speed grows with the length of the stroke; v0 = sqrt(2 d L).

    Parameters
    ----------
    putts : sequence of StrokePutt
        Putts on level ground, of known speed.

    Returns
    -------
    Estimate or None
        Rate [1/s], or None.
    """
    if not putts:
        return None
    rates = [
        math.sqrt(2.0 * rolling_deceleration_mps2(putt.green_speed_ft) * putt.roll_m) / putt.stroke_m
        for putt in putts
    ]
    return mean_estimate(rates, STROKE_SHARE)


def stroke_length_m(launch_speed_mps: float, rate: Estimate) -> float:
    """Return the golfer's own length of stroke [m] for a launch speed.

    Parameters
    ----------
    launch_speed_mps : float
        Launch (rolling) speed [m/s].
    rate : Estimate
        The golfer's launch speed per length of stroke [1/s].

    Returns
    -------
    float
        Length [m], back and through.
    """
    return launch_speed_mps / rate.value


def speed_from_strokes(
    putts: Sequence[tuple[float, float]], rate: Estimate, length_share_sd: float = 0.0
) -> Estimate:
    """Return the green speed [ft] from putts on level ground as (stroke, roll) [m], by a calibrated stroke.

    S = v_ramp^2 / (2 d) with d = (rate * stroke)^2 / (2 L). `length_share_sd` is how far all rolls may be off
    together, as a share.

    Parameters
    ----------
    putts : sequence of tuple[float, float]
        Length of the stroke and of the roll [m] of each, one or more.
    rate : Estimate
        The golfer's launch speed per length of stroke [1/s].
    length_share_sd : float
        How far all lengths may be off together, as a share.

    Returns
    -------
    Estimate
        Speed [ft].
    """
    speeds = [
        RAMP_SPEED_MPS**2 * roll_m / (rate.value * stroke_m) ** 2 / FOOT_M for stroke_m, roll_m in putts
    ]
    mean = math.fsum(speeds) / len(speeds)
    common = mean * math.hypot(2.0 * rate.sd / rate.value, length_share_sd)
    return mean_estimate(speeds, 2.0 * STROKE_SHARE, common)


def _speed(findings: Findings) -> Estimate:
    strokes, rolls, rate = findings.figures["strokes"], findings.figures["rolls"], findings.stroke_rate
    if len(strokes) != len(rolls):
        raise FindingError("rolls", "each stroke needs its roll, as many of one as of the other")
    if rate is None:
        raise FindingError("strokes", "the stroke is not calibrated")
    return speed_from_strokes(list(zip(strokes, rolls, strict=True)), rate, findings.length_share_sd)


METHOD = SpeedMethod(
    "stroke",
    (
        Figure("strokes", Quantity.NEAR, (INCH_M, 60.0 * INCH_M), many=True),
        Figure("rolls", Quantity.FAR, ROLL_RANGE_M, many=True),
    ),
    _speed,
    own_stroke=True,
)

"""Speeds kept before ramps were counted as they are now: what they become."""

import math
from urllib.parse import parse_qsl

from orthocline.core.estimate import Estimate
from orthocline.core.speed import Groove, Ramp, Rods, level_speed_m
from orthocline.core.units import FOOT_M
from orthocline.wording.quantities import QuantityError, parse_degrees, parse_near_m, parse_slope
from orthocline.wording.wording import Wording

UNCHANGED = 1e-4
FORMER_VERSION = "1"
"""The version of the model under which a ramp's rolls counted by its speed at the foot alone."""


def reworked_ramp_speed(speed_ft: Estimate, evidence: str, wording: Wording) -> Estimate | None:
    """Return what a ramp's speed [ft] kept under `FORMER_VERSION` becomes.

    None where its figures are gone, or nothing changes. Both ways, and one way on bare ground, speeds go as
    the rolls do. One way beside a level the slope that was taken out is put back first.
    """
    told = dict(parse_qsl(evidence))
    try:
        ramp, level = _ramp(told, wording), _level(told, wording)
    except (QuantityError, ValueError, KeyError):
        return None
    share = ramp.correction / ramp.former_correction
    if abs(share - 1.0) < UNCHANGED:
        return None
    if level is None or ("out" in told) == ("back" in told):
        return Estimate(share * speed_ft.value, share * speed_ft.sd)
    rise = level if "out" in told else -level
    rolled_m = level_speed_m(speed_ft.value * FOOT_M, -rise)
    value = level_speed_m(share * rolled_m, rise) / FOOT_M
    return Estimate(value, speed_ft.sd * value / speed_ft.value)


def _ramp(told: dict[str, str], wording: Wording) -> Ramp:
    if told["rails"] == "rods":
        rails: Rods | Groove = Rods(parse_near_m(told["gap"], wording))
    else:
        rails = Groove(math.radians(parse_degrees(told["groove"])))
    return Ramp(parse_near_m(told["length"], wording), math.radians(parse_degrees(told["angle"])), rails)


def _level(told: dict[str, str], wording: Wording) -> float | None:
    """Return the rise [ratio] toward out that a level read, if one was laid."""
    if not told.get("level"):
        return None
    slope, _ = parse_slope(told["level"], 1.0, wording)
    return slope if told.get("level_way", "up") == "up" else -slope

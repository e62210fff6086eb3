"""Speeds kept before ramps were counted as they are now: what they become."""

import math

from orthocline.core.estimate import Estimate
from orthocline.core.speed import Groove, Ramp, Rods, level_speed_m
from orthocline.core.units import FOOT_M
from orthocline.formats.sheet import Sheet

UNCHANGED = 1e-4
FORMER_VERSION = "1"
"""The version of the model under which a ramp's rolls counted by its speed at the foot alone."""


def reworked_ramp_speed(speed_ft: Estimate, sheet: Sheet) -> Estimate | None:
    """Return what a ramp's speed [ft] kept under `FORMER_VERSION` becomes.

    None where its figures are gone, or nothing changes. Both ways, and one way on bare ground, speeds go as
    the rolls do. One way beside a level the slope that was taken out is put back first.
    """
    ramp, level = _ramp(sheet), sheet.once("level")
    if ramp is None:
        return None
    share = ramp.correction / ramp.former_correction
    if abs(share - 1.0) < UNCHANGED:
        return None
    out, back = bool(sheet.noted("out")), bool(sheet.noted("back"))
    if level is None or out == back:
        return Estimate(share * speed_ft.value, share * speed_ft.sd)
    rise = level if (sheet.choices.get("level_way", "up") == "up") == out else -level
    rolled_m = level_speed_m(speed_ft.value * FOOT_M, -rise)
    value = level_speed_m(share * rolled_m, rise) / FOOT_M
    return Estimate(value, speed_ft.sd * value / speed_ft.value)


def _ramp(sheet: Sheet) -> Ramp | None:
    rods = sheet.choices.get("rails") == "rods"
    length_m, angle, across = (sheet.once(name) for name in ("length", "angle", "gap" if rods else "groove"))
    if length_m is None or angle is None or across is None:
        return None
    return Ramp(length_m, math.radians(angle), Rods(across) if rods else Groove(math.radians(across)))

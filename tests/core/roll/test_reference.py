"""Every independently solved putt on a plane, and the integrator on uneven ground."""

import math
from dataclasses import replace

import numpy as np
import pytest
from numba import njit

from orthocline.core.calls import apex_of
from orthocline.core.ground.surface import GRADIENT
from orthocline.core.roll import read
from tests.putts import FORMULAS, MILLIMETRE, MILLISECOND, PLANES, named, reference_putt

EXACT = (0.1 * MILLIMETRE, 1e-5, 1 * MILLISECOND, 0.01)
INTEGRATED = (0.3 * MILLIMETRE, 1e-4, 2 * MILLISECOND, 0.02)


def figures(solved):
    return {
        "aim_right_m": solved.aim_right_m,
        "launch_speed_mps": solved.launch_speed_mps,
        "speed_at_hole_mps": solved.aim.speed_at_hole_mps,
        "time_to_hole_s": solved.aim.time_to_hole_s,
        "launch_angle_right_deg": math.degrees(solved.launch_right_rad),
        "entry_angle_right_deg": math.degrees(solved.aim.entry_right_rad),
    }


def assert_within(found, expected, tolerances):
    aim, speed, time, angle = tolerances
    assert found["aim_right_m"] == pytest.approx(expected["aim_right_m"], abs=aim, rel=0)
    for name in ("launch_speed_mps", "speed_at_hole_mps"):
        assert found[name] == pytest.approx(expected[name], abs=speed, rel=0), name
    assert found["time_to_hole_s"] == pytest.approx(expected["time_to_hole_s"], abs=time, rel=0)
    for name in ("launch_angle_right_deg", "entry_angle_right_deg"):
        assert found[name] == pytest.approx(expected[name], abs=angle, rel=0), name


@pytest.mark.parametrize("entry", PLANES, ids=named(PLANES))
def test_plane_putt_agrees_with_the_reference(entry):
    solved = read(reference_putt(entry["putt"]))
    expected, found = entry["expect"], figures(solved)
    integrated = "grain" in entry["putt"] or "wind" in entry["putt"]
    assert_within(found, expected, INTEGRATED if integrated else EXACT)
    assert solved.aim.pace_met
    if "apex_right_m" in expected:
        assert apex_of(solved).mark.right_m == pytest.approx(expected["apex_right_m"], abs=0.1 * MILLIMETRE)
        assert apex_of(solved).fraction == pytest.approx(expected["apex_fraction"], abs=1e-4)


@njit(GRADIENT)
def sliding_tilt(x, y, p):
    grade, t0, t1, length = p
    return grade + y * (t1 - t0) / length, t0 + (t1 - t0) * x / length


@njit(GRADIENT)
def double_break(x, y, p):
    grade, size, length = p
    turn = math.pi * x / length
    return grade - y * size * math.pi / length * math.sin(turn), size * math.cos(turn)


@njit(GRADIENT)
def tier(x, y, p):
    height, q, m, w, tilt = p
    rise = 0.5 * height / w / math.cosh((x * math.cos(q) + y * math.sin(q) - m) / w) ** 2
    return rise * math.cos(q), rise * math.sin(q) + tilt


@njit(GRADIENT)
def quadric(x, y, p):
    cx, x0, cy, y0 = p
    return cx * (x - x0), cy * (y - y0)


class Formula:
    """A reference's uneven ground, its slope written out by hand."""

    MEMBERS = {  # noqa: RUF012
        "sliding_tilt": (sliding_tilt, ("grade", "t0", "t1", "L")),
        "double_break": (double_break, ("grade", "A", "L")),
        "tier": (tier, ("h", "q", "m", "w", "tilt")),
        "quadric": (quadric, ("cx", "x0", "cy", "y0")),
    }

    steepest, step_m = 0.1, 0.05

    def __init__(self, surface, length_m):
        self.slope, names = self.MEMBERS[surface["name"]]
        self.parameters = np.array([{**surface, "L": length_m}[name] for name in names], dtype=float)


@pytest.mark.parametrize("entry", FORMULAS, ids=named(FORMULAS))
def test_lines_agree_with_the_reference_on_uneven_ground(entry):
    putt = reference_putt(entry["putt"])
    surface = entry["putt"]["surface"]
    ground = Formula({"name": surface["name"], **surface["parameters"]}, putt.length_m)
    found = figures(read(replace(putt, surface=ground)))
    assert_within(found, entry["expect"], INTEGRATED)

"""Every independently solved putt on a plane, and the integrator on uneven ground."""

import math
from dataclasses import replace

import pytest

from orthocline.core.calls import apex_of
from orthocline.core.roll import read
from tests.core.roll.formula import named_formula
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


@pytest.mark.parametrize("entry", FORMULAS, ids=named(FORMULAS))
def test_lines_agree_with_the_reference_on_uneven_ground(entry):
    putt = reference_putt(entry["putt"])
    ground = named_formula(entry["putt"]["surface"], putt.length_m)
    found = figures(read(replace(putt, surface=ground)))
    assert_within(found, entry["expect"], INTEGRATED)

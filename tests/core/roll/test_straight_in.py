"""Near the slope that holds no ball: a putt that rolls back into the hole is said, and a firmer one found."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.ground import Plane
from orthocline.core.roll import Point, Putt, ReadWarning, RollPast, read, softest_straight_in
from tests.putts import by_rolls, plane_putt

LOB = Putt(Point(0.0, 0.0), Point(3.048, 0.0), Plane(0.07764, math.radians(135)), 10.0, RollPast(0.3048))


def heading_at_hole(solved):
    """From the two rows of the track beside the hole, not from the solver's own figure."""
    before, after = solved.track.at_times(solved.aim.time_to_hole_s + np.array([-1e-3, 1e-3]))[:, 1:3]
    return math.atan2(*(after - before)[::-1])


def test_a_lob_is_said_and_the_softest_straight_one_found():
    lob = read(LOB)
    assert lob.warnings == (ReadWarning.COMES_BACK,)
    assert lob.aim.time_to_hole_s == pytest.approx(14.7, abs=0.05)
    assert abs(heading_at_hole(lob)) > math.pi / 2
    straight = read(replace(LOB, pace=RollPast(softest_straight_in(LOB, lob.aim).past_m)))
    assert straight.warnings == ()
    assert straight.make_window is not None
    assert math.radians(80) < abs(heading_at_hole(straight)) < math.pi / 2


@pytest.mark.parametrize("turned", [0.0, 1.1, -2.5])
def test_it_is_the_same_wherever_the_putt_lies(turned):
    cos, sin = math.cos(turned), math.sin(turned)
    moved = replace(
        LOB,
        ball=Point(3.0, -2.0),
        hole=Point(3.0 + 3.048 * cos, -2.0 + 3.048 * sin),
        surface=Plane(0.07764, math.radians(135) + turned),
    )
    straight, unmoved = softest_straight_in(moved, read(moved).aim), softest_straight_in(LOB, read(LOB).aim)
    assert straight.launch.right_rad == pytest.approx(unmoved.launch.right_rad)
    assert straight.speed_at_hole_mps == pytest.approx(unmoved.speed_at_hole_mps)


def test_usual_putts_say_nothing_of_it():
    for putt in (
        plane_putt(10.0, side_right=0.03),
        plane_putt(20.0, grade=-0.03, side_right=0.01, past_in=3.0),
    ):
        solved = read(putt)
        assert ReadWarning.COMES_BACK not in solved.warnings
        assert softest_straight_in(putt, solved.aim) is None


def test_in_wind_the_softest_straight_one_is_found_as_in_still_air():
    breath = by_rolls(LOB)
    solved = read(breath)
    assert ReadWarning.COMES_BACK in solved.warnings
    found, still = softest_straight_in(breath, solved.aim), softest_straight_in(LOB, read(LOB).aim)
    assert found.speed_at_hole_mps == pytest.approx(still.speed_at_hole_mps)
    assert found.launch.right_rad == pytest.approx(still.launch.right_rad, abs=1e-5)

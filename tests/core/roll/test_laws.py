"""Laws that every putt obeys, and the closed form against the integrator."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from orthocline.core.ground import Plane
from orthocline.core.roll import (
    Grain,
    Point,
    Putt,
    RollPast,
    SpeedAtHole,
    Wind,
    accelerations_of,
    grain_worth,
    read,
    roller,
)
from orthocline.core.roll.accelerations import plane_with_grain
from orthocline.core.roll.aim import aim
from orthocline.core.roll.plane_aim import lines_on_plane
from orthocline.core.roll.plane_newton import both_at_once
from orthocline.core.roll.plane_roll import heading_at, path_left, rolled, state_at
from orthocline.core.roll.roots import root_finder
from tests.putts import MILLIMETRE, by_rolls, plane_putt

LENGTHS = st.floats(2, 60)
SIDES = st.floats(-0.04, 0.04)
GRADES = st.floats(-0.03, 0.03)
SPEEDS = st.floats(7, 13)
PASTS = st.floats(2, 48)
PUTTS = st.builds(
    lambda length, side, grade, speed, past: plane_putt(
        length, side_right=side, grade=grade, speed_ft=speed, past_in=past
    ),
    LENGTHS,
    SIDES,
    GRADES,
    SPEEDS,
    PASTS,
)


def changed(putt, **members):
    return type(putt)(**{**vars(putt), **members})


@given(PUTTS)
def test_the_launch_goes_through_the_hole_and_rests_where_asked(putt):
    solved = aim(putt)
    track = roller(putt, solved)(solved.launch)
    _, x, y, speed, path = track.even_times(solved.time_to_hole_s, solved.time_to_hole_s, 1)[0]
    assert math.hypot(x - putt.hole.x_m, y - putt.hole.y_m) < 0.1 * MILLIMETRE
    assert speed == pytest.approx(solved.speed_at_hole_mps, abs=1e-3)
    assert track.length_m - path == pytest.approx(putt.pace.past_m, abs=0.2 * MILLIMETRE)


@given(LENGTHS, SIDES, GRADES, SPEEDS)
def test_left_and_right_are_mirrors(length, side, grade, speed):
    right = read(plane_putt(length, side_right=side, grade=grade, speed_ft=speed))
    left = read(plane_putt(length, side_right=-side, grade=grade, speed_ft=speed))
    assert right.aim_right_m == pytest.approx(-left.aim_right_m, abs=1e-9)
    assert right.make_window.right_rad.least == pytest.approx(-left.make_window.right_rad.most, abs=1e-4)
    assert right.entry_clock_hours == pytest.approx(12 - left.entry_clock_hours, abs=1e-4)


@given(PUTTS, st.floats(-math.pi, math.pi), st.floats(-20, 20), st.floats(-20, 20))
def test_a_putt_is_the_same_anywhere_on_the_map(putt, turn, east, north):
    cos, sin = math.cos(turn), math.sin(turn)
    hole = Point(east + putt.length_m * cos, north + putt.length_m * sin)
    plane = type(putt.surface)(putt.surface.tilt, putt.surface.downhill_rad + turn)
    moved = changed(putt, ball=Point(east, north), hole=hole, surface=plane)
    assert aim(moved).launch.right_rad == pytest.approx(aim(putt).launch.right_rad, abs=1e-9)
    assert aim(moved).launch.speed_mps == pytest.approx(aim(putt).launch.speed_mps, abs=1e-9)


@given(PUTTS, st.floats(1.1, 3))
def test_a_putt_twice_as_long_past_twice_as_far_aims_twice_as_wide(putt, scale):
    hole = Point(putt.hole.x_m * scale, 0.0)
    if hole.x_m > 60:
        return
    longer = changed(putt, hole=hole, pace=RollPast(putt.pace.past_m * scale))
    assert aim(longer).launch.right_rad == pytest.approx(aim(putt).launch.right_rad, abs=1e-9)
    assert aim(longer).launch.speed_mps == pytest.approx(
        aim(putt).launch.speed_mps * math.sqrt(scale), rel=1e-9
    )


@given(PUTTS)
@settings(max_examples=10)
def test_the_integrator_agrees_with_the_closed_form(putt):
    exact, integrated = aim(putt), aim(by_rolls(putt))
    assert integrated.launch.right_rad * putt.length_m == pytest.approx(
        exact.launch.right_rad * putt.length_m, abs=0.3 * MILLIMETRE
    )
    assert integrated.launch.speed_mps == pytest.approx(exact.launch.speed_mps, abs=1e-4)
    assert integrated.past_m == pytest.approx(exact.past_m, abs=0.3 * MILLIMETRE)


@given(PUTTS, st.floats(0.05, 2.0))
def test_pace_as_speed_and_as_roll_past_are_one(putt, speed):
    by_speed = aim(changed(putt, pace=SpeedAtHole(speed)))
    if not 0 <= by_speed.past_m <= 5:
        return
    by_past = aim(changed(putt, pace=RollPast(by_speed.past_m)))
    assert by_past.launch.right_rad == pytest.approx(by_speed.launch.right_rad, abs=1e-8)
    assert by_past.speed_at_hole_mps == pytest.approx(speed, abs=1e-8)


@given(PUTTS)
def test_grain_is_the_slope_it_is_worth(putt):
    grain = Grain(0.1, 2.0)
    folded = plane_with_grain(changed(putt, grain=grain))
    with_grain, on_slope = aim(changed(putt, grain=grain)), aim(changed(putt, surface=folded))
    assert with_grain.launch.right_rad == pytest.approx(on_slope.launch.right_rad, abs=1e-12)
    assert with_grain.launch.speed_mps == pytest.approx(on_slope.launch.speed_mps, rel=1e-12)
    assert grain_worth(plane_putt(10, grain=grain)) == pytest.approx(0.0078, abs=1e-4)


@pytest.mark.parametrize("heading_deg", [0.0, 1.0, 90.0, 179.0, 180.0])
@pytest.mark.parametrize("pull", [0.0, 1e-9, 0.2, 0.5, 0.55, 1.0, 1.1])
def test_closed_form_is_regular_everywhere(heading_deg, pull):
    """Level, straight, k = 1, k = 1/2 and steeper: small changes of the slope change little."""
    heading = math.radians(heading_deg)
    here = rolled(heading, 2.0, 0.55, pull, 0.4)
    near = rolled(heading, 2.0, 0.55, pull + 1e-9, 0.4)
    assert here == pytest.approx(near, abs=1e-7)
    assert 0 <= heading_at(heading, pull, 0.4) <= heading + 1e-12


@pytest.mark.parametrize("toward", [0.0, 1.0, 2.5])
def test_no_wind_and_a_wind_of_nothing_are_the_same(toward):
    putt = plane_putt(12, side_right=0.02)
    assert read(changed(putt, wind=Wind(0.0, toward))).aim_right_m == read(putt).aim_right_m
    almost = read(changed(putt, wind=Wind(1e-6, toward))).aim_right_m
    assert almost == pytest.approx(read(putt).aim_right_m, abs=0.1 * MILLIMETRE)


@pytest.mark.parametrize("degrees", [0.0, 20.0, 60.0, 90.0, 140.0, 180.0])
def test_too_steep_to_hold_gives_the_softest_putt(degrees):
    tilt, turn = 0.10, math.radians(degrees)
    putt = plane_putt(8, grade=-tilt * math.cos(turn), side_right=tilt * math.sin(turn))
    solved = read(putt)
    assert solved.aim.past_m is None
    assert not solved.aim.pace_met
    assert solved.warnings[0] == "slope_does_not_hold"
    softest = solved.aim.speed_at_hole_mps
    if softest > 0.1:
        softer = aim(changed(putt, pace=SpeedAtHole(0.98 * softest)))
        assert softer.speed_at_hole_mps == pytest.approx(softest, rel=1e-3)
        assert not softer.pace_met
    firmer = aim(changed(putt, pace=SpeedAtHole(max(1.05 * softest, 0.05))))
    assert firmer.pace_met


def test_wind_on_a_slope_that_does_not_hold_is_answered():
    solved = read(plane_putt(8, grade=-0.1, side_right=0.03, wind=Wind(5.0, 1.0)))
    assert solved.aim.past_m is None
    assert not solved.aim.pace_met


ANYTHING = st.builds(
    lambda length, tilt, down, speed, pace, gamma, wind, way: Putt(
        Point(0.0, 0.0),
        Point(length, 0.0),
        Plane(tilt, down),
        speed,
        pace,
        Grain(gamma, way),
        Wind(wind, way),
    ),
    st.floats(0.15, 60),
    st.floats(0, 0.25),
    st.sampled_from([0.0, math.pi, -math.pi / 2, 1e-9, 0.7]),
    st.floats(3, 20),
    st.one_of(st.builds(RollPast, st.floats(0, 5)), st.builds(SpeedAtHole, st.floats(0.05, 5))),
    st.sampled_from([0.0, 0.1, 0.5]),
    st.sampled_from([0.0, 0.0, 0.0, 0.5, 8.0, 25.0]),
    st.floats(-3, 3),
)


@given(ANYTHING)
@settings(max_examples=150)
def test_whatever_is_allowed_is_answered_and_goes_through_the_hole(putt):
    solved = read(putt)
    x, y = solved.path[-1, 1:3]
    assert math.hypot(x - putt.hole.x_m, y) < MILLIMETRE
    assert solved.aim.pace_met or solved.warnings


def test_beyond_sixty_degrees_there_is_no_aim_mark():
    solved = read(plane_putt(10, side_right=0.076, grade=-0.014, past_in=12))
    assert solved.aim_right_m is None
    assert "no_aim_mark" in solved.warnings


def test_compiled_and_plain_python_are_the_same():
    for pull in (0.0, 0.3, 0.55, 1.1):
        args = (0.7, 0.3, 2.0 * math.sqrt(0.21), 2.0, 0.55, pull, 0.9)
        assert state_at(*args) == pytest.approx(state_at.py_func(*args), rel=1e-13)
    launch = (1.2, 2.0, 0.55, 0.14, 0.9)
    assert rolled(*launch) == pytest.approx(rolled.py_func(*launch), rel=1e-13)
    assert path_left(1.2, 0.5, 0.55, 0.14) == pytest.approx(path_left.py_func(1.2, 0.5, 0.55, 0.14))
    asked = (0.55, 0.14, 1.5, 0.1, False)
    assert both_at_once(*asked) == pytest.approx(both_at_once.py_func(*asked), rel=1e-12)
    steep = (0.55, 0.54, 1.5, 3.0, 0.0, 0.3)
    assert lines_on_plane(*steep)[0] == pytest.approx(lines_on_plane.py_func(*steep)[0], rel=1e-9)


def test_root_finder_refuses_what_it_cannot_bracket():
    find = root_finder(lambda x, _: x * x - 2.0)
    assert find(None, 0.0, 2.0, 1e-14) == pytest.approx(math.sqrt(2.0), abs=1e-13)
    with pytest.raises(ValueError, match="sign"):
        find(None, 2.0, 3.0, 1e-14)


def test_wind_at_the_ball_follows_the_log_law():
    accelerations = accelerations_of(plane_putt(10, wind=Wind(6.0, 0.0)))
    assert accelerations.wind_east_mps == pytest.approx(
        6 * math.log(0.021335 / 0.0005) / math.log(10 / 0.0005)
    )

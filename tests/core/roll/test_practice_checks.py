"""The table of checks from practice: what golfers say, against the model."""

import math

import pytest

from orthocline.core.calls import level_twin_of, start_spot_of
from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll import Launch, capture_of, read, roller
from orthocline.core.roll.aim import aim
from orthocline.core.units import FOOT_M, INCH_M, feet, inches
from tests.putts import plane_putt

HUNDREDTH_IN = 0.01


def square_across(**more):
    return plane_putt(10.0, side_right=-0.02, **more)


def turned(degrees_from_downhill, length_ft=10.0, tilt=0.02):
    turn = math.radians(degrees_from_downhill)
    return plane_putt(length_ft, grade=-tilt * math.cos(turn), side_right=tilt * math.sin(turn))


def test_ten_feet_two_percent_across():
    solved = read(square_across())
    assert inches(solved.aim_right_m) == pytest.approx(11.99, abs=HUNDREDTH_IN)
    assert solved.launch_speed_mps == pytest.approx(1.9145, abs=1e-4)
    assert solved.aim.speed_at_hole_mps == pytest.approx(0.5528, abs=1e-4)


@pytest.mark.parametrize(
    ("speed_ft", "aim_in"), [(8, 9.48), (9, 10.73), (11, 13.28), (12, 14.60), (13, 15.95)]
)
def test_faster_greens_break_more(speed_ft, aim_in):
    solved = read(square_across(speed_ft=speed_ft))
    assert inches(solved.aim_right_m) == pytest.approx(aim_in, abs=HUNDREDTH_IN)


@pytest.mark.parametrize(
    ("past_in", "aim_in"), [(2, 14.67), (6, 13.37), (10, 12.40), (18, 10.95), (24, 10.12), (36, 8.84)]
)
def test_firmer_putts_break_less(past_in, aim_in):
    solved = read(square_across(past_in=past_in))
    assert inches(solved.aim_right_m) == pytest.approx(aim_in, abs=HUNDREDTH_IN)


@pytest.mark.parametrize(
    ("degrees", "aim_in"), [(60, 11.96), (75, 12.46), (90, 11.99), (105, 10.78), (120, 9.04)]
)
def test_most_break_is_a_little_above_square(degrees, aim_in):
    assert inches(abs(read(turned(degrees)).aim_right_m)) == pytest.approx(aim_in, abs=HUNDREDTH_IN)


@pytest.mark.parametrize(("length_ft", "degrees"), [(5, 2.03), (20, 0.51)])
def test_start_error_that_just_misses(length_ft, degrees):
    assert math.degrees(math.atan2(HOLE_RADIUS_M, length_ft * FOOT_M)) == pytest.approx(degrees, abs=0.005)
    window = read(plane_putt(length_ft, past_in=0.1)).make_window
    assert 0.94 * degrees < math.degrees(window.right_rad.most) < degrees
    assert window.right_rad.least == pytest.approx(-window.right_rad.most, abs=1e-4)


@pytest.mark.parametrize(("tilt", "soft", "firm"), [(0.01, -5.0, 7.3), (0.02, -2.9, 3.5)])
def test_speed_window_is_narrow_and_lopsided(tilt, soft, firm):
    solved = read(plane_putt(10, side_right=tilt))
    speeds = solved.make_window.speed_mps
    assert 100 * (speeds.least / solved.launch_speed_mps - 1) == pytest.approx(soft, abs=0.06)
    assert 100 * (speeds.most / solved.launch_speed_mps - 1) == pytest.approx(firm, abs=0.06)


def test_low_misses_finish_much_further_away():
    putt = plane_putt(15, side_right=0.03, past_in=10)
    solved = aim(putt)
    away = {}
    for name, turn in (("low", 2.0), ("high", -2.0)):
        launch = Launch(solved.launch.right_rad + math.radians(turn), solved.launch.speed_mps)
        track = roller(putt, solved)(launch)
        assert not capture_of(track, putt.hole).drops
        along, right = putt.along_and_right_m(track.finish)
        away[name] = math.hypot(along - putt.length_m, right) / INCH_M
    assert away["low"] == pytest.approx(16.7, abs=0.05)
    assert away["high"] == pytest.approx(5.3, abs=0.05)


def test_demo_putt():
    solved = read(plane_putt(14, side_right=-0.021, grade=1 / 168, speed_ft=10.2))
    assert inches(solved.aim_right_m) == pytest.approx(17.7, abs=0.05)
    assert feet(level_twin_of(solved).plays_like_m) == pytest.approx(15.1, abs=0.05)
    assert solved.entry_clock_hours == pytest.approx(5.5, abs=0.05)
    assert start_spot_of(solved).along_m == pytest.approx(2 * FOOT_M, rel=0.01)
    first, last = solved.entry_window_hours
    assert (first, last) == (pytest.approx(3.72, abs=0.02), pytest.approx(7.24, abs=0.02))


def test_slow_limit_of_a_square_putt():
    solved = read(plane_putt(10, side_right=0.001, past_in=0.0001))
    drag = 1.83**2 / (2 * 10 * FOOT_M)
    expected = 10 * FOOT_M * 5 / 7 * 9.80665 * 0.001 / (2 * drag)
    assert -solved.aim_right_m == pytest.approx(expected, rel=0.01)

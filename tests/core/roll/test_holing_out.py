"""Holing out: windows that end at their first gap, entries over all of them, balls that pass far off."""

import math

import numpy as np
import pytest

from orthocline.core.calls import apex_of
from orthocline.core.ground import Plane
from orthocline.core.roll import Launch, Point, Putt, RollPast, capture_of, read, roller
from orthocline.core.roll.entry import entry_clock_hours, entry_range_hours
from orthocline.core.roll.make_window import _edge
from orthocline.core.units import FOOT_M, INCH_M
from tests.putts import MILLIMETRE, own_roll, plane_putt


def falling(tilt, toward_deg, length_m, speed_ft, past_m=0.3048, ball=(0.0, 0.0)):
    x, y = ball
    ground = Plane(tilt, math.radians(toward_deg))
    return Putt(Point(x, y), Point(x + length_m, y), ground, speed_ft, RollPast(past_m))


GAP = falling(0.04, -75.0, 3.048, 11.0)
TURNING = falling(0.04, -120.0, 6.096, 13.0)


def drops(solved, right_rad):
    launch = Launch(right_rad, solved.launch_speed_mps)
    return capture_of(roller(solved.putt, solved.aim)(launch), solved.putt.hole).drops


def test_the_window_ends_where_balls_first_lip_out():
    window = read(GAP).make_window.right_rad
    assert -19.2 < math.degrees(window.least) < -18.8
    assert not drops(read(GAP), math.radians(-19.2))


@pytest.mark.parametrize("seed", range(12))
def test_every_launch_of_a_window_drops_and_its_neighbours_do_not(seed):
    """A scan a hundred times as dense as the search, on ground up to 4 %."""
    rng = np.random.default_rng(seed)
    putt = falling(rng.uniform(0, 0.04), rng.uniform(-180, 180), rng.uniform(1, 8), rng.uniform(8, 13))
    solved = read(putt)
    window = solved.make_window.right_rad
    width = window.most - window.least
    inside = np.linspace(window.least + 0.01 * width, window.most - 0.01 * width, 400)
    assert all(drops(solved, float(one)) for one in inside)
    assert not drops(solved, window.least - 0.01 * width)
    assert not drops(solved, window.most + 0.01 * width)


def last_inside(holds, inside, outside):
    """Return the last place between two that holds, by halving."""
    for _ in range(30):
        middle = 0.5 * (inside + outside)
        inside, outside = (middle, outside) if holds(middle) else (inside, middle)
    return inside


@pytest.mark.parametrize("putt", [TURNING, falling(0.02, 40.0, 3.0, 10.0, ball=(9.0, -4.0))])
def test_edges_lie_within_a_hundredth_of_the_window_and_entries_evenly_between(putt):
    solved = read(putt)
    window, roll, launch = solved.make_window, roller(putt, solved.aim), solved.aim.launch

    def drops_at(right_rad=launch.right_rad, speed_mps=launch.speed_mps):
        return capture_of(roll(Launch(right_rad, speed_mps)), putt.hole).drops

    angles, speeds = window.right_rad, window.speed_mps
    for found, holds, at in (
        (angles, lambda one: drops_at(right_rad=one), launch.right_rad),
        (speeds, lambda one: drops_at(speed_mps=one), launch.speed_mps),
    ):
        width = found.most - found.least
        for edge in (found.least, found.most):
            true = last_inside(holds, at, edge + 0.2 * (edge - at))
            assert edge == pytest.approx(true, abs=0.01 * width)
    evenly = np.linspace(angles.least, angles.most, 9)
    met = [capture_of(roll(Launch(float(one), launch.speed_mps)), putt.hole) for one in evenly]
    misses = [one.closest_m for one in window.entries]
    assert len(misses) == 9
    assert misses[1:-1] == pytest.approx([one.closest_m for one in met[1:-1]], abs=1 * MILLIMETRE)


def edge_of(margin, step):
    return _edge(lambda x, _: margin(x), 0.0, step)


@pytest.mark.parametrize("way", [1.0, -1.0])
def test_an_edge_is_where_the_margin_first_turns_negative_however_narrow_the_gap(way):
    looked = []

    def falls(x):
        looked.append(abs(x))
        return 1.0 - abs(x)

    assert edge_of(falls, 0.1 * way) == pytest.approx(way, abs=2e-4)
    assert looked[:4] == pytest.approx([0.0, 0.1, 0.215, 0.34725])
    assert edge_of(lambda x: 10 * abs(abs(x) - 0.5) - 0.005, 0.1 * way) == pytest.approx(
        0.4995 * way, abs=2e-4
    )
    assert edge_of(lambda x: min(abs(abs(x) - 0.5) + 0.001, 2.0 - abs(x)), 0.1 * way) == pytest.approx(
        2.0 * way, abs=2e-4
    )
    endless = edge_of(lambda _: 1.0, 0.1 * way)
    assert endless == pytest.approx(0.1 * way * (1.15**60 - 1) / 0.15, rel=1e-9)


def test_a_read_that_does_not_drop_has_no_window():
    assert read(falling(0.0, 0.0, 3.0, 10.0, past_m=4.9)).make_window is None


@pytest.mark.parametrize("ball", [(0.0, 0.0), (23.0, -11.0)])
def test_where_the_hour_turns_back_the_range_holds_the_turn(ball):
    putt = falling(0.04, -120.0, 6.096, 13.0, ball=ball)
    first, last = read(putt).entry_window_hours
    assert (first, last) == (pytest.approx(5.45, abs=0.02), pytest.approx(9.51, abs=0.02))


@pytest.mark.parametrize("seed", range(12))
def test_every_ball_of_the_window_goes_in_within_the_range(seed):
    rng = np.random.default_rng(100 + seed)
    putt = falling(rng.uniform(0.01, 0.05), rng.uniform(-180, 180), rng.uniform(1, 10), rng.uniform(9, 13))
    solved = read(putt)
    if solved.make_window is None:
        return
    window, (first, last) = solved.make_window.right_rad, solved.entry_window_hours
    roll, speed = roller(putt, solved.aim), solved.launch_speed_mps
    for one in np.linspace(window.least, window.most, 101)[1:-1]:
        met = capture_of(roll(Launch(float(one), speed)), putt.hole)
        hour = entry_clock_hours(putt, met.rim)
        assert (hour - first + 0.06) % 12.0 <= last - first + 0.12


def test_twelve_oclock_may_lie_within_the_range():
    first, last = entry_range_hours([10.9, 11.6, 0.3, 0.9, 11.8])
    assert (first, last) == (pytest.approx(10.9), pytest.approx(12.9, abs=0.01))
    assert entry_range_hours([5.0, 6.0, 7.0, 6.0]) == (5.0, 7.0)


def test_a_ball_that_passes_far_off_is_said_to():
    """Forty feet, 2 % across, straight at the hole: closest by looking at the whole way."""
    putt = plane_putt(40, side_right=0.02)
    solved = read(putt)
    own = own_roll(putt, solved.aim, 0.0)
    rows = own.track.even_times(0.0, own.track.duration_s, 20_001)
    closest = np.hypot(rows[:, 1] - putt.hole.x_m, rows[:, 2] - putt.hole.y_m).min()
    assert own.capture.closest_m == pytest.approx(closest, abs=MILLIMETRE)
    assert own.capture.closest_m / INCH_M == pytest.approx(51.0, abs=1.0)


@pytest.mark.parametrize(("length_ft", "past_in"), [(0.7, 60.0), (1.0, 120.0), (2.0, 190.0)])
def test_the_apex_of_a_short_firm_putt_lies_before_the_hole(length_ft, past_in):
    solved = read(plane_putt(length_ft, side_right=0.03, past_in=past_in))
    rows = solved.track.even_times(0.0, solved.aim.time_to_hole_s, 20_001)
    offsets = np.array([solved.putt.along_and_right_m(Point(x, y)) for _, x, y, _, _ in rows])
    top = int(np.argmax(np.abs(offsets[:, 1])))
    found = apex_of(solved)
    assert found.mark.right_m == pytest.approx(offsets[top, 1], abs=0.01 * MILLIMETRE)
    assert found.fraction == pytest.approx(offsets[top, 0] / (length_ft * FOOT_M), abs=0.005)

"""All lines to the hole, beside a dense scan of launches; and the nearest putt where none has the pace."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.ground import Plane, plane_from_grade
from orthocline.core.roll import (
    NO_GRAIN,
    STILL_AIR,
    Point,
    Putt,
    ReadWarning,
    RollPast,
    SpeedAtHole,
    Wind,
    accelerations_of,
    read,
    rolling_deceleration_mps2,
    steepest_holding_slope,
)
from orthocline.core.roll.accelerations import WIND_FACTOR_PER_M
from orthocline.core.roll.aim import aims
from orthocline.core.roll.lines import NoLineError, lines_nearest
from tests.core.roll.formula import DOUBLE_BREAK, QUADRIC, TIER, TILT, Formula
from tests.core.roll.scan import lines_by_scan
from tests.putts import by_rolls

STEEP = Plane(0.09, math.radians(-70.0))
"""Holds no ball at speed 11: a pace at the hole has a direct line and one the long way round."""


def some_ground(kind, rng, length_m, hold):
    """Return a surface of a kind and what the scan's formula takes for it."""
    if kind in ("near", "wind"):
        share = rng.uniform(0.85, 0.999) if kind == "near" else rng.uniform(0.2, 0.9)
        plane = Plane(share * hold, rng.uniform(-math.pi, math.pi))
        return plane, [TILT, *plane.parameters]
    figures = {
        "double break": lambda: [DOUBLE_BREAK, rng.normal(0, 0.01), rng.uniform(0.02, 0.06), length_m],
        "tier": lambda: [
            TIER,
            rng.uniform(0.1, 0.4) * rng.choice([-1, 1]),
            rng.uniform(0.3, 0.8) * length_m,
            rng.uniform(0.3, 0.8),
            rng.uniform(-0.8, 0.8),
            rng.normal(0, 0.01),
        ],
        "saddle": lambda: [
            QUADRIC,
            rng.uniform(-0.02, 0.02),
            rng.uniform(0, length_m),
            rng.uniform(-0.02, 0.02),
            rng.normal(),
        ],
    }[kind]()
    return Formula(figures), figures


def some_putt(kind, rng):
    length, speed, past = rng.uniform(2, 9), rng.uniform(8, 12), float(rng.choice([0.15, 0.3, 0.6]))
    surface, figures = some_ground(kind, rng, length, steepest_holding_slope(speed))
    wind = Wind(rng.uniform(2, 10), rng.uniform(-math.pi, math.pi)) if kind == "wind" else STILL_AIR
    return Putt(Point(0, 0), Point(length, 0), surface, speed, RollPast(past), NO_GRAIN, wind), figures


def launches(putt):
    return [(-one.launch.right_rad, one.launch.speed_mps) for one in aims(putt) if one.pace_met]


@pytest.mark.parametrize("kind", ["near", "double break", "tier", "saddle", "wind"])
def test_a_dense_scan_of_launches_finds_no_line_that_was_missed(kind):
    rng = np.random.default_rng(7)
    seen = 0
    for _ in range(10):
        putt, figures = some_putt(kind, rng)
        pushes = accelerations_of(putt)
        wind = (pushes.wind_east_mps, pushes.wind_north_mps, WIND_FACTOR_PER_M)
        found = launches(putt)
        drag, past = rolling_deceleration_mps2(putt.green_speed_ft), putt.pace.past_m
        for heading, speed in lines_by_scan((putt.length_m, 0.0), np.array(figures), drag, past, wind):
            away = [abs(math.remainder(heading - h, 2 * math.pi)) + abs(speed / v - 1) for h, v in found]
            assert min(away, default=9.0) < 5e-3, (putt, heading, speed)
            seen += 1
    assert seen >= 6


def asked(pace, surface=STEEP, **more):
    return Putt(Point(1.0, 2.0), Point(1.0, 5.0), surface, 11.0, pace, **more)


def passes(solved):
    """How near the hole's centre the read's ball comes [m]."""
    way = solved.track.even_times(0.0, solved.track.duration_s, 4000)
    return np.hypot(way[:, 1] - 1.0, way[:, 2] - 5.0).min()


@pytest.mark.parametrize("by", [lambda putt: putt, by_rolls], ids=["closed form", "rolls"])
def test_the_long_way_round_is_a_line_of_its_own(by):
    putt = by(asked(SpeedAtHole(1.2)))
    direct, other = read(putt), read(replace(putt, line=2))
    assert len(direct.lines) == 2
    assert [number for number, _ in direct.other_lines] == [2]
    assert [number for number, _ in other.other_lines] == [1]
    assert other.aim.time_to_hole_s > 1.5 * direct.aim.time_to_hole_s
    for solved in (direct, other):
        assert passes(solved) < 0.002
        assert solved.aim.speed_at_hole_mps == pytest.approx(1.2, abs=1e-6)


def test_by_rolls_and_by_the_closed_form_the_lines_are_the_same():
    exact, rolled = (aims(putt) for putt in (asked(SpeedAtHole(1.2)), by_rolls(asked(SpeedAtHole(1.2)))))
    for one, other in zip(exact, rolled, strict=True):
        assert other.launch.right_rad == pytest.approx(one.launch.right_rad, abs=1e-5)
        assert other.launch.speed_mps == pytest.approx(one.launch.speed_mps, abs=1e-5)


def test_a_line_that_is_not_there_is_said_and_the_last_one_given():
    there, beyond = (
        read(asked(RollPast(0.3), Plane(0.02, 0.0))),
        asked(RollPast(0.3), Plane(0.02, 0.0), line=3),
    )
    solved = read(beyond)
    assert solved.warnings[0] == ReadWarning.LINE_NOT_THERE
    assert solved.launch_right_rad == there.launch_right_rad
    assert not solved.other_lines


def test_the_softest_putt_by_rolls_is_that_of_the_closed_form():
    putt = asked(SpeedAtHole(0.1), Plane(0.09, math.radians(60.0)))
    exact, rolled = read(putt).aim, read(by_rolls(putt)).aim
    assert not exact.pace_met
    assert not rolled.pace_met
    assert rolled.speed_at_hole_mps == pytest.approx(exact.speed_at_hole_mps, rel=4e-4)


def test_where_the_ground_falls_off_beyond_the_hole_the_nearest_roll_past_is_given():
    """A tier that begins 0.4 m beyond the hole: a ball stops before it, or far down on the flat."""
    putt = Putt(
        Point(0, 0), Point(4, 0), Formula([TIER, -0.2, 4.9, 0.25, 0.0, 0.0]), 10.0, RollPast(0.9), NO_GRAIN
    )
    solved = read(putt).aim
    assert not solved.pace_met
    short, far = (read(replace(putt, pace=RollPast(past))).aim.pace_met for past in (0.2, 4.0))
    assert (short, far) == (True, True)
    before = read(replace(putt, pace=RollPast(solved.past_m - 0.02))).aim
    assert before.pace_met
    assert solved.past_m < 0.9


def test_no_ball_at_all_is_an_error_of_its_own(monkeypatch):
    putt = asked(SpeedAtHole(0.3), plane_from_grade(0.0, 0.01, 0.0), wind=Wind(3.0, 1.0))
    monkeypatch.setattr("orthocline.core.roll.lines.lines_at", lambda *_: [])
    with pytest.raises(NoLineError, match="no ball"):
        lines_nearest(putt)

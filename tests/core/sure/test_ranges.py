"""Ranges of aim and launch speed against separate solves, and against putts whose truth is known."""

import json
import math

import numpy as np
import pytest

from orthocline.core.ground import Station, Stations
from orthocline.core.roll import Grain, Point, Putt, RollPast, Wind, read
from orthocline.core.sure import CERTAIN, Sureness, Uncertainty
from orthocline.formats.putt_document import putt_of
from tests.putts import DATA, by_rolls, plane_putt
from tests.simulated import draws, measured_plane, measured_stations

CASES = json.loads((DATA / "reference-sureness.json").read_text())["cases"]
SHARE_OF_WIDTH = 0.06


@pytest.mark.parametrize("case", CASES, ids=range(len(CASES)))
def test_ends_are_those_of_fifteen_hundred_separate_solves(case):
    sd = case["sd"]
    uncertainty = Uncertainty(sd["length"], sd["side_tilt"], sd["grade"], sd["green_speed_ft"])
    found = Sureness(read(putt_of(case["putt"])), uncertainty).range
    for span, name in ((found.aim_right_m, "aim_right"), (found.speed_mps, "launch_speed")):
        unit = "m" if name == "aim_right" else "mps"
        least, _, most = case["expect"][f"{name}_quantiles_{unit}"]
        assert (span.least, span.most) == pytest.approx((least, most), abs=SHARE_OF_WIDTH * (most - least))


@pytest.mark.parametrize(("make", "count"), [(measured_plane, 400), (measured_stations, 160)])
def test_the_true_aim_lies_within_as_often_as_is_said(make, count):
    held, reach = [], []
    for seen, uncertainty, true in draws(make, count, seed=11):
        span = Sureness(seen, uncertainty).range.aim_right_m
        if span is None:
            continue
        held.append(span.least <= true.aim_right_m <= span.most)
        off = true.aim_right_m - seen.aim_right_m
        reach.append(off / ((span.most if off > 0.0 else span.least) - seen.aim_right_m))
    assert 0.92 <= np.mean(held) <= 0.98
    assert np.quantile(reach, 0.95) > 1 / 1.2, "no wider than needed by more than a fifth"


def test_the_same_putt_has_the_same_range_always():
    uncertainty = Uncertainty(0.02, 0.004, 0.004, 0.2)
    one, other = (Sureness(read(plane_putt(14, side_right=-0.02)), uncertainty).range for _ in range(2))
    assert one == other


def test_what_is_taken_as_it_is_has_no_range():
    sure = Sureness(read(plane_putt(14, side_right=-0.02)), CERTAIN)
    assert sure.range is None
    assert sure.next_readings == ()


def ends(span):
    return span.least, span.most


@pytest.mark.parametrize(
    "uncertainty",
    [
        Uncertainty(side=0.003),
        Uncertainty(grade=0.003),
        Uncertainty(length=0.03),
        Uncertainty(green_speed_ft=0.3),
        Uncertainty(grain=0.25, grain_way_rad=0.2),
    ],
    ids=["side", "grade", "length", "speed", "grain"],
)
def test_each_doubt_counts_alike_by_sets_and_to_first_order(uncertainty):
    """A breath of wind makes the plane one that is rolled on: its range is the normal one."""
    putt = plane_putt(14, side_right=-0.018, grade=0.006, grain=Grain(0.1, 0.8))
    by_sets = Sureness(read(putt), uncertainty).range
    by_weights = Sureness(read(by_rolls(putt)), uncertainty).range
    width = by_sets.aim_right_m.width
    for one, other in zip(ends(by_weights.aim_right_m), ends(by_sets.aim_right_m), strict=True):
        assert one == pytest.approx(other, abs=0.06 * width)
    # A tilt across the line changes the launch speed to the second order only.
    speeds = by_sets.speed_mps
    assert by_weights.speed_mps.width == pytest.approx(speeds.width, rel=0.05, abs=0.003)


def test_in_wind_there_is_a_range_too():
    putt = plane_putt(14, side_right=-0.018, wind=Wind(4.0, 1.0))
    wide = Sureness(read(putt), Uncertainty(side=0.004)).range.aim_right_m.width
    narrow = Sureness(read(putt), Uncertainty(side=0.002)).range.aim_right_m.width
    assert wide == pytest.approx(2 * narrow)


def test_on_ground_too_steep_to_hold_a_ball_the_range_is_of_the_putts_there_are():
    sure = Sureness(read(plane_putt(12, side_right=0.05, grade=-0.07)), Uncertainty(side=0.004))
    assert sure.range.right_rad.least < sure.read.launch_right_rad < sure.range.right_rad.most


def test_an_aim_with_no_mark_has_a_range_of_angles_only():
    sure = Sureness(read(plane_putt(10, side_right=0.13, grade=-0.02, speed_ft=8)), Uncertainty(side=0.02))
    assert abs(math.degrees(sure.range.right_rad.least)) > 60
    assert sure.range.aim_right_m is None


def putt_at(stations):
    ground = Stations((0.0, 0.0), (4.0, 0.0), tuple(stations))
    return Putt(Point(0, 0), Point(4.0, 0.0), ground, 10.0, RollPast(0.3))


def test_stations_are_less_sure_the_further_they_are_from_where_they_were_read():
    at_ball, spread = (
        Sureness(read(putt_at([Station(at, 0.01, 0.0, 0.0027) for at in places])), CERTAIN)
        for places in ([0.0], [0.0, 0.5, 1.0])
    )
    assert spread.range.aim_right_m.width < 0.6 * at_ball.range.aim_right_m.width
    typed = Sureness(read(putt_at([Station(0.0, 0.01, 0.0)])), CERTAIN)
    assert typed.range is None
    said_of_all = Sureness(read(putt_at([Station(0.0, 0.01, 0.0)])), Uncertainty(side=0.0027, grade=0.0027))
    assert said_of_all.range.aim_right_m.width == pytest.approx(at_ball.range.aim_right_m.width)

"""What a ball says on the own putt: where, which way, and how much less sure further off."""

import math

import numpy as np
import pytest

from orthocline.core.balls import Conditions, Implied, Way, readings_of, rolled_way
from orthocline.core.estimate import Estimate
from tests.rolled import roll_out


def said(side=0.02, grade=0.0, sd=0.004):
    return Implied(Estimate(side, sd), Estimate(grade, sd), odd=False)


def test_a_way_knows_its_own_directions():
    way = Way(start_m=(0.0, 4.0), finish_m=(0.3, -0.5))
    assert way.to_hole_m == 4.0
    assert math.degrees(way.heading_rad) == pytest.approx(-90.0)
    # It comes from the right: half a metre past, and to its own right is beyond the own hole.
    assert way.rest_m == pytest.approx((0.5, 0.3))


def test_a_ball_on_the_own_line_says_the_tilt_across_it():
    (one,) = readings_of(said(), Way((-4.0, 0.0), (0.0, 0.0)), 4.0, "other_ball", both=False)
    assert one.at == pytest.approx(0.5)
    assert math.degrees(one.toward_rad) == pytest.approx(90.0)
    assert one.size == pytest.approx(0.02)
    assert one.by == "other_ball"
    # Its own way's mean is hardly the tilt at its middle.
    assert 0.008 < one.within < 0.014


def test_a_fall_to_its_left_turns_round():
    (one,) = readings_of(said(-0.01), Way((-4.0, 0.0), (0.0, 0.0)), 4.0, "other_ball", both=False)
    assert (one.size, math.degrees(one.toward_rad)) == (0.01, pytest.approx(-90.0))


def test_a_ball_from_the_side_says_the_grade_of_the_own_putt():
    (one,) = readings_of(said(), Way((0.0, 4.0), (0.0, -0.3)), 4.0, "other_ball", both=False)
    # It rolls to the left, and falls to its right: toward beyond the own hole.
    assert math.degrees(one.toward_rad) == pytest.approx(0.0, abs=1e-9)
    assert one.at == pytest.approx(1.0)


def test_the_further_off_the_less_sure():
    near, far = (
        readings_of(said(), Way((-4.0, off), (0.3, off)), 4.0, "other_ball", both=False)[0].within
        for off in (0.2, 3.0)
    )
    assert near < far < 0.06


def test_the_own_ball_says_both():
    across, along = readings_of(said(0.01, 0.02), Way((-4.0, 0.0), (-1.0, 0.2)), 4.0, "own_ball", both=True)
    assert math.degrees(across.toward_rad) == pytest.approx(90.0)
    assert abs(math.degrees(along.toward_rad)) == pytest.approx(180.0)
    assert (across.size, along.size) == (0.01, 0.02)
    assert across.at == along.at == pytest.approx(0.375)


def test_it_rolled_from_its_start_to_where_it_stopped_by_an_integrator_of_the_tests_own():
    way = Way(start_m=(0.0, 4.0), finish_m=(0.3, -0.5))
    rolled = rolled_way(said(0.02, 0.01), way, Conditions(10.0))
    assert rolled[0] == pytest.approx((0.0, 4.0))
    assert rolled[-1] == pytest.approx((0.3, -0.5), abs=0.002)
    first = rolled[1] - rolled[0]
    start = math.remainder(math.atan2(first[1], first[0]) - way.heading_rad, 2 * math.pi)
    again = [
        roll_out([(0.01, 0.02)], 10.0, np.array([start]), np.array([speed]))[-1, 0]
        for speed in np.linspace(1.5, 3.0, 60)
    ]
    assert min(math.dist(one, (4.5, 0.3)) for one in again) < 0.1


def test_where_no_ball_stops_its_straight_way_is_drawn():
    way = Way(start_m=(-4.0, 0.0), finish_m=(0.5, 0.0))
    steep = said(0.0, -0.15)
    assert rolled_way(steep, way, Conditions(10.0)).tolist() == [[-4.0, 0.0], [0.5, 0.0]]


def test_it_joins_what_was_read_within_reach_and_nothing_further_off():
    way = Way((-4.0, 0.0), (0.2, 0.0))
    for places, wanted in (((0.6,), 0.6), ((0.1, 0.5, 0.6), 0.5), ((0.1, 0.95), 0.525)):
        (one,) = readings_of(said(), way, 4.0, "other_ball", both=False, places=places)
        assert one.at == pytest.approx(wanted)

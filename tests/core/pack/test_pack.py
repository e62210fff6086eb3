"""What is taken along: what lies between solved reads is as near to the solver as it says."""

import math

import numpy as np
import pytest

from orthocline.core.cards import Conditions
from orthocline.core.chart import Known, surveyed
from orthocline.core.ground import plane_from_grade
from orthocline.core.pack import Axis, Table, exactness_of, pin_table, plane_table
from orthocline.core.roll import Point, Putt, RollPast, aims, rolling_deceleration_mps2
from orthocline.services.demo.greens import DEMO_GREENS
from tests.rolled import holed_by_trying

FOOT, INCH = 0.3048, 0.0254
TODAY = Conditions(10.2, FOOT)
GREENS = (0, 4, 5, 8)


def known_of(number):
    chart = DEMO_GREENS[number].chart(np.random.default_rng(number))
    return chart, Known(surveyed(chart.readings, {}), chart.outline, chart.grain)


@pytest.mark.parametrize("number", GREENS)
def test_reads_round_a_pin_are_near_enough_to_the_solver(number):
    chart, known = known_of(number)
    hole, rng = chart.pins[1].at_m, np.random.default_rng(31 + number)
    table, pairs = pin_table(known.survey, known.outline, hole, TODAY), []
    (left, low), (right, top) = known.outline.box
    while len(pairs) < 150:
        ball = rng.uniform((left, low), (right, top))
        far = math.dist(ball, hole)
        if far < 0.6 or not known.outline.holds(ball[None])[0]:
            continue
        found = table.at(math.sqrt(far), math.atan2(ball[1] - hole[1], ball[0] - hole[0]))
        putt = Putt(Point(*ball), Point(*hole), known.survey, 10.2, RollPast(FOOT))
        pairs.append((found, aims(putt)[0], far))
    told = exactness_of(
        (None if found is None else far * math.tan(found[0]), far * math.tan(true.launch.right_rad))
        for found, true, far in pairs
    )
    assert told.good
    assert told.missing < 0.03
    drag = rolling_deceleration_mps2(10.2)
    plays = [
        abs(found[1] - (true.launch.speed_mps**2 / (2.0 * drag) - (true.past_m or 0.0))) / far
        for found, true, far in pairs
        if found is not None
    ]
    assert np.quantile(plays, 0.95) < 0.02


def test_a_pin_by_which_hardly_a_ball_rests_is_solved_from_the_softest_up():
    _, known = known_of(5)
    hole = (0.0, 10.5)  # on the step between the tiers
    table = pin_table(known.survey, known.outline, hole, TODAY)
    met = table.values[..., 2]
    assert np.nanmean(met) < 0.5
    for ball in ((0.0, 4.0), (3.0, 6.0), (-4.0, 5.0)):
        putt = Putt(Point(*ball), Point(*hole), known.survey, 10.2, RollPast(FOOT))
        both = aims(putt)[0], aims(putt, rests=False)[0]
        assert both[0].launch.right_rad == pytest.approx(both[1].launch.right_rad, abs=2e-3)
        assert both[0].pace_met == both[1].pace_met


def test_reads_on_planes_are_near_enough_to_the_tests_own_integrator():
    rng, table = np.random.default_rng(8), plane_table(TODAY)
    slopes = np.column_stack([rng.uniform(-0.025, 0.04, 40), rng.uniform(0.0, 0.035, 40)])
    length = rng.uniform(3.0, 40.0, 40) * FOOT
    right, _ = holed_by_trying(slopes, 10.2, length, np.full(40, FOOT))
    pairs = []
    for (rise, side), far, way in zip(slopes, length, right, strict=True):
        if math.isnan(way):
            continue
        found = table.at(math.sqrt(far), side, rise)
        pairs.append((far * math.tan(found[0]), far * math.tan(way)))
    told = exactness_of(pairs)
    assert told.reads >= 30
    assert told.near >= 0.97
    assert told.within_m < 0.75 * INCH


def test_on_a_plane_the_pins_table_says_what_the_planes_does():
    _, known = known_of(3)
    plane, hole = plane_from_grade(0.0, 0.02, 0.0), known.outline.front
    hole = (hole[0], hole[1] + 8.0)
    table, planes = pin_table(plane, known.outline, hole, TODAY), plane_table(TODAY)
    for turn in (0.3, 2.0, 4.0, 5.5):
        along, right = table.at(math.sqrt(5.0), turn), math.radians(0.0)
        way = turn + math.pi - right
        rise, side = 0.02 * math.sin(way), 0.02 * math.cos(way)
        asked = planes.at(math.sqrt(5.0), abs(side), rise)
        assert abs(along[0]) == pytest.approx(abs(asked[0]), abs=2e-3)
        assert along[1] == pytest.approx(asked[1], abs=0.05)


def test_what_lies_between_is_cubic_and_round_the_hole_it_closes():
    axis = Axis(0.0, 2.0 * math.pi, 36, is_round=True)
    table = Table((axis,), np.sin(axis.places)[:, None])
    for turn in (0.01, 3.0, 6.25, -0.1, 7.0):
        assert table.at(turn)[0] == pytest.approx(math.sin(turn), abs=2e-4)
    line = Axis(1.0, 4.0, 4)
    cubic = Table((line,), (line.places[:, None]) ** 2)
    assert cubic.at(2.5)[0] == pytest.approx(6.25)
    assert cubic.at(1.0)[0] == 1.0
    assert cubic.at(4.0)[0] == 16.0
    assert cubic.at(0.99) is cubic.at(4.01) is None


def test_where_a_neighbour_is_missing_nothing_is_said_and_further_out_it_goes_on_straight():
    line = Axis(0.0, 5.0, 6)
    values = line.places[:, None].copy()
    values[0] = math.nan
    table = Table((line,), values)
    assert table.at(0.5) is None
    assert table.at(1.5)[0] == pytest.approx(1.5)


def test_where_no_ball_holds_nothing_is_taken_along():
    assert plane_table(Conditions(13.0, FOOT)).at(2.0, 0.0, -0.058) is None


def test_how_exact_it_is_counts_what_is_there_and_says_what_is_missing():
    told = exactness_of([(0.10, 0.10), (0.30, 0.32), (1.04, 1.0), (None, 0.2)])
    assert (told.reads, told.missing) == (4, 0.25)
    assert told.near == 0.5
    assert told.within_m == pytest.approx(0.04)
    assert not told.good
    assert exactness_of([(None, 1.0)]).near == 0.0

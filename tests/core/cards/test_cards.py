"""Pocket cards: every cell against the solver, some against the tests' own integrator, none too coarse."""

import math

import numpy as np
import pytest

from orthocline.core.calls import USUAL_GOLFER, Gauge, GolferFigures
from orthocline.core.cards import (
    Conditions,
    aim_blocks,
    aim_cell,
    dial_shares,
    finger_cells,
    pace_cells,
    rounded,
    step_for,
)
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, read
from tests.rolled import holed_by_trying

FOOT, INCH = 0.3048, 0.0254
LENGTHS = [FOOT * feet for feet in (3, 5, 8, 12, 20, 40)]
SIDES, RISES = (0.01, 0.02, 0.03, 0.04), (0.02, 0.0, -0.02)
STEPS = {"inches": (INCH, 0.5 * INCH, 0.25 * INCH), "centimetres": (0.02, 0.01)}
SIX = [Conditions(speed, past * FOOT) for speed in (8.0, 10.0, 12.0) for past in (0.5, 1.5)]


@pytest.mark.parametrize("steps", STEPS.values(), ids=STEPS)
@pytest.mark.parametrize("conditions", SIX, ids=str)
def test_every_cell_as_it_is_said_lies_within_a_quarter_of_what_drops(conditions, steps):
    told = 0
    for block in aim_blocks(conditions, LENGTHS, SIDES, RISES):
        for length, row in zip(LENGTHS, block.cells, strict=True):
            for side, cell in zip(SIDES, row, strict=True):
                if cell is None:
                    continue
                ground = plane_from_grade(block.rise, -side, 0.0)  # falls left: aimed right
                pace = RollPast(conditions.past_m)
                solved = read(Putt(Point(0, 0), Point(length, 0), ground, conditions.green_speed_ft, pace))
                window = solved.make_window.right_rad
                drops = length * (math.tan(window.most) - math.tan(window.least))
                said = rounded(cell.aim_m, step_for(cell.aim_m, cell.drops_m, steps))
                assert abs(said - solved.aim_right_m) <= 0.25 * drops + 1e-6
                told += 1
    assert told >= 60


def test_a_cell_is_what_the_tests_own_integrator_holes():
    slopes = np.array([(rise, side) for rise in RISES for side in (0.01, 0.03)])
    length = np.full(len(slopes), 12.0 * FOOT)
    right, _ = holed_by_trying(slopes, 10.0, length, np.full(len(slopes), FOOT))
    for (rise, side), way in zip(slopes, right, strict=True):
        cell = aim_cell(Conditions(10.0, FOOT), 12.0 * FOOT, side, rise)
        assert cell.aim_m == pytest.approx(-12.0 * FOOT * math.tan(way), abs=0.1 * INCH)


def test_half_a_percent_more_is_said_with_each_cell():
    cell = aim_cell(Conditions(10.0, FOOT), 10.0 * FOOT, 0.02, 0.0)
    steeper = aim_cell(Conditions(10.0, FOOT), 10.0 * FOOT, 0.025, 0.0)
    assert cell.more_m == pytest.approx(steeper.aim_m - cell.aim_m)
    assert cell.more_m > 0.0


def test_where_no_ball_holds_nothing_is_said():
    assert aim_cell(Conditions(14.0, FOOT), 10.0 * FOOT, 0.02, -0.12) is None
    on_the_edge = aim_cell(Conditions(13.0, FOOT), 10.0 * FOOT, 0.04, -0.015)
    assert on_the_edge is None or on_the_edge.more_m is None or on_the_edge.more_m > 0.0
    assert pace_cells(Conditions(14.0, FOOT), [3.0], [-0.12], USUAL_GOLFER) == ((None,),)
    assert dial_shares(Conditions(14.0, FOOT), 3.0, 0.12) == (None,) * 12


def test_a_level_putt_plays_its_length_and_one_uphill_longer():
    ((level, up, down),) = pace_cells(Conditions(10.0, FOOT), [5.0], (0.0, 0.02, -0.02), USUAL_GOLFER)
    assert level.plays_m == pytest.approx(5.0)
    assert down.plays_m < 5.0 < up.plays_m
    assert level.more_m > 0.0
    assert down.stroke_m < level.stroke_m < up.stroke_m
    assert down.mark_m < level.mark_m < up.mark_m


def test_fingers_grow_with_the_tilt_until_the_hand_is_full():
    conditions = Conditions(10.0, FOOT)
    ((one, two, four),) = finger_cells(conditions, [10.0 * FOOT], (0.01, 0.02, 0.04), USUAL_GOLFER)
    assert one < two < four
    small = GolferFigures(gauge=Gauge((0.017,) * 3))
    assert finger_cells(conditions, [10.0 * FOOT], (0.04,), small) == ((None,),)


def test_the_dial_is_straight_at_six_and_twelve_and_the_same_on_both_sides():
    shares = dial_shares(Conditions(10.0, FOOT), 3.0, 0.02)
    assert shares[5] == pytest.approx(0.0, abs=1e-6)
    assert shares[11] == pytest.approx(0.0, abs=1e-6)
    assert max(shares) == 1.0
    assert shares[:5] == pytest.approx(shares[10:5:-1], abs=1e-6)


@pytest.mark.parametrize(
    ("value", "drops", "step"),
    [(10.4, 4.0, 1.0), (10.5, 1.9, 0.5), (10.2, 0.4, 0.25), (10.13, 0.1, 0.25), (0.0, 0.0, 1.0)],
)
def test_a_figure_is_said_as_coarsely_as_it_may(value, drops, step):
    assert step_for(value, drops, (1.0, 0.5, 0.25)) == step

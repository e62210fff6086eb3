"""Pocket cards: every cell against the solver, some against the tests' own integrator, none too coarse."""

import math

import numpy as np
import pytest

from orthocline.core.calls import USUAL_GOLFER, Gauge
from orthocline.core.cards import (
    HOURS,
    Cell,
    Conditions,
    aim_cell,
    aim_cells,
    dial_columns,
    finger_cells,
    pace_rows,
    rounded,
)
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, read
from tests.rolled import holed_by_trying

FOOT, INCH = 0.3048, 0.0254
LENGTHS = [FOOT * feet for feet in (3, 5, 8, 12, 20, 40)]
SIDES, RISES = (0.01, 0.02, 0.03, 0.04), (0.02, 0.0, -0.02)
SIX = [Conditions(speed, past * FOOT) for speed in (8.0, 10.0, 12.0) for past in (0.5, 1.5)]


def mirrored(conditions, length, side, rise):
    """Return the same putt with its fall to the left, solved."""
    ground = plane_from_grade(rise, -side, 0.0)
    pace = RollPast(conditions.past_m)
    return read(Putt(Point(0, 0), Point(length, 0), ground, conditions.green_speed_ft, pace))


@pytest.mark.parametrize("conditions", SIX, ids=str)
@pytest.mark.parametrize("rise", RISES)
def test_every_cell_is_the_solvers_and_may_be_moved_by_a_quarter_of_what_drops(conditions, rise):
    told = 0
    for length, row in zip(LENGTHS, aim_cells(conditions, LENGTHS, SIDES, rise), strict=True):
        for side, cell in zip(SIDES, row, strict=True):
            if cell is None:
                continue
            solved = mirrored(conditions, length, side, rise)
            window = solved.make_window.right_rad
            drops = length * (math.tan(window.most) - math.tan(window.least))
            assert cell.value == pytest.approx(solved.aim_right_m, abs=1e-6)
            assert cell.most - cell.value == pytest.approx(0.25 * drops, abs=1e-6)
            assert cell.value - cell.least == pytest.approx(0.25 * drops, abs=1e-6)
            told += 1
    assert told >= 15


def test_a_cell_is_what_the_tests_own_integrator_holes():
    slopes = np.array([(rise, side) for rise in RISES for side in (0.01, 0.03)])
    length = np.full(len(slopes), 12.0 * FOOT)
    right, _ = holed_by_trying(slopes, 10.0, length, np.full(len(slopes), FOOT))
    for (rise, side), way in zip(slopes, right, strict=True):
        cell = aim_cell(Conditions(10.0, FOOT), 12.0 * FOOT, side, rise)
        assert cell.value == pytest.approx(-12.0 * FOOT * math.tan(way), abs=0.1 * INCH)


def test_half_a_percent_more_is_said_with_each_cell():
    cell = aim_cell(Conditions(10.0, FOOT), 10.0 * FOOT, 0.02, 0.0)
    steeper = aim_cell(Conditions(10.0, FOOT), 10.0 * FOOT, 0.025, 0.0)
    assert cell.more == pytest.approx(steeper.value - cell.value)
    assert cell.more > 0.0


def test_where_no_ball_holds_nothing_is_said():
    assert aim_cell(Conditions(14.0, FOOT), 10.0 * FOOT, 0.02, -0.12) is None
    on_the_edge = aim_cell(Conditions(13.0, FOOT), 10.0 * FOOT, 0.04, -0.015)
    assert on_the_edge is None or on_the_edge.more is None or on_the_edge.more > 0.0
    assert pace_rows(Conditions(14.0, FOOT), [3.0], -0.12, USUAL_GOLFER) == (None,)
    (column,) = dial_columns(Conditions(14.0, FOOT), 3.0, [0.12])
    assert column.most is None
    assert column.shares == (None,) * len(HOURS)


def test_a_level_putt_plays_its_length_and_one_uphill_longer():
    level, up, down = (
        pace_rows(Conditions(10.0, FOOT), [5.0], rise, USUAL_GOLFER)[0] for rise in (0.0, 0.02, -0.02)
    )
    assert level.pace.plays_m == pytest.approx(5.0)
    assert level.pace.beyond_m == pytest.approx(0.0, abs=1e-9)
    assert down.pace.beyond_m < 0.0 < up.pace.beyond_m
    assert level.steeper.plays_m > 5.0
    assert down.pace.stroke_m < level.pace.stroke_m < up.pace.stroke_m
    assert down.pace.mark_m < level.pace.mark_m < up.pace.mark_m


def test_fingers_grow_with_the_tilt_until_the_hand_is_full_and_reach_the_aim():
    conditions, gauge = Conditions(10.0, FOOT), Gauge((0.017, 0.018, 0.018, 0.014, 0.021))
    ((one, two, four),) = finger_cells(conditions, [10.0 * FOOT], (0.01, 0.02, 0.04), gauge)
    assert one.value < two.value < four.value
    aim = aim_cell(conditions, 10.0 * FOOT, 0.02, 0.0)
    for fingers, wanted in ((two.value, aim.value), (two.most, aim.most), (two.least, aim.least)):
        seen = gauge.width_m(fingers) * (10.0 * FOOT + 0.6) / gauge.arm_m(10.0)
        assert seen == pytest.approx(wanted)
    assert finger_cells(conditions, [10.0 * FOOT], (0.04,), Gauge((0.017,) * 3)) == ((None,),)


def test_the_dial_says_each_hours_share_of_the_most_and_how_far_it_may_be_moved():
    conditions, turn = Conditions(10.0, FOOT), math.pi / 6.0
    (column,) = dial_columns(conditions, 3.0, [0.02])
    aims = [
        mirrored(conditions, 3.0, 0.02 * math.sin(turn * hour), -0.02 * math.cos(turn * hour)).aim_right_m
        for hour in HOURS
    ]
    assert column.most.value == pytest.approx(max(aims))
    assert [one.value for one in column.shares] == pytest.approx([aim / max(aims) for aim in aims])
    assert max(one.value for one in column.shares) == 1.0
    assert all(one.least < one.value < one.most for one in column.shares)
    steeper = dial_columns(conditions, 3.0, [0.025])[0]
    assert column.shares[0].more == pytest.approx(steeper.shares[0].value - column.shares[0].value)


def test_a_cell_in_another_unit_keeps_what_half_a_percent_more_makes_of_it():
    assert Cell(2.0, 1.0, 3.0, 0.5).told(lambda figure: figure**2) == Cell(4.0, 1.0, 9.0, 2.25)
    assert Cell(2.0, 1.0, 3.0, None).told(lambda figure: 3.0 * figure) == Cell(6.0, 3.0, 9.0, None)


@pytest.mark.parametrize(
    ("value", "drops", "step"),
    [(10.4, 4.0, 1.0), (10.5, 1.9, 0.5), (10.2, 0.4, 0.25), (10.13, 0.1, None), (0.0, 0.0, 1.0)],
)
def test_a_figure_is_said_as_coarsely_as_it_may(value, drops, step):
    cell = Cell(value, value - 0.25 * drops, value + 0.25 * drops, None)
    assert cell.step((1.0, 0.5, 0.25)) == step
    assert rounded(10.13, 0.25) == 10.25

"""The drawings of measuring are true to scale: ramp, rails, tape, trend, speeds, zero putts, stride."""

import math
import re
from datetime import UTC, datetime, timedelta

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from orthocline.core.constants import BALL_RADIUS_M
from orthocline.core.estimate import Estimate
from orthocline.core.speed import (
    STANDARD_RAMP,
    Groove,
    Ramp,
    Rods,
    StrokePutt,
    one_way,
    score_zero_putts,
    speed_from_rolls,
    stroke_rate,
)
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.drawing.account.measures import stride_drawing, strokes_drawing
from orthocline.drawing.speed.ramp import (
    END_RADIUS,
    END_X,
    END_Y,
    FOOT_X,
    GROUND_Y,
    TAPE_LEFT,
    Roll,
    ramp_plan,
)
from orthocline.drawing.speed.scales import speed_scale, zero_plan
from orthocline.drawing.speed.trend import BOTTOM, LEFT, RIGHT, TOP, Measured, trend
from orthocline.wording.figures import USUAL_WORDING, Wording

UNIT = 0.2
"""Coordinates on the sheet are rounded to tenths."""
NOW = datetime(2026, 7, 14, 12, 0, tzinfo=UTC)


def rolls(*feet, left_out=()):
    return tuple(Roll(f * FOOT_M, i in left_out) for i, f in enumerate(feet))


def numbers(path):
    return [float(n) for n in re.findall(r"-?\d+\.?\d*", path)]


@given(st.floats(0.2, 2.0), st.floats(5.0, 45.0))
def test_the_ramp_stands_at_its_angle_and_fits_the_sheet(length, degrees):
    side = ramp_plan(Ramp(length, math.radians(degrees), Rods(0.02)), None, (), (), USUAL_WORDING).side
    run, rise = FOOT_X - side.top[0], GROUND_Y - side.top[1]
    assert math.degrees(math.atan2(rise, run)) == pytest.approx(degrees, abs=0.2)
    assert side.top[0] >= 129.0
    assert side.top[1] >= 35.0
    ball = math.hypot(side.ball[0] - side.top[0], side.ball[1] - side.top[1])
    assert ball == pytest.approx(side.ball_radius, abs=UNIT), "the ball touches the ramp"


@given(st.floats(0.005, 0.038))
def test_rods_touch_the_ball_where_the_gap_says(gap):
    end = ramp_plan(Ramp(0.7, 0.35, Rods(gap)), None, (), (), USUAL_WORDING).end
    (left, y), (right, _) = end.touch
    assert (right - left) / (2 * END_RADIUS) == pytest.approx(gap / (2 * BALL_RADIUS_M), abs=0.001)
    assert math.hypot(left - END_X, y - END_Y) == pytest.approx(END_RADIUS, abs=UNIT)
    assert math.hypot(end.rods[0][0] - END_X, end.rods[0][1] - END_Y) == pytest.approx(
        END_RADIUS + 9.0, abs=UNIT
    )


@given(st.floats(60.0, 179.0))
def test_a_groove_is_drawn_at_its_angle_and_touches_the_ball(degrees):
    end = ramp_plan(Ramp(0.7, 0.35, Groove(math.radians(degrees))), None, (), (), USUAL_WORDING).end
    bottom_x, bottom_y, top_x, top_y = numbers(end.rails)[:4]
    opening = 2 * math.degrees(math.atan2(bottom_x - top_x, bottom_y - top_y))
    assert opening == pytest.approx(degrees, abs=0.3)
    slope = np.array([bottom_x - top_x, bottom_y - top_y])
    to_ball = np.array([END_X - bottom_x, END_Y - bottom_y])
    distance = abs(slope[0] * to_ball[1] - slope[1] * to_ball[0]) / np.hypot(*slope)
    assert distance == pytest.approx(END_RADIUS, abs=0.5)
    assert end.words_y > bottom_y


def test_the_tape_shows_each_roll_where_it_lies_with_speed_and_slope():
    out, back = rolls(8.0, 8.2, 8.1, 12.0, left_out={3}), rolls(10.0, 10.3)
    found = speed_from_rolls(
        one_way([one.length_m for one in out[:3]]), one_way([one.length_m for one in back])
    )
    tape = ramp_plan(STANDARD_RAMP, found, out, back, USUAL_WORDING).tape
    there, again = tape.lanes
    per_foot = (there.dots[1].x - there.dots[0].x) / 0.2
    for dot, feet in zip((*there.dots, *again.dots), (8.0, 8.2, 8.1, 12.0, 10.0, 10.3), strict=True):
        assert dot.x - TAPE_LEFT == pytest.approx(per_foot * feet, rel=0.03)
    assert [dot.left_out for dot in there.dots] == [False, False, False, True]
    assert there.mean_x == pytest.approx(np.mean([dot.x for dot in there.dots[:3]]), abs=UNIT)
    assert there.mean_x < tape.speed_x < again.mean_x
    assert tape.high_x - tape.speed_x == pytest.approx(tape.speed_x - tape.low_x, abs=UNIT)
    _, left, _, right = numbers(tape.ground)
    assert left > right, "it is up the way out: the out rolls are short"
    assert tape.speed == f"speed {found.speed_ft.value:.1f}"


def test_metric_tapes_are_ticked_in_metres():
    tape = ramp_plan(STANDARD_RAMP, None, rolls(9.0), (), Wording(metric=True)).tape
    (zero, first), (one, second) = tape.ticks[0], tape.ticks[1]
    assert (zero, first) == (TAPE_LEFT, "0")
    per_metre = (tape.lanes[0].dots[0].x - TAPE_LEFT) / (9.0 * FOOT_M)
    assert one - zero == pytest.approx(per_metre * float(second), abs=0.5)


def measured(speed_ft, days, within=0.4, method="ramp"):
    return Measured(NOW - timedelta(days=days), Estimate(speed_ft, within / 2), method)


@given(
    st.lists(st.tuples(st.floats(3.0, 20.0), st.floats(0.0, 400.0)), min_size=1, max_size=12),
)
def test_the_trend_is_to_scale_and_stays_on_its_sheet(speeds):
    notes = sorted((measured(*one) for one in speeds), key=lambda one: one.at, reverse=True)
    drawn = trend(notes, notes[0].speed_ft, NOW)
    (low_y, low), (high_y, high) = drawn.rows[0], drawn.rows[-1]
    per_foot = (low_y - high_y) / (int(high) - int(low))
    for point, kept in zip(drawn.points, reversed(notes), strict=True):
        assert LEFT - UNIT <= point.x <= RIGHT + UNIT
        assert TOP - UNIT <= point.high_y <= point.y <= point.low_y <= BOTTOM + UNIT
        assert low_y - point.y == pytest.approx(per_foot * (kept.speed_ft.value - int(low)), abs=0.5)
        assert point.low_y - point.high_y == pytest.approx(per_foot * 0.8, abs=0.5)
    assert [point.x for point in drawn.points] == sorted(point.x for point in drawn.points)
    gaps = np.diff([x for x, _ in drawn.marks])
    assert (gaps >= 33.9).all(), "marks of the time axis keep apart"


def test_posted_numbers_are_no_part_of_the_trends_line():
    notes = [measured(10.0, 0), measured(12.0, 3, method="posted"), measured(9.0, 5)]
    drawn = trend(notes, notes[0].speed_ft, NOW)
    ys = numbers(drawn.line)[1::2]
    assert ys == [drawn.points[0].y, drawn.points[2].y]
    assert trend([notes[1]], notes[1].speed_ft, NOW).line == ""


def test_the_scale_of_speeds_holds_every_range():
    scale = speed_scale([("Posted number", Estimate(19.5, 0.5)), ("Together", Estimate(10.0, 0.15))])
    first, last = scale.lanes
    marks = {int(words): x for x, words in scale.marks}
    per_foot = (marks[12] - marks[4]) / 8
    assert last.x - marks[4] == pytest.approx(6.0 * per_foot, abs=UNIT)
    assert first.high_x - first.low_x == pytest.approx(2.0 * per_foot, abs=UNIT)
    assert max(marks.values()) <= 600.0 + UNIT
    assert (first.last, last.last) == (False, True)


def test_zero_putts_lie_to_scale_about_their_target():
    score = score_zero_putts(12 * FOOT_M, [12.5 * FOOT_M, 11.0 * FOOT_M, 16.0 * FOOT_M])
    plan = zero_plan(score, USUAL_WORDING)
    per_foot = (plan.leave_x - plan.target_x) / 1.5
    offsets = [(ball.x - plan.target_x) / per_foot for ball in plan.balls]
    assert offsets == pytest.approx([0.5, -1.0, 4.0], abs=0.01)
    assert [ball.good for ball in plan.balls] == [True, False, False]
    assert [ball.words for ball in plan.balls] == ["6 in past", "12 in short", "4 ft past"]
    assert (plan.mean_x - plan.target_x) / per_foot == pytest.approx(3.5 / 3, abs=0.01)


def test_strides_are_drawn_beside_the_usual_yard():
    drawn = stride_drawing(Wording(pace_m=0.75, shoe_m=0.30, own_pace=True))
    step = drawn.feet[1][0] - drawn.feet[0][0]
    yards = numbers(drawn.usual)
    assert step / (yards[4] - yards[0]) == pytest.approx(0.75 / 0.9144, abs=0.01)
    assert drawn.foot_length / step == pytest.approx(0.30 / 0.75, abs=0.01)
    assert drawn.words == "your pace 2.5 ft"


def test_strokes_lie_on_the_line_that_they_calibrate():
    putts = [StrokePutt(s * INCH_M, (s / 10) ** 2 * 2.0, 10.0) for s in (8.0, 12.0, 16.0)]
    drawn = strokes_drawing(putts, stroke_rate(putts), USUAL_WORDING)
    x0, y0, x1, y1 = numbers(drawn.line)
    for x, y in drawn.dots:
        assert (y0 - y) / (x - x0) == pytest.approx((y0 - y1) / (x1 - x0), rel=0.01)
    assert strokes_drawing([], None, USUAL_WORDING).line == ""

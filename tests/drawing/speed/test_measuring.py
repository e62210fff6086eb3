"""The drawings of measuring are true to scale: ramp, rails, tape, trend, speeds, tuning putts, stride."""

import math
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
    one_way,
    score_tuning_putts,
    speed_from_rolls,
)
from orthocline.core.units import FOOT_M
from orthocline.drawing.scene import Words
from orthocline.drawing.speed.ramp import END, END_RADIUS, FOOT, ramp_plan
from orthocline.drawing.speed.scales import speed_scale, tuning_plan
from orthocline.drawing.speed.tape import LEFT as TAPE_LEFT
from orthocline.drawing.speed.tape import Roll
from orthocline.drawing.speed.trend import BOTTOM, LEFT, RIGHT, TOP, Measured, trend
from orthocline.wording.dates import Calendar
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording

UNIT = 0.2
"""Coordinates on the sheet are rounded to tenths."""
NOW = datetime(2026, 7, 14, 12, 0, tzinfo=UTC)


def rolls(*feet, left_out=()):
    return tuple(Roll(f * FOOT_M, i in left_out) for i, f in enumerate(feet))


@given(st.floats(0.2, 2.0), st.floats(5.0, 45.0))
def test_the_ramp_stands_at_its_angle_and_fits_the_sheet(length, degrees):
    drawn = ramp_plan(Ramp(length, math.radians(degrees), Rods(0.02)), None, (), (), USUAL_WORDING)
    (top_x, top_y), foot = drawn.item("ramp").spots
    assert tuple(foot) == FOOT
    assert math.degrees(math.atan2(FOOT.y - top_y, FOOT.x - top_x)) == pytest.approx(degrees, abs=0.2)
    assert top_x >= 129.0
    assert top_y >= 35.0
    ball = drawn.item("ball")
    touch = math.hypot(ball.at.x - top_x, ball.at.y - top_y)
    assert touch == pytest.approx(ball.radius, abs=UNIT), "the ball touches the ramp"


@given(st.floats(0.005, 0.038))
def test_rods_touch_the_ball_where_the_gap_says(gap):
    drawn = ramp_plan(Ramp(0.7, 0.35, Rods(gap)), None, (), (), USUAL_WORDING)
    (left, y), (right, _) = drawn.item("touch").spots[2:]
    assert (right - left) / (2 * END_RADIUS) == pytest.approx(gap / (2 * BALL_RADIUS_M), abs=0.001)
    assert math.hypot(left - END.x, y - END.y) == pytest.approx(END_RADIUS, abs=UNIT)
    for rod in drawn.items_named("rod"):
        away = math.hypot(rod.at.x - END.x, rod.at.y - END.y)
        assert away == pytest.approx(END_RADIUS + rod.radius, abs=UNIT)


@given(st.floats(60.0, 179.0))
def test_a_groove_is_drawn_at_its_angle_and_touches_the_ball(degrees):
    drawn = ramp_plan(Ramp(0.7, 0.35, Groove(math.radians(degrees))), None, (), (), USUAL_WORDING)
    top, bottom, _ = drawn.item("rails").spots
    slope = bottom - top
    opening = 2 * math.degrees(math.atan2(*slope))
    assert opening == pytest.approx(degrees, abs=0.3)
    to_ball = np.subtract(END, bottom)
    distance = abs(slope[0] * to_ball[1] - slope[1] * to_ball[0]) / np.hypot(*slope)
    assert distance == pytest.approx(END_RADIUS, abs=0.5)
    assert drawn.item("rails-words").at.y > bottom[1]


def across(item):
    return item.spots[0, 0]


def test_the_tape_shows_each_roll_where_it_lies_with_speed_and_slope():
    out, back = rolls(8.0, 8.2, 8.1, 12.0, left_out={3}), rolls(10.0, 10.3)
    found = speed_from_rolls(
        one_way([one.length_m for one in out[:3]]), one_way([one.length_m for one in back])
    )
    tape = ramp_plan(STANDARD_RAMP, found, out, back, USUAL_WORDING)
    there, again = ([dot.at.x for dot in tape.items_named(f"roll-{way}")] for way in ("out", "back"))
    per_foot = (there[1] - there[0]) / 0.2
    for x, feet in zip((*there, *again), (8.0, 8.2, 8.1, 10.0, 10.3), strict=True):
        assert x - TAPE_LEFT == pytest.approx(per_foot * feet, rel=0.03)
    (crossed,) = tape.items_named("left-out-out")
    assert crossed.spots[:, 0].mean() - TAPE_LEFT == pytest.approx(per_foot * 12.0, rel=0.03)
    out_x, speed_x, back_x = (across(tape.item(name)) for name in ("mean-out", "speed", "mean-back"))
    assert out_x == pytest.approx(np.mean(there), abs=UNIT)
    assert out_x < speed_x < back_x
    low, high = tape.item("range").spots[:2, 0]
    assert high - speed_x == pytest.approx(speed_x - low, abs=UNIT)
    (_, left), (_, right) = tape.item("tape-ground").spots
    assert left > right, "it is up the way out: the out rolls are short"
    assert tape.says.endswith(f"Speed {found.speed_ft.value:.1f}")


def test_a_roll_that_stands_out_is_ringed():
    out = rolls(9.0, 9.1, 9.05, 13.0)
    found = speed_from_rolls(one_way([one.length_m for one in out]), None)
    tape = ramp_plan(STANDARD_RAMP, found, out, (), USUAL_WORDING)
    (ring,) = tape.items_named("stands-out")
    assert ring.at == tape.items_named("roll-out")[3].at


def test_metric_tapes_are_ticked_in_metres():
    tape = ramp_plan(STANDARD_RAMP, None, rolls(9.0), (), Wording(Units(metric=True)))
    zero, one = tape.items_named("tick")[:2]
    assert (zero.at.x, zero.text) == (TAPE_LEFT, "0 m")
    per_metre = (tape.item("roll-out").at.x - TAPE_LEFT) / (9.0 * FOOT_M)
    assert one.at.x - zero.at.x == pytest.approx(per_metre * float(one.text), abs=0.5)


def measured(speed_ft, days, within=0.4, method="ramp"):
    return Measured(NOW - timedelta(days=days), Estimate(speed_ft, within / 2), method)


@given(
    st.lists(st.tuples(st.floats(3.0, 20.0), st.floats(0.0, 400.0)), min_size=1, max_size=12),
)
def test_the_trend_is_to_scale_and_stays_on_its_sheet(speeds):
    notes = sorted((measured(*one) for one in speeds), key=lambda one: one.at, reverse=True)
    drawn = trend(notes, notes[0].speed_ft, Calendar(), NOW)
    low, high = drawn.items_named("row")[0], drawn.items_named("row")[-1]
    low_y, per_foot = low.at.y - 6.0, (low.at.y - high.at.y) / (int(high.text) - int(low.text))
    places = []
    for group, kept in zip(drawn.items_named("measured"), reversed(notes), strict=True):
        (x, low_end), (_, high_end) = group.items[0].spots
        assert LEFT - UNIT <= x <= RIGHT + UNIT
        assert TOP - UNIT <= high_end <= low_end <= BOTTOM + UNIT
        y = 0.5 * (low_end + high_end)
        assert low_y - y == pytest.approx(per_foot * (kept.speed_ft.value - int(low.text)), abs=0.5)
        assert low_end - high_end == pytest.approx(per_foot * 0.8, abs=0.5)
        places.append(x)
    assert places == sorted(places)
    gaps = np.diff(drawn.item("time-marks").spots[::2, 0])
    assert (gaps >= 33.9).all(), "marks of the time axis keep apart"


def test_posted_numbers_are_no_part_of_the_trends_line():
    notes = [measured(10.0, 0), measured(12.0, 3, method="posted"), measured(9.0, 5)]
    drawn = trend(notes, notes[0].speed_ft, Calendar(), NOW)
    middles = [group.items[0].spots[:, 1].mean() for group in drawn.items_named("measured")]
    assert drawn.item("line").spots[:, 1] == pytest.approx([middles[0], middles[2]])
    assert not trend([notes[1]], notes[1].speed_ft, Calendar(), NOW).items_named("line")


def test_the_scale_of_speeds_holds_every_range():
    scale = speed_scale([("Posted number", Estimate(19.5, 0.5)), ("Together", Estimate(10.0, 0.15))])
    marks = {int(words.text): words.at.x for words in scale.items_named("mark")}
    per_foot = (marks[12] - marks[4]) / 8
    first, last = (across(line) for line in scale.items_named("speed"))
    assert last - marks[4] == pytest.approx(6.0 * per_foot, abs=UNIT)
    low, high = scale.items_named("range")[0].spots[:2, 0]
    assert high - low == pytest.approx(2.0 * per_foot, abs=UNIT)
    assert low < first < high
    assert max(marks.values()) <= 600.0 + UNIT
    assert [line.sign for line in scale.items_named("speed")] == ["ink", "do"], "the last is the answer"


def test_tuning_putts_lie_to_scale_about_their_target():
    score = score_tuning_putts(12 * FOOT_M, 1.5 * FOOT_M, [12.5 * FOOT_M, 11.0 * FOOT_M, 16.0 * FOOT_M])
    plan = tuning_plan(score, USUAL_WORDING)
    target_x, zone_x = plan.item("zone").spots[:2, 0]
    per_foot = (zone_x - target_x) / 1.5
    balls = plan.items_named("ball")
    assert [(ball.at.x - target_x) / per_foot for ball in balls] == pytest.approx([0.5, -1.0, 4.0], abs=0.01)
    assert [ball.fill for ball in balls] == ["solid", "open", "open"], "the good ones are full"
    assert [words.text for words in plan.items_named("stopped")] == ["6 in past", "12 in short", "4 ft past"]
    assert (across(plan.item("average")) - target_x) / per_foot == pytest.approx(3.5 / 3, abs=0.01)


def test_the_average_of_balls_that_stopped_far_short_stands_clear_of_where_the_ball_lies():
    plan = tuning_plan(score_tuning_putts(4.0, 0.4, [3.0, 3.1]), USUAL_WORDING)
    at = {one.text: one.at for one in plan.items if isinstance(one, Words)}
    (mean,) = {spot for one in plan.items if one.name == "average" for spot in one.spots[:, 0]}
    assert at["average"].x == mean
    assert at["your ball ←"].y - at["average"].y > 22.0

"""The drawings' geometry: true to scale, labels clear of everything, honest contours."""

import math
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from orthocline.core.roll import read
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.ground.hachures import CLOSEST, clockwise_from_up, hachures
from orthocline.drawing.labels import GAP, LINE_SHARE, Room, Wanted, dots_along, label_box, place_labels
from orthocline.drawing.roll.cup import MIDDLE, RADIUS, cup
from orthocline.drawing.roll.plan import BOTTOM, TOP, plan
from orthocline.drawing.roll.profile import RIGHT, profile
from orthocline.drawing.scene import Spot, spots_of
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import own_roll, plane_putt

ROOM = Room(left=0.0, right=640.0, top=10.0, bottom=600.0, size=17.0)


def test_a_frame_is_true_to_scale_and_turns_about_the_hole():
    frame = Frame(100.0, 320.0, 100.0)
    assert frame.spot(0.0, 0.0) == (320.0, 100.0)
    assert frame.spot(-2.0, 0.5) == (370.0, 300.0)
    turned = Frame(100.0, 320.0, 100.0, turn_deg=90.0)
    assert turned.spot(-2.0, 0.0) == (120.0, 100.0), "clockwise round the hole: to the left"
    spots = turned.spots(np.array([-2.0, 0.3]), np.array([0.5, -1.0]))
    assert spots[1] == pytest.approx(turned.spot(0.3, -1.0), abs=0.051)


@given(st.lists(st.tuples(st.floats(-20, 5), st.floats(-9, 9)), min_size=2, max_size=9))
def test_everything_fits_the_box(places):
    spots = np.array([(0.0, 0.0), *places])
    frame = fit(spots, width=330, height=460, center_x=320, top=96)
    xy = frame.spots(spots[:, 0], spots[:, 1])
    assert xy[:, 0].min() >= 320 - 165.1
    assert xy[:, 0].max() <= 320 + 165.1
    assert xy[:, 1].min() >= 95.9
    assert xy[:, 1].max() <= 96 + 460.1


@given(
    st.lists(
        st.tuples(st.floats(250, 390), st.floats(40, 560), st.sampled_from(["left", "right"])),
        min_size=1,
        max_size=8,
    ),
    st.floats(-100, 100),
)
def test_labels_touch_neither_ink_nor_each_other(points, bend):
    way = np.array([(320.0 + bend * math.sin(math.pi * t), 560 - 500 * t) for t in np.linspace(0, 1, 40)])
    drawn = dots_along([way], spots_of((300.0, 300.0)))
    labels = place_labels([Wanted("curve gate", Spot(x, y), side) for x, y, side in points], drawn, ROOM)
    assert len(labels) == len(points)
    boxes = [label_box(label, ROOM.size) for label in labels]
    for box in boxes:
        near = drawn[(drawn[:, 1] >= box.top) & (drawn[:, 1] <= box.bottom), 0]
        assert not ((near > box.left - 0.5 * GAP) & (near < box.right + 0.5 * GAP)).any()
    for side in ("start", "end"):
        tops = sorted(box.top for box, label in zip(boxes, labels, strict=True) if label.anchor == side)
        assert all(b - a >= LINE_SHARE * ROOM.size - 0.2 for a, b in pairwise(tops))


def test_a_label_that_fits_nowhere_is_left_out_unless_it_is_needed():
    wall = spots_of((5.0, 300.0), (635.0, 300.0))
    for side in ("left", "near"):
        wanted = [
            Wanted("3 s", Spot(300, 300), side, needed=False),
            Wanted("curve gate", Spot(300, 300), side),
        ]
        walls = [wall + spots_of((0.0, up)) for up in range(-60, 61, 15)]
        assert [label.text for label in place_labels(wanted, dots_along(walls, wall), ROOM)] == ["curve gate"]


def test_hundreds_of_labels_of_a_map_touch_nothing():
    rng = np.random.default_rng(7)
    heights = np.linspace(0.0, 3000.0, 60)
    contours = [np.column_stack([x + 30 * np.sin(heights / 200 + x), heights]) for x in range(50, 3000, 150)]
    drawn = dots_along(contours, spots_of((0.0, 0.0)))
    room = Room(0.0, 3000.0, 0.0, 3000.0)
    wanted = [
        Wanted(f"{i / 10:.1f} %", Spot(*rng.uniform(0, 3000, 2)), "near", needed=False) for i in range(400)
    ]
    boxes = [label_box(label, room.size) for label in place_labels(wanted, drawn, room)]
    assert len(boxes) > 250, "most find a place"
    assert not any(box.meets(other) for i, box in enumerate(boxes) for other in boxes[:i])
    for box in boxes:
        inside = (drawn[:, 0] > box.left) & (drawn[:, 0] < box.right)
        assert not (inside & (drawn[:, 1] > box.top) & (drawn[:, 1] < box.bottom)).any()


@given(st.floats(0.001, 0.25), st.floats(5, 900), st.booleans())
def test_contours_are_honest_and_far_enough_apart(tilt, scale, metric):
    wording = Wording(Units(metric))
    ground = hachures(tilt, 0.0, scale, Spot(0, 0), wording)
    fall = ground.spacing / scale * tilt / wording.units.near_m
    assert ground.spacing >= CLOSEST - 0.1
    if ground.spacing < 400:
        figure, unit = ground.interval.split()
        assert (fall, unit) == (pytest.approx(float(figure), rel=0.01), wording.units.near)


def test_steeper_ground_is_darker_and_level_ground_is_bare():
    gentle, steep = (hachures(tilt, 0, 100, Spot(0, 0), USUAL_WORDING) for tilt in (0.01, 0.05))
    assert steep.every < gentle.every
    assert steep.weight > gentle.weight
    assert hachures(0.0, 0.0, 100.0, Spot(0, 0), USUAL_WORDING) is None
    assert clockwise_from_up(0.02, 0.0) == pytest.approx(180.0), "uphill: it falls toward the golfer"
    assert clockwise_from_up(0.0, 0.02) == pytest.approx(90.0)


@pytest.mark.parametrize("side", [-0.03, 0.03])
@pytest.mark.parametrize("length_ft", [3, 20, 60])
def test_the_plan_is_the_read_to_scale(side, length_ft):
    putt = plane_putt(length_ft, side_right=side, grade=0.01)
    solved = read(putt)
    drawn = plan(putt, solved, USUAL_WORDING)
    scale = drawn.frame.scale
    assert math.hypot(drawn.ball.x - drawn.hole.x, drawn.ball.y - drawn.hole.y) == pytest.approx(
        scale * length_ft * FOOT_M, abs=0.15
    )
    mark = drawn.scene.item("aim-line").spots[-1]
    assert mark[0] - drawn.hole.x == pytest.approx(scale * solved.aim_right_m, abs=0.15)
    assert drawn.scene.item("way").spots[-1] - drawn.hole == pytest.approx([0, 0], abs=0.1)
    assert TOP - 0.1 <= drawn.rest.y <= drawn.ball.y <= BOTTOM + 0.1
    strokes = [drawn.scene.item(name).spots for name in ("ticks", "seconds")]
    assert sum(map(len, strokes)) // 2 == int(solved.aim.time_to_hole_s / 0.25)


def test_own_aim_is_drawn_where_it_was_said():
    putt = plane_putt(14, side_right=-0.021)
    solved = read(putt)
    drawn = plan(putt, solved, USUAL_WORDING, {"your aim": own_roll(putt, solved.aim, 9 * INCH_M)})
    mark, finish = (drawn.scene.item(name).spots[-1] for name in ("own-line", "own-way"))
    assert mark[0] - drawn.hole.x == pytest.approx(drawn.frame.scale * 9 * INCH_M, abs=0.15)
    assert finish[0] < drawn.hole.x, "too low a start finishes below the hole"
    right = plan(putt, solved, USUAL_WORDING, {"your aim": own_roll(putt, solved.aim, solved.aim_right_m)})
    assert tuple(right.scene.item("own-way").spots[-1]) == drawn.hole, "it ends in the hole"


def test_the_cup_shows_the_entry_from_the_side_where_the_ball_comes():
    drawn = cup(read(plane_putt(14, side_right=-0.021)))
    x, y = drawn.item("entry").spots[0]
    assert x > MIDDLE.x, "it curves left, so it comes in from the right"
    assert y > MIDDLE.y + RADIUS
    assert tuple(drawn.item("window").spots[0]) == MIDDLE
    assert not cup(read(plane_putt(10, past_in=150))).items_named("window")


def test_the_speeds_of_a_ball_that_comes_back_stay_within_the_profile():
    putt = plane_putt(10, side_right=-0.0549, grade=0.0549)
    across = profile(putt, read(putt), USUAL_WORDING).item("speeds").spots[:, 0]
    assert np.all(np.diff(across) > 0)
    assert across[-1] == pytest.approx(RIGHT)


def test_the_profile_rises_with_the_ground():
    up, down, level = (
        profile(putt := plane_putt(10, grade=grade), read(putt), USUAL_WORDING)
        for grade in (0.02, -0.02, 0.0)
    )
    (_, left), (_, right) = up.item("grade-line").spots
    assert left > right
    (_, left), (_, right) = down.item("grade-line").spots
    assert left < right
    assert up.item("grade").text == "up 2½ in over the putt · 2 %"
    assert level.item("grade").text == "level from ball to hole"
    speeds = up.item("speeds").spots
    assert speeds[0, 1] < speeds[-1, 1], "it slows on the way"

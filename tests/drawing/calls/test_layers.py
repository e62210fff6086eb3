"""The schools' layers lie on the plan where the schools say."""

import numpy as np
import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.core.roll import read
from orthocline.drawing.calls import LAYERS, PuttSheet, call_layers
from orthocline.drawing.frame import Frame
from orthocline.wording.wording import USUAL_WORDING
from tests.putts import plane_putt

FRAME = Frame(100.0, 320.0, 100.0)


def layer_of(name, side):
    solved = read(plane_putt(14, side_right=side))
    value = SCHOOLS[name].value(solved, USUAL_GOLFER)
    return LAYERS[name](PuttSheet(solved, FRAME, USUAL_WORDING), value), value, solved.putt


@pytest.mark.parametrize("side", [-0.02, 0.02])
def test_the_gates_posts_stand_on_both_sides_of_the_way(side):
    layer, gate, putt = layer_of("curve_gate", side)
    posts = layer.items[0].spots
    assert posts[:, 1] == pytest.approx(100.0 + 100.0 * putt.length_m / 3, abs=0.1)
    assert posts[:, 0].mean() == pytest.approx(320.0 + 100.0 * gate.right_m, abs=0.1)
    assert layer.labels[0].text == "curve gate"
    assert layer.labels[0].side == ("left" if gate.right_m > 0 else "right"), "inside the curve"


@pytest.mark.parametrize("side", [-0.02, 0.02])
def test_the_apex_is_as_far_from_the_line_as_it_says(side):
    layer, apex, _ = layer_of("apex", side)
    foot, top = layer.items[0].spots
    assert (top - foot) == pytest.approx((100.0 * apex.mark.right_m, 0.0), abs=0.1)
    assert foot[0] == pytest.approx(320.0)


def test_a_straight_putt_has_no_apex_to_draw():
    layer, _, _ = layer_of("apex", 0.0)
    assert (layer.items, layer.labels) == ((), ())


def test_the_start_spot_lies_on_the_aim_line():
    layer, spot, putt = layer_of("start_spot", -0.02)
    x, y = layer.items[0].at
    assert np.hypot(x - 320.0, y - 100.0 - 100.0 * putt.length_m) == pytest.approx(
        100.0 * spot.spot.ahead_m, abs=0.1
    )
    assert layer.labels[0].side == "right", "outside the curve"


def test_every_layer_of_a_read_is_drawn():
    sheet = PuttSheet(read(plane_putt(14, side_right=-0.02)), FRAME, USUAL_WORDING)
    names = [item.name for _, layer in call_layers(sheet) for item in layer.items]
    assert names == ["gate", "apex", "start-spot"]
    lit = [name for name, _ in call_layers(sheet, "hand_gauge")]
    assert lit == ["curve_gate", "apex", "hand_gauge", "start_spot"]


def far_right(layer):
    return max(item.spots[:, 0].max() for item in layer.items)


def test_the_last_finger_ends_at_the_aim():
    layer, hand, putt = layer_of("hand_gauge", -0.02)
    assert len(layer.items) == 3, f"{hand.fingers} fingers"
    assert far_right(layer) == pytest.approx(320.0 + 100.0 * read(putt).aim_right_m, abs=0.1)
    wide = [np.ptp(item.spots[:, 0]) for item in layer.items]
    assert wide[0] == pytest.approx(wide[1]), "whole fingers of one width"
    assert wide[2] == pytest.approx(wide[0] * (hand.fingers - 2.0), abs=0.2)


def test_cups_stand_side_by_side_as_far_as_the_aim():
    layer, aim, _ = layer_of("aim_spot", -0.02)
    places = [ring.at.x for ring in layer.items]
    assert np.diff(places) == pytest.approx(2.0 * 5.3975, abs=0.11)
    assert abs(places[-1] - (320.0 + 100.0 * aim)) <= 5.4


@pytest.mark.parametrize("side", [-0.02, 0.02])
def test_coin_pace_target_and_plumb_line_lie_where_they_say(side):
    layer, twin, putt = layer_of("level_twin", side)
    assert layer.items[1].at.x == pytest.approx(320.0 + 100.0 * twin.right_m, abs=0.1)
    assert layer.items[1].at.y == pytest.approx(100.0 - 100.0 * (twin.along_m - putt.length_m), abs=0.1)
    layer, target, _ = layer_of("pace_target", side)
    assert layer.items[1].spots[:, 1] == pytest.approx(100.0 - 100.0 * target.beyond_m, abs=0.1)
    layer, line, _ = layer_of("plumb_line", side)
    assert layer.items[1].spots[:, 0] == pytest.approx(320.0 + 100.0 * line.right_m, abs=0.1)


def test_the_beat_mark_lies_on_the_way_as_far_as_it_says():
    layer, mark, putt = layer_of("beat_mark", -0.02)
    rows = read(putt).track.even_times(0.0, 4.0, 4001)
    way = np.column_stack([320.0 - 100.0 * rows[:, 2], 100.0 + 100.0 * (putt.length_m - rows[:, 1])])
    middle = layer.items[0].spots.mean(axis=0)
    nearest = np.argmin(np.hypot(*(way - middle).T))
    assert np.hypot(*(way[nearest] - middle)) < 0.2
    assert rows[nearest, 4] == pytest.approx(mark.along_m, abs=0.005)


@pytest.mark.parametrize("side", [-0.02, 0.02])
def test_the_arrow_comes_from_the_entrys_hour(side):
    layer, entry, _ = layer_of("cup_entry", side)
    foot, tip = layer.items[0].spots - (320.0, 100.0)
    hour = (np.degrees(np.arctan2(foot[0], -foot[1])) / 30.0) % 12.0
    assert hour == pytest.approx(entry.hours, abs=0.003)
    assert np.hypot(*tip) < np.hypot(*foot)


def test_the_dial_has_its_six_straight_below_the_hole_on_the_fall_line():
    layer, dial, _ = layer_of("fall_line_dial", -0.02)
    ends = layer.items[1].spots.reshape(12, 2, 2)
    longest = np.argmax(np.hypot(*(ends[:, 1] - ends[:, 0]).T))
    six = ends[longest, 1] - (320.0, 100.0)
    assert longest == 5
    assert (six[0] < -1.0, abs(six[1]) < 0.1) == (True, True), "the ground falls to the left"
    assert layer.items[2].at == pytest.approx((320.0, 140.0)), f"the ball, at {dial.hour}"


def test_the_stroke_has_its_length_with_the_ball_in_the_middle():
    layer, stroke, putt = layer_of("stroke", -0.02)
    back, through = layer.items[0].spots
    assert np.hypot(*(through - back)) == pytest.approx(100.0 * stroke.length_m, abs=0.2)
    assert 0.5 * (back + through) == pytest.approx((320.0, 100.0 + 100.0 * putt.length_m), abs=0.1)


def test_the_brush_holds_the_aim():
    layer, _, putt = layer_of("instinct", -0.02)
    ends = sorted(layer.items[0].spots[1:, 0])
    assert ends[0] < 320.0 + 100.0 * read(putt).aim_right_m < ends[1]

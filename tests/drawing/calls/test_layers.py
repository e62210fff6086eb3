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
        100.0 * spot.ahead_m, abs=0.1
    )
    assert layer.labels[0].side == "right", "outside the curve"


def test_every_layer_of_a_read_is_drawn():
    sheet = PuttSheet(read(plane_putt(14, side_right=-0.02)), FRAME, USUAL_WORDING)
    names = [item.name for layer in call_layers(sheet) for item in layer.items]
    assert names == ["gate", "apex", "start-spot"]

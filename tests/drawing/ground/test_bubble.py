"""The bubble and the phone on its ground: where they stand on the sheet."""

import math

import pytest

from orthocline.core.ground import PhoneLevel
from orthocline.drawing.ground.bubble import EXAGGERATION, bubble_drawing

ENDS = ("left", "right")


@pytest.mark.parametrize("slope", [0.02, -0.03])
def test_the_bubble_goes_to_the_high_end_and_the_ground_leans_as_it_does(slope):
    scene = bubble_drawing(PhoneLevel(slope, 0.0), "", ENDS)
    bubble, (left, right) = scene.item("bubble"), scene.item("ground").spots
    degrees = math.degrees(math.atan(slope))
    assert bubble.at.x - scene.data["middle"] == pytest.approx(scene.data["per-degree"] * degrees)
    assert (left[1] - right[1]) / (right[0] - left[0]) == pytest.approx(EXAGGERATION * slope)
    phone = scene.item("phone").spots
    assert all(y <= left[1] + (x - left[0]) * (right[1] - left[1]) / (right[0] - left[0]) for x, y in phone)


def test_a_steep_place_leaves_the_bubble_at_the_end_of_its_tube():
    scene = bubble_drawing(PhoneLevel(0.2, 0.0), "", ENDS)
    assert scene.item("bubble").at.x == scene.data["middle"] + scene.data["half"]


def test_before_anything_is_known_the_ground_is_drawn_as_not_known():
    scene = bubble_drawing(None, "", ENDS)
    assert scene.item("ground").dash
    assert scene.item("bubble").at.x == scene.data["middle"]

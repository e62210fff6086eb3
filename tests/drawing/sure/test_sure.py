"""The range, the fan and the curves as they are drawn: measured on the sheet."""

import math

import numpy as np
import pytest

from orthocline.core.roll import read
from orthocline.core.sure import CERTAIN, Sureness, Uncertainty
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.roll.profile import profile
from orthocline.drawing.sure.fan import fan
from orthocline.wording.wording import USUAL_WORDING
from tests.putts import plane_putt

FELT = Uncertainty(side=0.0075)


def sureness(uncertainty=FELT, **slopes):
    return Sureness(read(plane_putt(12, **{"side_right": -0.015, **slopes})), uncertainty)


def drawn(sure, tries=None):
    return plan(sure.read.putt, sure.read, USUAL_WORDING, sure=sure, tries_m=tries)


def test_the_band_ends_at_the_ends_of_the_range():
    sure = sureness()
    found = drawn(sure)
    ball, least, most = found.scene.item("range").spots
    span = sure.range.aim_right_m
    assert ball == pytest.approx(np.array(found.ball), abs=0.1)
    assert [(x - found.frame.hole_x) / found.frame.scale for x in (least[0], most[0])] == pytest.approx(
        [span.least, span.most], abs=0.1 / found.frame.scale
    )
    assert least[1] == most[1] == pytest.approx(found.frame.hole_y, abs=0.1)


def test_where_all_is_certain_there_is_no_band_and_no_next_reading():
    scene = drawn(sureness(CERTAIN)).scene
    assert scene.items_named("range") == scene.items_named("next-reading") == []


def test_the_next_reading_is_marked_where_it_is_made_and_as_it_lies():
    sure = sureness()
    found = drawn(sure)
    first, second = found.scene.item("next-reading").spots[:2]
    middle = 0.5 * (first + second)
    along = sure.next_readings[0].at_m
    assert (found.ball.y - middle[1]) / found.frame.scale == pytest.approx(along, abs=0.01)
    assert first[1] == pytest.approx(second[1]), "it lies across"


def test_the_fan_is_darkest_where_most_lines_drop_and_stands_in_the_bands_place():
    sure = sureness(Uncertainty(side=0.002))
    found = drawn(sure, tries=(0.2, 0.4))
    scene = found.scene
    assert scene.items_named("range") == []
    slices = scene.items_named("fan")
    shades = [one.shade for one in slices]
    middle = [0.5 * (one.spots[1, 0] + one.spots[2, 0]) for one in slices]
    aim_x = found.frame.hole_x + found.frame.scale * sure.read.aim_right_m
    assert abs(middle[int(np.argmax(shades))] - aim_x) < 0.3 * (middle[-1] - middle[0])
    assert shades[0] < 0.3 * max(shades)
    assert len(scene.items_named("try")) == 2
    sides = scene.items_named("fan-edge")
    ends = [(one.spots[1, 0] - found.frame.hole_x) / found.frame.scale for one in sides]
    perhaps = sure.start_lines.perhaps
    expected = [sure.read.putt.length_m * math.tan(angle) for angle in (perhaps.least, perhaps.most)]
    assert ends == pytest.approx(expected, abs=0.01)


def test_the_fans_end_is_to_scale_across():
    sure = sureness(Uncertainty(side=0.002))
    scene = fan(sure.read, sure.start_lines, (0.1, 0.3, 50.0), USUAL_WORDING)
    hole = scene.item("hole")
    at = [one.spots[0, 0] for one in scene.items_named("try")]
    assert (at[1] - at[0]) / hole.radius == pytest.approx(0.2 / 0.053975, rel=0.01)
    assert at[2] <= scene.width, "a line far off stands at the edge"
    curve = scene.item("share").spots
    top, foot = curve[:, 1].min(), curve[:, 1].max()
    aim = sure.read.aim_right_m
    peak = (curve[int(np.argmin(curve[:, 1])), 0] - hole.at.x) / hole.radius * 0.053975
    assert peak == pytest.approx(aim, abs=0.06)
    assert foot > top


def test_the_curves_under_the_side_view_are_those_of_the_counting():
    sure = sureness()
    scene = profile(sure.read.putt, sure.read, USUAL_WORDING, sure.counting)
    counts, *figures = scene.items_named("counts")
    thirds = [str(round(100 * share)) for share in sure.counting.counts_by_third]
    assert [one.text for one in figures] == thirds
    heights = counts.spots[:, 1]
    assert heights[0] < heights[-1], "the first feet count more than the last"
    turns = scene.items_named("turns")[0].spots
    assert turns[0, 1] > turns[-1, 1], "most is seen at the end"
    assert "of the turning" in scene.says
    hidden = profile(sure.read.putt, None, USUAL_WORDING)
    assert hidden.items_named("counts") == []
    assert hidden.height < scene.height

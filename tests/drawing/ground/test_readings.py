"""Readings, uneven ground and the walk on a sheet: arrows and strokes down the slope, and one's own place."""

import math

import numpy as np
import pytest

from orthocline.core.ground import STOPS, Reading, Station, Stations, plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, read
from orthocline.drawing.frame import Frame
from orthocline.drawing.ground.readings import Marks, reading_layer, reading_spot, tip_spot
from orthocline.drawing.ground.uneven import uneven_items
from orthocline.drawing.ground.walk import walk_scene
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.roll.profile import profile
from orthocline.drawing.scene import Sign, box
from orthocline.wording.wording import USUAL_WORDING

FRAME = Frame(100.0, 300.0, 100.0)
TWICE = Stations((0.0, 0.0), (4.0, 0.0), (Station(0.2, 0.03, 0.0), Station(0.8, -0.03, 0.02)))


def putt_on(ground):
    return Putt(Point(0, 0), Point(4, 0), ground, 10.0, RollPast(0.3))


@pytest.mark.parametrize(("toward_deg", "way"), [(0, (0, -1)), (90, (1, 0)), (180, (0, 1)), (-90, (-1, 0))])
def test_an_arrow_points_down_the_slope_and_grows_with_it(toward_deg, way):
    putt = putt_on(TWICE)
    lengths = []
    for size in (0.015, 0.03):
        reading = Reading(0.5, math.radians(toward_deg), size, "level")
        at, tip = reading_spot(reading, putt, FRAME), tip_spot(reading, putt, FRAME)
        assert at == (300.0, 300.0)
        step = np.subtract(tip, at)
        lengths.append(np.hypot(*step))
        assert step / lengths[-1] == pytest.approx(way, abs=0.01)
    assert lengths[1] > 1.5 * lengths[0]


def test_what_disagrees_is_ringed_and_what_says_nothing_yet_is_quiet():
    readings = (Reading(0.5, 0.0, 0.02, "level"), Reading(0.5, 0.0, None, "level"))
    items = reading_layer(Marks(readings, frozenset({0})), putt_on(TWICE), FRAME, USUAL_WORDING).items
    arrows = [one for one in items if one.name == "reading"]
    assert [one.sign for one in arrows] == [Sign.FALL, Sign.QUIET]
    assert [bool(one.dash) for one in arrows] == [False, True]
    assert len([one for one in items if one.name == "disagrees"]) == 1


def strokes(ground):
    """Return middles and steps of the strokes of a ground, with their widths."""
    for item in uneven_items(putt_on(ground), FRAME, box(0.0, 0.0, 600.0, 600.0)):
        ends = item.spots.reshape(-1, 2, 2)
        yield from ((*ends[i].mean(axis=0), *(ends[i, 1] - ends[i, 0]), item.width) for i in range(len(ends)))


def test_strokes_run_down_the_slope_where_they_stand():
    found = np.array(list(strokes(TWICE)))
    near_ball, near_hole = found[found[:, 1] > 430], found[found[:, 1] < 170]
    assert np.all(near_ball[:, 2] > 0)
    assert np.all(near_hole[:, 2] < 0)
    assert np.all(near_hole[:, 3] > 0)


def test_strokes_are_longer_and_heavier_where_it_is_steeper_and_none_where_it_is_level():
    flat, steep = (np.array(list(strokes(plane_from_grade(0.0, side, 0.0)))) for side in (0.008, 0.03))
    assert np.abs(steep[:, 2]).min() > np.abs(flat[:, 2]).max()
    assert steep[0, 4] > flat[0, 4]
    assert list(strokes(plane_from_grade(0.0, 0.001, 0.0))) == []


def test_plan_and_side_view_follow_the_readings():
    putt = putt_on(TWICE)
    marks = Marks((Reading(0.2, math.pi / 2, 0.03, "level"), Reading(0.8, -math.pi / 2, 0.03, "level")))
    drawn = plan(putt, read(putt), USUAL_WORDING, marks=marks)
    assert len(drawn.scene.items_named("reading")) == 2
    assert drawn.scene.data["ball-y"] == drawn.ball.y
    side = profile(putt, read(putt), USUAL_WORDING, marks=marks)
    line = side.item("grade-line").spots
    slopes = np.diff(line[:, 1]) / np.diff(line[:, 0])
    assert slopes[0] == pytest.approx(0.0, abs=1e-6)
    assert slopes[-1] < 0.0
    assert len(side.items_named("reading-place")) == 2


@pytest.mark.parametrize("side", [0.02, -0.02])
def test_a_golfer_stands_on_the_low_side_and_the_stops_are_numbered(side):
    putt = putt_on(plane_from_grade(0.0, side, 0.0))
    stops = [STOPS[name] for name in ("pace", "hole", "ball")]
    scene = walk_scene(putt, read(putt), None, stops, 0, USUAL_WORDING, "you stand")
    you = np.mean([one.spots.mean(axis=0) for one in scene.items_named("you")], axis=0)
    hole = scene.item("hole").at
    assert math.copysign(1.0, you[0] - hole.x) == math.copysign(1.0, side)
    assert len(scene.items_named("stop")) == 2

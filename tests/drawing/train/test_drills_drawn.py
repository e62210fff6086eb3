"""Set-ups of drills: true to scale to half a unit, every label free, a trend with its golfer."""

import math
import tomllib

import pytest

from orthocline.core.drills import HiddenPlace, MarkKind, balls_of, drill_of
from orthocline.core.train import mean_bias
from orthocline.drawing.scene import Disc
from orthocline.drawing.train.checks import checks_drawing
from orthocline.drawing.train.laid import laid_drawing
from orthocline.drawing.train.runs import runs_drawing
from orthocline.drawing.train.setup import setup_drawing, setup_frame
from orthocline.services.train.drills import SHIPPED
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Hand, Wording
from tests.labels import all_items, leaving, touching

METRIC = Wording(Units(True, True))
LEFT = Wording(hand=Hand.LEFT)
FILES = {one.name.removesuffix(".toml"): tomllib.loads(one.read_text()) for one in SHIPPED.iterdir()}
FOOT_M = 0.3048


@pytest.mark.parametrize("name", FILES)
def test_marks_lie_where_the_file_has_them(name):
    """Half a unit of the sheet: coins and holes against their figures in the file, from the ball."""
    drill = drill_of(name, FILES[name])
    scene, frame = setup_drawing(drill, USUAL_WORDING), setup_frame(drill, USUAL_WORDING)
    (ball, *_) = scene.items_named("ball")
    for kind, part in ((MarkKind.COIN, "coin"), (MarkKind.HOLE, "hole")):
        drawn = [one for one in scene.items_named(part) if isinstance(one, Disc)]
        said = [one for one in FILES[name]["marks"] if one["kind"] == kind and "along_ft" in one]
        for disc, mark in zip(drawn, said, strict=False):
            right = mark.get("right_in", 0.0) * FOOT_M / 12.0
            assert ball.at.y - disc.at.y == pytest.approx(frame.scale * mark["along_ft"] * FOOT_M, abs=0.5)
            assert disc.at.x - ball.at.x == pytest.approx(frame.scale * right, abs=0.5)
    assert 0.0 < ball.at.y < scene.height


@pytest.mark.parametrize("wording", [USUAL_WORDING, METRIC, LEFT], ids=["feet", "metres", "left"])
@pytest.mark.parametrize("name", FILES)
def test_no_label_touches_anything_or_leaves_its_sheet(name, wording):
    drill = drill_of(name, FILES[name])
    scene = setup_drawing(drill, wording, balls_of(drill, 1)[0])
    items = list(all_items(scene.items))
    assert not list(touching(items))
    assert not list(leaving(items, scene.width, scene.height))


@pytest.mark.parametrize("shares", [[0.4], [0.2, 0.5, 0.45, 0.7], [0.0, 1.0] * 15])
def test_a_trend_has_a_dot_for_each_run_and_the_models_golfer(shares):
    scene = runs_drawing(shares, 0.45, ("1 Nov", "27 Nov"), "runs")
    assert len(scene.items_named("run")) == len(shares)
    assert scene.items_named("usual")
    items = list(all_items(scene.items))
    assert not list(leaving(items, scene.width, scene.height))
    assert not runs_drawing(shares, None, ("a", "b"), "runs").items_named("usual")


@pytest.mark.parametrize(("wording", "way"), [(USUAL_WORDING, -1.0), (LEFT, 1.0)])
def test_a_shoe_is_as_long_as_the_golfers_and_stands_beside_the_ball(wording, way):
    drill = drill_of("aim_check", FILES["aim_check"])
    scene, frame = setup_drawing(drill, wording), setup_frame(drill, wording)
    (ball,) = scene.items_named("ball")
    for foot in scene.items_named("foot"):
        across = way * (foot.spots[:, 0] - ball.at.x)
        assert across.min() == pytest.approx(0.22 * frame.scale, abs=0.5)
        assert across.max() - across.min() == pytest.approx(FOOT_M * frame.scale, abs=0.5)


@pytest.mark.parametrize("figures", [[0.0], [-0.03, 0.01, 0.0, 0.02, -0.01, 0.05], [0.4] * 60])
def test_figures_of_a_habit_are_drawn_where_they_lie(figures):
    bias = mean_bias(figures)
    scene = checks_drawing("aim", figures, bias, ("left", "right"), "aims")
    (meant,) = scene.items_named("meant")
    dots = scene.items_named("check")
    assert [dot.at.x > meant.spots[0, 0] for dot in dots] == [one > 0.0 for one in figures]
    assert [dot.at.y for dot in dots] == sorted(dot.at.y for dot in dots)
    assert len(scene.items_named("mean")) == (bias is not None)
    items = list(all_items(scene.items))
    assert not list(leaving(items, scene.width, scene.height))


@pytest.mark.parametrize("shown", [None, HiddenPlace(0.012, -0.02)])
@pytest.mark.parametrize(
    ("way", "rise", "fall"), [("across", 0.013, None), ("along", -0.04, None), ("", 0.0, 2.2)]
)
def test_what_is_laid_points_to_the_low_side(way, rise, fall, shown):
    scene = laid_drawing(way, "1.3 %", rise, fall, shown, "reads")
    items = list(all_items(scene.items))
    assert not list(touching(items))
    assert not list(leaving(items, scene.width, scene.height))
    assert len(scene.items_named("fall")) == (shown is not None)
    if fall is None:
        (tip,) = scene.items_named("low-end")
        x, y = tip.spots.mean(axis=0) - (260.0, 220.0)
        assert (x < -50.0) if way == "across" else (y < -50.0)
    else:
        (ball,) = scene.items_named("plate-ball")
        assert math.atan2(ball.at.x - 260.0, 220.0 - ball.at.y) == pytest.approx(fall)

"""Set-ups of drills: true to scale to half a unit, every label free, a trend with its golfer."""

import math
import tomllib

import pytest

from orthocline.core.drills import HiddenPlace, balls_of, drill_of
from orthocline.core.train import mean_bias
from orthocline.drawing.train.checks import checks_drawing
from orthocline.drawing.train.laid import laid_drawing
from orthocline.drawing.train.runs import runs_drawing
from orthocline.drawing.train.setup import setup_drawing, setup_frame
from orthocline.services.train.drills import SHIPPED
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Hand, Wording
from tests.labels import all_items, clear, leaving

METRIC = Wording(Units(True, True))
LEFT = Wording(hand=Hand.LEFT)
FILES = {one.name.removesuffix(".toml"): tomllib.loads(one.read_text()) for one in SHIPPED.iterdir()}
FOOT_M, BALL_M = 0.3048, 1.68 * 0.0254


@pytest.mark.parametrize("name", FILES)
def test_marks_lie_where_the_file_has_them(name):
    """Half a unit of the sheet: every mark against its figures in the file, from the ball."""
    scene = setup_drawing(drill_of(name, FILES[name]), USUAL_WORDING)
    (ball, *_) = scene.items_named("ball")
    for kind, part in (
        ("coin", "coin"),
        ("hole", "hole"),
        ("gate", "post"),
        ("zone", "zone"),
        ("ring", "ring"),
    ):
        said = [one for one in FILES[name]["marks"] if one["kind"] == kind]
        wanted = [corner for mark in said for corner in corners_of(mark, FILES[name].get("own", {}))]
        drawn = [corner for item in scene.items_named(part) for corner in drawn_at(item, part)]
        for (along, right), (x, y) in zip(wanted, drawn, strict=True):
            assert ball.at.y - y == pytest.approx(scene.data["scale"] * along, abs=0.5)
            assert x - ball.at.x == pytest.approx(scene.data["scale"] * right, abs=0.5)
    assert 0.0 < ball.at.y < scene.height


def metres(table, name, own):
    """Return a length of a file [m], or the usual one of the golfer's own."""
    if name in table:
        return metres(own[table[name]], "usual", own)
    for unit, size in (("ft", FOOT_M), ("in", FOOT_M / 12.0), ("m", 1.0)):
        if f"{name}_{unit}" in table:
            return size * table[f"{name}_{unit}"]
    return 0.0


def corners_of(mark, own):
    """Return where a mark's parts lie, along and to the right [m]: posts, corners, or the top of a ring."""
    along, right, wide, deep = (metres(mark, name, own) for name in ("along", "right", "wide", "deep"))
    if "within_deg" in mark:
        wide = BALL_M + 2.0 * along * math.tan(math.radians(mark["within_deg"]))
    half = 0.5 * wide
    return {
        "gate": [(along, right - half), (along, right + half)],
        "zone": [
            (x, y) for x, y in ((along, -half), (along + deep, -half), (along + deep, half), (along, half))
        ],
        "ring": [(along, right), (along + deep, right)],
    }.get(mark["kind"], [(along, right)])


def drawn_at(item, part):
    """Return where it is drawn; of a ring its middle and its top."""
    if part == "zone":
        return item.spots.tolist()
    return [item.at, (item.at.x, item.at.y - item.radius)] if part == "ring" else [item.at]


@pytest.mark.parametrize("wording", [USUAL_WORDING, METRIC, LEFT], ids=["feet", "metres", "left"])
@pytest.mark.parametrize("name", FILES)
def test_no_label_touches_anything_or_leaves_its_sheet(name, wording):
    drill = drill_of(name, FILES[name])
    scene = setup_drawing(drill, wording, balls_of(drill, 1)[0])
    clear(scene)


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
    clear(scene)
    assert len(scene.items_named("fall")) == (shown is not None)
    if fall is None:
        (tip,) = scene.items_named("low-end")
        x, y = tip.spots.mean(axis=0) - (260.0, 220.0)
        assert (x < -50.0) if way == "across" else (y < -50.0)
    else:
        (ball,) = scene.items_named("plate-ball")
        assert math.atan2(ball.at.x - 260.0, 220.0 - ball.at.y) == pytest.approx(fall)

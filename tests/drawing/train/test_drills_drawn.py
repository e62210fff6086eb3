"""Set-ups of drills: true to scale to half a unit, every label free, a trend with its golfer."""

import tomllib

import pytest

from orthocline.core.drills import MarkKind, drill_of
from orthocline.drawing.scene import Disc
from orthocline.drawing.train.runs import runs_drawing
from orthocline.drawing.train.setup import HEIGHT, setup_drawing, setup_frame
from orthocline.services.train.drills import SHIPPED
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.labels import all_items, leaving, touching

METRIC = Wording(Units(True, True))
FILES = {one.name.removesuffix(".toml"): tomllib.loads(one.read_text()) for one in SHIPPED.iterdir()}
FOOT_M = 0.3048


@pytest.mark.parametrize("name", FILES)
def test_marks_lie_where_the_file_has_them(name):
    """Half a unit of the sheet: coins and holes against their figures in the file, from the ball."""
    drill = drill_of(name, FILES[name])
    scene, frame = setup_drawing(drill, USUAL_WORDING), setup_frame(drill)
    (ball, *_) = scene.items_named("ball")
    for kind, part in ((MarkKind.COIN, "coin"), (MarkKind.HOLE, "hole")):
        drawn = [one for one in scene.items_named(part) if isinstance(one, Disc)]
        said = [one for one in FILES[name]["marks"] if one["kind"] == kind and "along_ft" in one]
        for disc, mark in zip(drawn, said, strict=False):
            right = mark.get("right_in", 0.0) * FOOT_M / 12.0
            assert ball.at.y - disc.at.y == pytest.approx(frame.scale * mark["along_ft"] * FOOT_M, abs=0.5)
            assert disc.at.x - ball.at.x == pytest.approx(frame.scale * right, abs=0.5)
    assert 0.0 < ball.at.y < HEIGHT


@pytest.mark.parametrize("wording", [USUAL_WORDING, METRIC], ids=["feet", "metres"])
@pytest.mark.parametrize("name", FILES)
def test_no_label_touches_anything_or_leaves_its_sheet(name, wording):
    scene = setup_drawing(drill_of(name, FILES[name]), wording)
    items = list(all_items(scene.items))
    assert not list(touching(items))
    assert not list(leaving(items, scene.width, scene.height))


@pytest.mark.parametrize("shares", [[0.4], [0.2, 0.5, 0.45, 0.7], [0.0, 1.0] * 15])
def test_a_trend_has_a_dot_for_each_run_and_the_models_golfer(shares):
    scene = runs_drawing(shares, 0.45, ("1 Nov, 09:00", "27 Nov, 09:00"), "runs")
    assert len(scene.items_named("run")) == len(shares)
    assert scene.items_named("usual")
    items = list(all_items(scene.items))
    assert not list(leaving(items, scene.width, scene.height))
    assert not runs_drawing(shares, None, ("a", "b"), "runs").items_named("usual")

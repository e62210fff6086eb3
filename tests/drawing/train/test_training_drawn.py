"""Questions drawn: as few cues as the level has, marks where they are put, both balls afterwards."""

import math

import numpy as np
import pytest

from orthocline.core.calls import USUAL_GOLFER
from orthocline.core.ground import STOPS, Plane
from orthocline.core.roll import Point, Putt, RollPast
from orthocline.core.train import MADE, TWELVE, Asks, Cue, Given, Question, made_putt, marked
from orthocline.drawing.scene import Spot
from orthocline.drawing.sight.framing import Looking
from orthocline.drawing.svg import svg
from orthocline.drawing.train.answered import OWN, answered
from orthocline.drawing.train.asked import AskedSheet, Placed
from orthocline.drawing.train.levels import LevelRow, levels_drawing
from orthocline.drawing.train.reader import reader_drawing
from orthocline.drawing.train.stances import backwards_drawing, toes_drawing
from orthocline.wording.wording import USUAL_WORDING
from tests.labels import all_items, leaving, touching

ALONE = Looking(shape="alone")


def sheet(putt, cue, looking=ALONE, **more):
    return AskedSheet(putt, cue, looking, USUAL_GOLFER, USUAL_WORDING, **more)


def putt_of(level=4.0, seed=3, asks=Asks.AMOUNT):
    return made_putt(Question(asks, MADE, level, seed))


@pytest.mark.parametrize(
    ("cue", "there"),
    [
        (Cue.HORIZON, {"grid", "horizon", "skyline"}),
        (Cue.GRID, {"grid"}),
        (Cue.SUN, {"tone", "level"}),
        (Cue.SHEEN, {"tone", "level"}),
    ],
)
def test_the_ground_shows_what_its_cue_has_and_never_the_water(cue, there):
    scene = sheet(putt_of(), cue).scene("A putt")
    shown = {one.name for one in scene.items} & {"grid", "horizon", "skyline", "tone", "level", "water"}
    assert shown == there


@pytest.mark.parametrize("stop", ["ball", "hole"])
def test_a_tap_finds_the_place_that_is_seen_there(stop):
    asked = sheet(putt_of(level=9.0), Cue.GRID, Looking(STOPS[stop], shape="alone"))
    for along, right in ((0.5, 0.1), (2.0, -0.3), (asked.putt.length_m, 0.4)):
        spot = asked.sight.spots(np.array([along - asked.putt.length_m]), np.array([right]))[0]
        if np.isnan(spot).any():
            continue
        assert asked.place_at(Spot(*spot)) == pytest.approx((along, right), abs=0.01)
        assert asked.aside_at(along, spot[0]) == pytest.approx(right, abs=0.02)


def test_a_tap_on_the_sky_is_no_place():
    assert sheet(putt_of(), Cue.HORIZON).place_at(Spot(260.0, 1.0)) is None


def test_marks_lie_where_they_are_put():
    asked = sheet(putt_of(), Cue.GRID)
    length = asked.putt.length_m
    scene = asked.scene("A putt", Placed(length, 0.2, aimed=True))
    middle = scene.item("placed").spots.mean(axis=0)
    assert middle == pytest.approx(asked.sight.spot(0.0, 0.2), abs=0.5)
    assert scene.items_named("placed-line")
    across = sheet(putt_of(), Cue.GRID, across_m=0.5 * length).scene("A gate").item("across").spots
    assert across.mean(axis=0) == pytest.approx(asked.sight.spot(-0.5 * length, 0.0), abs=3.0)


def test_ground_that_falls_toward_the_sun_is_bright_and_level_ground_is_as_the_patch():
    def darkness(downhill_rad, cue=Cue.SUN):
        putt = Putt(Point(0.0, 0.0), Point(4.0, 0.0), Plane(0.03, downhill_rad), 9.0, RollPast(0.3))
        scene = sheet(putt, cue, sun_rad=0.0).scene("A putt")
        tones = scene.items_named("tone")
        weights = [1 + len(one.rings) for one in tones]
        return np.average([one.shade for one in tones], weights=weights), scene.items_named("level")[-1].shade

    toward, patch = darkness(0.0)
    away, _ = darkness(math.pi)
    assert toward < patch < away
    shiny, patch = darkness(0.0, Cue.SHEEN)
    dark, _ = darkness(math.pi, Cue.SHEEN)
    assert shiny < patch < dark, "grass that grows away from the eye shines"


def test_from_either_side_one_stands_where_one_says():
    asked = {
        side: sheet(putt_of(), Cue.GRID, Looking(STOPS["low_side"], shape="alone", side=side))
        for side in (-1.0, 1.0)
    }
    assert asked[1.0].sight.eye.right_m > 0.0 > asked[-1.0].sight.eye.right_m


@pytest.mark.parametrize("seed", range(0, 40, 8))
@pytest.mark.parametrize("level", [1.0, 8.0])
def test_both_balls_roll_in_both_drawings_and_no_label_touches_anything(seed, level):
    putt = putt_of(level, seed)
    found = marked(Asks.AMOUNT, (putt,), Given((0.15,), "aim_spot"), USUAL_GOLFER)
    drawn = answered(found, USUAL_GOLFER, USUAL_WORDING, says="It misses.")
    assert [one["ball"] for one in drawn.rolls] == [
        *("#eyes [data-part=rolling]", "#plan [data-part=rolling]"),
        *(f"#eyes [data-part={OWN}]", f"#plan [data-part={OWN}]"),
    ]
    for scene in (drawn.eyes, drawn.plan):
        assert scene.item(OWN).hidden
        assert not list(touching(list(all_items(scene.items))))


def test_a_slope_has_no_ball_of_its_own():
    found = marked(Asks.SLOPE, (putt_of(),), Given((0.02,)), USUAL_GOLFER)
    assert len(answered(found, USUAL_GOLFER, USUAL_WORDING, says="Good").rolls) == 2


def test_charts_of_the_record_keep_their_labels_apart():
    rows = [LevelRow(f"Question {number}", tuple(np.linspace(0.0, 10.0, number + 1))) for number in range(11)]
    answers = [(asks.value, shown.value, 0.5 * number) for number, (asks, shown) in enumerate(TWELVE)]
    drawn = (levels_drawing(rows, "all"), reader_drawing(answers, "all"), toes_drawing(), backwards_drawing())
    for scene in drawn:
        items = list(all_items(scene.items))
        assert not list(touching(items))
        assert not list(leaving(items, scene.width, scene.height))
    assert len(drawn[1].items_named("answer")) == len(TWELVE)


def test_a_question_is_a_few_kilobytes():
    for cue in Cue:
        assert len(svg(sheet(putt_of(9.0, 8), cue).scene("A putt"))) < 160_000

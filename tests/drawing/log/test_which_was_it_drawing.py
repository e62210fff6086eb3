"""What happened and what might have, drawn: ends in their places, labels that touch nothing."""

import math

import numpy as np
import pytest

from orthocline.core.account import GOLFERS
from orthocline.core.learning import Habit, Played, diagnosis_of
from orthocline.core.log import Finish
from orthocline.core.sure import Uncertainty
from orthocline.drawing.log.reads_seen import SeenRow, reads_seen
from orthocline.drawing.log.which_was_it import NEAR, dash_key, share_bar, which_was_it_drawing
from tests.labels import clear
from tests.putts import plane_putt

FELT = Uncertainty(side=0.004, grade=0.004, green_speed_ft=0.25)
DOWN = plane_putt(60.0, side_right=-0.01, grade=-0.04, past_in=3.0)
EXTREMES = {
    "three feet flat": (plane_putt(3.0), Finish(0.1, 0.06), None),
    "sixty feet downhill": (
        plane_putt(60.0, side_right=-0.01, grade=-0.04, past_in=3.0),
        Finish(3.0, 1.2),
        None,
    ),
    "aimed six feet out": (plane_putt(30.0, side_right=0.04), Finish(-0.4, 0.5), -1.9),
    "far past": (plane_putt(10.0, side_right=0.02), Finish(6.0, -2.0), None),
    "short": (plane_putt(20.0, side_right=0.02), Finish(-2.0, 0.3), 0.0),
}


def drawn(putt, finish, aim_m=None):
    played = Played(
        putt, GOLFERS["middle"], holed=finish is None, finish=finish, aim_right_m=aim_m, uncertainty=FELT
    )
    found = diagnosis_of(played)
    return found, which_was_it_drawing(found, "what happened")


@pytest.mark.parametrize("name", EXTREMES)
def test_labels_touch_nothing_at_the_extremes(name):
    found, scene = drawn(*EXTREMES[name])
    clear(scene)
    hole, mark = scene.item("hole"), scene.item("aim-mark").spots.mean(axis=0)
    aim = found.ground.length_m * math.tan(found.played.meant.right_rad)
    scale = hole.radius / 0.054
    assert mark[0] - hole.at.x == pytest.approx(scale * aim, abs=0.02 * scale + 0.5)


def test_labels_touch_nothing_whatever_happened():
    rng = np.random.default_rng(3)
    for _ in range(24):
        putt = plane_putt(float(rng.uniform(3, 40)), side_right=float(rng.normal(0.0, 0.02)))
        _, scene = drawn(putt, Finish(float(rng.normal(0.3, 0.7)), float(rng.normal(0.0, 0.5))))
        clear(scene)


def test_ways_end_in_the_hole_where_they_drop_and_where_they_rest_else():
    found, scene = drawn(plane_putt(10.0, side_right=-0.02), Finish(0.35, -0.25), 0.27)
    hole, scale = scene.item("hole"), scene.item("hole").radius / 0.054
    for name, roll in found.rolls.items():
        end = scene.item(f"{name}-way").spots[-1] - hole.at
        rests = (0.0, 0.0) if roll.capture.drops else (roll.finish_right_m, -roll.finish_along_m)
        assert end == pytest.approx(scale * np.array(rests), abs=1.0)
        assert (scene.item(f"{name}-way").spots[:, 0] >= NEAR[0] - 1.0).all()
    assert any(roll.capture.drops for roll in found.rolls.values())
    finish = scene.item("finish").at - np.array(hole.at)
    assert finish == pytest.approx(scale * np.array([-0.25, -0.35]), abs=0.06 * scale)


def test_a_holed_ball_is_drawn_without_a_finish():
    _, scene = drawn(plane_putt(10.0, side_right=-0.02), None)
    clear(scene)
    assert not scene.items_named("finish")


def test_keys_and_bars_say_what_they_are():
    dashes = {dash_key(name).items[0].dash for name in ("was", "read", "line", "pace")}
    assert len(dashes) == 4
    assert share_bar(0.7).says == "70 of 100"
    assert len(share_bar(0.0).items) == 1


def test_reads_are_drawn_between_their_ends_few_of_them_open():
    rows = [
        SeenRow("left-to-right putts read by your plumb line", 34, Habit(0.66, 0.57, 0.77), enough=True),
        SeenRow("first impressions", 4, Habit(3.0, 0.1, 9.0), enough=False),
    ]
    scene = reads_seen(rows, "reads")
    clear(scene, phone=True)
    whole = scene.item("whole").spots[0, 0]
    first, few = scene.items_named("seen")
    assert first.at.x < whole < few.at.x <= 610.0
    assert first.fill != few.fill
    least, most = scene.items_named("range")[0].spots[:, 0]
    assert least < first.at.x < most < whole

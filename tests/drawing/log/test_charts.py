"""The charts of the log: to scale, within their sheets, with labels that touch nothing."""

import math

import numpy as np
import pytest

from orthocline.core.log import NO_FIGURE, mean, share
from orthocline.core.units import FOOT_M
from orthocline.drawing.log.bands import SHARES, Column, columns_drawing, scale_round
from orthocline.drawing.log.finishes import finishes
from orthocline.drawing.log.start_fan import start_fan
from orthocline.drawing.scene import Fill, Words
from orthocline.wording.units import Units
from orthocline.wording.wording import Wording
from tests.labels import all_items, clear

RNG = np.random.default_rng(4)
SPREADS = (0.05, 0.6, 4.0)


@pytest.mark.parametrize("metric", [False, True])
@pytest.mark.parametrize("spread", SPREADS)
@pytest.mark.parametrize("count", [0, 1, 300])
def test_finishes_lie_to_scale_or_on_the_edge(metric, spread, count):
    along, right = RNG.normal(0.2, spread, count), RNG.normal(0.0, spread, count)
    scene = finishes(along, right, "misses", Wording(Units(metric)))
    clear(scene)
    hole = scene.item("hole").at
    rings = [ring.radius for ring in scene.items_named("ring")]
    dots = np.array([dot.at for dot in scene.items_named("finish")]).reshape(-1, 2) - hole
    good = hole.y - scene.item("good").spots[0, 1]
    scale = good / (2.0 * FOOT_M)
    away = np.hypot(along, right) * scale
    assert len(dots) == count
    held = np.hypot(*dots.T)
    assert held == pytest.approx(np.minimum(away, 262.0), abs=0.2)
    assert np.degrees(np.arctan2(dots[:, 0], -dots[:, 1])) == pytest.approx(
        np.degrees(np.arctan2(right, along)), abs=3.0 if spread < 0.1 else 1.0
    )
    assert max(rings) <= 262.0 + 1e-6


@pytest.mark.parametrize("spread_deg", [0.2, 1.5, 8.0])
def test_start_lines_open_alike_to_both_sides_and_the_bias_lies_among_them(spread_deg):
    starts = np.radians(RNG.normal(0.5 * spread_deg, spread_deg, 60))
    seen = [share(np.arange(9) < count) for count in (2, 4, 3)]
    scene = start_fan(starts, mean(starts), seen, "starts")
    clear(scene, phone=True)
    ends = scene.item("starts").spots[1::2] - scene.item("starts").spots[::2]
    drawn = np.degrees(np.arctan2(ends[:, 0], -ends[:, 1]))
    opened = 30.0 / max(np.degrees(np.quantile(np.abs(starts), 0.97)), 2.0)
    assert drawn == pytest.approx(np.clip(np.degrees(starts) * opened, -30.0, 30.0), abs=0.05)
    bias = scene.item("bias").spots[1:] - scene.item("bias").spots[0]
    middle = np.degrees(np.arctan2(bias[:, 0], -bias[:, 1])).mean()
    assert middle == pytest.approx(math.degrees(starts.mean()) * opened, abs=0.3)


def test_a_fan_of_nothing_is_a_scale_and_no_line():
    scene = start_fan(np.array([]), NO_FIGURE, [NO_FIGURE] * 3, "none")
    clear(scene)
    assert len(scene.item("starts").spots) == 0
    assert scene.items_named("bias") == []


@pytest.mark.parametrize("count", [1, 4, 9, 14])
def test_columns_stand_at_their_figures_within_their_ranges(count):
    columns = [
        Column(f"{i}–{i + 5}", share(RNG.random(20 + 5 * i) < 0.5), 0.9 - 0.05 * i) for i in range(count)
    ]
    scene = columns_drawing(
        "bands", columns, SHARES, "holed of 100, by length [ft]", "bands", "a middle-handicap golfer"
    )
    clear(scene, phone=True)
    figures, ranges = scene.items_named("figure"), scene.items_named("range")
    assert [dot.fill is None for dot in figures] == [one.figure.few for one in columns]
    for dot, area, one in zip(figures, ranges, columns, strict=True):
        assert 360.0 - dot.at.y == pytest.approx(296.0 * one.figure.value, abs=0.1)
        assert 360.0 - area.spots[:, 1].min() == pytest.approx(296.0 * one.figure.span.most, abs=0.1)
        assert area.fill is Fill.HATCHED


def test_a_scale_round_nought_holds_what_is_drawn_and_a_band_without_any_is_empty():
    columns = [Column("Jan", mean(np.array([-0.3, -0.1, -0.5]))), Column("Feb", NO_FIGURE)]
    scale = scale_round(columns, 0.1)
    assert scale.least == -scale.most
    assert scale.most >= 0.39
    scene = columns_drawing(
        "trend", columns, scale, "strokes gained a putt on a middle-handicap golfer", "trend"
    )
    clear(scene, phone=True)
    assert len(scene.items_named("figure")) == 1
    assert {item.text for item in all_items(scene.items) if hasattr(item, "text")} >= {"Jan", "Feb", "0"}
    small = scale_round([Column("Jan", NO_FIGURE)], 0.1)
    assert small.most == 0.1
    clear(columns_drawing("trend", columns, small, "gained", "trend"), phone=True)


def test_every_band_of_lengths_has_its_name_also_on_a_phone():
    names = ["0–3", "3–5", "5–8", "8–12", "12–20", "20–30", "30–45", "45+"]
    scene = columns_drawing("bands", [Column(name, NO_FIGURE) for name in names], SHARES, "holed", "bands")
    clear(scene, phone=True)
    assert {item.text for item in scene.items if isinstance(item, Words)} >= set(names)

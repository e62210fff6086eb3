"""The map and the sheet of a study: bands where it is harder, labels apart, fair holes by their rank."""

import itertools
import math

import numpy as np
import pytest

from orthocline.core.chart import Chart, ChartPin, ChartReading, Known, surveyed
from orthocline.core.study import FROM_EDGE_M, MOST_RANKED, Holes, places_of
from orthocline.drawing.carry.holes_sheet import SheetWords, holes_sheet
from orthocline.drawing.ground.holes_map import SHADE, HolesShown, holes_map, levels_of
from orthocline.drawing.scene import Words
from orthocline.wording.ground.holes import COLUMN_WORDS, foot_words, hole_line, lead_words
from orthocline.wording.wording import USUAL_WORDING
from tests.labels import boxes_of

CORNERS = ((-9.0, 0.0), (9.0, 0.0), (9.0, 18.0), (-9.0, 18.0))
READ = tuple(
    ChartReading((x, y), "level_averaged", way, size)
    for x in (-8.0, 0.0, 8.0)
    for y in (2.0, 9.0, 16.0)
    for way, size in ((-0.5 * math.pi, 0.015), (0.0, 0.0))
)
PINS = (ChartPin((2.0, 6.0), "front"), ChartPin((0.0, 9.0), "old", retired=True))
CHART = Chart(CORNERS, READ, PINS)
KNOWN = Known(surveyed(READ, {}), CHART.outline)
SPEEDS = (10.0, 11.0)


@pytest.fixture
def holes():
    """Harder from front to back, 6 to 22 %; at 11 it holds a ball on the right alone."""
    places = places_of(CHART.outline)
    played = np.empty((2, len(places), 4))
    played[..., 0], played[..., 1], played[..., 2] = 1.0, 0.9, 0.6
    played[1, :, 0] = np.where(places[:, 0] > 3.0, 1.0, 0.5)
    played[..., 3] = 0.08 + 0.008 * places[:, 1]
    return Holes(places, played, CHART.outline, np.ones(len(places), dtype=bool))


def drawn(holes, figure="three", speed=0):
    shown = HolesShown(figure, speed, holes.ranked(FROM_EDGE_M, MOST_RANKED))
    return holes_map(CHART, KNOWN, holes, shown, USUAL_WORDING, "A map")


def test_bands_lie_on_each_other_where_it_is_harder(holes):
    bands = drawn(holes).items_named("harder")
    levels = levels_of(3, holes.played[0, :, 3])
    assert levels == pytest.approx([0.1, 0.15, 0.2])
    assert len(bands) == len(levels)
    assert {one.shade for one in bands} == {SHADE}
    fronts = [one.spots[:, 1].max() for one in bands]
    assert fronts == sorted(fronts, reverse=True), "the harder the farther back"
    said = {one.text for one in drawn(holes).items if isinstance(one, Words)}
    assert {"10 %", "15 %", "front"} <= said
    assert "old" not in said


def test_what_holds_a_ball_everywhere_is_not_dark(holes):
    assert drawn(holes, "holds", 0).items_named("harder") == []
    assert drawn(holes, "holds", 1).items_named("harder")


def test_a_figure_that_no_place_has_is_not_drawn(holes):
    holes.played[..., 3] = math.nan
    assert drawn(holes).items_named("harder") == []
    assert drawn(holes).items_named("hole")


def test_holes_that_are_not_fair_at_every_speed_have_dashed_rings(holes):
    ranked = holes.ranked(FROM_EDGE_M, MOST_RANKED)
    rings = drawn(holes).items_named("hole")
    assert [bool(one.dash) for one in rings] == [one.fair_at == 1 for one in ranked]
    assert {one.fair_at for one in ranked} == {1, 2}


@pytest.mark.parametrize("figure", ["three", "holds"])
def test_no_label_lies_on_another(holes, figure):
    boxes = list(boxes_of(drawn(holes, figure, 1).items))
    assert not [pair for pair in itertools.combinations(boxes, 2) if meet(*pair)]


def test_the_sheet_has_everything_within_it_and_nothing_twice(holes):
    ranked = holes.ranked(FROM_EDGE_M, MOST_RANKED)
    lines = [
        hole_line(f"{i}", one.place, holes, SPEEDS, FROM_EDGE_M, USUAL_WORDING)
        for i, one in enumerate(ranked, start=1)
    ]
    lead = lead_words(ranked, holes, SPEEDS, USUAL_WORDING)
    foot = foot_words(SPEEDS, "tournament", "Made 28 Nov")
    said = SheetWords(
        "A course with a very long name: green 18, " + "of names " * 20, lead, COLUMN_WORDS, lines, foot
    )
    sheet = holes_sheet(CHART, KNOWN, holes, HolesShown("three", 0, ranked), said, USUAL_WORDING)
    boxes = list(boxes_of(sheet.items))
    for text, (left, top, right, bottom) in boxes:
        assert 0.0 <= left < right <= sheet.width, text
        assert 0.0 <= top < bottom <= sheet.height, text
    assert not [pair for pair in itertools.combinations(boxes, 2) if meet(*pair)]
    assert "Fair at 10, not at 11" in {text for text, _ in boxes}


def meet(one, other):
    (_, (left, top, right, bottom)), (_, (left2, top2, right2, bottom2)) = one, other
    return left < right2 and left2 < right and top < bottom2 and top2 < bottom

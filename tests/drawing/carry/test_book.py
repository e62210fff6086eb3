"""A page of a green book: to scale, its arrows as the ground falls, nothing on top of anything else."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.cards import BookSize
from orthocline.core.chart import Chart, ChartPin, ChartReading, Known, Site, surveyed
from orthocline.drawing.carry.book import PER_MM, BookGreen, BookLook, book_page
from orthocline.drawing.scene import Area, Disc, Line, Words
from orthocline.drawing.svg import svg_file
from orthocline.services.demo.greens import DEMO_GREENS
from orthocline.wording.units import Units
from orthocline.wording.wording import Wording
from tests.labels import boxes_of

INCH_MM = 25.4
NOTE = "Never above the hole on the top tier. " * 6
SQUARE = ((-10.0, 0.0), (10.0, 0.0), (10.0, 20.0), (-10.0, 20.0))
PINS = tuple(ChartPin((3.0 * x, 6.0 + 2.0 * x), f"pin {x}") for x in range(-2, 3))


def green(number):
    """Return a green of the demo as a book takes it."""
    chart = DEMO_GREENS[number].chart(np.random.default_rng(number))
    known = Known(surveyed(chart.readings, {}), chart.outline, chart.grain)
    return BookGreen("Ternholm Links", DEMO_GREENS[number].place.green, chart, known, NOTE)


def plane(slope, way_deg):
    """Return a green that is one plane, known all over."""
    way = math.radians(way_deg)
    places = [(x, y) for x in range(-9, 10, 3) for y in range(1, 20, 3)]
    readings = tuple(ChartReading((float(x), float(y)), "level_averaged", way, slope) for x, y in places)
    aside = tuple(replace(one, toward_rad=way + 0.5 * math.pi, size=0.0) for one in readings)
    chart = Chart(SQUARE, (*readings, *aside), PINS)
    return BookGreen("Links", "4", chart, Known(surveyed(chart.readings, {}), chart.outline))


def words(scene, name):
    return [one for one in scene.items_named(name) if isinstance(one, Words)]


@pytest.mark.parametrize("number", range(10))
@pytest.mark.parametrize(
    "size", [BookSize(), BookSize(300.0, 0.15, 0.22), BookSize(100.0, 0.07, 0.09)], ids=str
)
def test_the_map_is_to_scale_and_no_larger_than_asked(number, size):
    one = green(number)
    scene = book_page(one, BookLook(size), Wording())
    assert (scene.width, scene.height) == pytest.approx(
        (1000 * PER_MM * size.wide_m, 1000 * PER_MM * size.tall_m)
    )
    edge = scene.item("edge").spots / PER_MM
    (left, low), (right, top) = one.chart.outline.box
    scale = 1000.0 * (right - left) / np.ptp(edge[:, 0])
    assert scale >= size.scale - 0.5
    assert 1000.0 * (top - low) / np.ptp(edge[:, 1]) == pytest.approx(scale, rel=1e-3)
    assert f"(1:{round(scale)})" in words(scene, "scale")[0].text
    bar = np.ptp(scene.item("bar").spots[:, 0]) / PER_MM
    yards = int(words(scene, "bar-words")[0].text.partition(" ")[0])
    assert bar * scale == pytest.approx(1000.0 * yards * 0.9144, rel=1e-3)
    if size == BookSize():
        assert scale == pytest.approx(480.0, abs=0.5)
        assert (yards, bar) == (5, pytest.approx(0.375 * INCH_MM, abs=0.01))


@pytest.mark.parametrize(("slope", "way"), [(0.021, -90.0), (0.034, 30.0), (0.012, 180.0)])
def test_arrows_point_down_the_fall_and_say_how_steep_it_is(slope, way):
    scene = book_page(plane(slope, way), BookLook(), Wording())
    arrows = [one for one in scene.items_named("arrow") if isinstance(one, Line)]
    assert len(arrows) >= 15
    for one in arrows:
        (x0, y0), (x1, y1) = one.spots
        turn = math.atan2(y0 - y1, x1 - x0) - math.radians(way)
        assert math.remainder(turn, 2.0 * math.pi) == pytest.approx(0.0, abs=0.1)
    figures = [float(one.text) for one in words(scene, "percent")]
    assert np.mean(figures) == pytest.approx(100.0 * slope, abs=0.1)
    assert max(figures) - min(figures) < 0.8


@pytest.mark.parametrize("number", range(10))
def test_figures_pins_and_arrows_stand_clear_of_each_other_within_the_edge(number):
    scene = book_page(green(number), BookLook(), Wording())
    pins = [one for one in scene.items_named("pin") if isinstance(one, Disc)]
    arrows = [one.spots for one in scene.items_named("arrow")]
    boxes = [where for _, where in boxes_of(words(scene, "percent"))]
    assert len(boxes) >= 12
    for i, (left, top, right, foot) in enumerate(boxes):
        for one in pins:
            gap = math.hypot(
                one.at.x - np.clip(one.at.x, left, right), one.at.y - np.clip(one.at.y, top, foot)
            )
            assert gap > one.radius
        for spots in arrows:
            x, y = np.linspace(spots[0], spots[-1], 20).T
            assert not ((x > left) & (x < right) & (y > top) & (y < foot)).any()
        for other in boxes[:i]:
            assert right < other[0] or other[2] < left or foot < other[1] or other[3] < top


@pytest.mark.parametrize("look", [BookLook(), BookLook(shows="contours"), BookLook(hand=True)], ids=str)
def test_nothing_stands_off_the_page_and_lines_of_words_are_apart(look):
    long = replace(
        green(5), name="The green by the old lighthouse keeper's cottage wall " * 2, course="Links " * 20
    )
    for size in (BookSize(), BookSize(480.0, 0.07, 0.12)):
        scene = book_page(long, replace(look, size=size, day="Made 27 Nov."), Wording(Units(metric=True)))
        boxes = [where for _, where in boxes_of(scene.items)]
        for i, (left, top, right, foot) in enumerate(boxes):
            assert 0.0 <= left <= right <= scene.width
            assert 0.0 <= top <= foot <= scene.height
            for other in boxes[:i]:
                apart = right < other[0] or other[2] < left or foot < other[1] or other[3] < top
                assert apart, (size, boxes[i], other)


def test_a_book_by_hand_has_nothing_of_an_instrument_or_the_model():
    full = green(5)
    hand = book_page(full, BookLook(hand=True), Wording())
    only = replace(full, chart=replace(full.chart, readings=()), known=None)
    drawn = [one for one in full.chart.readings if one.by == "arrow"]
    assert len(drawn) >= 15
    assert "Hand-entered only" in hand.says
    assert hand.items_named("contour") == hand.items_named("percent") == hand.items_named("arrow") == []
    assert {one.text for one in words(hand, "fall")} == {""}
    assert len(hand.items_named("reading")) == len(drawn)
    assert len(book_page(only, BookLook(hand=True), Wording()).items_named("reading")) == 0
    measured = replace(full, chart=replace(full.chart, site=Site("EPSG:25832", 0.0, 0.0)))
    left_out = book_page(measured, BookLook(hand=True), Wording())
    assert left_out.items_named("edge") == left_out.items_named("size") == []
    assert "Its edge was measured, and is left out." in left_out.says


def test_notes_are_broken_between_words_and_pins_are_listed_with_their_numbers():
    one = green(3)
    scene = book_page(one, BookLook(), Wording())
    written = [line.text for line in words(scene, "written") if line.text]
    assert written[0] == "1 front"
    assert " ".join(written[4:]) == NOTE.strip()
    assert [line.text for line in words(scene, "pin-number")] == ["1", "2", "3", "4"]
    assert len([line.text for line in words(scene, "fall") if "%" in line.text]) == 4
    plain = book_page(one, BookLook(pins=False, notes=False), Wording())
    assert [line.text for line in words(plain, "written") if line.text] == []
    assert plain.items_named("pin") == []


def test_contours_are_drawn_and_printed_in_black_on_white():
    scene = book_page(green(5), BookLook(shows="contours"), Wording())
    assert len(scene.items_named("contour")) >= 8
    assert any(isinstance(one, Area) for one in scene.items_named("unsure"))
    drawn = svg_file(scene, printed=True)
    assert "#edeedd" not in drawn, "no ground under it"
    assert drawn.count(">green 6, Breakwater<") == 1, "no rim under words"

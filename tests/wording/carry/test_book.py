"""A green book in words: its scale, what the rules last known allow, and on what a page rests."""

import math

import pytest

from orthocline.core.cards import LARGEST_MAP, BookSize
from orthocline.core.chart import ChartReading
from orthocline.wording.carry.book import (
    BY_HAND,
    basis_words,
    is_by_hand,
    limit_words,
    scale_words,
    slope_figure,
)
from orthocline.wording.units import Units
from orthocline.wording.wording import Wording

INCH = 0.0254


@pytest.mark.parametrize(
    ("scale", "said"),
    [(480, "3/8 in to 5 yd (1:480)"), (180, "1 in to 5 yd (1:180)"), (240, "3/4 in to 5 yd (1:240)")],
)
def test_a_scale_is_said_in_eighths_of_an_inch_to_five_yards(scale, said):
    assert scale_words(scale) == said
    assert scale_words(500) == "0.36 in to 5 yd (1:500)"


def test_the_largest_map_and_page_are_those_of_the_rules_as_last_known():
    assert pytest.approx(480.0) == LARGEST_MAP
    assert limit_words(BookSize()) == ""
    assert limit_words(BookSize(480.0, 7.0 * INCH, 4.25 * INCH)) == "", "on its side too"
    large = limit_words(BookSize(300.0))
    assert large.startswith("The map is larger than the rules of play last known here allow")
    assert "ask the committee" in large
    assert limit_words(BookSize(300.0, 0.2, 0.3)).startswith("The map and page are larger")
    assert limit_words(BookSize(480.0, 0.12, 0.15)).startswith("The page is larger")


def test_what_is_by_hand_is_felt_seen_or_drawn():
    by = ("level", "phone", "feet", "trained_eye", "arrow", "plate", "staff")
    readings = [ChartReading((0.0, 5.0), one, 0.0, 0.02) for one in by]
    assert [one.by for one in readings if is_by_hand(one)] == ["feet", "trained_eye", "arrow"]
    said = basis_words(readings[:3], scanned=False, hand=False)
    assert said == "Worked out from 3 readings by level, phone, feet."
    assert (
        basis_words(readings[:1], scanned=True, hand=False)
        == "Worked out from a scan and 1 reading by level."
    )
    assert basis_words([], scanned=False, hand=False) == "Nothing is read here yet."
    assert basis_words(readings, scanned=True, hand=True) == BY_HAND


def test_a_slope_that_is_not_sure_is_said_roughly():
    assert slope_figure(0.0213, Wording()) == "2.1"
    assert slope_figure(0.0263, Wording(), is_sure=False) == "~3"
    degrees = Wording(Units(degrees=True))
    assert slope_figure(math.tan(math.radians(1.24)), degrees) == "1.2"

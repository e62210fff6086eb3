"""Ranges in words: each figure rounded to what its range bears, and none further."""

import pytest

from orthocline.core.estimate import Span
from orthocline.core.roll import read
from orthocline.core.sure import Sureness, Uncertainty
from orthocline.core.units import INCH_M
from orthocline.wording.read.call import call
from orthocline.wording.sure.ranges import range_text, span_words
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import plane_putt

METRIC = Wording(Units(metric=True))


def span(least_in, most_in):
    return Span(least_in * INCH_M, most_in * INCH_M)


@pytest.mark.parametrize(
    ("length_in", "width_in", "words"),
    [
        (17.7, 0.5, "17¾ in"),
        (17.7, 2.1, "17½ in"),
        (17.7, 4.0, "18 in"),
        (17.7, 8.5, "18 in"),
        (17.3, 12.0, "18 in"),
        (17.3, 30.0, "18 in"),
        (40.0, 30.0, "3½ ft"),
    ],
)
def test_an_aim_is_rounded_to_a_quarter_of_its_range(length_in, width_in, words):
    assert USUAL_WORDING.short(length_in * INCH_M, width_in * INCH_M) == words


def test_centimetres_are_rounded_alike():
    assert METRIC.short(0.447, 0.10) == "44 cm"
    assert METRIC.short(0.447, 0.45) == "40 cm"
    assert METRIC.short(0.447, 0.01) == "45 cm"


@pytest.mark.parametrize(
    ("ends", "words", "text"),
    [
        (span(9, 15.1), "9 and 15 in right", "9 to 15 in"),
        (span(-15.1, -9), "9 and 15 in left", "9 to 15 in"),
        (span(-3, 5), "3 in left and 5 in right", "3 in left to 5 in right"),
        (span(-5, 3), "5 in left and 3 in right", "5 in left to 3 in right"),
        (span(-0.2, 12), "the centre and 12 in right", "the centre to 12 in"),
        (span(30, 50), "30 in and 4¼ ft right", "30 in to 4¼ ft"),
    ],
)
def test_both_ends_are_said_with_unit_and_side_once(ends, words, text):
    assert span_words(ends, USUAL_WORDING) == words
    assert range_text(ends, USUAL_WORDING) == text


def said(side_right, uncertainty, **more):
    sure = Sureness(read(plane_putt(14, side_right=side_right, **more)), uncertainty)
    return call(sure.read, USUAL_WORDING, sure=sure.range)


def test_everything_said_of_the_aim_goes_with_its_range():
    words = said(-0.021, Uncertainty(side=0.004))
    lines = {line.school: line.words for line in words.lines}
    aim = words.spot.removesuffix(" right")
    assert lines["aim_spot"].startswith(f"{aim} right")
    for school in ("aim_spot", "curve_gate", "apex"):
        assert not {"¼", "½", "¾"} & set(lines[school]), lines[school]
    assert words.range.startswith("Between")
    exact = said(-0.021, Uncertainty())
    assert exact.range == ""
    assert exact.spot != words.spot


def test_a_straight_putt_is_aimed_at_the_centre_within_a_range_of_both_sides():
    words = said(0.0004, Uncertainty(side=0.0075))
    assert words.sentence.startswith("Aim at the centre.")
    assert "left and" in words.range


def test_a_range_of_next_to_nothing_is_said_as_that():
    assert said(-0.021, Uncertainty(green_speed_ft=0.005)).range == "Sure to within ¼ in."


def test_how_far_it_plays_has_its_range_too():
    (plays,) = [one for one in said(-0.021, Uncertainty(length=0.05)).details if "Plays" in one]
    assert plays == "Plays like 14 ft (12.5 to 15.5 ft)."


def test_a_start_line_without_a_mark_has_a_range_of_degrees():
    words = said(0.13, Uncertainty(side=0.03), grade=-0.02, speed_ft=8)
    assert words.range.startswith("It starts between ")
    assert words.range.endswith("° left.")

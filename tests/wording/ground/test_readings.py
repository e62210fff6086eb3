"""Readings of the ground in words: places, hours, what disagrees, how a putt falls."""

import math

import pytest

from orthocline.core.estimate import Span
from orthocline.core.ground import STOPS, Conflict, Reading
from orthocline.core.sure import Fall
from orthocline.wording.ground.readings import (
    conflict_words,
    fall_words,
    parse_hour,
    parse_share,
    place_words,
)
from orthocline.wording.ground.walk import FROM_WORDS, STOP_WORDS, ask_words, deceives_words
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import USUAL_WORDING

LENGTH_M = 6.096


@pytest.mark.parametrize(
    ("typed", "share"),
    [
        ("1/3", 1 / 3),
        ("40 %", 0.4),
        ("40", 0.4),
        ("hole", 1.0),
        ("Half", 0.5),
        ("ball", 0.0),
        ("5 ft", 0.25),
        ("3 ft short", 0.85),
        ("6 ft from the hole", 0.7),
        ("2 paces", 0.3),
    ],
)
def test_a_place_along_a_putt_is_typed_in_many_ways(typed, share):
    assert parse_share(typed, LENGTH_M, USUAL_WORDING) == pytest.approx(share)


@pytest.mark.parametrize("typed", ["", "there", "1/0", "% 5", "five feet", "3 ft long"])
def test_what_is_no_place_is_refused_with_what_would_be(typed):
    with pytest.raises(QuantityError, match="1/3, 40 %, 5 ft, hole or 3 ft short"):
        parse_share(typed, LENGTH_M, USUAL_WORDING)


def test_an_hour_on_the_cup_is_a_way_clockwise_from_beyond_it():
    hours = {"12": 0, "3 h": 90, "6 o'clock": 180, "7:00": 210, "4.5": 135, "4,5 h": 135}
    for typed, degrees in hours.items():
        assert parse_hour(typed) == pytest.approx(math.radians(degrees))
    for typed in ("0", "13", "noon", "4.3"):
        with pytest.raises(QuantityError, match="1 to 12"):
            parse_hour(typed)


def test_places_have_names():
    named = {
        0.0: "at the ball",
        0.34: "at one third",
        0.5: "half-way",
        0.66: "at two thirds",
        1.0: "at the hole",
    }
    assert {at: place_words(at) for at in named} == named
    assert place_words(0.4) == "at 40 % of the way"
    assert place_words(1.2) == "at 120 % of the way"


def test_what_disagrees_is_named_with_the_remedy():
    readings = (
        Reading(0.5, 0.0, 0.01, "level"),
        Reading(0.5, 0.0, 0.03, "feet"),
        Reading(0.6, 0.0, 0.03, "level"),
    )
    said = conflict_words(Conflict(0, 1, 3.0), readings)
    assert said == "The level and the feet disagree half-way: read again, or take one away."
    said = conflict_words(Conflict(0, 2, 3.0), readings)
    assert said.startswith("Two readings by the level disagree half-way and at 60 % of the way:")


@pytest.mark.parametrize(
    ("fall", "says"),
    [
        (Fall(0.02, math.pi / 2, Span(0.015, 0.026), 0.2), "Falls 2 % (1.5 % to 2.6 %) right, within 11°."),
        (Fall(0.02, -2.6, Span(0.02, 0.02), 0.0), "Falls 2 % toward the ball and a little left."),
        (Fall(0.01, 0.1, Span(0.0, 0.03), 2.5), "Falls 1 % (0 % to 3 %), which way is not known yet."),
        (Fall(0.0, 0.0, Span(0.0, 0.01), 3.0), "Level on the whole, to 1 %."),
        (Fall(0.0, 0.0, Span(0.0, 0.0), 0.0), "Level on the whole."),
    ],
)
def test_how_a_putt_falls(fall, says):
    assert fall_words(fall, USUAL_WORDING) == says


def test_every_stop_and_question_has_words():
    assert set(STOP_WORDS) == set(STOPS)
    assert set(FROM_WORDS) == set(STOPS) - {"first"}
    for stop in STOPS.values():
        assert len({ask_words(ask) for ask in stop.asks}) == len(stop.asks)
    assert deceives_words("3 %", "hole").endswith("Look again from behind the hole.")
    assert deceives_words("3 %", "").endswith("Trust what you felt half-way.")

"""The walk: every stop and what it asks, and which reading answers."""

import math

import pytest

from orthocline.core.ground import (
    STOPS,
    USUAL_STOPS,
    Ask,
    Kind,
    Reading,
    noted_by,
)
from orthocline.core.instruments import INSTRUMENTS


def test_the_usual_walk_is_three_of_the_stops_and_nobody_stands_on_the_line():
    assert set(USUAL_STOPS) < set(STOPS)
    assert len(USUAL_STOPS) == 3
    for stop in STOPS.values():
        assert stop.aside_m > 0.0 or stop.behind_m > 0.0 or stop.at + stop.behind_m < 0.0


def test_every_question_of_the_slope_names_an_instrument_that_can_answer_it():
    asks = [ask for stop in STOPS.values() for ask in stop.asks]
    of_slope = [ask for ask in asks if ask.kind in (Kind.SIDE, Kind.GRADE, Kind.RISE, Kind.WAY)]
    assert all(ask.by in INSTRUMENTS for ask in of_slope)
    assert not any(ask.by for ask in asks if ask not in of_slope)


@pytest.mark.parametrize(
    ("reading", "answers"),
    [
        (Reading(0.5, math.pi / 2, 0.02, "feet"), True),
        (Reading(0.5, -math.pi / 2, None, "feet"), True),
        (Reading(0.5, 0.0, 0.02, "feet"), False),
        (Reading(0.5, math.pi / 2, 0.02, "level"), False),
        (Reading(0.6, math.pi / 2, 0.02, "feet"), False),
    ],
)
def test_a_reading_answers_what_was_asked_of_its_instrument_there(reading, answers):
    ask = Ask(Kind.SIDE, "feet", 0.5)
    assert (noted_by(ask, (Reading(0.5, 0.0, 0.01, "eye"), reading)) == reading) is answers


def test_a_way_of_fall_answers_whichever_way_it_falls():
    spill = Reading(1.0, math.radians(-130), None, "spill")
    assert noted_by(Ask(Kind.WAY, "spill", 1.0), (spill,)) == spill

"""What a log teaches, in words: shares, parts, which was it, habits, greens, corrections."""

import math

import pytest

from orthocline.core.account import GOLFERS
from orthocline.core.learning import Correction, Habit, Played, diagnosis_of
from orthocline.core.log import Finish
from orthocline.core.units import INCH_M
from orthocline.wording.log.habits import (
    TAKEN,
    bias_range,
    by_words,
    corrected_words,
    correction_words,
    factor_words,
    green_words,
    group_words,
    pace_words,
    start_words,
)
from orthocline.wording.log.which_was_it import cause_words, in_ten
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import plane_putt

METRIC = Wording(Units(metric=True))
SURELY_NONE = Habit(0.0, -0.01, 0.01)


@pytest.mark.parametrize(
    ("share", "words"),
    [(0.0, "hardly ever"), (0.1, "once in ten"), (0.72, "seven times in ten"), (0.97, "nearly always")],
)
def test_shares_are_counted_in_ten(share, words):
    assert in_ten(share) == words


@pytest.mark.parametrize(
    ("factor", "words"),
    [
        (Habit(0.66, 0.6, 0.72), "about a third too little break"),
        (Habit(0.5, 0.4, 0.6), "about a half too little break"),
        (Habit(1.21, 1.1, 1.3), "about a fifth too much break"),
        (Habit(0.9, 0.7, 1.1), "right, as far as is known"),
    ],
)
def test_factors_are_said_as_parts(factor, words):
    assert factor_words(factor) == words


def test_groups_have_names_in_the_golfers_units():
    said = [group_words("length", str(i), USUAL_WORDING) for i in range(3)]
    assert said == ["under 6 ft", "6 to 15 ft", "15 ft or more"]
    assert group_words("length", "0", METRIC) == "under 1.8 m"
    assert group_words("slope", "1", USUAL_WORDING) == "falls 1 to 2 %"
    assert group_words("side", "left", USUAL_WORDING) == "right-to-left putts"
    assert group_words("method_right", "hand_gauge", USUAL_WORDING) == (
        "left-to-right putts read by your hand gauge"
    )
    assert group_words("method", "", USUAL_WORDING) == "no method said"
    assert by_words("wet_thumb") == "by wet thumb"


def test_corrections_are_orders():
    one = Correction("aim_spot", -1, 3.048, 1.5)
    assert correction_words(one, USUAL_WORDING) == (
        "On right-to-left putts of 10 ft or more, read by your aim, take your read and a half."
    )
    assert "putts of 3 m or more" in correction_words(one, METRIC)
    both = Correction("hand_gauge", 0, 0.0, 0.75)
    assert correction_words(both, USUAL_WORDING).startswith("On putts that break, read by your hand gauge,")
    assert corrected_words(one, 18.0 * INCH_M, USUAL_WORDING).endswith("you aim 18 in right")
    assert len(set(TAKEN.values())) == len(TAKEN)


def test_strokes_are_said_with_what_they_are_worth():
    start, scatter = start_words(Habit(-0.01, -0.015, -0.005), Habit(0.02, 0.018, 0.022), USUAL_WORDING)
    assert start == "Your balls start 0.6° left of your line: 1¼ in at 10 ft."
    assert scatter == "They scatter by 1.1° (1 to 1.3°)."
    assert start_words(SURELY_NONE, Habit(0.02, 0.018, 0.022), USUAL_WORDING)[0].endswith(
        "as far as is known."
    )
    long, uneven = pace_words(Habit(0.1, 0.05, 0.15), Habit(0.12, 0.1, 0.14), USUAL_WORDING)
    assert long == "They roll 10 % further than meant: 12 in on 10 ft."
    assert uneven == "Their pace scatters by 12 % (10 to 14 %)."
    assert pace_words(Habit(0.1, 0.05, 0.15), SURELY_NONE, METRIC)[0].endswith("30 cm on 3 m.")
    assert start_words(Habit(-0.01, -0.015, -0.005), SURELY_NONE, METRIC)[0].endswith("3 cm at 3 m.")
    assert "less far" in pace_words(Habit(-0.1, -0.15, -0.05), Habit(0.12, 0.1, 0.14), USUAL_WORDING)[0]
    assert (
        bias_range(Habit(0.0, math.radians(-0.4), math.radians(0.5)), degrees=True)
        == "0.4° left to 0.5° right"
    )
    assert bias_range(Habit(0.07, 0.04, 0.09), degrees=False) == "4 to 9 % more"


def test_greens_are_said_where_they_surely_differ():
    surely = Habit(0.8, 0.5, 1.1)
    assert green_words("Green 6", surely, SURELY_NONE, 14) == [
        "Green 6 runs 0.8 ft faster than it was said to (0.5 to 1.1, by 14 misses)."
    ]
    slower = Habit(-0.8, -1.1, -0.5)
    assert (
        "0.8 ft slower than it was said to (0.5 to 1.1" in green_words("Green 6", slower, SURELY_NONE, 9)[0]
    )
    assert green_words("Green 6", Habit(0.5, 0.01, 1.0), SURELY_NONE, 9) == []
    assert green_words("Green 6", SURELY_NONE, Habit(-0.2, -0.3, -0.1), 9) == [
        "Green 6 slopes 20 % less than it was read to be (by 9 misses)."
    ]


@pytest.mark.parametrize(
    ("finish", "aim_m", "first"),
    [
        (Finish(-1.5, 0.0), None, "the pace"),
        (Finish(0.3, 0.5), None, "the start line"),
    ],
)
def test_the_cause_comes_first(finish, aim_m, first):
    played = Played(plane_putt(10.0), GOLFERS["tournament"], holed=False, finish=finish, aim_right_m=aim_m)
    words = cause_words(diagnosis_of(played), USUAL_WORDING)
    assert first in words[0]
    assert " in ten." in words[0] or words[0].endswith("nearly always.")
    metric = cause_words(diagnosis_of(played), METRIC)
    assert " in of roll" not in " ".join(metric)


def test_a_straight_putt_has_no_high_and_low():
    played = Played(
        plane_putt(10.0), GOLFERS["tournament"], holed=False, finish=Finish(0.3, 0.4), aim_right_m=0.13
    )
    assert "too far right" in " ".join(cause_words(diagnosis_of(played), USUAL_WORDING))

"""Where balls stopped and how they started, as it is typed and read again."""

import math

import pytest

from orthocline.core.balls import Implied
from orthocline.core.estimate import Estimate
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.wording.ground.balls import parse_rest, parse_turn, rest_text, said_words, turn_text
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import USUAL_WORDING


@pytest.mark.parametrize(
    ("typed", "rest_in"),
    [
        ("2 ft past 6 in left", (24, -6)),
        ("6 in right, 1 ft short", (-12, 6)),
        ("10 past", (10, 0)),
        ("1 ft beyond and 3 in right", (12, 3)),
        ("8 in left", (0, -8)),
        ("1'6\" short", (-18, 0)),
    ],
)
def test_where_a_ball_stopped_is_said_past_or_short_and_aside(typed, rest_in):
    assert parse_rest(typed, USUAL_WORDING) == pytest.approx(tuple(INCH_M * one for one in rest_in))


@pytest.mark.parametrize("typed", ["", "past", "2 ft", "2 ft past it", "near", "it never stopped", "ran off"])
def test_what_says_no_place_is_refused(typed):
    with pytest.raises(QuantityError):
        parse_rest(typed, USUAL_WORDING)


@pytest.mark.parametrize("rest", [(0.61, -0.15), (-1.0, 0.3), (0.0, 0.0)])
def test_a_rest_goes_round(rest):
    assert rest_text((rest[0], 0.0), USUAL_WORDING).count(" ") == 2, "nothing aside is not said"
    assert parse_rest(rest_text(rest, USUAL_WORDING), USUAL_WORDING) == pytest.approx(rest, abs=0.002)


@pytest.mark.parametrize(
    ("side", "grade", "own", "words"),
    [
        (0.021, 0.0, False, "falls 2.1 % to its right."),
        (0.0002, 0.0, False, "is level across."),
        (-0.012, -0.01, True, "falls 1.2 % to its left, and goes 1 % downhill."),
        (-0.0001, 0.0004, True, "is level across, and is level along it."),
    ],
)
def test_what_a_ball_says_of_the_ground_is_a_fall_or_level(side, grade, own, words):
    implied = Implied(Estimate(side, 0.01), Estimate(grade, 0.01), odd=False)
    assert said_words(implied, USUAL_WORDING, own=own) == f"By it the ground {words}"


@pytest.mark.parametrize(
    ("typed", "right_rad"),
    [
        ("12 in right", math.atan2(1.0, 10.0)),
        ("6 in left of the hole", -math.atan2(0.5, 10.0)),
        ("3 deg left", -math.radians(3)),
        ("2,5° right", math.radians(2.5)),
        ("straight", 0.0),
    ],
)
def test_a_start_line_is_said_beside_the_hole_or_in_degrees(typed, right_rad):
    assert parse_turn(typed, 10 * FOOT_M, USUAL_WORDING) == pytest.approx(right_rad)
    assert parse_turn(turn_text(right_rad), 1.0, USUAL_WORDING) == pytest.approx(right_rad, abs=1e-3)


@pytest.mark.parametrize("typed", ["", "12 in", "left", "3 deg", "far right"])
def test_a_start_line_without_a_side_is_refused(typed):
    with pytest.raises(QuantityError):
        parse_turn(typed, 3.0, USUAL_WORDING)

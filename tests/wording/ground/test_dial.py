"""Places typed by paces and bearing, by hours, and by steps; where to stand in words."""

import math

import pytest

from orthocline.core.calls import dial_of
from orthocline.core.units import FOOT_M, YARD_M
from orthocline.wording.ground.dial import Placed, hour_words, parse_place, place_text, walk_words
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import USUAL_WORDING
from tests.putts import plane_putt

AWAY_M = 4.0


@pytest.mark.parametrize(
    ("typed", "distance_m", "round_deg"),
    [
        ("6 h", AWAY_M, 0),
        ("9 o'clock", AWAY_M, 90),
        ("3:30 h", AWAY_M, -75),
        ("12 ft, 7.5 h", 12 * FOOT_M, 45),
        ("5 paces 30 deg right", 5 * YARD_M, -30),
        ("14'6\" 20° left", 14.5 * FOOT_M, 20),
        ("40 deg", AWAY_M, 40),
        ("-40 deg left", AWAY_M, -40),
        ("4 m left", math.hypot(4, 4), 45),
        ("1 m nearer", 3.0, 0),
        ("3 m right and 1 m nearer", math.hypot(3, 3), -45),
        ("1 m back 5 m left", math.hypot(5, 5), 45),
    ],
)
def test_a_place_is_said_in_many_ways(typed, distance_m, round_deg):
    place = parse_place(typed, AWAY_M, USUAL_WORDING)
    assert place == pytest.approx((distance_m, math.radians(round_deg)))


@pytest.mark.parametrize(
    "typed", ["", "there", "left", "13 h", "5 paces", "12 ft 4", "2 paces left over", "h"]
)
def test_anything_else_is_told_what_is_allowed(typed):
    with pytest.raises(QuantityError):
        parse_place(typed, AWAY_M, USUAL_WORDING)


@pytest.mark.parametrize("hour", [1, 4.25, 6, 7.5, 12])
def test_a_place_goes_round_as_it_is_typed(hour):
    place = Placed(AWAY_M, math.remainder(math.radians(30 * hour - 180), 2 * math.pi))
    again = parse_place(place_text(place, USUAL_WORDING), 1.0, USUAL_WORDING)
    assert again.distance_m == pytest.approx(AWAY_M, abs=0.05 * FOOT_M)
    assert math.cos(again.round_rad - place.round_rad) == pytest.approx(1.0)


def test_hours_are_said_to_a_quarter():
    assert [hour_words(one) for one in (12.0, 4.0, 4.1, 4.3, 11.9)] == [
        "12 o'clock",
        "4 o'clock",
        "4 o'clock",
        "4:15",
        "12 o'clock",
    ]


@pytest.mark.parametrize(
    ("side", "grade", "says"),
    [
        (0.0, 0.02, "the straight one"),
        (0.02, 0.0, "45° to the right"),
        (-0.02, 0.0, "45° to the left"),
        (0.0, -0.02, "on past the hole"),
    ],
)
def test_where_to_stand_is_said_from_the_ball(side, grade, says):
    assert says in walk_words(dial_of(plane_putt(12, side_right=side, grade=grade)), USUAL_WORDING)

"""The level twin and the pace target: the same strike on level ground."""

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, level_twin_of
from orthocline.core.roll import read
from orthocline.core.units import FOOT_M, INCH_M, feet
from tests.putts import plane_putt


@pytest.mark.parametrize(("past_in", "plays_ft"), [(0, 18.8), (12, 19.1)])
def test_uphill_putt_plays_longer(past_in, plays_ft):
    twin = level_twin_of(read(plane_putt(15, grade=0.02, past_in=past_in)))
    assert feet(twin.plays_like_m) == pytest.approx(plays_ft, abs=0.05)


def test_the_coin_is_where_the_same_strike_would_roll_on_the_level():
    """The strike on the level, solved by itself: a straight putt that rests where the coin says."""
    solved = read(plane_putt(14, side_right=-0.021, grade=0.01, past_in=9))
    twin = level_twin_of(solved)
    level = read(plane_putt(twin.plays_like_m / FOOT_M, past_in=9))
    assert level.launch_speed_mps == pytest.approx(solved.launch_speed_mps, rel=1e-6)
    assert twin.right_m / twin.along_m == pytest.approx(solved.aim_right_m / solved.putt.length_m)


def test_the_pace_target_lies_beyond_the_hole_by_what_the_putt_plays_longer():
    solved = read(plane_putt(15, grade=-0.02, past_in=12))
    target = SCHOOLS["pace_target"].value(solved, USUAL_GOLFER)
    beyond = target.beyond_m
    assert beyond == pytest.approx(level_twin_of(solved).plays_like_m - 15 * FOOT_M)
    assert beyond < -12 * INCH_M, "downhill it is short of it"
    assert target.extra_aim_m == 0.0, "a straight putt stays straight"


@pytest.mark.parametrize(("grade", "more"), [(-0.02, True), (0.02, False)])
@pytest.mark.parametrize("side_right", [-0.02, 0.02])
def test_a_softer_launch_takes_more_aim_and_a_firmer_one_less(grade, more, side_right):
    """By the aims of two putts, the one with its rise and one across the same ground without."""
    solved = read(plane_putt(15, side_right=side_right, grade=grade))
    target = SCHOOLS["pace_target"].value(solved, USUAL_GOLFER)
    aims = [read(plane_putt(15, side_right=side_right, grade=rise)).aim_right_m for rise in (grade, 0.0)]
    assert target.extra_aim_m == pytest.approx(abs(aims[0]) - abs(aims[1]), abs=1e-9)
    assert (target.extra_aim_m > 0.0) is more

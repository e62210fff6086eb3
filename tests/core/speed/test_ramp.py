"""The ramp and its rolls: geometry, both ways, one way, and 1,000 seeded trials on hidden greens."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from orthocline.core.estimate import Estimate
from orthocline.core.speed import (
    STANDARD_RAMP,
    Groove,
    HiddenGreen,
    Ramp,
    Rods,
    one_way,
    setting_up,
    simulated_roll_m,
    some_green,
    speed_from_rolls,
)
from orthocline.core.speed.ramp import RampError
from orthocline.core.speed.simulated_ramp import skidded_speed_mps
from orthocline.core.units import FOOT_M, INCH_M
from tests.putts import MILLIMETRE

TWENTY = math.radians(20.0)
TWO_RODS = Ramp(30 * INCH_M, TWENTY, Rods(0.020))


class Quiet(np.random.Generator):
    """A generator without chance: every draw is the mean."""

    def __init__(self):
        super().__init__(np.random.PCG64(0))

    def normal(self, loc=0.0, scale=1.0, size=None):
        del scale, size
        return loc


def rolls(green, ramp=STANDARD_RAMP, count=3, rng=None):
    rng = rng or Quiet()
    set_up = setting_up(green, rng)
    return tuple(
        [simulated_roll_m(green, ramp, back=back, set_up=set_up, rng=rng) for _ in range(count)]
        for back in (False, True)
    )


def test_the_standard_ramp():
    assert STANDARD_RAMP.release_speed_mps == pytest.approx(1.884, abs=0.0005)
    assert STANDARD_RAMP.rolling_speed_mps == pytest.approx(1.829, abs=0.0005), "the standard's 1.83"
    assert STANDARD_RAMP.lift_m / INCH_M == pytest.approx(10.26, abs=0.005)
    assert STANDARD_RAMP.correction == 1.0


def test_two_rods_of_a_gap_release_as_fast_as_the_groove_of_the_same_rolling_radius():
    groove = Groove(2 * math.acos(0.010 / 0.021335))
    same = Ramp(30 * INCH_M, TWENTY, groove)
    assert TWO_RODS.rails.rolling_radius_m == pytest.approx(0.018846, abs=1e-6)
    assert TWO_RODS.release_speed_mps == pytest.approx(1.8383, abs=0.0001)
    assert groove.rolling_radius_m == pytest.approx(TWO_RODS.rails.rolling_radius_m)
    assert same.release_speed_mps == pytest.approx(TWO_RODS.release_speed_mps)


GROOVE = Groove(math.radians(145.0))


@pytest.mark.parametrize(
    ("ramp", "worth"),
    [
        (TWO_RODS, 1.00),
        (Ramp(30 * INCH_M, TWENTY, Rods(0.036)), 1.08),
        (Ramp(30 * INCH_M, TWENTY, Groove(math.radians(90.0))), 1.02),
        (Ramp(STANDARD_RAMP.lift_m / math.sin(math.radians(30)), math.radians(30), GROOVE), 1.12),
    ],
)
def test_what_the_rolls_of_home_made_ramps_are_worth(ramp, worth):
    assert ramp.correction == pytest.approx(worth, abs=0.006)


@pytest.mark.parametrize("degrees", [10.0, 20.0, 35.0])
@pytest.mark.parametrize(
    "rails", [*(Groove(math.radians(angle)) for angle in (90, 145, 180)), *map(Rods, (0.005, 0.02, 0.036))]
)
def test_a_skid_followed_in_time_ends_at_the_speed_that_conservation_gives(degrees, rails):
    ramp = Ramp(0.7, math.radians(degrees), rails)
    assert skidded_speed_mps(ramp) == pytest.approx(ramp.rolling_speed_mps, rel=0.005)


@pytest.mark.parametrize(
    ("change", "member"),
    [
        ({"length_m": 0.1}, "length"),
        ({"angle_rad": math.radians(50)}, "angle"),
        ({"rails": Rods(0.0427)}, "gap"),
        ({"rails": Groove(math.radians(40))}, "groove"),
        ({"length_m": math.nan}, "length"),
    ],
)
def test_a_ramp_that_cannot_be_built_names_the_figure(change, member):
    with pytest.raises(RampError) as caught:
        Ramp(**{"length_m": 0.762, "angle_rad": TWENTY, "rails": Rods(0.02), **change})
    assert caught.value.member == member


@given(speed=st.floats(6.0, 13.0), slope=st.floats(-0.03, 0.03), gap=st.floats(0.006, 0.036))
def test_both_ways_give_speed_and_slope_exactly_on_any_grade_from_any_ramp(speed, slope, gap):
    ramp = Ramp(0.7, math.radians(18.0), Rods(gap))
    out, back = rolls(HiddenGreen(speed, slope, 0.0), ramp, count=1)
    found = speed_from_rolls(one_way(out, ramp.correction), one_way(back, ramp.correction))
    assert found.speed_ft.value == pytest.approx(speed, abs=0.01)
    assert found.slope.value == pytest.approx(slope, abs=0.0001)


def test_what_the_level_does_not_see_is_grain():
    out, back = rolls(HiddenGreen(10.0, 0.01, 0.12))
    level = Estimate(0.01, 0.001)
    found = speed_from_rolls(one_way(out), one_way(back), level=level)
    assert found.speed_ft.value == pytest.approx(10.0, abs=0.01)
    assert found.slope.value < 0.002
    assert found.grain.value == pytest.approx(0.12, abs=0.002)
    assert found.grain.sd > 0.01


def test_one_way_takes_the_levels_slope_out_or_says_what_a_slope_can_do():
    out, back = rolls(HiddenGreen(10.0, 0.012, 0.0))
    for way, rolled in ((0, out), (1, back)):
        ways = (one_way(rolled), None) if way == 0 else (None, one_way(rolled))
        levelled = speed_from_rolls(*ways, level=Estimate(0.012, 0.001))
        assert levelled.speed_ft.value == pytest.approx(10.0, abs=0.01)
        assert levelled.flat_range_ft is None
        bare = speed_from_rolls(*ways)
        low, high = bare.flat_range_ft
        assert bare.speed_ft.value == pytest.approx(one_way(rolled).mean_m / FOOT_M)
        assert low < bare.speed_ft.value < high
        assert bare.speed_ft.within >= 1.0
    flat = speed_from_rolls(one_way([10 * FOOT_M]), None)
    assert flat.flat_range_ft == pytest.approx((8.87, 11.46), abs=0.01)


def test_a_roll_that_stands_out_is_pointed_at_and_still_counts():
    lengths = [9.0 * FOOT_M, 9.1 * FOOT_M, 9.05 * FOOT_M, 10.6 * FOOT_M]
    seen = one_way(lengths)
    assert seen.stands_out == (False, False, False, True)
    assert seen.mean_m == pytest.approx(sum(lengths) / 4)
    assert one_way(lengths[:3]).stands_out == (False, False, False)
    assert one_way([9.0, 12.0]).stands_out == (False, False)
    assert one_way([]) is None


def test_speed_never_claims_more_than_the_ramp_can_give():
    same = one_way([3.0, 3.0, 3.0])
    alike = speed_from_rolls(same, same)
    assert 0.3 <= alike.speed_ft.within < 0.32
    assert 0.0 < alike.slope.within < 0.002
    paced = speed_from_rolls(same, same, length_share_sd=0.05).speed_ft
    assert paced.within > 0.1 * paced.value


def test_no_rolls_and_a_slope_that_leaves_no_drag_are_refused():
    with pytest.raises(ValueError, match="no rolls"):
        speed_from_rolls(None, None)
    with pytest.raises(ValueError, match="could not have stopped"):
        speed_from_rolls(one_way([15.0]), None, level=Estimate(0.2, 0.001))


@pytest.mark.parametrize("ramp", [STANDARD_RAMP, TWO_RODS], ids=["standard", "rods"])
def test_the_range_said_holds_the_hidden_speed_as_often_as_it_says(ramp):
    """Over 1,000 seeded greens: in 93 to 97 % of them, and hardly wider than the scatter warrants."""
    errors, ranges = [], []
    for seed in range(1000):
        rng = np.random.default_rng(seed)
        green = some_green(rng)
        out, back = rolls(green, ramp, rng=rng)
        assert max(map(abs, (green.slope, green.grain))) <= 0.06
        found = speed_from_rolls(one_way(out, ramp.correction), one_way(back, ramp.correction)).speed_ft
        errors.append(found.value - green.speed_ft)
        ranges.append(found.within)
    held = np.mean(np.abs(errors) <= ranges)
    assert 0.93 <= held <= 0.97
    assert np.mean(ranges) <= 1.2 * 1.96 * np.std(errors)
    assert abs(np.mean(errors)) < 10 * MILLIMETRE / FOOT_M


def test_a_ball_on_edges_that_hardly_part_rolls_as_on_a_board():
    """Then 10/7 g h: the share 2/7 of its energy goes into spin."""
    board = Ramp(1.0, TWENTY, Groove(math.pi))
    assert board.release_speed_mps == pytest.approx(math.sqrt(10 / 7 * 9.80665 * board.lift_m))
    assert Ramp(1.0, TWENTY, Rods(0.005)).release_speed_mps < board.release_speed_mps


@given(
    st.lists(st.floats(2.0, 4.0), min_size=1, max_size=5),
    st.lists(st.floats(2.0, 4.0), min_size=1, max_size=5),
    st.floats(-0.02, 0.02),
)
def test_seen_from_the_other_end_slope_and_grain_turn_over_and_nothing_else(out, back, rise):
    there = speed_from_rolls(one_way(out), one_way(back), level=Estimate(rise, 0.001))
    here = speed_from_rolls(one_way(back), one_way(out), level=Estimate(-rise, 0.001))
    assert here.speed_ft.value == pytest.approx(there.speed_ft.value)
    assert here.speed_ft.sd == pytest.approx(there.speed_ft.sd)
    assert (here.slope.value, here.grain.value) == pytest.approx((-there.slope.value, -there.grain.value))

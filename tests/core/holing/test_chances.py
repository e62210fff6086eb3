"""How often: shares against a separate program, and whole putts against putts played out by chance."""

import json
import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.account import GOLFERS, Golfer, UsualPasts
from orthocline.core.ground import Plane
from orthocline.core.holing import Doubt, RoundHole, SecondPutts, chances_of, spread_of
from orthocline.core.roll import Launch, Point, Putt, RollPast, aims, capture_of, ends_of, roller
from orthocline.core.units import FOOT_M
from orthocline.formats.putt_document import putt_of
from tests.playing import played
from tests.putts import DATA, FORMULAS, by_rolls, on_grid, plane_putt

REFERENCE = json.loads((DATA / "reference-sureness.json").read_text())
A_FOOT = UsualPasts(FOOT_M)
PUBLISHED = {4: 88, 5: 77, 8: 50, 10: 40, 15: 23, 20: 15, 30: 7}
THREE_PUTTS = {30: 5, 60: 20}


def chances(putt, golfer, pasts=A_FOOT):
    return chances_of(putt, aims(putt)[0].launch, golfer, SecondPutts(RoundHole(putt, pasts), golfer))


def sixty_putts(feet):
    """Return sixty putts of a length as tournament golfers meet them."""
    rng = np.random.default_rng(5)
    for _ in range(60):
        plane = Plane(abs(rng.normal(0.015, 0.007)), rng.uniform(-math.pi, math.pi))
        yield Putt(Point(0, 0), Point(feet * FOOT_M, 0), plane, rng.normal(11.0, 0.6), RollPast(FOOT_M))


@pytest.mark.parametrize("case", REFERENCE["cases"], ids=lambda case: f"{case['putt']['hole_m'][0]:.2f} m")
def test_shares_holed_are_those_of_a_separate_program(case):
    putt = putt_of(case["putt"])
    for level, share in case["expect"]["holed"].items():
        assert chances(putt, GOLFERS[level]).holed == pytest.approx(share, abs=0.015)


def test_tournament_golfers_hole_and_three_putt_as_is_published():
    golfer = GOLFERS["tournament"]
    for feet, percent in PUBLISHED.items():
        shares = [chances(putt, golfer).holed for putt in sixty_putts(feet)]
        assert 100 * np.mean(shares) == pytest.approx(percent, abs=3.0), feet
    for feet, percent in THREE_PUTTS.items():
        shares = [chances(putt, golfer).three_putts for putt in sixty_putts(feet)]
        assert 100 * np.mean(shares) == pytest.approx(percent, abs=3.0), feet


@pytest.mark.parametrize(
    ("length_ft", "side", "grade", "past_in"),
    [(10, -0.015, 0.0, 12), (20, 0.01, -0.02, 6)],
)
def test_putts_in_all_are_those_of_putts_played_out_by_chance(length_ft, side, grade, past_in):
    putt = plane_putt(length_ft, side_right=side, grade=grade, past_in=past_in)
    found = chances(putt, GOLFERS["middle"])
    holed, three = played(side, grade, 10.0, putt.length_m, putt.pace.past_m, (1.75, 0.12, 0.42, 0.3))
    assert found.holed == pytest.approx(holed, abs=0.03)
    assert found.three_putts == pytest.approx(three, abs=0.03)
    assert found.putts == pytest.approx(2.0 - found.holed + found.three_putts)


def test_the_same_putt_has_the_same_figures_whichever_way_it_lies():
    putt = plane_putt(12, side_right=0.02, grade=0.01)
    mirrored = plane_putt(12, side_right=-0.02, grade=0.01)
    once, again, other = (chances(one, GOLFERS["low"]) for one in (putt, putt, mirrored))
    assert (once.holed, once.three_putts) == (again.holed, again.three_putts)
    assert other.holed == pytest.approx(once.holed, abs=0.004)
    assert other.three_putts == pytest.approx(once.three_putts, abs=0.004)


@pytest.mark.parametrize("entry", FORMULAS[::9], ids=lambda entry: entry["about"])
def test_balls_end_on_any_ground_as_they_do_when_rolled_one_by_one(entry):
    putt = on_grid(entry)
    meant = aims(putt)[0]
    launches = spread_of(GOLFERS["new"], putt, meant.launch).launches(64)
    found, roll = ends_of(putt, launches), roller(putt, meant)
    for i, (right, speed) in enumerate(launches.tolist()):
        track = roll(Launch(right, speed))
        met = capture_of(track, putt.hole)
        assert found.meets[i] == (met.rim_speed_mps is not None)
        if abs(met.margin_mps) > 0.01:
            assert found.drops[i] == met.drops
        along, aside = putt.along_and_right_m(track.finish)
        assert found.rests[i] == pytest.approx((along - putt.length_m, aside), abs=0.004)


def test_ends_tell_short_from_past_and_the_sides_apart():
    putt = plane_putt(10)
    meant = aims(putt)[0].launch
    launches = [(0, 0.9), (0.05, 1.0), (-0.05, 1.0), (0.0, 1.0), (0.0, 2.0), (0.05, 0.9)]
    ends = ends_of(putt, np.array([(right, share * meant.speed_mps) for right, share in launches]))
    assert ends.short.tolist() == [True, False, False, False, False, True]
    assert ends.passes_right.tolist()[1:3] == [True, False]
    assert ends.passes_right[5]
    assert ends.drops.tolist() == [False, False, False, True, False, False]
    assert ends.meets.tolist() == [False, False, False, True, True, False]


def test_second_putts_from_the_table_are_those_of_the_ground_itself():
    putt = on_grid(FORMULAS[3])
    golfer = GOLFERS["middle"]
    seconds = SecondPutts(RoundHole(putt, A_FOOT), golfer)
    for away, way in ((0.6, 0.3), (1.4, 2.0), (2.4, 4.0)):
        played_there = seconds.round_hole.second(away, way)
        ground = replace(played_there, surface=putt.surface)
        truly = chances(ground, golfer)
        place = away * np.array([[math.cos(way), math.sin(way)]])
        assert seconds.holed(place)[0] == pytest.approx(truly.holed, abs=0.03)


def test_second_putts_are_sure_at_the_hole_and_none_where_no_ball_rests():
    putt = plane_putt(10, side_right=0.02)
    seconds = SecondPutts(RoundHole(putt, A_FOOT), GOLFERS["new"])
    places = np.array([[0.0, 0.0], [0.1, 0.0], [np.nan, np.nan]])
    assert seconds.holed(places).tolist() == [1.0, 1.0, 0.0]


def test_second_putts_are_rolled_at_the_usual_pace_of_their_slope():
    putt = plane_putt(10, grade=-0.03)
    seconds = RoundHole(putt, UsualPasts(0.3, uphill_m=0.4, downhill_m=0.1))
    past_it, short = seconds.second(1.0, 0.0), seconds.second(1.0, math.pi)
    assert (past_it.pace, short.pace) == (RollPast(0.4), RollPast(0.1))
    assert past_it.grade == pytest.approx(0.03)


def test_a_ball_that_never_rests_costs_three_putts():
    putt = plane_putt(8, grade=-0.12, speed_ft=12)
    found = chances(putt, Golfer(math.radians(3), 0.1, 0.3, 0.005))
    assert found.three_putts == pytest.approx(1.0 - found.holed)


def test_an_uncertain_read_is_holed_less_often():
    putt = plane_putt(10, side_right=0.015)
    meant, golfer = aims(putt)[0].launch, GOLFERS["tournament"]
    seconds = SecondPutts(RoundHole(putt, A_FOOT), golfer)
    sure = chances_of(putt, meant, golfer, seconds)
    unsure = chances_of(putt, meant, golfer, seconds, Doubt(math.radians(1.5), 0.08))
    assert unsure.spread.sideways_rad == pytest.approx(
        math.hypot(sure.spread.sideways_rad, math.radians(1.5))
    )
    assert unsure.spread.speed_mps == pytest.approx(math.hypot(sure.spread.speed_mps, 0.08))
    assert unsure.holed < sure.holed - 0.05


def test_a_true_green_is_holed_more_often():
    putt = plane_putt(20)
    shares = [chances(putt, GOLFERS["tournament"].on_ground(rated)).holed for rated in (1, 3, 4, 5)]
    assert shares == sorted(shares)
    assert shares[2] == chances(putt, GOLFERS["tournament"].on_ground(None)).holed


def test_by_rolls_it_is_as_by_the_closed_form():
    putt = plane_putt(9, side_right=0.02, grade=-0.01)
    golfer = GOLFERS["middle"]
    assert chances(by_rolls(putt), golfer).holed == pytest.approx(chances(putt, golfer).holed, abs=0.002)

"""One place of a green as a hole: what it says is what is true of putts rolled one by one."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.ground import Grid, Plane
from orthocline.core.holing import RoundHole, SecondPutts, chances_of
from orthocline.core.relief import oval
from orthocline.core.roll import Point, Putt, RollPast, aims, steepest_holding_slope
from orthocline.core.study import Study, places_of, played_at
from orthocline.core.study.next_putts import NextPutts
from orthocline.core.units import FOOT_M

GREEN = oval(30.0, 26.0)
MIDDLE = 0.0, 15.0
EDGES = np.arange(-16.0, 17.0, 0.5), np.arange(-2.0, 33.0, 0.5)


def study(ground, speed_ft=10.0, level="middle", outline=GREEN):
    return Study(ground, outline, speed_ft, GOLFERS[level], USUAL_PASTS)


def swell(high_m=0.12, wide_m2=18.0):
    """A mound in the middle of a green that falls to the front by one and a half percent."""
    x, y = np.meshgrid(*EDGES)
    mound = high_m * np.exp(-((x - 4.0) ** 2 + (y - 20.0) ** 2) / wide_m2)
    return Grid((-16.0, -2.0), 0.5, 0.015 * y + mound)


def test_a_level_green_is_the_same_from_everywhere():
    played = played_at(study(Plane(0.0, 0.0)), MIDDLE)
    putt = Putt(Point(0.0, 0.0), Point(3 * FOOT_M, 0.0), Plane(0.0, 0.0), 10.0, RollPast(USUAL_PASTS.level_m))
    seconds = SecondPutts(RoundHole(putt, USUAL_PASTS), GOLFERS["middle"])
    alone = chances_of(putt, aims(putt)[0].launch, GOLFERS["middle"], seconds)
    assert played.holds == 1.0
    assert played.holed_3ft == pytest.approx(alone.holed, abs=0.01)
    assert 0.05 < played.three_putts < 0.4
    assert played.holed_6ft < played.holed_3ft


@pytest.mark.parametrize(("share", "holds"), [(0.8, 1.0), (1.1, 0.0)])
def test_a_hole_holds_a_ball_where_the_green_is_not_too_steep_for_its_speed(share, holds):
    steep = Plane(share * steepest_holding_slope(10.0), -0.5 * math.pi)
    assert played_at(study(steep), MIDDLE).holds == holds


def test_a_hole_holds_from_the_ways_whose_balls_can_be_stopped_by_it():
    """Each of the putts of six feet is aimed alone."""
    asked, hole = study(swell(0.2, 8.0), 12.0), Point(4.0, 16.5)
    stops = []
    for way in range(8):
        turn = 2.0 * math.pi * way / 8
        ball = Point(hole.x_m + 6 * FOOT_M * math.cos(turn), hole.y_m + 6 * FOOT_M * math.sin(turn))
        putt = Putt(ball, hole, asked.ground, 12.0, RollPast(FOOT_M))
        past = min(FOOT_M, USUAL_PASTS.on(putt.grade))
        stops.append(aims(replace(putt, pace=RollPast(past)))[0].pace_met)
    assert 0 < sum(stops) < 8
    assert played_at(asked, (4.0, 16.5)).holds == sum(stops) / 8


def test_what_is_hard_is_so_in_every_figure():
    easy, hard = (played_at(study(swell(), speed), (4.0, 17.0)) for speed in (8.0, 12.0))
    assert easy.holed_3ft > hard.holed_3ft
    assert easy.holed_6ft > hard.holed_6ft
    assert easy.three_putts < hard.three_putts
    tournament = played_at(study(swell(), 10.0, "tournament"), (4.0, 17.0))
    assert tournament.three_putts < played_at(study(swell(), 10.0, "new"), (4.0, 17.0)).three_putts


def test_three_putts_are_those_of_putts_that_begin_on_the_green():
    small = played_at(study(Plane(0.01, 0.0), outline=oval(10.0, 10.0)), (0.0, 5.0))
    assert math.isnan(small.three_putts)
    assert small.rolls == 3 * 8 * 512
    at_front = played_at(study(Plane(0.02, -0.5 * math.pi)), (0.0, 2.0))
    assert 3 * 8 * 512 < at_front.rolls < 6 * 8 * 512


def test_three_putts_are_those_of_putts_played_out_one_by_one():
    """The next putt is aimed and rolled from where each ball rests; the third counts as holed."""
    asked, hole, rng = study(swell(), 10.5), Point(-3.0, 12.0), np.random.default_rng(4)
    ball = Point(hole.x_m + 20 * FOOT_M, hole.y_m)
    alone = replace(asked, outline=oval(200.0, 200.0))
    putt = Putt(ball, hole, asked.ground, 10.5, RollPast(USUAL_PASTS.level_m))
    table = SecondPutts(RoundHole(putt, USUAL_PASTS), asked.golfer)
    first = chances_of(putt, aims(putt)[0].launch, asked.golfer, table)
    missed = first.ends.from_hole[~first.ends.drops]
    lost = []
    for place in missed[rng.choice(len(missed), 60, replace=False)]:
        if math.hypot(*place) < 0.16:
            lost.append(0.0)
            continue
        again = replace(putt, ball=Point(hole.x_m + place[0], hole.y_m + place[1]))
        lost.append(1.0 - chances_of(again, aims(again)[0].launch, asked.golfer, table).holed)
    true = float(np.mean(lost)) * (1.0 - first.holed)
    shares = np.array([[_holed(alone, hole, away, way) for way in range(8)] for away in (3.0, 6.0, 12.0)])
    found = NextPutts((3 * FOOT_M, 6 * FOOT_M, 12 * FOOT_M), shares).holed(first.ends.from_hole)
    said = float(np.where(first.ends.drops, 0.0, 1.0 - found).mean())
    assert said == pytest.approx(true, abs=0.04)


def _holed(asked, hole, away_ft, way):
    turn = 2.0 * math.pi * way / 8
    ball = Point(hole.x_m + away_ft * FOOT_M * math.cos(turn), hole.y_m + away_ft * FOOT_M * math.sin(turn))
    putt = Putt(ball, hole, asked.ground, asked.green_speed_ft, RollPast(USUAL_PASTS.level_m))
    table = SecondPutts(RoundHole(putt, USUAL_PASTS), asked.golfer)
    return chances_of(putt, aims(putt)[0].launch, asked.golfer, table).holed


def test_places_are_half_a_metre_apart_and_on_the_green():
    places = places_of(GREEN)
    assert len(places) == pytest.approx(GREEN.area_m2 / 0.25, rel=0.02)
    assert GREEN.holds(places).all()
    assert np.array_equal(places, 0.5 * np.round(2.0 * places))
    assert np.array_equal(places, places_of(GREEN))
    assert (np.diff(places[:, 1]) >= 0.0).all()
    # Of all there could be about the green those that it holds, the first and last row and column among them.
    wide = oval(30.4, 26.4)
    all_about = 0.5 * np.stack(np.meshgrid(np.arange(-30, 31), np.arange(-4, 66)), axis=-1).reshape(-1, 2)
    assert np.array_equal(places_of(wide), all_about[wide.holds(all_about)])
    assert (places_of(wide).min(axis=0).tolist(), places_of(wide).max(axis=0).tolist()) == (
        [-13, 0.5],
        [13, 30],
    )


def test_the_same_place_is_the_same_to_the_last_bit():
    assert played_at(study(swell()), (2.0, 9.0)) == played_at(study(swell()), (2.0, 9.0))


def test_the_next_putt_is_surest_near_by_and_from_below():
    ways = np.array([[0.95, 0.9, 0.85, 0.9], [0.7, 0.6, 0.5, 0.6]])
    next_putts = NextPutts((1.0, 2.0), ways)
    found = next_putts.holed(np.array([[1.0, 0.0], [2.0, 0.0], [0.0, 1.0], [0.05, 0.0], [np.nan, np.nan]]))
    assert found == pytest.approx([0.95, 0.7, 0.9, 1.0, 0.0], abs=1e-3)
    always = NextPutts((1.0, 2.0), np.ones((2, 4))).holed(np.array([[1.0, 0.0], [4.0, 0.0]]))
    assert always[0] == pytest.approx(1.0 - 1e-4)
    assert 0.9 < always[1] < always[0]
    between, beyond = next_putts.holed(np.array([[1.5, 0.0], [4.0, 0.0]]))
    assert 0.7 < between < 0.95
    assert 0.0 < beyond < 0.7

"""Many balls at once: each passes and rests where it does alone, on a plane and by rolls."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.ground import Plane, Station, Stations, plane_from_grade
from orthocline.core.ground.stations import NO_LEAN, Lean
from orthocline.core.roll import (
    Launch,
    Point,
    Putt,
    RollPast,
    SpeedAtHole,
    capture_of,
    read,
    roller,
    rolling_deceleration_mps2,
)
from orthocline.core.roll.aim import aim
from orthocline.core.roll.outcomes import FINISH_X, FINISH_Y, MISS, RIM
from orthocline.core.roll.plane_aim import PAST, aims_on_plane
from orthocline.core.roll.plane_frame import plane_frame
from orthocline.core.roll.rollers import outcomes_of
from orthocline.core.units import FOOT_M, INCH_M
from tests.putts import FORMULAS, MILLIMETRE, by_rolls, on_grid, plane_putt

PLANE = replace(plane_putt(14.0, side_right=-0.021, grade=0.006), ball=Point(3.0, -1.0), hole=Point(1.0, 2.5))
PUTTS = {"plane": PLANE, "rolled": by_rolls(PLANE), "grid": on_grid(FORMULAS[2])}


class InSmallSteps(Stations):
    """Readings along the way, rolled over without knowing where the slope jumps."""

    step_m = 0.002


def some_launches(putt, count=300):
    solved, rng = aim(putt).launch, np.random.default_rng(3)
    right = solved.right_rad + rng.normal(0.0, 0.03, count)
    return np.column_stack([right, solved.speed_mps * rng.normal(1.0, 0.06, count)])


@pytest.mark.parametrize("putt", PUTTS.values(), ids=PUTTS)
def test_each_ball_passes_and_rests_as_it_does_alone(putt):
    launches, rolled = some_launches(putt), roller(putt, aim(putt))
    drops = 0
    for launch, row in zip(launches.tolist(), outcomes_of(putt)(launches), strict=True):
        track = rolled(Launch(*launch))
        met, finish = capture_of(track, putt.hole), track.finish
        assert math.hypot(finish.x_m - row[FINISH_X], finish.y_m - row[FINISH_Y]) < 0.3 * MILLIMETRE
        assert abs(row[MISS]) == pytest.approx(met.closest_m, abs=0.3 * MILLIMETRE)
        assert bool(row[RIM] >= 0.0) is (met.rim is not None)
        if met.rim is not None:
            assert row[RIM] == pytest.approx(met.rim_speed_mps, abs=2e-3)
            drops += met.drops
    assert 10 < drops < len(launches)


@pytest.mark.parametrize("lean", [NO_LEAN, Lean(0.5, 0.006, -0.004)], ids=["as read", "grain from half-way"])
def test_the_slope_that_jumps_where_readings_end_is_stepped_up_to(lean):
    readings = (Station(0.2, 0.02, -0.01), Station(0.45, -0.01, 0.02), Station(0.8, 0.025, None))
    way = (2.0, 1.0), (6.0, 4.0), readings, lean
    putt = Putt(Point(*way[0]), Point(*way[1]), Stations(*way), 10.0, RollPast(0.3))
    launches, rolled = some_launches(putt, 60), roller(replace(putt, surface=InSmallSteps(*way)), aim(putt))
    for launch, row in zip(launches.tolist(), outcomes_of(putt)(launches), strict=True):
        track = rolled(Launch(*launch))
        finish, closest_m = track.finish, capture_of(track, putt.hole).closest_m
        assert math.hypot(finish.x_m - row[FINISH_X], finish.y_m - row[FINISH_Y]) < MILLIMETRE
        assert abs(row[MISS]) == pytest.approx(closest_m, abs=0.5 * MILLIMETRE if closest_m < 0.5 else 0.01)


@pytest.mark.parametrize("putt", PUTTS.values(), ids=PUTTS)
def test_a_ball_that_starts_right_passes_right(putt):
    solved = aim(putt).launch
    turned = np.array([[solved.right_rad + turn, 1.1 * solved.speed_mps] for turn in (-0.1, 0.1)])
    left, right = outcomes_of(putt)(turned)[:, MISS]
    assert left < -0.05
    assert right > 0.05


@pytest.mark.parametrize("by", [lambda putt: putt, by_rolls], ids=["plane", "rolled"])
@pytest.mark.parametrize("past", [0.3048, 1.0])
def test_a_ball_that_comes_back_into_the_hole_drops_there(by, past):
    lob = by(Putt(Point(0, 0), Point(3.048, 0), Plane(0.074, math.radians(135)), 10.0, RollPast(past)))
    solved = aim(lob)
    ((miss, rim, _, _),) = outcomes_of(lob)(np.array([[solved.launch.right_rad, solved.launch.speed_mps]]))
    met = capture_of(roller(lob, solved)(solved.launch), lob.hole)
    assert abs(miss) < 2 * MILLIMETRE
    assert rim == pytest.approx(met.rim_speed_mps, abs=5e-3)


def test_the_long_way_round_has_its_window_too():
    steep = plane_putt(10, side_right=-0.03, grade=-0.085, speed_ft=11.0, pace=SpeedAtHole(1.2))
    longer = read(replace(steep, line=2))
    drops = capture_of(longer.track, longer.putt.hole).drops
    assert (longer.make_window is not None) is drops is True


def test_balls_that_never_rest_say_so_and_those_asked_no_further_stop_at_the_hole():
    steep = replace(plane_putt(8.0, side_right=0.02, grade=-0.1), hole=Point(2.0, 0.0))
    launches = np.array([[0.0, 1.0], [0.1, 1.5]])
    closed, rolled = outcomes_of(steep)(launches), outcomes_of(by_rolls(steep), 10.0)(launches)
    assert np.isnan(closed[:, FINISH_X]).all()
    assert np.isnan(rolled[:, FINISH_X]).all()
    assert closed[:, MISS] == pytest.approx(rolled[:, MISS], abs=0.3 * MILLIMETRE)
    gentle = by_rolls(PLANE)
    launches = some_launches(PLANE, 20)
    whole, to_hole = outcomes_of(gentle)(launches), outcomes_of(gentle, beyond=False)(launches)
    passed = np.isnan(to_hole[:, FINISH_X])
    assert passed.any()
    assert np.array_equal(whole[passed, :FINISH_X], to_hole[passed, :FINISH_X])


def test_many_aims_at_once_are_those_of_each_putt():
    rng = np.random.default_rng(8)
    putts = [
        plane_putt(
            rng.uniform(2, 60),
            side_right=rng.normal(0, 0.02),
            grade=rng.normal(0, 0.03),
            speed_ft=rng.uniform(7, 13),
            past_in=rng.uniform(0, 40),
        )
        for _ in range(200)
    ]
    frames = [plane_frame(putt) for putt in putts]
    columns = [[getattr(frame, name) for frame in frames] for name in ("drag", "pull", "hole_rad")]
    columns.append([putt.length_m for putt in putts])
    rows = aims_on_plane(*map(np.array, columns), PAST, np.array([putt.pace.past_m for putt in putts]))
    for putt, frame, (turn, speed, _) in zip(putts, frames, rows, strict=True):
        alone = aim(putt).launch
        assert -frame.side * turn == pytest.approx(alone.right_rad, abs=1e-12)
        assert speed == pytest.approx(alone.speed_mps, rel=1e-12)


def test_the_level_putt_among_them_is_the_level_putt():
    """By energy alone: the launch rolls the length and the roll-past."""
    one = np.ones(1)
    drag, length, past = rolling_deceleration_mps2(10.0), 10 * FOOT_M, 12 * INCH_M
    assert plane_from_grade(0.0, 0.0, 0.0).tilt == pytest.approx(0.0, abs=1e-12)
    ((turn, speed, _),) = aims_on_plane(drag * one, 0.0 * one, one, length * one, PAST, past * one)
    assert turn == pytest.approx(0.0, abs=1e-12)
    assert speed == pytest.approx(math.sqrt(2 * drag * (length + past)), rel=1e-9)

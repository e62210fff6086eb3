"""The launch of a ball that stopped somewhere: rolled again it stops there, on every kind of ground."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.ground import Station, Stations
from orthocline.core.roll import Launch, Point, Wind, roll
from orthocline.core.roll.accelerations import accelerations_of
from orthocline.core.roll.finish_launch import NoLaunchError, launch_to
from tests.putts import FORMULAS, MILLIMETRE, on_grid, plane_putt

UNEVEN = Stations((0.0, 0.0), (3.048, 0.0), (Station(0.1, 0.02, 0.01), Station(0.9, -0.03, -0.02)))
PUTTS = {
    "level": plane_putt(20.0),
    "plane": plane_putt(20.0, side_right=0.03, grade=-0.02),
    "moved": replace(plane_putt(9.0, side_right=-0.04), ball=Point(2.0, -1.0), hole=Point(0.5, 1.5)),
    "wind": plane_putt(15.0, side_right=0.01, wind=Wind(6.0, 2.0)),
    "stations": replace(plane_putt(10.0), surface=UNEVEN),
    "grid": on_grid(FORMULAS[0]),
}


def finish_of(putt, launch):
    """By the general integrator in short steps, on planes too, where the search rolls by the closed form."""
    track = roll(
        putt.surface,
        accelerations_of(putt),
        putt.ball,
        heading_rad=putt.bearing_rad - launch.right_rad,
        speed_mps=launch.speed_mps,
        path_limit_m=100.0,
    )
    assert track.rests
    return track.finish


@pytest.mark.parametrize("putt", PUTTS.values(), ids=PUTTS)
def test_a_launch_is_found_again_from_its_finish(putt):
    rng = np.random.default_rng(4)
    for _ in range(20):
        launch = Launch(rng.uniform(-0.3, 0.3), rng.uniform(0.8, 2.0))
        finish = finish_of(putt, launch)
        anywhere = finish_of(putt, launch_to(putt, finish).launch)
        # Beside the line the slope of stations jumps where the readings end, and steps tell.
        limit = (3.0 if isinstance(putt.surface, Stations) else 0.3) * MILLIMETRE
        assert math.hypot(anywhere.x_m - finish.x_m, anywhere.y_m - finish.y_m) < limit
        near = Launch(launch.right_rad + 0.01, 1.02 * launch.speed_mps)
        found = launch_to(putt, finish, near).launch
        assert found.right_rad == pytest.approx(launch.right_rad, abs=3e-4)
        assert found.speed_mps == pytest.approx(launch.speed_mps, abs=1e-3)


@pytest.mark.parametrize("putt", PUTTS.values(), ids=PUTTS)
def test_the_jacobian_is_the_quotient_of_finishes_a_step_apart(putt):
    finish = finish_of(putt, Launch(0.05, 1.5))
    found = launch_to(putt, finish)
    along, right = putt.along_and_right_m(finish)
    columns = []
    for step in ((0.03, 0.0), (0.0, 0.03)):
        there, back = (
            launch_to(putt, putt.place(along + sign * step[0], right + sign * step[1])).launch
            for sign in (1, -1)
        )
        turned, faster = there.right_rad - back.right_rad, there.speed_mps - back.speed_mps
        columns.append((turned / 0.06, faster / 0.06))
    scale = np.abs(found.jacobian).max(axis=1, keepdims=True)
    assert np.all(np.abs(found.jacobian - np.transpose(columns)) < 0.02 * scale)


def test_on_level_ground_it_is_the_straight_line_and_the_square_root():
    putt = plane_putt(10.0)
    found = launch_to(putt, Point(2.0, -1.0))
    assert found.launch.right_rad == pytest.approx(math.atan2(1.0, 2.0), abs=1e-6)
    assert found.launch.speed_mps == pytest.approx(1.83 * math.sqrt(math.hypot(2.0, 1.0) / 3.048), rel=2e-3)


def test_places_where_no_ball_ends_are_refused():
    with pytest.raises(NoLaunchError, match="farther"):
        launch_to(plane_putt(10.0), Point(90.0, 0.0))
    with pytest.raises(NoLaunchError, match="nearer"):
        launch_to(plane_putt(10.0), Point(0.01, 0.0))
    with pytest.raises(NoLaunchError, match="rest"):
        launch_to(plane_putt(10.0, side_right=0.12), Point(2.0, -1.0))

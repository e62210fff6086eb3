"""The eye, against a camera made of rotations, and against what hangs and what is held up."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, GolferFigures, Putter
from orthocline.core.ground import STOPS
from orthocline.core.roll import read
from orthocline.core.sight import NEAREST_M, Eye, eye_of, ground_seen, stand_at
from orthocline.core.units import FOOT_M
from tests.putts import FORMULAS, MILLIMETRE, elsewhere, on_grid, plane_putt

TENTH_OF_A_PIXEL = 0.1
FOCAL_PX = 1400.0
"""As strongly as any drawing enlarges a picture that is 1280 pixels wide."""


def camera(eye: Eye, places: np.ndarray) -> np.ndarray:
    """Return pixels right and down of places by a camera of rotations: its axes z ahead, x right, y down.

    The world is right-handed here: along, to the left, up.
    """
    world = np.column_stack([places[:, 0], -places[:, 1], places[:, 2]])
    at = np.array([eye.along_m, -eye.right_m, eye.up_m])
    lens_in_world = Rotation.from_euler("z", -eye.heading_rad) * Rotation.from_matrix(
        np.column_stack([(0.0, -1.0, 0.0), (0.0, 0.0, -1.0), (1.0, 0.0, 0.0)])
    )
    x, y, z = lens_in_world.inv().apply(world - at).T
    return FOCAL_PX * np.column_stack([x / z, y / z])


@given(
    st.floats(-4.0, 4.0), st.floats(-4.0, 4.0), st.floats(0.4, 2.2), st.floats(-7.0, 7.0), st.integers(0, 999)
)
def test_places_are_seen_where_a_camera_of_rotations_has_them(along, right, up, heading, seed):
    eye = Eye(along, right, up, heading)
    places = np.random.default_rng(seed).uniform(-8.0, 8.0, (200, 3))
    ahead, _ = eye.ahead_and_aside(*places.T[:2])
    seen = ahead > 0.3
    expected = camera(eye, places)[seen]
    assert FOCAL_PX * eye.project(places)[seen] == pytest.approx(expected, abs=TENTH_OF_A_PIXEL)


def test_what_is_behind_the_eye_is_not_seen():
    eye = Eye(0.0, 0.0, 1.6, 0.0)
    places = np.array([(-1.0, 0.0, 0.0), (0.9 * NEAREST_M, 0.0, 0.0), (1.0, 0.0, 0.0)])
    assert np.isnan(eye.project(places)).any(axis=1).tolist() == [True, True, False]


def test_the_golfer_looks_along_the_line_from_the_own_place():
    putt = plane_putt(12.0, grade=0.03, side_right=-0.02)
    stand = stand_at(putt, STOPS["ball"], GolferFigures(eye_m=1.5, stand_m=3.0, crouch_m=0.6))
    eye = eye_of(putt, stand)
    assert (eye.along_m, eye.right_m, eye.heading_rad) == (-3.0, 0.0, 0.0)
    assert eye.up_m == pytest.approx(1.5 - 3.0 * 0.03)
    low = stand_at(putt, STOPS["ball"], USUAL_GOLFER, crouching=True)
    assert low.eye_m == USUAL_GOLFER.crouch_m


@pytest.mark.parametrize(
    ("stop", "along", "right"),
    [("low_side", 0.5, 8.0 * FOOT_M), ("hole", 1.0, 0.0), ("third", 1.0 / 3.0, 2.0 * FOOT_M)],
)
@pytest.mark.parametrize("low", [1.0, -1.0])
def test_one_walks_to_the_low_side_and_behind_the_hole(stop, along, right, low):
    putt = plane_putt(10.0, side_right=0.02 * low)
    stand = stand_at(putt, STOPS[stop], USUAL_GOLFER)
    beyond = 3.0 * FOOT_M if stop == "hole" else 0.0
    assert stand.along_m == pytest.approx(along * putt.length_m + beyond)
    assert stand.right_m == pytest.approx(low * right)


@pytest.mark.parametrize("stop", STOPS)
@pytest.mark.parametrize("length_ft", [3.0, 20.0, 60.0])
def test_from_each_stop_one_looks_at_the_putt(stop, length_ft):
    """Ball, hole, or the middle of the line is straight ahead; from the side both ends are within 45 deg."""
    putt = plane_putt(length_ft, side_right=0.01)
    eye = eye_of(putt, stand_at(putt, STOPS[stop], USUAL_GOLFER))
    along = putt.length_m * np.array([0.0, 0.5, 1.0])
    seen = eye.project(np.column_stack([along, np.zeros((3, 2))]))
    assert np.nanmin(np.abs(seen[:, 0])) < 1e-9
    if STOPS[stop].aside_m > 2.0:
        assert np.abs(seen[:, 0]).max() < 1.0


@pytest.mark.parametrize("turned", [0.0, 2.0])
@pytest.mark.parametrize("side", [0.02, -0.015])
def test_fingers_at_their_true_size_reach_from_the_hole_to_the_aim(turned, side):
    """Held upright at arm's length, level, they cover in the picture what the call's fingers say."""
    putt = elsewhere(plane_putt(15.0, side_right=side), turned)
    solved = read(putt)
    hand = SCHOOLS["hand_gauge"].value(solved, USUAL_GOLFER)
    eye = eye_of(putt, stand_at(putt, STOPS["ball"], USUAL_GOLFER, school="hand_gauge"))
    width = math.copysign(USUAL_GOLFER.gauge.width_m(abs(hand.fingers)), hand.fingers)
    held = np.array([(eye.along_m + hand.arm_m, width, eye.up_m)])
    aim = np.array([(putt.length_m, solved.aim_right_m, 0.0)])
    assert FOCAL_PX * eye.project(held)[0, 0] == pytest.approx(
        FOCAL_PX * eye.project(aim)[0, 0], abs=TENTH_OF_A_PIXEL
    )


@pytest.mark.parametrize("side", [0.03, -0.02])
@pytest.mark.parametrize("putter", [Putter(), Putter(0.004, -0.011), Putter(0.02, -0.006)])
def test_a_shaft_through_the_ball_meets_the_holes_distance_where_the_call_says(side, putter):
    """A plumb line is upright in the picture; a shaft out of plumb leaves it by as much as it hangs."""
    putt = plane_putt(12.0, side_right=side)
    golfer = GolferFigures(putter=putter)
    line = SCHOOLS["plumb_line"].value(read(putt), golfer)
    stand = stand_at(putt, STOPS["ball"], golfer, school="plumb_line")
    assert stand.carried_m == pytest.approx(1.6 * 0.7 * side)
    eye = Eye(-2.0, stand.carried_m, 1.6, 0.0)
    ball, meets = eye.project(np.array([(0.0, 0.0, 0.0), (putt.length_m, line.right_m, 0.0)]))
    assert meets[0] == pytest.approx(ball[0] - putter.hang * (ball[1] - meets[1]))


def test_the_truer_edge_of_a_shaft_is_the_one_to_look_along():
    assert (Putter().edge, Putter().hang) == ("", 0.0)
    assert (Putter(0.003, -0.003).edge, Putter(0.003, -0.003).hang) == ("left", 0.003), "one of two alike"
    assert (Putter(0.004, -0.011).edge, Putter(0.004, -0.011).hang) == ("left", 0.004)
    assert (Putter(0.02, -0.006).edge, Putter(0.02, -0.006).hang) == ("right", -0.006)


def test_an_eye_stands_on_the_ground_that_was_surveyed():
    putt = on_grid(next(one for one in FORMULAS if one["putt"]["surface"]["name"] == "tier"))
    for stop in STOPS.values():
        stand = stand_at(putt, stop, USUAL_GOLFER)
        level = putt.levels_m(np.array([stand.along_m]), np.array([stand.right_m]))[0]
        assert eye_of(putt, stand).up_m == pytest.approx(level + 1.6, abs=0.1 * MILLIMETRE)


@pytest.mark.parametrize("stop", ["ball", "low_side", "hole"])
def test_what_is_looked_at_is_the_place_that_is_projected_there(stop):
    putt = on_grid(next(one for one in FORMULAS if one["putt"]["surface"]["name"] == "double_break"))
    eye = eye_of(putt, stand_at(putt, STOPS[stop], USUAL_GOLFER))
    for along, right in ((1.0, 0.2), (2.5, -0.4), (3.5, 0.0)):
        level = putt.levels_m(np.array([along]), np.array([right]))[0]
        ((x, y),) = eye.project(np.array([(along, right, level)])).tolist()
        assert ground_seen(putt, eye, x, y, 15.0) == pytest.approx((along, right), abs=5.0 * MILLIMETRE)
    assert ground_seen(putt, eye, 0.0, -0.5, 15.0) is None, "over the ground there is no place"


def test_one_stands_on_the_side_that_is_said_or_the_low_one():
    putt = plane_putt(12.0, side_right=0.02)
    sides = [stand_at(putt, STOPS["low_side"], USUAL_GOLFER, side=side).right_m for side in (0.0, 1.0, -1.0)]
    assert sides[0] == sides[1] == -sides[2] > 0.0

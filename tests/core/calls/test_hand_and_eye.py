"""Hand gauge and plumb line by their geometry, and where both part from the read."""

import math

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, Gauge, GolferFigures, bend_m
from orthocline.core.roll import read
from tests.putts import elsewhere, own_roll, plane_putt

STRAIGHT_M, USUAL_BEND_M, FINGER_M = 0.65, 0.45, 0.017


def of(name, solved, golfer=USUAL_GOLFER):
    return SCHOOLS[name].value(solved, golfer)


@pytest.mark.parametrize(("speed_ft", "fingers"), [(9.0, 2.9), (10.0, 3.2)])
def test_a_straight_arm_needs_more_fingers_than_percents(speed_ft, fingers):
    """Ten feet, 2 % across, a foot past: the design's own figures."""
    straight = GolferFigures(gauge=Gauge(bent_m=10.0))
    hand = of("hand_gauge", read(plane_putt(10, side_right=-0.02, speed_ft=speed_ft)), straight)
    assert hand.fingers == pytest.approx(fingers, abs=0.05)
    assert hand.arm_m == STRAIGHT_M


def test_bent_for_the_speed_a_finger_a_percent_fits():
    for speed_ft in (9.0, 10.0, 12.0):
        hand = of("hand_gauge", read(plane_putt(10, side_right=-0.02, speed_ft=speed_ft)))
        assert hand.arm_m == pytest.approx(USUAL_BEND_M * 9.0 / speed_ft)
        assert hand.fingers == pytest.approx(2.0, abs=0.03)
        assert hand.rule == pytest.approx(2.0)


@pytest.mark.parametrize("turned", [0.0, 2.2])
@pytest.mark.parametrize("side", [-0.025, 0.01])
def test_the_fingers_end_at_the_aim_as_one_eye_sees_it(turned, side):
    """The ray from the eye through the last finger's edge meets the hole's distance at the aim."""
    solved = read(elsewhere(plane_putt(17, side_right=side, grade=0.01), turned))
    hand = of("hand_gauge", solved)
    edge_m = hand.fingers * FINGER_M
    meets_m = edge_m * (0.6 + solved.putt.length_m) / hand.arm_m
    assert meets_m == pytest.approx(solved.aim_right_m, rel=1e-9)


def test_own_fingers_are_counted_one_by_one_and_again_beyond_the_thumb():
    gauge = Gauge((0.02, 0.022, 0.02, 0.014, 0.024))
    assert gauge.width_m(2.5) == pytest.approx(0.052)
    assert gauge.width_m(5.0) == pytest.approx(0.1)
    assert gauge.width_m(7.0) == pytest.approx(0.14)
    for count in (0.0, 0.4, 3.7, 5.0, 11.3):
        assert gauge.fingers(gauge.width_m(count)) == pytest.approx(count)


def test_the_bend_of_a_putt_that_dropped_makes_its_fingers_meet_its_aim():
    solved = read(plane_putt(10, side_right=-0.02, speed_ft=11.0))
    arm = bend_m(solved.putt, Gauge(), 2.0, abs(solved.aim_right_m))
    own = GolferFigures(gauge=Gauge(bent_m=arm, bent_for_ft=11.0))
    assert of("hand_gauge", solved, own).fingers == pytest.approx(2.0)


@pytest.mark.parametrize("turned", [0.0, -1.1])
@pytest.mark.parametrize("side", [-0.03, 0.02])
def test_the_plumb_line_is_seen_past_the_ball_from_eyes_carried_downhill(turned, side):
    solved = read(elsewhere(plane_putt(20, side_right=side), turned))
    golfer = GolferFigures(eye_m=1.7, lean=0.5)
    # Eyes lean from the feet toward where the ground falls; the line of sight goes on through the ball.
    eyes_right = 1.7 * math.tan(0.5 * math.atan(side))
    meets = -eyes_right * solved.putt.length_m / 2.0
    line = of("plumb_line", solved, golfer)
    assert line.right_m == pytest.approx(meets, rel=1e-3)
    assert line.tilt_right == pytest.approx(side)
    assert line.off_m == pytest.approx(line.right_m - solved.aim_right_m)
    assert of("plumb_line", solved, GolferFigures(lean=0.0)).right_m == 0.0


def test_the_plumb_line_knows_neither_speed_nor_pace():
    figures = {
        of("plumb_line", read(plane_putt(12, side_right=-0.02, speed_ft=speed, past_in=past))).right_m
        for speed in (8.0, 12.0)
        for past in (4, 24)
    }
    assert len(figures) == 1


def test_whoever_takes_the_apex_for_the_aim_misses_low():
    solved = read(plane_putt(20, side_right=-0.02))
    launch = SCHOOLS["apex"].played(solved, USUAL_GOLFER, of("apex", solved))
    rolled = own_roll(solved.putt, solved.aim, solved.putt.length_m * math.tan(launch.right_rad))
    assert rolled.passed_right_m < 0.0 < solved.aim_right_m
    assert launch.right_rad < 0.6 * solved.launch_right_rad

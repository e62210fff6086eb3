"""What answers are worth: in the middle of what drops, at its edge, off it, and to the wrong side."""

import math
from dataclasses import replace

import pytest

from orthocline.core.calls import USUAL_GOLFER, Answer, apex_of
from orthocline.core.roll import Launch, RollPast, read, roll_of
from orthocline.core.train import Asks, Given, NoAnswerError, NoPuttError, marked
from orthocline.core.units import FOOT_M, INCH_M, PERCENT
from tests.putts import plane_putt

PUTT = replace(plane_putt(14.0, side_right=-0.021, grade=0.009, speed_ft=10.2), pace=RollPast(FOOT_M))
SOLVED = read(PUTT)
AIM = SOLVED.aim_right_m


def mark(asks, *figures, school="", putts=(PUTT,)):
    return marked(asks, putts, Given(figures, school), USUAL_GOLFER)


def drops(aim_m):
    launch = Launch(math.atan2(aim_m, PUTT.length_m), SOLVED.launch_speed_mps)
    return roll_of(PUTT, SOLVED.aim, launch).capture.drops


def test_an_aim_is_good_as_long_as_its_ball_drops():
    """Half an inch at a time through the whole window: good and dropping are the same."""
    for steps in range(-8, 9):
        aim = AIM + 0.5 * INCH_M * steps
        found = mark(Asks.AMOUNT, aim, school="aim_spot")
        if abs(found.off - math.copysign(1.0, found.off)) > 0.1:
            assert found.good == drops(aim)
        assert found.rolled.aim_right_m == pytest.approx(aim)
    assert mark(Asks.AMOUNT, AIM, school="aim_spot").score > 0.98


def test_a_score_is_one_in_the_middle_a_half_at_the_edge_and_falls_on():
    scores = [mark(Asks.AMOUNT, AIM + out * INCH_M, school="aim_spot").score for out in (0, 1, 2, 4, 8, 60)]
    assert scores == sorted(scores, reverse=True)
    edge = PUTT.length_m * math.tan(SOLVED.make_window.right_rad.most)
    assert mark(Asks.AMOUNT, edge, school="aim_spot").score == pytest.approx(0.5)
    assert 0.0 < scores[-1] < 0.02


@pytest.mark.parametrize("school", ["aim_spot", "curve_gate", "cup_entry", "apex", "hand_gauge"])
def test_any_school_may_answer_with_what_is_right_in_its_words(school):
    right = Answer(school, (0.0,)).sought(SOLVED, USUAL_GOLFER)
    assert mark(Asks.AMOUNT, *right, school=school).score > 0.97


def test_sides():
    assert mark(Asks.SIDE, -1.0).score > 0.98
    straight, wrong = mark(Asks.SIDE, 0.0), mark(Asks.SIDE, 1.0)
    assert straight.truth == wrong.truth == -1.0
    assert not straight.good
    assert wrong.score < straight.score
    assert wrong.rolled.passed_right_m < 0.0, "it is aimed left of a hole that needs a ball from the right"


def test_a_putt_that_hardly_breaks_is_straight():
    putt = replace(PUTT, surface=plane_putt(6.0, side_right=0.0005, grade=0.01).surface)
    found = mark(Asks.SIDE, 0.0, putts=(putt,))
    assert (found.truth, found.good) == (0.0, True)


def test_lengths_and_pace_targets_say_the_same():
    """Energy has it by hand: on the level it rolls L + past + rise over drag, a little more for the curve."""
    truth = mark(Asks.PLAYS, PUTT.length_m).truth
    rolling = 1.83**2 / (2.0 * 10.2 * FOOT_M)
    by_hand = PUTT.length_m + 5.0 / 7.0 * 9.80665 * 0.009 * PUTT.length_m / rolling
    assert truth == pytest.approx(by_hand, rel=0.03)
    assert mark(Asks.PLAYS, truth).score > 0.9
    assert mark(Asks.PACE, truth - PUTT.length_m).off == pytest.approx(mark(Asks.PLAYS, truth).off)
    short = mark(Asks.PLAYS, truth - 1.1 * FOOT_M)
    assert not short.good
    assert short.rolled.finish_along_m < 0.0 < mark(Asks.PLAYS, truth + 1.1 * FOOT_M).rolled.finish_along_m
    assert mark(Asks.PLAYS, truth + 0.9 * FOOT_M).good


def test_an_apex_counts_along_and_across():
    top = apex_of(SOLVED).mark
    assert mark(Asks.APEX, top.along_m, top.right_m).score > 0.98
    assert mark(Asks.APEX, top.along_m + 0.1 * PUTT.length_m, top.right_m).score == pytest.approx(
        0.8, abs=0.02
    )
    assert not mark(Asks.APEX, top.along_m, top.right_m + 6.0 * INCH_M).good


def test_hours_and_gates_are_played():
    assert mark(Asks.ENTRY, SOLVED.entry_clock_hours).score > 0.98
    assert not mark(Asks.ENTRY, 7.0).good
    gate = mark(Asks.GATE, 0.1).truth
    assert mark(Asks.GATE, gate).score > 0.98
    with pytest.raises(NoAnswerError):
        mark(Asks.AMOUNT, 12.0, school="cup_entry")


@pytest.mark.parametrize(
    ("asks", "school", "step"), [(Asks.ENTRY, "cup_entry", 0.25), (Asks.GATE, "curve_gate", 4.0 * INCH_M)]
)
def test_what_no_ball_does_is_worse_the_further_it_is_from_the_truth(asks, school, step):
    down = replace(plane_putt(6.0, side_right=0.03, grade=-0.05, speed_ft=9.4), pace=RollPast(FOOT_M))
    truth = mark(asks, 0.0, putts=(down,)).truth
    for way in (1.0, -1.0):
        told = [truth + way * step * number for number in range(1, 14)]
        assert Answer(school, (told[-1],)).launch(down, USUAL_GOLFER) is None
        scores = [mark(asks, one, putts=(down,)).score for one in told]
        assert scores[1:] == sorted(scores[1:], reverse=True)
        assert scores[-1] < 0.1


def test_slopes_serve_within_half_a_percent():
    truth = math.hypot(0.021, 0.009)
    assert mark(Asks.SLOPE, truth).score == pytest.approx(1.0)
    assert mark(Asks.SLOPE, truth + 0.49 * PERCENT).good
    assert not mark(Asks.SLOPE, truth - 0.51 * PERCENT).good
    assert mark(Asks.SLOPE, truth).rolled is None


def test_the_straight_putt_is_the_one_up_or_down_the_fall():
    """By hand: ground that falls left by 2.1 and rises by 0.9 is straight up atan(2.1 / 0.9) to the right."""
    turn = math.atan2(0.021, 0.009)
    for straight in (turn, turn - math.pi):
        assert mark(Asks.STRAIGHT, straight).off == pytest.approx(0.0, abs=0.1)
    assert not mark(Asks.STRAIGHT, 0.0).good
    assert mark(Asks.STRAIGHT, turn + math.radians(30.0)).given == pytest.approx(turn + math.radians(30.0))


def test_of_a_pair_the_wrong_one_is_off_by_how_much_less_it_breaks():
    steeper = replace(PUTT, surface=plane_putt(14.0, side_right=-0.03, grade=0.009).surface)
    hardly = replace(PUTT, surface=plane_putt(14.0, side_right=-0.0215, grade=0.009).surface)
    assert mark(Asks.PAIR, 1.0, putts=(PUTT, steeper)).score == 1.0
    assert not mark(Asks.PAIR, 0.0, putts=(PUTT, steeper)).good
    assert mark(Asks.PAIR, 0.0, putts=(PUTT, hardly)).good


def test_no_ball_reaches_it():
    putt = replace(PUTT, surface=plane_putt(14.0, side_right=0.1, grade=0.1).surface, green_speed_ft=14.0)
    with pytest.raises((NoPuttError, NoAnswerError)):
        mark(Asks.AMOUNT, 30.0, school="curve_gate", putts=(putt,))

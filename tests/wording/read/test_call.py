"""The call's sentences against measures of their own, on putts turned and moved off the origin."""

import math
import re
from dataclasses import replace

import numpy as np
import pytest
from scipy.integrate import solve_ivp
from scipy.optimize import brentq

from orthocline.core.calls import USUAL_GOLFER, Answer
from orthocline.core.constants import RAMP_SPEED_MPS
from orthocline.core.roll import Launch, RollPast, SpeedAtHole, capture_of, read, roller
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.wording.calls.saying import STRAIGHT_M
from orthocline.wording.read.call import call, entry_words
from orthocline.wording.read.rolled import own_words
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import elsewhere, own_roll, plane_putt

METRIC = Wording(Units(metric=True, degrees=True))
CUP_ACROSS_IN = 4.25


def moved(turned, **slopes):
    """A putt of ten feet with its ball off the origin, turned so far."""
    return elsewhere(plane_putt(10, **slopes), turned)


TURNS = [0.0, 2.0, -1.2]


def about(solved, wording):
    """Return where the aim lies about the cup."""
    (line,) = [line for line in call(solved, wording).lines if line.school == "aim_spot"]
    return line.rest


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize(("side_right", "words"), [(-0.02, "the right edge"), (0.02, "the left edge")])
def test_the_edge_is_half_a_cup_from_the_centre(turned, side_right, words):
    solved = read(moved(turned, side_right=side_right))
    aim_in = abs(solved.aim_right_m) / INCH_M
    by_cm, where = re.match(r": (\d+) cm outside ([a-z ]+),", about(solved, METRIC)).groups()
    assert where == words
    assert float(by_cm) == pytest.approx(2.54 * abs(aim_in - CUP_ACROSS_IN / 2), abs=0.51)


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize(
    ("side_right", "least_in", "most_in", "words"),
    [
        (-0.0015, 0.2 * 2.125, 0.8 * 2.125, ": inside the right edge"),
        (0.0035, 0.8 * 2.125, 1.25 * 2.125, ": the left edge"),
        (-0.006, 2.125 + 0.84, 2.125 + 2.52, ": a ball outside the right edge"),
    ],
)
def test_an_aim_near_the_cup_is_said_as_golfers_say_it(turned, side_right, least_in, most_in, words):
    solved = read(moved(turned, side_right=side_right))
    assert least_in < abs(solved.aim_right_m) / INCH_M < most_in
    assert about(solved, USUAL_WORDING) == words


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize("side_right", [-0.02, 0.03])
def test_what_is_said_to_drop_drops_and_a_little_more_does_not(turned, side_right):
    solved = read(moved(turned, side_right=side_right, grade=-0.01))
    within = call(solved, USUAL_WORDING).tolerance
    left, right, soft, firm = (float(figure) for figure in re.findall(r"[\d.]+", within))
    roll, launch = roller(solved.putt, solved.aim), solved.aim.launch

    def drops(degrees_right=0.0, percent=0.0):
        turn = math.radians(degrees_right)
        tried = Launch(launch.right_rad + turn, launch.speed_mps * (1 + percent / 100))
        return capture_of(roll(tried), solved.putt.hole).drops

    rounding = 0.11
    for way, edge in ((-1, left), (1, right)):
        assert drops(degrees_right=way * (edge - rounding))
        assert not drops(degrees_right=way * (edge + rounding))
    for way, edge in ((-1, soft), (1, firm)):
        assert drops(percent=way * (edge - rounding))
        assert not drops(percent=way * (edge + rounding))


def rolled_by_scipy(putt, launch):
    """Return how far right of the hole a ball passes and how far off it stops [m], by a solver of its own."""
    drag = RAMP_SPEED_MPS**2 / (2 * putt.green_speed_ft * FOOT_M)
    downhill = putt.surface.tilt * np.array(
        [math.cos(putt.surface.downhill_rad), math.sin(putt.surface.downhill_rad)]
    )
    heading = putt.bearing_rad - launch.right_rad
    ball, hole = np.array([putt.ball.x_m, putt.ball.y_m]), np.array([putt.hole.x_m, putt.hole.y_m])

    def motion(_t, state):
        return [*state[2:], *(5 / 7 * 9.80665 * downhill - drag * state[2:] / np.hypot(*state[2:]))]

    def slow(_t, state):
        return np.hypot(*state[2:]) - 1e-3

    slow.terminal = True
    start = [*ball, launch.speed_mps * math.cos(heading), launch.speed_mps * math.sin(heading)]
    run = solve_ivp(motion, (0, 60), start, events=slow, rtol=1e-9, atol=1e-10, max_step=0.01)
    from_hole = run.y[:2].T - hole
    nearest = from_hole[np.argmin(np.hypot(*from_hole.T))]
    right = np.array([math.sin(putt.bearing_rad), -math.cos(putt.bearing_rad)])
    return math.copysign(math.hypot(*nearest), nearest @ right), math.hypot(*from_hole[-1])


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize("off_in", [-20, -9, -3, 3, 9, 20])
@pytest.mark.parametrize("side_right", [0.02, -0.02, 0.0])
def test_an_own_aim_that_misses_is_told_with_its_side_its_gap_and_its_rest(turned, off_in, side_right):
    putt = moved(turned, side_right=side_right)
    solved = read(putt)
    aim = Answer("aim_spot", (solved.aim_right_m + off_in * INCH_M,))
    own = own_roll(putt, solved.aim, *aim.figures)
    right_m, away_m = rolled_by_scipy(putt, own.launch)
    seen = "right" if right_m > 0 else "left"
    if side_right:
        seen = "high" if right_m * side_right < 0 else "low"
    said = own_words(solved, aim, own, USUAL_GOLFER, METRIC).removeprefix("Your aim is ")
    by, gap, stop = (float(figure) for figure in re.findall(r"\d+", said))
    assert (by, gap, stop) == pytest.approx([2.54 * abs(off_in), 100 * abs(right_m), 100 * away_m], abs=0.51)
    way = "right" if off_in > 0 else "left"
    assert said.startswith(f"{by:.0f} cm {way} of the read: it would pass {gap:.0f} cm {seen} and stop ")


@pytest.mark.parametrize("turned", TURNS)
def test_an_own_aim_that_drops_lips_out_or_never_stops_is_told_so(turned):
    putt = moved(turned, side_right=0.02)
    solved = read(putt)

    def said(solved, aim_right_m):
        rolled = own_roll(solved.putt, solved.aim, aim_right_m)
        return own_words(solved, Answer("aim_spot", (aim_right_m,)), rolled, USUAL_GOLFER, USUAL_WORDING)

    for off_m in (0.0, 0.9 * STRAIGHT_M):
        told = said(solved, solved.aim_right_m + off_m)
        assert told == "Your aim is just as the read: it would drop."
    near = said(solved, solved.aim_right_m - 0.5 * INCH_M)
    assert near == "Your aim is ½ in left of the read: it would drop."
    firm = read(moved(turned, side_right=0.02, past_in=60))
    lips = said(firm, firm.aim_right_m + 1.5 * INCH_M)
    assert lips == "Your aim is 1½ in right of the read: it would lip out, too fast for that edge."
    steep = read(moved(turned, side_right=0.05, grade=-0.09))
    on = said(steep, 4.0 * INCH_M)
    assert on.startswith("Your aim, 4 in right: it would pass ")
    assert on.endswith(" low and not stop on this slope.")


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize(("side_right", "where"), [(-0.02, "right"), (0.02, "left")])
def test_the_aim_is_said_beside_the_centre_or_in_degrees(turned, side_right, where):
    solved = read(moved(turned, side_right=side_right))
    cm = round(100 * abs(solved.aim_right_m))
    assert call(solved, METRIC).sentence == f"Aim {cm} cm {where} of centre. Roll it 30 cm past."
    wide = read(moved(turned, side_right=2.5 * side_right, grade=-0.055))
    degrees = round(abs(math.degrees(wide.launch_right_rad)))
    assert degrees > 60
    said = call(wide, METRIC)
    assert said.sentence == f"Start {degrees}° {where} of the hole. Roll it 30 cm past."
    assert "aim_spot" not in [line.school for line in said.lines], "no spot is told"


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize("toward", [-1, 1])
def test_what_nobody_sees_is_the_centre(turned, toward):
    per_slope = abs(read(moved(turned, side_right=0.001)).aim_right_m) / 0.001
    least = STRAIGHT_M / per_slope
    straight, beside = (read(moved(turned, side_right=toward * share * least)) for share in (0.9, 1.1))
    assert call(straight).sentence == "Aim at the centre. Roll it one foot past."
    assert about(straight, USUAL_WORDING) == ""
    assert call(beside).spot == f"¼ in {'left' if toward > 0 else 'right'}"
    assert about(beside, USUAL_WORDING) == ": the centre"


@pytest.mark.parametrize("turned", TURNS)
def test_the_pace_is_said_as_it_was_asked(turned):
    putt = moved(turned)
    asked = {
        "Let it die at the hole.": RollPast(0.0),
        "Roll it one foot past.": RollPast(12 * INCH_M),
        "Roll it 14¾ ft past.": RollPast(4.5),
        "Reach the hole at 1.97 ft/s, 13 in past.": SpeedAtHole(0.6),
    }
    for words, pace in asked.items():
        assert call(read(replace(putt, pace=pace))).pace == words
    for past_m, dies in ((0.9 * STRAIGHT_M, True), (1.1 * STRAIGHT_M, False)):
        assert (call(read(replace(putt, pace=RollPast(past_m)))).pace == "Let it die at the hole.") is dies
    steep = moved(turned, side_right=0.01, grade=-0.09)
    assert call(read(steep)).pace == "Softly: it will not stop past the hole."
    at_a_speed = call(read(replace(steep, pace=SpeedAtHole(1.2)))).pace
    assert at_a_speed == "Reach the hole at 3.94 ft/s: it will not stop past the hole."


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize(("share", "counted"), [(0.97, True), (1.03, False)])
def test_ten_cups_and_more_are_not_counted(turned, share, counted):
    wanted_m = share * 10 * CUP_ACROSS_IN * INCH_M
    slope = brentq(lambda tilt: read(moved(turned, side_right=-tilt)).aim_right_m - wanted_m, 0.01, 0.06)
    edge = about(read(moved(turned, side_right=-slope)), METRIC)
    by_m = wanted_m - CUP_ACROSS_IN / 2 * INCH_M
    by = f"{100 * by_m:.0f} cm" if counted else f"{by_m:.2f} m"
    assert edge == f": {by} outside the right edge" + (", about nine cups and a half" if counted else "")


@pytest.mark.parametrize("turned", TURNS)
def test_the_hour_of_entry_is_on_the_high_side_and_a_fast_ball_crosses_the_rim(turned):
    assert entry_words(read(moved(turned))) == (
        "Goes in at six o'clock",
        "from quarter past four to quarter to eight it still drops at this pace",
    )
    high = entry_words(read(moved(turned, side_right=-0.04, past_in=3)))[0]
    assert high in ("Goes in at five o'clock", "Goes in at half past four"), "from the right"
    fast = entry_words(read(moved(turned, past_in=177)))
    assert fast == ("Crosses the rim at six o'clock", "too fast to drop at this pace")

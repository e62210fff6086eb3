"""How often and how firm in words: what is said follows the figures, in the golfer's units."""

import math
import re
from dataclasses import replace

import pytest

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.estimate import Span
from orthocline.core.holing import (
    Change,
    Leave,
    Leaves,
    SafeLeave,
    gate_at,
    gate_of_width,
    gate_that_stands,
    outlook_of,
)
from orthocline.core.roll import Launch, RollPast, read, roll_of
from orthocline.wording.holing.golfers import LEVEL_WORDS, spread_words
from orthocline.wording.holing.leaves import better_words, leave_words, safe_words
from orthocline.wording.holing.pace import (
    chosen_words,
    curves_words,
    of_hundred,
    outlook_words,
    pace_call,
    stretch_words,
)
from orthocline.wording.holing.window import gate_words, tolerance_words
from orthocline.wording.read.rolled import trial_words
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.holing import SPECIMENS
from tests.putts import plane_putt

METRIC = Wording(Units(metric=True))
HIGH = Leave(0.31, 0.3, 0.1, 0.254, -0.02, 0.98)
LOW = Leave(0.33, 0.5, -0.3, 0.66, 0.001, 0.88)


def outlook(putt, level="tournament"):
    return outlook_of(putt, read(putt).aim, GOLFERS[level], USUAL_PASTS)


def test_firm_is_said_of_the_short_putt_and_dying_of_the_long_one():
    firm = pace_call(outlook(SPECIMENS[0][0]).advice, USUAL_WORDING)
    assert re.fullmatch(r"Roll it 1\d to 2\d in past\.", firm.what)
    assert re.fullmatch(r"It holds its line: 3\d of 100 drop, dying 2\d of 100\.", firm.why)
    soft = pace_call(outlook(SPECIMENS[3][0], "middle").advice, USUAL_WORDING)
    assert re.fullmatch(r"Let it die, at most 1\d in past\.", soft.what)
    assert "three-putts 2" in soft.why
    assert "two feet past" in soft.why


def test_the_same_in_metres():
    assert re.fullmatch(
        r"Roll it \d\d to \d\d cm past\.", pace_call(outlook(SPECIMENS[0][0]).advice, METRIC).what
    )
    assert stretch_words(Span(0.0254, 0.4), METRIC) == "dying to 40 cm past"
    assert stretch_words(Span(0.2, 0.4), USUAL_WORDING) == "8 to 16 in past"


def test_the_pace_chosen_is_told_against_the_best():
    putt = SPECIMENS[0][0]
    assert chosen_words(outlook(putt), USUAL_WORDING).startswith(
        "One foot past holes 32 of 100, three-putts fewer"
    )
    assert chosen_words(outlook(putt), USUAL_WORDING).endswith(" putts, 0.01 more than the best.")
    good = replace(putt, pace=RollPast(0.45))
    assert chosen_words(outlook(good), USUAL_WORDING).endswith(" putts, as good as the best.")
    dying = replace(putt, pace=RollPast(0.0254))
    advice = outlook(dying).advice
    cost = advice.at(advice.putts, 0.0254) - advice.best_putts
    assert chosen_words(outlook(dying), USUAL_WORDING).endswith(f"{cost:.2f} more than the best.")


def test_where_nothing_rests_that_is_said():
    steep = outlook(plane_putt(10, grade=-0.09, speed_ft=12))
    first, second = outlook_words(steep, USUAL_WORDING)
    assert first.startswith("No ball rests past this hole")
    assert second.startswith("This pace holes")


def test_the_curves_are_told_to_whoever_does_not_see_them():
    advice = outlook(SPECIMENS[0][0]).advice
    said = curves_words(advice, USUAL_WORDING)
    assert f"{advice.best_putts:.2f} putts" in said
    assert f"Holed: {of_hundred(advice.holed[0])} at 1 in past" in said


@pytest.mark.parametrize(("share", "said"), [(0.0, "0"), (0.004, "fewer than 1"), (0.4, "40"), (1.0, "100")])
def test_shares_are_counted_of_a_hundred(share, said):
    assert of_hundred(share) == f"{said} of 100"


def test_what_a_miss_leaves():
    high = leave_words(HIGH, right=True, high_right=True, wording=USUAL_WORDING)
    assert high == ("High, 31 of 100", "10 in", "2 % downhill", "98 of 100 holed")
    low = leave_words(LOW, right=False, high_right=True, wording=METRIC)
    assert low == ("Low, 33 of 100", "66 cm", "neither up nor down", "88 of 100 holed")
    assert leave_words(LOW, right=False, high_right=None, wording=METRIC).which == "Left, 33 of 100"


def test_which_side_to_miss_on():
    assert better_words(Leaves(HIGH, LOW, True)) == "Miss high: 10 of 100 more of the next putts go in."
    assert better_words(Leaves(HIGH, LOW, False)).startswith("Miss low:")
    assert better_words(Leaves(HIGH, LOW, None)).startswith("Miss on the right:")
    assert better_words(Leaves(HIGH, HIGH, True)) == "Neither side is the better one to miss on."
    assert better_words(Leaves(HIGH, None, True)) == ""


def test_the_safe_leave_and_what_it_costs():
    aim, pace = Change(0.0508, 0.8, -0.02, 0.03), Change(0.6096, 0.8, 0.01, -0.002)
    both = safe_words(SafeLeave(0.6, pace, aim), USUAL_WORDING)
    assert both == (
        "60 of 100 misses stop below the hole; to leave 75 there, "
        "aim 2 in lower (costs 0.03 putts) or roll it 24 in past (costs nothing)."
    )
    assert safe_words(SafeLeave(0.9, None, None), USUAL_WORDING).endswith("that is the safe leave.")
    assert "no pace or aim of yours leaves 75 there" in safe_words(SafeLeave(0.2, None, None), USUAL_WORDING)
    assert safe_words(None, USUAL_WORDING).startswith("The ground hardly falls")


def test_the_gate_is_as_wide_as_the_ball_and_the_tolerance_on_both_sides():
    gate = gate_at(0.3048, math.radians(1.0))
    assert gate.wide_m == pytest.approx(0.04267 + 2 * 0.3048 * math.tan(math.radians(1)))
    assert gate_words(gate, USUAL_WORDING).startswith("A gate 2.1 in wide, one foot ahead,")
    assert "within 1°" in gate_words(gate, METRIC)
    assert gate_of_width(gate.wide_m, gate.within_rad).ahead_m == pytest.approx(gate.ahead_m)
    assert gate_that_stands(gate.ahead_m, gate.wide_m).within_rad == pytest.approx(gate.within_rad)
    for narrow in (gate_of_width(0.04, 0.02), gate_that_stands(0.3, 0.04)):
        assert gate_words(narrow, METRIC) == "A gate must be wider than the ball."


def test_tolerances_and_trials():
    solved = read(plane_putt(10, side_right=-0.02))
    assert re.fullmatch(r"[\d.]+° left, [\d.]+° right; [\d.]+ % soft, [\d.]+ % firm", tolerance_words(solved))
    assert tolerance_words(read(plane_putt(10, past_in=190))) == "At this pace no launch drops."
    launch = solved.aim.launch

    def tried(off_deg, share):
        at = Launch(launch.right_rad + math.radians(off_deg), share * launch.speed_mps)
        return trial_words(solved, roll_of(solved.putt, solved.aim, at), USUAL_WORDING)

    assert tried(0.0, 1.0) == "On line, at its pace: it would drop."
    assert tried(0.0, 0.9).startswith("On line, 10 % soft: it would come up ")
    assert tried(2.0, 1.02).startswith("2° right of the line, 2 % firm: it would pass ")
    assert tried(-1.2, 1.0).startswith("1.2° left of the line, at its pace: ")


def test_who_putts():
    assert set(LEVEL_WORDS) == set(GOLFERS)
    assert spread_words(GOLFERS["middle"]).startswith("start line 1.75°, energy 12 %, read 42 % of the aim")

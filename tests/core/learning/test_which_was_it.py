"""Which was it: the stated shares against putts with known causes, and what is said where nothing can be."""

import json
import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.account import GOLFERS
from orthocline.core.ground import plane_from_grade
from orthocline.core.learning import Played, UnexplainedError, changed, diagnosis_of
from orthocline.core.learning.grounds import PlaneGrounds, RolledGrounds, grounds_of
from orthocline.core.log import Finish, Seen
from orthocline.core.roll import Launch, Wind, aims
from orthocline.core.sure import Uncertainty
from orthocline.formats.played_document import parse_played
from orthocline.formats.putt_document import question_of
from tests.playing import dropped
from tests.putts import DATA, plane_putt
from tests.rolled import roll_out

MISSES = json.loads((DATA / "reference-misses.json").read_text())
SURVEYS = json.loads((DATA / "reference-survey.json").read_text())
MIDDLE = GOLFERS["middle"]
FELT = Uncertainty(side=0.004, grade=0.004, green_speed_ft=0.25)
TEN = plane_putt(10.0, side_right=-0.02)
RIGHT_M = aims(TEN)[0].spot_right_m(TEN.length_m) or 0.0


@pytest.fixture(scope="module")
def judged():
    """Return all reference misses with what is said of them."""
    return [(diagnosis_of(parse_played(json.dumps(one["line"]).encode())), one["drops_if"]) for one in MISSES]


def test_shares_come_true_on_putts_with_known_causes(judged):
    said = np.array([found.drops_if[name] for found, truth in judged for name in truth])
    came = np.array([drops for _, truth in judged for drops in truth.values()], dtype=float)
    assert len(said) == 3 * len(MISSES)
    assert abs(said.mean() - came.mean()) < 0.06
    for least in np.arange(0.0, 0.5, 0.1):
        here = (said >= least) & (said < least + 0.1)
        by_chance = math.sqrt(float((said[here] * (1.0 - said[here])).sum())) / here.sum()
        assert abs(said[here].mean() - came[here].mean()) < max(0.06, 2.5 * by_chance)


def test_shares_tell_more_than_how_often_each_is_the_cause(judged):
    for name in ("read", "line", "pace"):
        said = np.array([found.drops_if[name] for found, _ in judged])
        came = np.array([truth[name] for _, truth in judged], dtype=float)
        assert np.square(said - came).mean() < 0.9 * np.square(came.mean() - came).mean()


def test_a_cause_is_named_as_it_says(judged):
    named = {found.cause for found, _ in judged}
    assert named == {"read", "line", "pace", "several", "unclear"}
    for found, _ in judged:
        shares = sorted((found.drops_if[name] for name in ("read", "line", "pace")), reverse=True)
        if found.cause in found.drops_if:
            assert found.drops_if[found.cause] == shares[0] > 0.5
            assert shares[0] >= shares[1] + 0.1
        elif found.cause == "several":
            assert found.drops_if[found.together] > 0.5
        else:
            assert found.together is None


def test_what_may_have_happened_ends_where_the_ball_stopped():
    """Its launches are rolled by the tests' own integrator, on its grounds."""
    finish = Finish(0.5, -0.2)
    found = diagnosis_of(Played(TEN, MIDDLE, holed=False, finish=finish, uncertainty=FELT)).posterior
    some = np.argsort(-found.weights)[:20]
    slopes = found.errors[some][:, [1, 0]] + (TEN.grade, TEN.side_tilt_right)
    ways = roll_out(slopes, TEN.green_speed_ft + found.errors[some][:, 2], *found.launches[some].T)
    assert not dropped(ways, np.array([TEN.length_m, 0.0])).any()
    away = np.hypot(*(ways[-1] - (TEN.length_m + finish.along_m, finish.across_m)).T)
    assert away.max() < 4.0 * (0.0254 + 0.015 * math.hypot(0.5, 0.2))
    assert found.size > 500


def test_an_under_read_that_was_struck_well_was_the_read():
    aimed = 0.4 * RIGHT_M
    own = Launch(math.atan2(aimed, TEN.length_m), aims(TEN)[0].launch.speed_mps)
    ways = roll_out([(0.0, -0.02)], 10.0, np.array([own.right_rad]), np.array([own.speed_mps]))
    stopped = ways[-1][0] - (TEN.length_m, 0.0)
    played = Played(TEN, GOLFERS["tournament"], holed=False, finish=Finish(*stopped), aim_right_m=aimed)
    found = diagnosis_of(played)
    assert found.cause == "read"
    assert found.posterior.mean(found.read_error_m) == pytest.approx(aimed - RIGHT_M, abs=0.02)
    least, most = found.posterior.range(found.posterior.start_errors_rad)
    assert least < 0.0 < most


def test_what_was_seen_of_the_start_moves_the_blame():
    played = Played(TEN, MIDDLE, holed=False, finish=Finish(0.4, -0.35), uncertainty=FELT)
    blind = diagnosis_of(played)
    on_line = diagnosis_of(replace(played, seen=Seen(started_right=0)))
    left = diagnosis_of(replace(played, seen=Seen(started_right=-1)))
    assert on_line.drops_if["line"] < blind.drops_if["line"] < left.drops_if["line"]
    passed = diagnosis_of(replace(played, seen=Seen(passed_right=1)))
    mean = passed.posterior.mean
    assert mean(passed.posterior.start_errors_rad) > blind.posterior.mean(blind.posterior.start_errors_rad)


def test_a_holed_ball_may_have_been_saved_by_its_pace_or_its_line():
    low = diagnosis_of(Played(TEN, MIDDLE, holed=True, aim_right_m=0.45 * RIGHT_M))
    assert low.saved_by in {"pace", "line"}
    assert low.drops_if["line_pace"] < 0.05
    assert low.cause == "unclear"
    good = diagnosis_of(Played(TEN, MIDDLE, holed=True))
    assert good.saved_by is None
    assert good.drops_if["line_pace"] == 1.0


def test_a_ball_that_a_device_rolled_tells_of_the_ground():
    """It was rolled on ground that falls more by 0.8 % than was read."""
    launch = aims(TEN)[0].launch
    ways = roll_out([(0.0, -0.028)], 10.0, np.array([launch.right_rad]), np.array([launch.speed_mps]))
    stopped = Finish(*(ways[-1][0] - (TEN.length_m, 0.0)))
    unsure = Uncertainty(side=0.006, grade=0.006)
    found = diagnosis_of(
        Played(TEN, MIDDLE, holed=False, finish=stopped, uncertainty=unsure, by_device=True)
    ).posterior
    assert found.mean(found.errors[:, 0]) == pytest.approx(-0.008, abs=0.002)
    assert abs(found.mean(found.start_errors_rad)) < math.radians(0.3)


def test_a_ball_struck_through_the_green_is_the_pace():
    """No usual stroke ends six metres past from ten feet: a mishit, and said all the same."""
    far = diagnosis_of(Played(TEN, MIDDLE, holed=False, finish=Finish(6.0, -2.0), uncertainty=FELT))
    assert far.posterior.size > 10
    assert far.posterior.mean(far.posterior.energy_errors) > 0.5
    assert far.drops_if["line_pace"] > far.drops_if["read_line"]


def test_ground_that_is_too_steep_to_be_rolled_on_is_not_drawn():
    """A holed putt on the steepest ground that can be read may have lain on steeper."""
    steep = replace(TEN, surface=plane_from_grade(0.2499, 0.0, 0.0))
    unsure = Uncertainty(grade=0.004)
    found = diagnosis_of(Played(steep, MIDDLE, holed=True, uncertainty=unsure))
    moved = replace(found, posterior=replace(found.posterior, errors=np.abs(found.posterior.errors)))
    assert moved.posterior.mean(moved.posterior.errors[:, 1]) > 0.001
    assert moved.rolls == {}


def test_rolled_grounds_agree_with_the_closed_form():
    """To first order, as far as greens are known."""
    rng = np.random.default_rng(5)
    errors = rng.normal(size=(40, 3)) * (0.003, 0.003, 0.2)
    line = aims(TEN)[0]
    closed, rolled = grounds_of(TEN, line, errors), RolledGrounds(TEN, line, errors)
    assert isinstance(closed, PlaneGrounds)
    finishes = np.array([0.4, -0.2]) + 0.03 * rng.normal(size=(40, 2))
    one, other = closed.launches_to(finishes), rolled.launches_to(finishes)
    assert np.abs(one - other).max() < 2e-3
    assert np.abs(rolled.ends(other).rests - finishes).max() < 2e-3
    assert np.abs(closed.angles() - rolled.angles()).max() < math.radians(0.25)


@pytest.mark.parametrize("number", [0, 2])
def test_surveyed_greens_are_judged_by_their_own_doubt(number):
    question = question_of(SURVEYS[number]["putt"])
    played = Played(question.putt, MIDDLE, holed=False, finish=Finish(0.4, 0.3))
    found = diagnosis_of(played)
    right_rad = played.read.aim.launch.right_rad
    assert found.posterior.angles_rad.std() > math.radians(0.1)
    assert found.posterior.mean(found.posterior.angles_rad) == pytest.approx(right_rad, abs=math.radians(2))
    assert found.posterior.size > 30
    assert sum(found.drops_if.values()) > 0.0


def test_in_wind_balls_are_rolled():
    played = Played(replace(TEN, wind=Wind(6.0, 1.0)), MIDDLE, holed=False, finish=Finish(0.4, 0.1))
    found = diagnosis_of(played)
    assert isinstance(found.posterior.grounds, RolledGrounds)
    assert found.posterior.size > 100


def test_ground_that_is_changed_is_changed_by_as_much():
    survey = question_of(SURVEYS[0]["putt"]).putt
    for putt in (TEN, survey):
        steeper = changed(putt, (0.005, 0.0, 0.5))
        turned = aims(steeper)[0].launch.right_rad - aims(putt)[0].launch.right_rad
        assert turned < -math.radians(0.5)
        assert steeper.green_speed_ft == putt.green_speed_ft + 0.5


@pytest.mark.parametrize(
    ("putt", "finish"),
    [
        (replace(TEN, surface=plane_from_grade(0.12, 0.0, 0.0)), Finish(-1.0, 0.0)),
        (TEN, None),
    ],
    ids=["nothing rests there", "nobody looked"],
)
def test_a_finish_that_no_launch_explains_is_said(putt, finish):
    with pytest.raises(UnexplainedError):
        diagnosis_of(Played(putt, MIDDLE, holed=False, finish=finish))

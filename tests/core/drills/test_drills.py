"""Drills: their files, what is wrong with one, the balls of a seed, and how the model's golfers do."""

import math
import tomllib
from itertools import pairwise
from pathlib import Path

import numpy as np
import pytest

from orthocline.core import drills
from orthocline.core.account import GOLFERS
from orthocline.core.drills import (
    TRAINS,
    DrillError,
    Event,
    MarkKind,
    balls_of,
    drill_of,
    mirrored,
    target_of,
    trend_of,
)
from orthocline.core.units import FOOT_M, INCH_M
from tests.rolled import holed_by_trying, roll_out

FILES = sorted((Path(drills.__file__).parent / "files").glob("*.toml"))
MIDDLE = GOLFERS["middle"]
BALLS, BATCH, HOLE_M, CAPTURE_MPS = 20_000, 5_000, 4.25 * 0.0254 / 2.0, 1.63
STEP_S = 0.01


def shipped(name, own_m=None):
    (path,) = [one for one in FILES if one.stem == name]
    return drill_of(name, tomllib.loads(path.read_text()), own_m)


def made_up(**more):
    data = {
        "name": "Made up",
        "purpose": "For the tests.",
        "how": "Putt it.",
        "gear": ["a ball"],
        "minutes": 3,
        "trains": ["pace"],
        "marks": [{"kind": "ball"}, {"kind": "coin", "along_ft": 10}],
        "plan": {"balls": [{"to_ft": 10}, {"to_ft": 12}]},
        "outcomes": [{"name": "in", "says": "in", "points": 1}, {"name": "out", "says": "out"}],
        "target": {"counts": "in", "event": "rests", "past_ft": 2},
    }
    return data | more


def test_all_that_practice_asks_for_is_there_and_each_trains_something():
    assert len(FILES) == 16
    found = [drill_of(one.stem, tomllib.loads(one.read_text())) for one in FILES]
    assert {what for one in found for what in one.trains} == set(TRAINS)
    for one in found:
        assert 2 <= len(one.outcomes) <= (7 if one.measures else 4)
        assert one.marks
        assert one.best > 0.0
        assert len({outcome.name for outcome in one.outcomes}) == len(one.outcomes)
        assert 4 <= len(balls_of(one, 1)) <= 20


def test_lengths_of_ones_own_are_used_everywhere_and_held_within_the_file():
    usual, wide = shipped("pace_ladder"), shipped("pace_ladder", {"zone": 3.0 * FOOT_M})
    zones = [next(one for one in drill.marks if one.kind is MarkKind.ZONE) for drill in (usual, wide)]
    assert [one.deep_m for one in zones] == pytest.approx([2.0 * FOOT_M, 3.0 * FOOT_M])
    assert wide.target.most_m == pytest.approx(3.0 * FOOT_M)
    assert shipped("pace_ladder", {"zone": 99.0}).target.most_m == pytest.approx(6.0 * FOOT_M)


def test_a_gate_is_as_wide_as_its_tolerance():
    gate = next(one for one in shipped("start_gate").marks if one.kind is MarkKind.GATE)
    wide = 1.68 * INCH_M + 2.0 * 18.0 * INCH_M * math.tan(math.radians(1.0))
    assert gate.wide_m == pytest.approx(wide, abs=1e-5)


@pytest.mark.parametrize(
    ("more", "member"),
    [
        ({"name": ""}, "name"),
        ({"minutes": 900}, "minutes"),
        ({"minutes": True}, "minutes"),
        ({"trains": ["luck"]}, "trains"),
        ({"gear": []}, "gear"),
        ({"gear": [3]}, "gear[0]"),
        ({"colour": "green"}, "colour"),
        ({"marks": []}, "marks"),
        ({"marks": [{"kind": "tree"}]}, "marks[0].kind"),
        ({"marks": [{"kind": "coin", "along_ft": 10, "along_m": 3}]}, "marks[0].along"),
        ({"marks": [{"kind": "coin", "along": "zone"}]}, "marks[0].along"),
        ({"marks": [{"kind": "coin", "tall_ft": 1}]}, "marks[0].tall_ft"),
        ({"plan": {"balls": [{"to_ft": 1000}]}}, "plan.balls[0].to_ft"),
        ({"plan": {"balls": [{"to_ft": -3}]}}, "plan.balls[0].to"),
        ({"plan": {"balls": [{}]}}, "plan.balls[0].to"),
        ({"plan": {"balls": [{"to_ft": 9, "rise_percent": 40}]}}, "plan.balls[0].rise_percent"),
        ({"plan": {"balls": [{"to_ft": 9}], "times": 61}}, "plan.times"),
        ({"plan": {"balls": [{"to_ft": 9}, {"to_ft": 9}], "times": 31}}, "plan.times"),
        ({"plan": 3}, "plan"),
        ({"outcomes": [{"name": "in", "says": "in"}]}, "outcomes"),
        ({"outcomes": [{"name": "x" * 41, "says": "in", "points": 1}]}, "outcomes[0].name"),
        ({"outcomes": [{"name": "in", "says": "a", "points": 1}] * 2}, "outcomes"),
        ({"own": 3}, "own"),
        ({"own": {"zone": {"says": "Zone"}}}, "own.zone.usual"),
        ({"own": {"zone": {"says": "Z", "usual_ft": 9, "least_ft": 1, "most_ft": 5}}}, "own.zone.usual"),
        ({"target": {"counts": "never", "event": "rests"}}, "target.counts"),
        ({"target": {"counts": "in", "event": "flies"}}, "target.event"),
    ],
)
def test_a_member_that_is_missing_or_absurd_is_named(more, member):
    with pytest.raises(DrillError) as refused:
        drill_of("made_up", made_up(**more))
    assert refused.value.member.startswith(member)


@pytest.mark.parametrize("member", [name for name in made_up() if name != "colour"])
def test_every_member_is_needed(member):
    data = made_up()
    del data[member]
    with pytest.raises(DrillError, match=member):
        drill_of("made_up", data)


def test_a_seed_gives_the_same_balls_and_none_twice_in_a_row():
    drill = shipped("roll_past")
    balls = balls_of(drill, 7)
    assert balls == balls_of(drill, 7) != balls_of(drill, 8)
    assert all(one is not other for one, other in pairwise(balls))
    assert len(balls) == 12
    assert set(balls) == set(drill.plan.balls)
    assert balls_of(shipped("tuning_putts"), 1) == shipped("tuning_putts").plan.balls * 5


def simulated(ball, target, golfer, rng):
    """Return the share of balls that count, by the tests' own integrator; the line is given by the drill."""
    slopes = np.array([(ball.rise, ball.fall_right)])
    middle = 0.5 * (target.least_m + target.most_m) if target.event is Event.RESTS else 0.0
    past = ball.past_m if target.event is Event.DROPS else middle
    length = np.array([ball.to_m])
    right, launch = holed_by_trying(slopes, 10.0, length, np.array([max(past, 0.01)]))
    counted = 0
    for _ in range(BALLS // BATCH):
        ground = golfer.ground_rad * math.sqrt(ball.to_m / (10.0 * FOOT_M))
        ways = right + math.hypot(golfer.start_line_rad, ground) * rng.normal(size=BATCH)
        speeds = launch * np.sqrt(np.maximum(1.0 + golfer.energy * rng.normal(size=BATCH), 0.0))
        rolled = roll_out(np.repeat(slopes, BATCH, axis=0), 10.0, ways, speeds)
        counted += _counts(rolled - (ball.to_m, 0.0), target).sum()
    return counted / BALLS


def _counts(away, target):
    beyond, aside = away[-1].T
    if target.event is Event.WITHIN:
        return np.hypot(beyond, aside) <= target.most_m
    if target.event is Event.RESTS:
        return (beyond >= target.least_m) & (beyond <= target.most_m)
    # It drops: at its nearest it is slow enough for how far off the centre that is.
    nearest = np.hypot(away[..., 0], away[..., 1]).argmin(axis=0)
    nearest = np.clip(nearest, 1, len(away) - 2)
    ball = np.arange(away.shape[1])
    before, after = away[nearest - 1, ball], away[nearest + 1, ball]
    way = after - before
    speed = np.hypot(*way.T) / (2.0 * STEP_S)
    miss = np.abs(before[:, 0] * way[:, 1] - before[:, 1] * way[:, 0]) / np.maximum(np.hypot(*way.T), 1e-9)
    reached = np.hypot(*away[nearest, ball].T) < HOLE_M
    return reached & (speed <= CAPTURE_MPS * (1.0 - (miss / HOLE_M) ** 2))


@pytest.mark.parametrize("name", ["tuning_putts", "home_length", "straight_ring", "start_gate"])
def test_targets_are_those_of_twenty_thousand_balls(name):
    """Within two points, for the balls of one drill of each kind."""
    drill, rng = shipped(name), np.random.default_rng(22)
    balls = list(dict.fromkeys(drill.plan.balls))[:2]
    if drill.target.event is Event.STARTS:
        starts = MIDDLE.start_line_rad * rng.normal(size=BALLS)
        shares = [np.mean(np.abs(starts) <= drill.target.within_rad)]
    else:
        shares = [simulated(one, drill.target, MIDDLE, rng) for one in balls]
    assert target_of(drill, balls, MIDDLE) == pytest.approx(np.mean(shares), abs=0.02)


def test_better_golfers_do_better_and_what_the_model_does_not_know_has_no_target():
    for name in ("pace_ladder", "straight_ring", "start_gate", "home_length"):
        drill = shipped(name)
        shares = [target_of(drill, balls_of(drill, 1), golfer) for golfer in GOLFERS.values()]
        assert shares == sorted(shares, reverse=True)
    drill = shipped("silent_count")
    assert target_of(drill, balls_of(drill, 1), MIDDLE) is None
    assert (drill.points("on"), drill.points("late_3"), drill.points("never")) == (2.0, 0.0, 0.0)


def test_a_drill_that_measures_has_a_figure_for_every_outcome():
    aim, count = shipped("aim_check"), shipped("silent_count")
    assert (aim.nearest(-0.05), aim.nearest(0.02), aim.nearest(5.0)) == ("left_1", "on", "right_3")
    assert (count.nearest(-0.04), count.nearest(0.06)) == ("on", "late_1")
    # An inch at ten feet is one part in 120.
    (ball, *_) = balls_of(aim, 1)
    assert aim.figure(ball, -INCH_M) == pytest.approx(-math.atan(1.0 / 120.0))
    assert count.figure(ball, 0.04) == 0.04
    without = made_up(measures="aim")
    with pytest.raises(DrillError, match=r"outcomes\[0\]\.aside"):
        drill_of("made_up", without)
    with pytest.raises(DrillError, match="cannot be 'luck'"):
        drill_of("made_up", made_up(measures="luck"))
    outcomes = [{"name": "on", "says": "on", "points": 1, "late_s": 2.0}]
    with pytest.raises(DrillError, match="late_s"):
        drill_of("made_up", made_up(measures="beat", outcomes=outcomes))


@pytest.mark.parametrize("name", ["curve_gate", "other_slope", "start_gate"])
def test_a_left_hander_has_the_same_putts_in_a_mirror(name):
    drill, left = shipped(name), mirrored(shipped(name))
    assert [one.right_m for one in left.marks] == [-one.right_m for one in drill.marks]
    assert [one.fall_right for one in left.plan.balls] == [-one.fall_right for one in drill.plan.balls]
    assert left.outcomes == drill.outcomes
    assert mirrored(left) == drill
    assert target_of(left, balls_of(left, 1), MIDDLE) == pytest.approx(
        target_of(drill, balls_of(drill, 1), MIDDLE), abs=0.01
    )


def test_what_a_ball_says_is_mirrored_too():
    says = [one.says for one in mirrored(shipped("other_slope")).plan.balls]
    assert says[0] == "breaks left"
    assert says[-1] == "breaks right, uphill"


def test_a_trend_is_found_within_its_range_and_few_runs_have_none():
    """Of five hundred golfers who gain six points a week and scatter by ten."""
    rng, held = np.random.default_rng(3), []
    days = np.arange(0.0, 28.0, 4.0)
    for _ in range(500):
        found = trend_of(days.tolist(), (0.3 + 0.06 * days / 7.0 + 0.1 * rng.normal(size=7)).tolist())
        held.append(found.least <= 0.06 <= found.most)
    assert 0.92 <= np.mean(held) <= 0.98
    assert trend_of([1.0, 2.0, 3.0], [0.1, 0.2, 0.3]) is None
    assert trend_of([1.0, 1.1, 1.2, 1.3], [0.1, 0.2, 0.3, 0.4]) is None
    assert trend_of([0.0, 7.0, 14.0, 21.0], [0.1, 0.2, 0.3, 0.4]).sure
    assert not trend_of([0.0, 7.0, 14.0, 21.0], [0.3, 0.2, 0.4, 0.25]).sure

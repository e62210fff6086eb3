"""What a golfer does again and again, against golfers whose habits are known."""

import json
import math

import numpy as np
import pytest

from orthocline.core.account import GOLFERS
from orthocline.core.ground import plane_from_grade
from orthocline.core.learning import (
    Aimed,
    Correction,
    Played,
    correction_for,
    corrections_of,
    evidence_of,
    greens_of,
    groups_of,
    reads_of,
    stroke_with,
    usual_stroke,
)
from orthocline.core.log import Finish
from orthocline.core.roll import Point, Putt, RollPast
from orthocline.formats.played_document import habits_document, parse_played
from tests.putts import DATA
from tests.struck import PAST_M, some_putts, thumbed

GOLFERS_KNOWN = json.loads((DATA / "reference-habits.json").read_text())
MIDDLE = GOLFERS["middle"]
NAMES = {
    "read_factor": ("read_factor", 1.0),
    "read_factor_falling_left": ("read_factor", 1.0),
    "read_factor_falling_right": ("read_factor", 1.0),
    "read_sd_percent": ("read_sd", 100.0),
    "start_line_bias_right_deg": ("line_bias_right_deg", 1.0),
    "start_line_sd_deg": ("line_sd_deg", 1.0),
    "energy_bias_percent": ("energy_bias", 100.0),
    "energy_sd_percent": ("energy_sd", 100.0),
}


@pytest.fixture(scope="module")
def logs():
    """Return the logs of the reference golfers."""
    return [[parse_played(json.dumps(line).encode()) for line in one["lines"]] for one in GOLFERS_KNOWN]


def test_ranges_hold_the_truth_of_known_golfers(logs):
    held, near = [], []
    for log, known in zip(logs, GOLFERS_KNOWN, strict=True):
        told = habits_document(log)
        assert told["putts"] == 60
        assert not told["usual"]
        for name, (of, unit) in NAMES.items():
            least, most = told[name]["range"]
            truth = unit * known["truth"][of]
            held.append(least <= truth <= most)
            near.append(abs(told[name]["value"] - truth) < most - least)
    # Of 96 ranges 91 hold it on average; 84 or fewer by chance once in five hundred times.
    assert sum(held) > 84
    assert all(near)


def test_putts_one_by_one_say_nearly_what_they_say_together(logs):
    log = logs[3]
    together = stroke_with(usual_stroke(MIDDLE), evidence_of(log))
    by_and_by = usual_stroke(MIDDLE)
    for one in log:
        by_and_by = stroke_with(by_and_by, evidence_of([one]))
    assert by_and_by.putts == together.putts == 60
    sds = np.sqrt(together.belief.covariance.diagonal())
    assert (np.abs(by_and_by.belief.mean - together.belief.mean) < 1.2 * sds).all()


def test_few_putts_hardly_move_the_usual_golfer_and_none_do_not(logs):
    usual = usual_stroke(MIDDLE)
    assert stroke_with(usual, evidence_of([])) == usual
    assert not usual.own
    few = stroke_with(usual, evidence_of(logs[0][:3]))
    assert not few.own
    assert few.start_sd_rad.value == pytest.approx(MIDDLE.start_line_rad, rel=0.3)
    assert few.start_sd_rad.most > 1.5 * few.start_sd_rad.least


def test_holed_putts_count(logs):
    """Holed balls alone say that a stroke is steadier, misses alone that it is less steady than all say."""
    log = logs[5]
    by = {
        name: stroke_with(usual_stroke(MIDDLE), evidence_of([one for one in log if which(one)]))
        for name, which in {
            "all": lambda _one: True,
            "holed": lambda one: one.holed,
            "missed": lambda one: not one.holed,
        }.items()
    }
    holed, every, missed = (by[name].start_sd_rad.value for name in ("holed", "all", "missed"))
    assert holed < MIDDLE.start_line_rad
    assert every < missed
    assert by["holed"].putts == sum(one.holed for one in log)


def test_one_duffed_putt_is_no_habit(logs):
    """A ball that is left half way says next to nothing of how the others scatter."""
    log = logs[5]
    duffed = Played(log[0].putt, MIDDLE, holed=False, finish=Finish(-0.8 * log[0].putt.length_m, 0.0))
    plain, with_it = (
        stroke_with(usual_stroke(MIDDLE), evidence_of(putts)) for putts in (log, [*log, duffed])
    )
    assert with_it.putts == plain.putts + 1
    assert with_it.energy_sd.value == pytest.approx(plain.energy_sd.value, rel=0.05)


def test_a_miss_that_nobody_placed_counts_as_one(logs):
    blind = [Played(one.putt, MIDDLE, holed=False) for one in logs[5]]
    found = stroke_with(usual_stroke(MIDDLE), evidence_of(blind))
    assert found.putts == 60
    assert found.start_sd_rad.value > MIDDLE.start_line_rad


def test_what_a_device_rolled_and_what_nothing_explains_is_left_out(logs):
    steep = Putt(Point(0, 0), Point(3, 0), plane_from_grade(-0.2, 0.0, 0.0), 10.0, RollPast(PAST_M))
    odd = Played(steep, MIDDLE, holed=False, finish=Finish(1.0, 0.0))
    device = Played(logs[0][0].putt, MIDDLE, holed=False, finish=Finish(0.3, 0.1), by_device=True)
    assert evidence_of([odd, device]).putts == 0


def test_reads_are_known_through_the_doubt_of_the_true_aim():
    """Where the truth is known within inches, small aims say little of the factor."""
    rng = np.random.default_rng(3)
    seen = rng.normal(0.0, 0.2, 400)
    truth = seen + 0.05 * rng.normal(size=400)
    own = 0.7 * truth * (1.0 + 0.25 * rng.normal(size=400))
    found = reads_of(own, seen, MIDDLE.read, 0.05)
    assert found.factor.least < 0.7 < found.factor.most
    assert found.sd.least < 0.27
    assert found.short
    taken_as_true = reads_of(own, seen, MIDDLE.read)
    assert taken_as_true.sd.value > found.sd.value


def aimed(factors, count=60, methods=("aim_spot",), seed=2):
    """Return reads that see such shares of the break where it goes left, and right."""
    rng = np.random.default_rng(seed)
    true = np.tile((0.25, -0.25), count) * rng.uniform(0.5, 1.5, 2 * count)
    share = np.where(true > 0.0, *factors) * (1.0 + 0.2 * rng.normal(size=2 * count))
    nothing = np.zeros(2 * count)
    length = rng.uniform(1.5, 6.0, 2 * count)
    named = tuple(methods[i // 2 % len(methods)] for i in range(2 * count))
    return Aimed(share * true, 0.5 * share * true, true, nothing, length, nothing + 0.015, named)


def test_reads_are_looked_at_by_side_length_slope_and_method():
    log = aimed((1.0, 0.65), methods=("aim_spot", "hand_gauge"))
    groups = {(one.kind, one.name): log.reads(one.among, 0.42) for one in groups_of(log)}
    assert groups["side", "right"].factor.value == pytest.approx(0.65, abs=0.06)
    assert groups["side", "left"].factor.value == pytest.approx(1.0, abs=0.08)
    assert groups["all", ""].putts == 120
    assert sum(one.putts for (kind, _), one in groups.items() if kind == "length") == 120
    assert [one.putts for (kind, _), one in groups.items() if kind == "slope"] == [0, 120, 0]
    assert groups["method", "hand_gauge"].putts == 60
    assert groups["method_right", "hand_gauge"].putts == 30
    assert log.reads(log.falls_left, 0.42, first=True).factor.value == pytest.approx(0.5, abs=0.05)


def test_a_correction_is_suggested_where_reads_surely_see_too_little_or_too_much():
    assert corrections_of(aimed((1.0, 0.65)), 0.42) == (Correction("aim_spot", 1, 0.0, 1.5),)
    assert corrections_of(aimed((1.35, 1.0)), 0.42) == (Correction("aim_spot", -1, 0.0, 0.75),)
    assert corrections_of(aimed((1.0, 1.0)), 0.42) == ()
    assert corrections_of(aimed((0.65, 0.65), count=20), 0.42) == (Correction("aim_spot", 0, 0.0, 1.5),)
    assert corrections_of(aimed((0.65, 0.65), count=12), 0.42) == ()


def test_a_correction_is_meant_for_its_own_putts():
    one = Correction("aim_spot", 1, 3.0, 1.5)
    assert correction_for([one], "aim_spot", 1, 3.5) == one
    for other in (("hand_gauge", 1, 3.5), ("aim_spot", -1, 3.5), ("aim_spot", 1, 2.9), ("aim_spot", 0, 3.5)):
        assert correction_for([one], *other) is None
    both = Correction("aim_spot", 0, 0.0, 1.5)
    assert [correction_for([both], "aim_spot", breaks, 2.0) for breaks in (-1, 0, 1)] == [both, None, both]


def test_a_green_that_runs_faster_than_is_said_shows():
    """Putts of one golfer, rolled by the tests' own integrator; on one green all roll a foot faster."""
    rng = np.random.default_rng(8)
    putts = some_putts(rng, 60)
    putts = putts[np.arange(48)]
    faster = np.where(np.arange(48) < 16, 1.2, 0.0)
    meant = putts.launch_mps * np.sqrt(1.0 + 0.08 * rng.normal(size=48))
    right = putts.right_rad + math.radians(1.0) * rng.normal(size=48)
    putts.speed_ft = putts.speed_ft + faster
    drops, rests = putts.rolled(right, meant)
    finishes = thumbed(rng, rests)
    log = {"fast": [], "one": [], "other": []}
    for i in np.flatnonzero(~drops):
        ground = plane_from_grade(*putts.slopes[i].tolist(), 0.0)
        hole = Point(float(putts.length_m[i]), 0.0)
        said = Putt(Point(0, 0), hole, ground, float(putts.speed_ft[i] - faster[i]), RollPast(PAST_M))
        where = "fast" if i < 16 else "one" if i < 32 else "other"
        log[where].append(Played(said, MIDDLE, holed=False, finish=Finish(*finishes[i])))
    stroke = stroke_with(usual_stroke(MIDDLE), evidence_of([one for of in log.values() for one in of]))
    found = greens_of(log, stroke)
    assert found["fast"].faster_ft.sure
    assert found["fast"].faster_ft.least < 1.2
    assert found["fast"].faster_ft.value > max(found["one"].faster_ft.value, found["other"].faster_ft.value)
    assert not any(one.steeper.sure for one in found.values())
    assert greens_of({"short": log["one"][:3]}, stroke) == {}

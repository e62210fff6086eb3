"""What the log teaches, against golfers who putt by an integrator of the tests' own."""

import json
import math
import time
from pathlib import Path

import numpy as np
from tests.struck import WITHIN, some_golfer, some_misses, some_putts

from bars import bar
from orthocline.core.account import GOLFERS, USUAL_LEVEL
from orthocline.core.ground import plane_from_grade
from orthocline.core.learning import (
    Played,
    diagnosis_of,
    evidence_of,
    reads_of,
    stroke_with,
    usual_stroke,
)
from orthocline.core.log import Finish
from orthocline.core.roll import Point, Putt, RollPast
from orthocline.core.sure import Uncertainty
from orthocline.core.units import FOOT_M
from orthocline.formats.putt_document import question_of

MISSES, SOLVED, GOLFERS_TRIED, SIXTY, MANY = 2000, 1500, 300, 60, 2000
TENTH_HOLDS = 300
USUAL = GOLFERS[USUAL_LEVEL]


def asked(putts, i):
    """Return a putt of the simulator's as the model is asked it."""
    ground = plane_from_grade(*putts.slopes[i].tolist(), 0.0)
    hole = Point(float(putts.length_m[i]), 0.0)
    return Putt(Point(0.0, 0.0), hole, ground, float(putts.speed_ft[i]), RollPast(FOOT_M))


def bench_misses(rng):
    """Print how often the stated shares come true, by tenths."""
    read, aims, finishes, golfers, had = some_misses(rng, 2 * MISSES)
    said, came, took, causes = [], [], [], {}
    for i in range(min(MISSES, len(read))):
        played = Played(
            asked(read, i),
            GOLFERS[golfers[i]],
            holed=False,
            finish=Finish(*finishes[i].tolist()),
            aim_right_m=float(aims[i]),
            uncertainty=Uncertainty(side=WITHIN[0], grade=WITHIN[1], green_speed_ft=WITHIN[2]),
        )
        begun = time.perf_counter()
        found = diagnosis_of(played)
        took.append(time.perf_counter() - begun)
        causes[found.cause] = causes.get(found.cause, 0) + 1
        for name, drops in had.items():
            said.append(found.drops_if[name])
            came.append(drops[i])
    said, came = np.array(said), np.array(came, dtype=float)
    middle, most = 1e3 * np.median(took), 1e3 * np.quantile(took, 0.95)
    print(f"which was it, {len(took)} misses, named {causes}")
    bar("which was it on a plane, median", middle, "ms", most=80, against=f"95 % within {most:.0f} ms")
    worst = 0.0
    tenth = np.minimum((10.0 * said).astype(int), 9)
    for i in range(10):
        here = tenth == i
        off = 100.0 * abs(came[here].mean() - said[here].mean()) if here.any() else 0.0
        counts = "" if here.sum() >= TENTH_HOLDS else "  (too few to count)"
        worst = worst if counts else max(worst, off)
        print(f"  said {i * 10:2d} to {i * 10 + 10:3d} %: {here.sum():5d}, off by {off:4.1f} points{counts}")
    told = f"{len(took):,} simulated misses"
    bar("its shares come true, off at worst by", worst, "points", most=6, against=told)


def bench_habits(rng):
    """Print how often the stated ranges hold the truth, and how long a long log takes."""
    pool = some_putts(rng, SOLVED)
    puzzled = [asked(pool, i) for i in range(len(pool))]
    holds, widths = {}, []
    for _ in range(GOLFERS_TRIED):
        which = rng.integers(len(pool), size=SIXTY)
        truth, aims, finishes = some_golfer(rng, pool[which])
        log = [_played(puzzled[j], aims[i], finishes[i]) for i, j in enumerate(which)]
        for name, habit in _habits(log).items():
            holds.setdefault(name, []).append(habit.least <= _unit(truth, name) <= habit.most)
    for name, held in holds.items():
        what = f"95 % ranges of habits hold: {name.replace('_', ' ')}"
        told = f"{GOLFERS_TRIED} simulated golfers"
        bar(what, 100.0 * np.mean(held), "%", least=92, most=98, against=told)
    which = rng.integers(len(pool), size=MANY)
    truth, aims, finishes = some_golfer(rng, pool[which])
    log = [_played(puzzled[j], aims[i], finishes[i]) for i, j in enumerate(which)]
    begun = time.perf_counter()
    found = stroke_with(usual_stroke(USUAL), evidence_of(log))
    bar(f"habits of {MANY:,} putts", time.perf_counter() - begun, "s", most=2)
    for one in log[:20]:
        begun = time.perf_counter()
        stroke_with(found, evidence_of([one]))
        widths.append(time.perf_counter() - begun)
    bar("one putt more, at most", 1e3 * max(widths), "ms", most=50)


def _played(putt, aim_right_m, finish):
    holed = bool(np.isnan(finish[0]))
    rests = None if holed else Finish(*finish.tolist())
    return Played(putt, USUAL, holed=holed, finish=rests, aim_right_m=float(aim_right_m))


def _habits(log):
    stroke = stroke_with(usual_stroke(USUAL), evidence_of(log))
    own = np.array([one.aim_right_m for one in log])
    true = np.array([one.read.aim_right_m for one in log])
    reads = reads_of(own, true, USUAL.read)
    found = {
        "read_factor": reads.factor,
        "read_sd": reads.sd,
        "start_line_bias_right_deg": stroke.start_bias_rad,
        "start_line_sd_deg": stroke.start_sd_rad,
        "energy_bias": stroke.energy_bias,
        "energy_sd": stroke.energy_sd,
    }
    for name, side in (("falling_left", 1.0), ("falling_right", -1.0)):
        some = np.sign(true) == side
        found[f"read_factor_{name}"] = reads_of(own[some], true[some], USUAL.read).factor
    return found


def _unit(truth, name):
    if name.startswith("read_factor"):
        return truth["read_factor"]
    return math.radians(truth[name]) if name.endswith("_deg") else truth[name]


def bench_surveyed():
    """Print how long one putt on a surveyed green takes, and how long its being learnt of."""
    surveyed = json.loads((Path(__file__).parents[1] / "tests/data/reference-survey.json").read_text())
    judged, learnt = [], []
    usual = usual_stroke(USUAL)
    for one in surveyed:
        putt = question_of(one["putt"]).putt
        played = Played(putt, USUAL, holed=False, finish=Finish(0.4, 0.2))
        begun = time.perf_counter()
        diagnosis_of(played)
        judged.append(time.perf_counter() - begun)
        begun = time.perf_counter()
        stroke_with(usual, evidence_of([played]))
        learnt.append(time.perf_counter() - begun)
    for what, took, most in (("which was it", judged, 400), ("one putt more", learnt, 50)):
        said = f"at most {1e3 * max(took):.0f} ms"
        bar(f"{what} on surveyed greens, median", 1e3 * np.median(took), "ms", most=most, against=said)


def bench_learning():
    """Print all figures of what the log teaches."""
    rng = np.random.default_rng(20)
    bench_surveyed()
    bench_misses(rng)
    bench_habits(rng)


if __name__ == "__main__":
    bench_learning()

"""A study of a whole green: balls rolled a second on one core, by one worker of the engine and by two.

Of Breakwater at 11 and 12 some of its places, drawn by lot. Two workers must find the same to the last bit.
How 64 would fare is simulated with the times that the blocks took here: as they are done one after the other
by whoever is free, each handed out by the scheduler in the time that it took here.
"""

import heapq
import os
import statistics
import time
from contextlib import contextmanager

import numpy as np
from distributed import LocalCluster

from bars import bar
from orthocline.core.chart import Known, surveyed
from orthocline.core.relief import Outline
from orthocline.engine.blocks import BLOCK, SCHEDULER, worked_out
from orthocline.services.demo.golfer import OF_GREENS, SEED
from orthocline.services.demo.greens import DEMO_GREENS, demo_charts
from orthocline.services.demo.study import BREAKWATER, LEVEL, SPEEDS_FT
from orthocline.services.ground.studying import Plan, played_of

PLACES, EMPTY = 160, 2000
WORKERS, GREENS = 64, 18


def nothing(_asked, _item):
    return None


@contextmanager
def cluster(workers):
    with LocalCluster(n_workers=workers, threads_per_worker=1, dashboard_address=None) as started:
        os.environ[SCHEDULER] = started.scheduler_address
        try:
            yield
        finally:
            del os.environ[SCHEDULER]


def plan_of_breakwater():
    charts = demo_charts(np.random.default_rng(SEED + OF_GREENS))
    chart = charts[DEMO_GREENS.index(BREAKWATER)]
    known = Known(surveyed(chart.readings, {}), Outline(chart.corners), chart.grain)
    return Plan(known, SPEEDS_FT, LEVEL)


def worked(workers, plan, items):
    """Return what some workers find, and how long they take [s] once their functions are compiled."""
    with cluster(workers):
        list(worked_out(played_of, plan.studies, items[: BLOCK * workers]))
        begun = time.monotonic()
        found = dict(worked_out(played_of, plan.studies, items))
        return found, time.monotonic() - begun


def simulated(blocks, handing_s):
    """Return the efficiency of many workers: the work over what they were there for."""
    free, handed = [0.0] * WORKERS, 0.0
    for lasts in blocks:
        handed += handing_s
        begins = max(heapq.heappop(free), handed)
        heapq.heappush(free, begins + lasts)
    return sum(blocks) / (WORKERS * max(free))


def bench_study():
    plan = plan_of_breakwater()
    numbers = np.random.default_rng(7).choice(plan.size, PLACES, replace=False).tolist()
    items, studies = [plan.item(number) for number in numbers], plan.studies
    for item in items[:BLOCK]:
        played_of(studies, item)
    took, rolls = [], 0
    for item in items:
        begun = time.process_time()
        rolls += played_of(studies, item).rolls
        took.append(time.process_time() - begun)
    median, most = statistics.median(took), max(took)
    told = f"aims and drop test counted; half of the places in {1e3 * median:.0f} ms, all in {most:.1f} s"
    bar("balls of a study on one core", rolls / sum(took), "a second", least=80_000, against=told)
    (one, one_s), (two, two_s) = worked(1, plan, items), worked(2, plan, items)
    same = repr(sorted(one.items())) == repr(sorted(two.items()))
    told = f"one takes {one_s:.0f} s; {'the same to the last bit' if same else 'NOT THE SAME'}"
    bar("two workers are faster", one_s / two_s, "times", least=1.7, against=told)
    with cluster(2):
        begun = time.monotonic()
        list(worked_out(nothing, None, list(range(EMPTY * BLOCK))))
        handing_s = (time.monotonic() - begun) / EMPTY
    rng = np.random.default_rng(8)
    for greens in (1, GREENS):
        count = -(-greens * plan.size // BLOCK)
        blocks = rng.choice(took, (count, BLOCK)).sum(axis=1).tolist()
        share = simulated(blocks, handing_s)
        told = f"{count:,} blocks, {1e3 * handing_s:.1f} ms to hand one out"
        what = f"{WORKERS} workers and {greens} such green{'s' if greens > 1 else ''}, simulated: work"
        bar(what, 100 * share, "% of their time", against=told)


if __name__ == "__main__":
    bench_study()

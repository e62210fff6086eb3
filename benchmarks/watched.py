"""What a watched ball implies, against rolling balls by chance and keeping those that stop where it did."""

import math
import statistics
import time

import numpy as np
from tests.rolled import roll_out

from bars import bar
from orthocline.core.balls import FINISH_SD_M, Conditions, OwnBall, SeenBall, implied_by_other, implied_by_own

LENGTH_M, RUNS, ROLLED, KEPT = 4.27, 20, 4000, 512
PER_SLOPE = math.hypot(0.02, 0.015) / math.sqrt(2.0)
SEEN = {
    "start line seen": {"start_right_rad": 0.1},
    "last feet seen": {"last_right_rad": -0.4},
    "neither": {},
}


def bench_watched():
    """Print how long each kind takes, and how long as many balls by chance would."""
    green, finish = Conditions(10.2), (0.6, -0.2)
    took = {
        name: _median_ms(lambda seen=seen: implied_by_other(SeenBall(LENGTH_M, *finish, **seen), green))
        for name, seen in SEEN.items()
    }
    took["the own ball"] = _median_ms(lambda: implied_by_own(OwnBall(LENGTH_M, *finish), green))
    print("what a ball implies: " + ", ".join(f"{name} {ms:.1f} ms" for name, ms in took.items()))
    kept, by_chance_s = _by_chance(finish)
    needed = by_chance_s * KEPT / max(kept, 1)
    times = f"by balls rolled by chance {1e3 * needed / took['the own ball']:,.0f} times as long"
    bar("what the own ball implies", took["the own ball"], "ms", against=times)


def _median_ms(work):
    work()
    times = []
    for _ in range(RUNS):
        start = time.perf_counter()
        work()
        times.append(1e3 * (time.perf_counter() - start))
    return statistics.median(times)


def _by_chance(finish):
    """Roll the own ball over grounds by chance; return how many stop there, and the time [s]."""
    rng, start = np.random.default_rng(3), time.perf_counter()
    slopes = np.clip(rng.normal(0.0, PER_SLOPE, (ROLLED, 2)), -0.045, 0.045)
    drag = 1.83**2 / (2.0 * 10.2 * 0.3048)
    energy = 2.0 * drag * LENGTH_M * np.maximum(rng.normal(1.0, 0.12, ROLLED), 0.3)
    ends = roll_out(slopes, 10.2, rng.normal(0.0, math.radians(1.75), ROLLED), np.sqrt(energy))[-1]
    away = np.hypot(ends[:, 0] - LENGTH_M - finish[0], ends[:, 1] - finish[1])
    return int((away < 2.0 * FINISH_SD_M).sum()), time.perf_counter() - start

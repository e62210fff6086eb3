"""How far the stated ranges can be trusted, and whether the reading named first is the best.

Over simulated measurements whose truth is known, and by trying every reading: `tests/simulated.py` and
`tests/trying.py` make them without the formulas that they check.
"""

import numpy as np
from tests.simulated import draws, measured_plane, measured_stations
from tests.trying import cuts_by_trying, named, tried_at_stations

from orthocline.core.sure import Sureness

MEASURED, PLANES, STATIONS = 500, 160, 40


def bench_ranges():
    print(f"ranges of {MEASURED} simulated measurements each: hold the true aim, width against that needed")
    for name, make in (("planes", measured_plane), ("stations", measured_stations)):
        held, reach = [], []
        for seen, uncertainty, true in draws(make, MEASURED, seed=3):
            span = Sureness(seen, uncertainty).range.aim_right_m
            if span is None:
                continue
            off = true.aim_right_m - seen.aim_right_m
            held.append(span.least <= true.aim_right_m <= span.most)
            reach.append(off / ((span.most if off > 0.0 else span.least) - seen.aim_right_m))
        width = 1.0 / np.quantile(reach, 0.95)
        print(f"  {name:9} {100 * np.mean(held):5.1f} % [93-97]   {width:.2f} times [1.2]")


def bench_next():
    rng, shares = np.random.default_rng(9), []
    for seen, uncertainty, _ in draws(measured_plane, PLANES, seed=9):
        tried = cuts_by_trying(seen, uncertainty, rng)
        first = Sureness(seen, uncertainty).next_readings[0]
        shares.append(tried[named(first)] / max(tried.values()))
    say_next("planes", shares)
    shares = []
    for seen, uncertainty, _ in draws(measured_stations, STATIONS, seed=9):
        sure = Sureness(seen, uncertainty)
        tried = tried_at_stations(sure, rng)
        tenth = min(round(10 * sure.next_readings[0].at_m / seen.putt.length_m), 10)
        shares.append(tried[tenth] / max(tried))
    say_next("stations", shares)


def say_next(name, shares):
    least, mean = min(shares), np.mean(shares)
    enough = np.mean(np.array(shares) >= 0.95)
    print(
        f"  {name:9} {len(shares)} putts: of the best cut by trying {100 * mean:.1f} % on the mean,"
        f" {100 * least:.0f} % at least; 95 % or more on {100 * enough:.0f} %"
    )


def bench_sureness():
    """Print how the ranges and the readings named hold against the truth."""
    bench_ranges()
    print("what to find out next: what the reading named first cuts, against every reading tried")
    bench_next()

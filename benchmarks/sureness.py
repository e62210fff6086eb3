"""How far the stated ranges can be trusted, and whether the reading named first is the best.

Over simulated measurements whose truth is known, and by trying every reading: `tests/simulated.py` and
`tests/trying.py` make them without the formulas that they check.
"""

import numpy as np
from tests.simulated import draws, measured_plane, measured_stations
from tests.trying import cuts_by_trying, named, tried_at_stations

from bars import bar
from orthocline.core.sure import Sureness

MEASURED, PLANES, STATIONS = 500, 160, 40


def bench_ranges():
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
        bar(f"95 % ranges of simulated {name} hold the true aim", 100 * np.mean(held), "%", least=93, most=97)
        bar(f"their width against that needed, {name}", width, "times", most=1.2)


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
    told = f"every reading tried on {len(shares)} putts; {100 * min(shares):.0f} % at least"
    bar(
        f"the reading named first cuts, of the best cut, {name}",
        100 * np.mean(shares),
        "%",
        least=95,
        against=told,
    )


def bench_sureness():
    """How the ranges and the readings named hold against the truth."""
    bench_ranges()
    bench_next()

"""Surveyed greens: the fit against a plain search, rolls on a grid, and the redraw of a map."""

import math
import statistics
import time
from concurrent.futures import ThreadPoolExecutor

import numpy as np
from scipy.linalg import cholesky, solve_triangular
from scipy.optimize import minimize

from applications import unlimited
from bars import bar
from orthocline.core.chart import ChartReading, surveyed
from orthocline.core.roll import Point, Putt, RollPast, read
from orthocline.core.roll.rollers import outcomes_of
from orthocline.core.survey import Survey
from orthocline.core.survey.field import Field, covariance
from orthocline.db.server.migrate import upgrade
from orthocline.services.demo.greens import DEMO_GREENS

COUNTS, RUNS, ROLLS, CORES, EDITS = {40: 100, 200: 600}, 5, 10_000, 2, 60
MAP_MS = 80


def bench_greens(url):
    """Print how long fits, rolls and redraws take."""
    for count, most in COUNTS.items():
        bench_fit(count, most)
    bench_rolls()
    bench_map(url)


def some_arrows(count, rng):
    """Return the arrows of a walk over the potato crisp, in places drawn by chance."""
    green = DEMO_GREENS[4]
    readings = []
    for x, y in rng.uniform((-9.0, 2.0), (9.0, 18.0), (count, 2)).tolist():
        east, north = green.ground.slope(x, y, green.ground.parameters)
        size, toward = math.hypot(east, north) + rng.normal(0.0, 0.005), math.atan2(-north, -east)
        readings.append(ChartReading((x, y), "arrow", toward + rng.normal(0.0, 0.2), abs(size)))
    return tuple(readings)


def bench_fit(count, most):
    """A fit with its field against Nelder and Mead's simplex on the same likelihood."""
    times = []
    for run in range(RUNS):  # other readings each time: what was fitted once is kept
        survey = Survey(surveyed(some_arrows(count, np.random.default_rng(run)), {}))
        start = time.perf_counter()
        fit = survey.fit
        times.append(time.perf_counter() - start)
    start = time.perf_counter()
    found = minimize(lambda logs: cost(fit, logs), np.log([0.015, 5.0]), method="Nelder-Mead")
    plain = time.perf_counter() - start
    ms, lost = (
        1e3 * statistics.median(times),
        cost(fit, np.log([fit.field.slope_sd, fit.field.length_m])) - found.fun,
    )
    said = f"a plain simplex search {1e3 * plain / ms:.0f} times as long, likelier by {lost:.1f} (log)"
    bar(f"fit of {count} arrows with its field", ms, "ms", most=most, against=said)


def cost(fit, logs):
    """Return minus the logarithm of the likelihood of what was read, by a field."""
    field = Field(*np.exp(logs))
    noisy = covariance(fit.looks, fit.looks, field) + np.diag(fit.sds**2)
    factor = cholesky(noisy, lower=True)
    told = solve_triangular(factor, fit.values, lower=True)
    off = logs - np.log([0.015, 5.0])
    return 0.5 * told @ told + np.log(factor.diagonal()).sum() + 0.5 * off @ off / math.log(4.0) ** 2


def bench_rolls():
    """Rolls on a grid of as many launches, shared out over two threads."""
    putt = Putt(Point(-2.0, 5.0), Point(1.0, 12.0), DEMO_GREENS[4].ground, 10.0, RollPast(0.3))
    solved, rng = read(putt), np.random.default_rng(2)
    spread = rng.normal(0.0, (0.02, 0.06), (ROLLS, 2))
    launches = np.column_stack(
        [solved.launch_right_rad + spread[:, 0], solved.launch_speed_mps * (1.0 + spread[:, 1])]
    )
    outcomes = outcomes_of(putt)
    outcomes(launches[:10])
    with ThreadPoolExecutor(CORES) as pool:
        start = time.perf_counter()
        found = np.concatenate(list(pool.map(outcomes, np.array_split(launches, CORES))))
        took = time.perf_counter() - start
    bar(f"{len(found):,} rolls on a grid to rest, {CORES} threads", 1e3 * took, "ms", most=250)


def bench_map(url):
    """Redraws of the map of a green with 40 arrows: after an edit, while dragging, of a place looked at."""
    upgrade(url)
    app = unlimited(url, WTF_CSRF_ENABLED=False)
    client = app.test_client()
    client.post("/sign-up", data={"name": "Keeper", "password": "four unrelated hedgehogs"})
    said = {"course": "Links", "green": "crisp", "deep": "20 m", "wide": "24 m"}
    page = client.post("/greens", data=said).location.partition("?")[0]
    for one in some_arrows(40, np.random.default_rng(3)):
        x, y = one.at_m
        tip = x + 2.0 * math.cos(one.toward_rad), y + 2.0 * math.sin(one.toward_rad)
        begun = {"begun": f"{x}:{y}", "moved": f"new:{tip[0]}:{tip[1]}", "tool": "slope"}
        client.post(page, data=begun, headers={"HX-Request": "true"})
    part = {"HX-Request": "true"}

    def keep(to):
        return client.post(page, data=to, headers=part)

    def show(to):
        return client.get(page, query_string={**to, "held": "1"}, headers=part)

    def look(to):
        tapped = to["moved"].replace("reading-7", "tap")
        return client.get(page, query_string={"moved": tapped}, headers=part)

    for name, ask, before in (
        ("an edit typed", keep, None),
        ("a drag kept", keep, show),
        ("a drag shown", show, None),
        ("a place looked at", look, None),
    ):
        times = []
        for i in range(EDITS):
            to = {"tool": "slope", "moved": f"reading-7:{0.1 * i - 3.0:.2f}:{9.0 + 0.05 * i:.2f}"}
            if before:
                before(to)
            start = time.perf_counter()
            assert ask(to).status_code == 200
            times.append(1e3 * (time.perf_counter() - start))
        said = f"median {np.median(times):.0f} ms"
        bar(
            f"map of 40 arrows, {name}, 95 % within",
            np.percentile(times, 95),
            "ms",
            most=MAP_MS,
            against=said,
        )
    app.extensions["orthocline_engine"].dispose()

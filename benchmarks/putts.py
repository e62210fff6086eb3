"""Putts solved: against shooting with SciPy, on a plane, a grid and stations, in wind, and many at once."""

import math
import statistics
import time
from dataclasses import replace

import numpy as np
from scipy.integrate import solve_ivp
from scipy.optimize import root

from bars import bar
from orthocline.core.ground import UNSAID, Grid, Reading, Station, Stations, plane_from_grade, stations_of
from orthocline.core.roll import Point, Putt, RollPast, Wind, read, roller, rolling_deceleration_mps2
from orthocline.core.roll.aim import aim
from orthocline.core.roll.plane_aim import PAST, aims_on_plane
from orthocline.core.roll.rollers import outcomes_of
from orthocline.core.units import FOOT_M, INCH_M

WINDY, STATIONED, ANY_READ_MS = 400, 100, 100
PUTT = Putt(
    Point(0.0, 0.0),
    Point(14 * FOOT_M, 0.0),
    plane_from_grade(1 / 168, -0.021, 0.0),
    10.2,
    RollPast(12 * INCH_M),
)


STATIONS = (Station(0.2, 0.02, 0.0), Station(0.5, 0.0, 0.01), Station(0.8, -0.015, 0.005))


def closed_form(putt=PUTT):
    """Solve a putt and return its aim [m] and 100 points of its path."""
    solved = aim(putt)
    points = roller(putt, solved)(solved.launch).even_times(0.0, solved.time_to_hole_s, 100)
    return putt.length_m * math.tan(solved.launch.right_rad), points


def shooting(putt=PUTT, tolerance=1e-8):
    """Solve the same putt by shooting with DOP853, and return its aim [m]."""
    drag = rolling_deceleration_mps2(putt.green_speed_ft)
    slope, ground = putt.surface.slope, putt.surface.parameters

    def motion(_t, state):
        v = state[2:4]
        speed = math.hypot(*v)
        pull = -5.0 / 7.0 * 9.80665 * np.array(slope(state[0], state[1], ground))
        return [*v, *(pull - drag * v / speed), speed]

    def rests(_t, state):
        return math.hypot(state[2], state[3]) - 1e-3

    def passes(_t, state):
        return state[0] - putt.length_m

    rests.terminal = True

    def miss(launch):
        angle, speed = launch
        start = [0.0, 0.0, speed * math.cos(angle), speed * math.sin(angle), 0.0]
        run = solve_ivp(
            motion, (0, 60), start, method="DOP853", rtol=tolerance, atol=1e-10, events=[rests, passes]
        )
        if not len(run.y_events[1]):
            return [1.0, run.y[4, -1] - putt.length_m - putt.pace.past_m]
        hole = run.y_events[1][0]
        return [hole[1], run.y[4, -1] - hole[4] - putt.pace.past_m]

    plane = aim(replace(putt, surface=putt.mean_plane)).launch
    found = root(miss, [-plane.right_rad, plane.speed_mps], method="hybr", options={"xtol": 1e-10})
    return -putt.length_m * math.tan(found.x[0])


def whole_read(putt):
    """Read a putt with everything that is worked out when it is asked for."""
    solved = read(putt)
    return solved.entry_window_hours, solved.path, solved.path_past, solved.warnings


def timed(work, runs):
    """Return the median time [s] of a call."""
    work()
    times = []
    for _ in range(runs):
        start = time.perf_counter()
        work()
        times.append(time.perf_counter() - start)
    return statistics.median(times)


def shot_ms():
    """Return how long a putt takes to be shot with SciPy [ms]: how fast this machine is now."""
    return 1e3 * timed(shooting, 7)


def bench_plane():
    """A putt on a plane against shooting."""
    exact, _ = closed_form()
    shot = shooting()
    fast, slow, whole = timed(closed_form, 2000), timed(shooting, 7), timed(lambda: whole_read(PUTT), 300)
    told = f"shot with SciPy (DOP853) {1e3 * slow:.0f} ms; aims {1e3 * abs(exact - shot):.4f} mm apart"
    bar("a putt on a plane, solved with 100 points", 1e3 * fast, "ms", against=told)
    bar("it is faster than shooting", slow / fast, "times", least=500)
    bar("the whole read of it, make window and all", 1e3 * whole, "ms", most=ANY_READ_MS)


def a_green():
    """Return a grid of 160 by 160 heights, a quarter of a metre apart: a tilt, a tier and some swells."""
    x, y = np.meshgrid(0.25 * np.arange(160) - 10.0, 0.25 * np.arange(160) - 20.0)
    heights = (
        0.012 * x - 0.018 * y + 0.1 * np.tanh((x - 3.0) / 0.8) + 0.02 * np.sin(x / 1.7) * np.cos(y / 2.3)
    )
    return Grid((-10.0, -20.0), 0.25, heights)


def bench_grid():
    """A read of the same putt on a grid against shooting to half a millimetre on the same surface."""
    green, solves, wholes = a_green(), [], []
    for length in (8, 11, 14, 18, 22, 30):
        putt = replace(PUTT, hole=Point(length * FOOT_M, 0.0), surface=green)
        solves.append(timed(lambda putt=putt: closed_form(putt), 30))
        wholes.append(timed(lambda putt=putt: whole_read(putt), 10))
    putt = replace(PUTT, surface=green)
    exact, shot = closed_form(putt)[0], shooting(putt, 1e-6)
    fast, slow = timed(lambda: closed_form(putt), 50), timed(lambda: shooting(putt, 1e-6), 3)
    told = f"14 ft shot with SciPy {1e3 * slow:.0f} ms, {slow / fast:.0f} times as long"
    told += f"; aims {1e3 * abs(exact - shot):.3f} mm apart"
    bar("putts on a grid of 160 x 160, median", 1e3 * statistics.median(solves), "ms", against=told)
    bar("the whole reads of them, median", 1e3 * statistics.median(wholes), "ms", most=ANY_READ_MS)


def some_readings(rng):
    """Return two to five readings of tilt and rise along a putt."""
    ways = (0.0, 0.5 * math.pi)
    places = rng.choice(np.linspace(0.0, 1.0, 9), rng.integers(2, 6), replace=False).tolist()
    return [Reading(at, way, float(rng.normal(0.0, 0.015)), "level") for at in places for way in ways]


def bench_stations():
    """Reads on stations, readings made into them included, against shooting one."""
    rng, times = np.random.default_rng(3), []
    for length in rng.uniform(1.5, 9.0, STATIONED).tolist():
        readings = some_readings(rng)

        def solve(length=length, readings=readings):
            ground = Stations((0.0, 0.0), (length, 0.0), stations_of(readings, length, UNSAID))
            return closed_form(replace(PUTT, hole=Point(length, 0.0), surface=ground))

        times.append(timed(solve, 7))
    shown = replace(PUTT, surface=Stations((0.0, 0.0), (PUTT.length_m, 0.0), STATIONS))
    exact, shot = closed_form(shown)[0], shooting(shown)
    slow = timed(lambda: shooting(shown), 3)
    told = f"shot with SciPy {1e3 * slow:.0f} ms; aims {1e3 * abs(exact - shot):.3f} mm apart"
    bar("a putt on stations, median", 1e3 * statistics.median(times), "ms", most=2, against=told)


def bench_batches():
    rng, count = np.random.default_rng(2), 4000
    drag = np.array([rolling_deceleration_mps2(speed) for speed in rng.uniform(8, 13, count)])
    pull, hole = drag * rng.uniform(0.0, 0.6, count), rng.uniform(0.0, math.pi, count)
    lengths, pasts = rng.uniform(1.0, 15.0, count), rng.uniform(0.0, 1.0, count)
    aims = timed(lambda: aims_on_plane(drag, pull, hole, lengths, PAST, pasts), 9)
    bar("an aim on a plane, of many", 1e6 * aims / count, "µs")
    for name, putt in (("a plane", PUTT), ("a grid", replace(PUTT, surface=a_green()))):
        solved, outcomes = aim(putt).launch, outcomes_of(putt)
        right, speed = rng.normal(solved.right_rad, 0.03, count), rng.normal(1.0, 0.06, count)
        launches = np.column_stack([right, solved.speed_mps * speed])
        took = timed(lambda launches=launches, outcomes=outcomes: outcomes(launches), 9)
        bar(f"a roll on {name} with its drop, of many", 1e6 * took / count, "µs")


def some_windy_putt(rng):
    """Return a putt from anywhere in what may be asked, in wind."""
    length, slope = rng.uniform(0.3, 60.0), rng.normal(0.0, 0.03, 2).clip(-0.15, 0.15)
    wind = Wind(float(rng.uniform(0.5, 25.0)), float(rng.uniform(-math.pi, math.pi)))
    pace = RollPast(float(rng.choice((0.15, 0.3, 0.5, 2.0))))
    ground = plane_from_grade(*map(float, slope), 0.0)
    return Putt(Point(0, 0), Point(float(length), 0), ground, float(rng.uniform(5, 14)), pace, wind=wind)


def bench_wind():
    rng, times = np.random.default_rng(5), []
    whole_read(some_windy_putt(np.random.default_rng(6)))  # brings what is compiled from the disk
    for putt in [some_windy_putt(rng) for _ in range(WINDY)]:
        start = time.process_time()
        whole_read(putt)
        times.append(1e3 * (time.process_time() - start))
    told = f"median {np.median(times):.1f} ms"
    bar(f"a read in wind, worst of {WINDY}", max(times), "ms", most=ANY_READ_MS, against=told)


def bench_putts():
    """Print how long putts take."""
    for part in (bench_plane, bench_grid, bench_stations, bench_batches, bench_wind):
        part()

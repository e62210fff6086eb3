"""`make bench`: the figures of merit as ratios against the alternatives, measured in one run.

1. A plane read (solve and 100 path points) against shooting with SciPy's `solve_ivp` to the same aim; the
   same on a grid of 160 by 160 heights.
2. Batches: aims and rolls of many putts at once, on a plane and on the grid.
3. Reads in wind over the whole range that may be asked, the worst beside the median.
4. How far stated ranges hold, and whether the reading named first is the best (`sureness.py`); what a watched
   ball implies (`watched.py`); surveyed greens (`greens.py`) and their files (`green_files.py`); every call
   (`calls.py`); how firm (`holing.py`); what the log teaches (`learning.py`); training (`training.py`); a
   whole green (`study.py`).
5. Server time of a Read redraw, alone, with eight clients at once and beside 64 slow sockets, as served.
6. The pages and the archive of a log of 20,000 putts, and the memory that they take.
7. Page weight over the wire, compressed, fonts included; and the wait of the first visitor.
"""

import http.client
import math
import os
import re
import socket
import statistics
import subprocess
import sys
import tempfile
import threading
import time
from contextlib import ExitStack
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path
from urllib.parse import urlencode, urlsplit

import numpy as np
from scipy.integrate import solve_ivp
from scipy.optimize import root
from sqlalchemy import NullPool, create_engine, text

from archive import bench_bringing_in
from calls import bench_calls
from carry import bench_carry
from client import enter, fetch, fetch_archive, some_address
from green_files import bench_green_files
from greens import bench_greens
from holing import bench_holing
from learning import bench_learning
from log import bench_log
from orthocline.core.ground import UNSAID, Grid, Reading, Station, Stations, plane_from_grade, stations_of
from orthocline.core.roll import Point, Putt, RollPast, Wind, read, roller, rolling_deceleration_mps2
from orthocline.core.roll.aim import aim
from orthocline.core.roll.plane_aim import PAST, aims_on_plane
from orthocline.core.roll.rollers import outcomes_of
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.db.server.cluster import ensure_running
from orthocline.db.server.settings import var_folder
from orthocline.web.shared.read_address import demo_values
from orthocline.wording.wording import USUAL_WORDING
from reads import bench_reads
from sureness import bench_sureness
from training import bench_training
from watched import bench_watched
from weight import bench_weight

CLIENTS, REQUESTS = 8, 60
WINDY, SLOW, MANY, STATIONED = 400, 64, 20_000, 100
GREENS = """INSERT INTO greens (golfer_id, course_id, name)
SELECT golfer_id, id, 'green ' || n FROM courses, generate_series(0, 17) AS n"""
FILL = """INSERT INTO logged_putts (golfer_id, created_at, course_id, green_id, length_m, putt_document,
read_document, model_version, green_speed_ft)
SELECT p.golfer_id, p.created_at - n * interval '7 minutes', p.course_id, g.id, length_m, putt_document,
read_document, model_version, green_speed_ft
FROM (SELECT * FROM logged_putts ORDER BY id DESC LIMIT 1) AS p CROSS JOIN generate_series(1, :n) AS n
JOIN greens AS g ON g.course_id = p.course_id AND g.name = 'green ' || n % 18"""
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


def bench_core():
    exact, _ = closed_form()
    shot = shooting()
    fast, slow, whole = timed(closed_form, 2000), timed(shooting, 7), timed(lambda: whole_read(PUTT), 300)
    print("plane read: solve and 100 path points")
    print(f"  closed form            {1e3 * fast:8.3f} ms")
    print(f"  shooting with DOP853   {1e3 * slow:8.1f} ms   aim differs by {1e3 * abs(exact - shot):.4f} mm")
    print(f"  ratio                  {slow / fast:8.0f} times")
    print(f"  the whole read, make window and all {1e3 * whole:.2f} ms")


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
    print("read on a grid of 160 x 160: solve and 100 path points")
    print(f"  six putts of 8 to 30 ft  median {1e3 * statistics.median(solves):.2f} ms")
    print(f"  14 ft {1e3 * fast:.2f} ms; shooting {1e3 * slow:.0f} ms, {slow / fast:.0f} times")
    print(f"  aims differ by {1e3 * abs(exact - shot):.3f} mm")
    print(f"  the whole reads, make window and all: median {1e3 * statistics.median(wholes):.1f} ms")


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
    print(f"read on stations: median {1e3 * statistics.median(times):.2f} ms of {STATIONED}, ", end="")
    print(
        f"worst {1e3 * max(times):.1f}; shooting {1e3 * slow:.0f} ms, {1e3 * abs(exact - shot):.3f} mm apart"
    )


def bench_batches():
    rng, count = np.random.default_rng(2), 4000
    drag = np.array([rolling_deceleration_mps2(speed) for speed in rng.uniform(8, 13, count)])
    pull, hole = drag * rng.uniform(0.0, 0.6, count), rng.uniform(0.0, math.pi, count)
    lengths, pasts = rng.uniform(1.0, 15.0, count), rng.uniform(0.0, 1.0, count)
    aims = timed(lambda: aims_on_plane(drag, pull, hole, lengths, PAST, pasts), 9)
    print(f"batches: a plane aim {1e6 * aims / count:.2f} us", end="")
    for name, putt in (("plane roll", PUTT), ("grid roll", replace(PUTT, surface=a_green()))):
        solved, outcomes = aim(putt).launch, outcomes_of(putt)
        right, speed = rng.normal(solved.right_rad, 0.03, count), rng.normal(1.0, 0.06, count)
        launches = np.column_stack([right, solved.speed_mps * speed])
        took = timed(lambda launches=launches, outcomes=outcomes: outcomes(launches), 9)
        print(f", a {name} with its drop {1e6 * took / count:.2f} us", end="")
    print()


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
    print(f"wind read, anywhere in range: median {np.median(times):.1f} ms, worst {max(times):.1f} ms of CPU")


def redraw_address(base, i):
    putt = demo_values(USUAL_WORDING, datetime.now(UTC)) | {"length": f"{10 + i % 40 * 0.5} ft"}
    return f"{base}/read?{urlencode(putt)}"


def redraws(base, clients):
    """Return the times [s] of redraws by so many clients at once."""
    times = []

    def client(first):
        # The connection is kept alive and the cookie sent back, as browsers do.
        connection = http.client.HTTPConnection(urlsplit(base).netloc)
        connection.request("GET", redraw_address("", 0), headers=some_address())
        solved = connection.getresponse()
        cookie = (solved.headers["Set-Cookie"] or "").split(";")[0]
        solved.read()
        headers = {"HX-Request": "true", "Accept-Encoding": "gzip", "Cookie": cookie}
        for i in range(REQUESTS):
            address = redraw_address("", first + i)
            start = time.perf_counter()
            connection.request("GET", address, headers=headers | some_address())
            connection.getresponse().read()
            times.append(time.perf_counter() - start)
        connection.close()

    threads = [threading.Thread(target=client, args=(7 * n,)) for n in range(clients)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return np.array(times) * 1e3


def bench_database():
    """Return the address of a fresh database."""
    cluster = ensure_running(var_folder())
    cluster.create_database("orthocline_bench", fresh=True)
    return cluster.url("orthocline_bench")


def serve(log, url):
    """Serve on a free port; gunicorn writes each request's server time [us] to `log`."""
    os.environ["GUNICORN_CMD_ARGS"] = f"--access-logfile {log} --access-logformat %(D)s"
    os.environ["ORTHOCLINE_PROXIES"] = "1"
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    os.environ["DATABASE_URL"] = url
    start = time.perf_counter()
    command = [sys.executable, "-m", "orthocline.cli.main", "serve", "--port", str(port)]
    process = subprocess.Popen(command, stdout=subprocess.DEVNULL)
    base = f"http://127.0.0.1:{port}"
    while True:
        try:
            fetch(base + "/cautions")
            return process, base, time.perf_counter() - start
        except OSError:
            time.sleep(0.05)


def spread(ms):
    return f"median {np.median(ms):5.1f} ms   p95 {np.percentile(ms, 95):5.1f} ms"


def bench_server():
    with tempfile.TemporaryDirectory() as folder:
        log, url = Path(folder, "requests"), bench_database()
        process, base, started = serve(log, url)
        try:
            first = fetch(redraw_address(base, 0))[0]
            print(f"server: {started:.1f} s from the command to the served page")
            print(f"  first visitor's read   {1e3 * first:8.1f} ms (no compile pause)")
            for clients in (1, CLIENTS):
                before = len(log.read_text().split())
                seen = redraws(base, clients)
                served = np.array(log.read_text().split()[before:], dtype=float) / 1e3
                print(f"  redraw, {clients} at once: server time  {spread(served)}   {len(served)} requests")
                print(f"                    with queueing {spread(seen)}   as the clients see it")
            bench_slow(base)
            bench_long_log(base, url, process.pid)
            bench_weight(redraw_address(base, 0))
        finally:
            process.terminate()
            process.wait()


def bench_slow(base):
    """Redraw while half requests, half bodies and idle connections are held open."""
    host, port = urlsplit(base).hostname, urlsplit(base).port
    halves = (b"GET /read HTTP/1.1\r\nHost: x", b"POST /log HTTP/1.1\r\nContent-Length: 90\r\n\r\nx", b"")
    with ExitStack() as stack:
        for i in range(SLOW):
            stranger = stack.enter_context(socket.create_connection((host, port)))
            stranger.sendall(halves[i % 3])
        print(f"  beside {SLOW} slow sockets  {spread(redraws(base, 1))}   as the client sees it")


def resident_kb(pid):
    """Return the memory that the workers of a master ever held at once [kB]."""
    workers = Path(f"/proc/{pid}/task/{pid}/children").read_text().split()
    return sum(
        int(re.search(r"VmHWM:\s+(\d+)", Path(f"/proc/{worker}/status").read_text())[1]) for worker in workers
    )


def bench_long_log(base, url, pid):
    cookie = enter(base)
    engine = create_engine(url, poolclass=NullPool)
    with engine.begin() as connection:
        connection.execute(text(GREENS))
        connection.execute(text(FILL), {"n": MANY - 1})
    with engine.connect().execution_options(isolation_level="AUTOCOMMIT") as connection:
        connection.execute(text("VACUUM ANALYZE logged_putts"))  # as the server itself does in a minute
        oldest = connection.scalar(
            text(
                "SELECT (extract(epoch FROM created_at) * 1e6)::bigint || '-' || id FROM logged_putts"
                " ORDER BY created_at OFFSET 100 LIMIT 1"
            )
        )
    print(f"log of {MANY:,} putts")
    pages = {
        "newest page": "/log",
        "filtered": "/log?place=green+7",
        "none fits": "/log?place=nowhere",
        "far back": f"/log?before={oldest}",
    }
    for name, path in pages.items():
        times = [1e3 * fetch(base + path, cookie)[0] for _ in range(15)]
        print(f"  {name:12s} {spread(np.array(times))}")
    before = resident_kb(pid)
    seconds, archive = fetch_archive(base, cookie)
    grown = (resident_kb(pid) - before) / 1e3
    print(
        f"  archive      {len(archive) / 1e6:.1f} MB in {seconds:.1f} s; the workers grew by {grown:.0f} MB"
    )
    bench_bringing_in(url, archive)


if __name__ == "__main__":
    for part in (bench_core, bench_grid, bench_stations, bench_batches, bench_wind, bench_sureness):
        part()
    bench_watched()
    bench_training(bench_database())
    bench_greens(bench_database())
    bench_green_files()
    bench_carry(bench_database())
    bench_calls()
    bench_holing(bench_database())
    bench_log(bench_database())
    bench_learning()
    bench_reads()
    bench_server()

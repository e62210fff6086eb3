"""`make bench`: the figures of merit as ratios against the alternatives, measured in one run.

1. A plane read (solve and 100 path points) against shooting with SciPy's `solve_ivp` to the same aim.
2. Server time of a Read redraw, alone and with eight clients at once, on the processes `serve` runs.
3. Page weight over the wire, compressed, fonts included; and the wait of the first visitor.
"""

import gzip
import http.client
import json
import math
import os
import socket
import statistics
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
from pathlib import Path
from urllib.parse import urlencode, urlsplit

import numpy as np
from scipy.integrate import solve_ivp
from scipy.optimize import root

from orthocline.core.api import FOOT_M, INCH_M, Point, Putt, RollPast, aim, plane_from_grade, read, roller
from orthocline.core.green_speed import rolling_deceleration_mps2
from orthocline.db.settings import database_url
from orthocline.web.read.forms import SPINDRIFT

CLIENTS, REQUESTS = 8, 60
PUTT = Putt(
    Point(0.0, 0.0),
    Point(14 * FOOT_M, 0.0),
    plane_from_grade(1 / 168, -0.021, 0.0),
    10.2,
    RollPast(12 * INCH_M),
)


def closed_form(putt=PUTT):
    """Solve a putt and return its aim [m] and 100 points of its path."""
    solved = aim(putt)
    points = roller(putt, solved)(solved.launch).even_times(0.0, solved.time_to_hole_s, 100)
    return putt.length_m * math.tan(solved.launch.right_rad), points


def shooting(putt=PUTT, tolerance=1e-8):
    """Solve the same putt by shooting with DOP853, and return its aim [m]."""
    drag = rolling_deceleration_mps2(putt.green_speed_ft)
    rise = putt.surface.parameters
    pull = -5.0 / 7.0 * 9.80665 * rise

    def motion(_t, state):
        v = state[2:4]
        speed = math.hypot(*v)
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

    level = math.sqrt(2 * drag * (putt.length_m + putt.pace.past_m))
    found = root(miss, [-0.08, 1.05 * level], method="hybr", options={"xtol": 1e-10})
    return -putt.length_m * math.tan(found.x[0])


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
    fast, slow, whole = timed(closed_form, 2000), timed(shooting, 7), timed(lambda: read(PUTT), 300)
    print("plane read: solve and 100 path points")
    print(f"  closed form            {1e3 * fast:8.3f} ms")
    print(f"  shooting with DOP853   {1e3 * slow:8.1f} ms   aim differs by {1e3 * abs(exact - shot):.4f} mm")
    print(f"  ratio                  {slow / fast:8.0f} times")
    print(f"  the whole read, make window and all {1e3 * whole:.2f} ms")


def fetch(address, headers=None):
    start = time.perf_counter()
    with urllib.request.urlopen(urllib.request.Request(address, headers=headers or {})) as answer:
        body = answer.read()
    return time.perf_counter() - start, body


def redraw_address(base, i):
    return f"{base}/read?{urlencode({**SPINDRIFT, 'length': f'{10 + i % 40 * 0.5} ft'})}"


def redraws(base, clients):
    """Return the times [s] of redraws by so many clients at once."""
    times = []

    def client(first):
        # The connection is kept alive and the cookie sent back, as browsers do.
        connection = http.client.HTTPConnection(urlsplit(base).netloc)
        connection.request("GET", redraw_address("", 0))
        answer = connection.getresponse()
        cookie = (answer.headers["Set-Cookie"] or "").split(";")[0]
        answer.read()
        headers = {"HX-Request": "true", "Accept-Encoding": "gzip", "Cookie": cookie}
        for i in range(REQUESTS):
            address = redraw_address("", first + i)
            start = time.perf_counter()
            connection.request("GET", address, headers=headers)
            connection.getresponse().read()
            times.append(time.perf_counter() - start)
        connection.close()

    threads = [threading.Thread(target=client, args=(7 * n,)) for n in range(clients)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return np.array(times) * 1e3


def serve(log):
    """Serve on a free port; gunicorn writes each request's server time [us] to `log`."""
    os.environ["GUNICORN_CMD_ARGS"] = f"--access-logfile {log} --access-logformat %(D)s"
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    os.environ["DATABASE_URL"] = database_url()
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
        log = Path(folder, "requests")
        process, base, started = serve(log)
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
            bench_weight(base)
        finally:
            process.terminate()
            process.wait()


def bench_weight(base):
    page = fetch(redraw_address(base, 0))[1]
    static = Path(__file__).parents[1] / "src/orthocline/web/static"
    sizes = {"page": len(gzip.compress(page))}
    for path in sorted(static.rglob("*")):
        if path.suffix in (".css", ".js"):
            sizes[path.name] = len(gzip.compress(path.read_bytes()))
        elif path.suffix == ".woff2":
            sizes[path.name] = path.stat().st_size
    part = len(gzip.compress(fetch(redraw_address(base, 0), {"HX-Request": "true"})[1]))
    print(f"weight: first visit {sum(sizes.values()) / 1e3:.0f} kB, a redraw {part / 1e3:.1f} kB (gzip)")
    print("  " + json.dumps(sizes))


if __name__ == "__main__":
    bench_core()
    bench_server()

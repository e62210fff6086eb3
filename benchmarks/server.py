"""The application as it is served: redraws, a long log, its archive, and the weight of pages."""

import http.client
import json
import os
import re
import socket
import subprocess
import sys
import tempfile
import threading
import time
from contextlib import ExitStack
from datetime import UTC, datetime
from pathlib import Path
from urllib.parse import urlencode, urlsplit

import numpy as np
from sqlalchemy import NullPool, create_engine, text

from archive import bench_bringing_in
from bars import bar
from client import enter, fetch, fetch_archive, some_address
from orthocline.web.shared.read_address import demo_values
from orthocline.wording.wording import USUAL_WORDING
from weight import bench_weight

CLIENTS, REQUESTS, SLOW, MANY = 8, 60, 64, 20_000
GREENS = """INSERT INTO greens (golfer_id, course_id, name)
SELECT golfer_id, id, 'green ' || n FROM courses, generate_series(0, 17) AS n"""
FILL = """INSERT INTO logged_putts (golfer_id, created_at, course_id, green_id, length_m, putt_document,
read_document, model_version, green_speed_ft)
SELECT p.golfer_id, p.created_at - n * interval '7 minutes', p.course_id, g.id, length_m, putt_document,
read_document, model_version, green_speed_ft
FROM (SELECT * FROM logged_putts ORDER BY id DESC LIMIT 1) AS p CROSS JOIN generate_series(1, :n) AS n
JOIN greens AS g ON g.course_id = p.course_id AND g.name = 'green ' || n % 18"""


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


def serve(log, url):
    """Serve on a free port; what the application says of each request goes to `log`."""
    os.environ["ORTHOCLINE_PROXIES"] = "1"
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    os.environ["DATABASE_URL"] = url
    start = time.perf_counter()
    command = [sys.executable, "-m", "orthocline.cli.main", "serve", "--port", str(port)]
    with log.open("wb") as said:
        process = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=said)
    base = f"http://127.0.0.1:{port}"
    while True:
        try:
            fetch(base + "/cautions")
            return process, base, time.perf_counter() - start
        except OSError:
            time.sleep(0.05)


def server_times(log):
    """Return how long each read took once its turn had come [ms]."""
    told = [json.loads(line) for line in log.read_text().splitlines() if line.startswith("{")]
    reads = [one for one in told if one["event"] == "request" and one["route"] == "/read"]
    return np.array([one["ms"] - one["waited_ms"] for one in reads])


def spread(ms):
    return f"{np.median(ms):.0f} ms, 95 % within {np.percentile(ms, 95):.0f}"


def bench_server(url):
    """Print how long a served application takes."""
    with tempfile.TemporaryDirectory() as folder:
        log = Path(folder, "requests")
        process, base, started = serve(log, url)
        try:
            first = fetch(redraw_address(base, 0))[0]
            bar("from the command to the served page", started, "s", against="with the demo loaded")
            bar("the first visitor's read", 1e3 * first, "ms", against="nothing is compiled in between")
            for clients, median, most in ((1, 25, None), (CLIENTS, None, 60)):
                before = len(server_times(log))
                seen = redraws(base, clients)
                served = server_times(log)[before:]
                what, said = (
                    f"a redraw, {clients} at once: server time",
                    f"as the clients see it {spread(seen)}",
                )
                bar(f"{what}, median", np.median(served), "ms", most=median)
                bar(f"{what}, 95 % within", np.percentile(served, 95), "ms", most=most, against=said)
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
        bar(f"a redraw beside {SLOW} slow sockets, as the client sees it", np.median(redraws(base, 1)), "ms")


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
    pages = {
        "newest page": "/log",
        "filtered": "/log?place=green+7",
        "none fits": "/log?place=nowhere",
        "far back": f"/log?before={oldest}",
    }
    for name, path in pages.items():
        times = [1e3 * fetch(base + path, cookie)[0] for _ in range(15)]
        bar(f"log of {MANY:,} putts, {name}, median", np.median(times), "ms")
    before = resident_kb(pid)
    seconds, archive = fetch_archive(base, cookie)
    grown = (resident_kb(pid) - before) / 1e3
    bar(f"archive of {MANY:,} putts out", seconds, "s", most=20, against=f"{len(archive) / 1e6:.1f} MB")
    bar("the workers' memory grew by", grown, "MB")
    bench_bringing_in(url, archive)

"""`make load`: two hundred golfers at once, each with a season of 2,000 putts.

usage: load.py [-s SECONDS] [-d DATABASE]: with what other seasons made, or a fresh club.

They are played by locust in an environment of its own, on the same cores. The application is served as the
command serves it, with its limits and behind a proxy's word: by one worker, by two, and by two applications
on ports of their own behind nginx, against one database. Said are the times that a golfer waits, in the queue
too, saves a second, what failed, and how the memory of the workers goes.
"""

import csv
import http.client
import os
import re
import signal
import subprocess
import sys
import tempfile
import time
from contextlib import ExitStack, closing, contextmanager
from pathlib import Path

import click

from applications import SECRET, fresh_database
from orthocline.db.server.cluster import ensure_running
from orthocline.db.server.settings import var_folder
from ports import free_port
from season import fill

GOLFERS, A_SECOND = 200, 2
"""So many a second sign in: a password is scrambled on purpose as slowly as a read is worked out."""
SETTLES_S = 30
"""As in `locustfile.py`."""
DATABASE = "orthocline_load"
HERE = Path(__file__).parent
LOCUST = HERE.parent / ".venv-load/bin/locust"
SERVE = [sys.executable, "-m", "orthocline.cli.main", "serve", "--port"]
NGINX = """daemon off; pid nginx.pid; error_log error.log;
events {{ worker_connections 1024; }}
http {{
  access_log off; client_body_temp_path body; proxy_temp_path proxy; fastcgi_temp_path f; scgi_temp_path s;
  uwsgi_temp_path u;
  upstream greens {{ server 127.0.0.1:{0}; server 127.0.0.1:{1}; keepalive 32; }}
  server {{
    listen 127.0.0.1:{2};
    location / {{
      proxy_pass http://greens; proxy_http_version 1.1; proxy_set_header Connection "";
      proxy_set_header Host $host; proxy_set_header X-Forwarded-For $http_x_forwarded_for;
    }}
  }}
}}
"""


def asked(port, path):
    with closing(http.client.HTTPConnection("127.0.0.1", port, timeout=60)) as connection:
        connection.request("GET", path)
        return connection.getresponse().read().decode()


@contextmanager
def running(command, port, path="/readyz", **more):
    """Keep a program running once its port answers."""
    process = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, **more)
    try:
        while process.poll() is None:
            try:
                asked(port, path)
                break
            except OSError:
                time.sleep(0.1)
        yield process
    finally:
        process.send_signal(signal.SIGTERM)
        process.wait()


def served(url, workers, *, jobs=True):
    """Return what keeps an application running, and its port."""
    port = free_port()
    said = {"PROXIES": 1, "DEMO": 0, "WORKERS": workers, "JOBS": int(jobs), "LOG": "warning"}
    more = {f"ORTHOCLINE_{name}": str(value) for name, value in (said | {"SECRET": SECRET}).items()}
    return port, running([*SERVE, str(port)], port, env=os.environ | more | {"DATABASE_URL": url})


def behind_nginx(stack, ports):
    """Start nginx before two applications; return its port."""
    folder, port = stack.enter_context(tempfile.TemporaryDirectory()), free_port()
    Path(folder, "nginx.conf").write_text(NGINX.format(*ports, port))
    Path(folder).chmod(0o755)
    stack.enter_context(running(["/usr/sbin/nginx", "-p", folder, "-c", "nginx.conf"], port, "/healthz"))
    return port


def memory_mb(ports):
    """Return the memory of all workers of some applications [MB]."""
    told = "".join(asked(port, "/metrics") for port in ports)
    found = re.findall(r"^orthocline_worker_resident_bytes{.*} (\S+)", told, re.M)
    return sum(map(float, found)) / 1e6


def played(name, port, ports, seconds):
    """Let the golfers play, and say how it went; return whether nothing failed."""
    with tempfile.TemporaryDirectory() as folder:
        lasts = seconds + GOLFERS // A_SECOND + SETTLES_S
        command = [str(LOCUST), "-f", str(HERE / "locustfile.py"), "--headless", "--only-summary"]
        command += ["--host", f"http://127.0.0.1:{port}", "-u", str(GOLFERS), "-r", str(A_SECOND)]
        command += ["-t", f"{lasts}s", "--csv", f"{folder}/load"]
        process = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        memory = []
        while process.poll() is None:
            memory.append(memory_mb(ports))
            time.sleep(max(2.0, seconds / 20))
        with open(f"{folder}/load_stats.csv", encoding="utf-8") as file:
            rows = {row["Name"]: row for row in csv.DictReader(file)}
        with open(f"{folder}/load_failures.csv", encoding="utf-8") as file:
            failed = [f"{row['Name']}: {row['Error']}: {row['Occurrences']}" for row in csv.DictReader(file)]
    print(f"{name}: {GOLFERS} golfers, {seconds} s")
    for one, row in rows.items():
        times = f"half within {row['50%']} ms, 95 % {row['95%']} ms, 99 % {row['99%']} ms"
        count = f"{int(row['Request Count']):6,} at {float(row['Requests/s']):5.1f} a second"
        print(f"  {one:10} {count}, {times}, failed {row['Failure Count']}")
    for one in failed:
        print(f"  failed: {one[:200]}")
    begun = memory[len(memory) // 4 :]
    print(f"  memory of the workers: {begun[0]:.0f} MB, at the end {begun[-1]:.0f} MB")
    return not any(int(row["Failure Count"]) for row in rows.values())


@click.command()
@click.option(
    "-s", "--seconds", default=600, help="How long two workers are asked; the others a tenth of it."
)
@click.option("-w", "--workers", "only", default=0, help="So many workers alone.")
@click.option("-d", "--database", default="", help="A database of seasons that is there.")
def main(seconds, database, only):
    """Measure."""
    url = ensure_running(var_folder()).url(database or DATABASE)
    if not database:
        begun = time.monotonic()
        fill(fresh_database(DATABASE), GOLFERS)
        print(f"a club of {GOLFERS} made in {time.monotonic() - begun:.0f} s")
    tenth = max(30, seconds // 10)
    if only:
        right = one_machine(url, only, seconds)
    else:
        # All are asked, whatever failed before.
        right = all([one_machine(url, 1, tenth), one_machine(url, 2, seconds), two_behind_nginx(url, tenth)])
    sys.exit(0 if right else 1)


def one_machine(url, workers, seconds):
    port, application = served(url, workers)
    with application:
        return played(f"workers: {workers}", port, [port], seconds)


def two_behind_nginx(url, seconds):
    with ExitStack() as stack:
        two = [served(url, 1, jobs=jobs) for jobs in (True, False)]
        ports = [port for port, _ in two]
        for _, application in two:
            stack.enter_context(application)
        return played("two applications behind nginx", behind_nginx(stack, ports), ports, seconds)


if __name__ == "__main__":
    main()

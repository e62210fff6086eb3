"""`make chaos`: what was acknowledged is kept once, whatever is killed meanwhile.

Golfers note, save, measure and finish without pause, give files of putts and greens, take archives and bring
them in again; each sends a form again until it is acknowledged, and some once more. Meanwhile workers, the
master, the worker of jobs and what it does, single connections and the whole database are killed without
warning. Then the tables are compared with what was acknowledged, which stands outside of all that is killed.
"""

import os
import random
import signal
import socket
import subprocess
import sys
import tempfile
import threading
import time
from collections import Counter
from itertools import cycle, islice
from pathlib import Path

import psycopg

from chaos_golfers import Golfer, Keeper
from orthocline.db.server.cluster import ensure_running, stop
from ports import free_port

SECONDS = float(os.environ.get("CHAOS_SECONDS", "110"))
GOLFERS, KEEPERS = 7, 2
KINDS = (
    *("worker", "backend", "jobs", "worker", "backend", "work"),
    *("worker", "database", "backend", "worker", "work", "master"),
)
"""In this order, again and again; what is not there just now is passed over."""
COMMAND = [sys.executable, "-m", "orthocline.cli.main"]


class Service:
    """The application on a folder of its own, started again whenever it ends."""

    def __init__(self, var):
        self.var = var
        self.port = free_port()
        more = {"ORTHOCLINE_VAR": str(var), "ORTHOCLINE_PROXIES": "1", "ORTHOCLINE_DEMO": "0"}
        self.environment = {k: v for k, v in os.environ.items() if k != "DATABASE_URL"} | more
        self.process = None

    def run(self, *arguments):
        quiet = {"stdout": subprocess.DEVNULL, "stderr": subprocess.DEVNULL}
        return subprocess.Popen([*COMMAND, *arguments], env=self.environment, **quiet)

    def keep(self):
        """Start it if it does not run."""
        if self.process is None or self.process.poll() is not None:
            self.process = self.run("serve", "--port", str(self.port))

    def answers(self):
        with socket.socket() as probe:
            return probe.connect_ex(("127.0.0.1", self.port)) == 0

    def kill_worker(self):
        children = Path(f"/proc/{self.process.pid}/task/{self.process.pid}/children").read_text().split()
        os.kill(int(random.choice(children)), signal.SIGKILL)

    def kill_jobs(self):
        """Kill the worker of jobs, whatever it is at."""
        os.kill(
            next(pid for pid in _below(self.process.pid) if "orthocline.jobs" in _command(pid)),
            signal.SIGKILL,
        )

    def kill_work(self):
        """Kill a process in which a job is done, or is to be."""
        work = [pid for pid in _below(self.process.pid) if "multiprocessing" in _command(pid)]
        os.kill(random.choice(work), signal.SIGKILL)

    def kill_master(self):
        self.process.kill()
        self.process.wait()

    def kill_backend(self):
        """Kill one connection's process; all others of the server go down with it and come back."""
        backends = [pid for pid in self._servers() if "orthocline_app" in _command(pid)]
        os.kill(random.choice(backends), signal.SIGKILL)

    def kill_database(self):
        """Kill the server itself; then start it as a person would."""
        os.kill(int((self.var / "postgres/postmaster.pid").read_text().split()[0]), signal.SIGKILL)
        assert self.run("db", "start").wait() == 0

    def _servers(self):
        data = self.var / "postgres"
        for cwd in Path("/proc").glob("[0-9]*/cwd"):
            try:
                if os.path.samefile(cwd, data):
                    yield int(cwd.parent.name)
            except OSError:
                continue


def _below(pid):
    """Yield the processes that a process began, and those began."""
    for told in Path(f"/proc/{pid}/task").glob("*/children"):
        for child in map(int, told.read_text().split()):
            yield child
            yield from _below(child)


def _command(pid):
    try:
        return Path(f"/proc/{pid}/cmdline").read_text()
    except OSError:
        return ""


def mayhem(service, until):
    """Kill something every few seconds; return how often what."""
    kills, order = Counter(), cycle(KINDS)
    while time.monotonic() < until:
        time.sleep(random.uniform(1.0, 4.0))
        service.keep()
        for name in islice(order, len(KINDS)):
            try:
                getattr(service, f"kill_{name}")()
            except (OSError, IndexError, StopIteration):
                continue
            kills[name] += 1
            break
        service.keep()
    return kills


def compare(url, golfers):
    """Return what is lost, and what is there more than once."""
    lost, doubled = [one for golfer in golfers for one in golfer.broken], []
    with psycopg.connect(url.replace("+psycopg", "")) as connection:
        for golfer in golfers:
            for kind, marker in golfer.acknowledged:
                table, column = kind.split(".")
                query = f"SELECT count(*) FROM {table} WHERE {column} = %s"
                count = connection.execute(query, (marker,)).fetchone()[0]
                if count != 1:
                    (doubled if count else lost).append((kind, marker))
            for marker, along in golfer.finishes.items():
                query = "SELECT finish_along_m FROM logged_putts WHERE note = %s"
                found = connection.execute(query, (marker,)).fetchone()
                if not found or found[0] is None or abs(found[0] - along) > 1e-6:
                    lost.append(("finish", marker))
        query = "SELECT 'job', kind FROM jobs WHERE state IN ('waiting', 'running')"
        lost += connection.execute(query).fetchall()
        for table, column in (("logged_putts", "key"), ("speed_notes", "key"), ("jobs", "key")):
            query = f"SELECT {column} FROM {table} GROUP BY golfer_id, {column} HAVING count(*) > 1"
            doubled += connection.execute(query).fetchall()
    return lost, doubled


def main():
    """Play, kill, compare; end with 1 if anything was lost or doubled."""
    start = time.monotonic()
    with tempfile.TemporaryDirectory(ignore_cleanup_errors=True) as folder:
        service = Service(Path(folder, "var"))
        service.keep()
        while not service.answers():
            time.sleep(0.1)
        golfers = [Golfer(service.port, number) for number in range(1, GOLFERS + 1)]
        golfers += [Keeper(service.port, GOLFERS + number) for number in range(1, KEEPERS + 1)]
        for golfer in golfers:
            golfer.enter()
        threads = [threading.Thread(target=golfer.play) for golfer in golfers]
        for thread in threads:
            thread.start()
        kills = mayhem(service, time.monotonic() + SECONDS)
        for golfer in golfers:
            golfer.ends.set()
        while any(thread.is_alive() for thread in threads):
            service.keep()
            time.sleep(0.2)
        service.process.terminate()
        service.process.wait()
        lost, doubled = compare(ensure_running(service.var).url(), golfers)
        stop(service.var)
    entered = sum(len(golfer.acknowledged) + len(golfer.finishes) for golfer in golfers)
    retries = sum(golfer.retries for golfer in golfers)
    told = ", ".join(f"{count} {name}" for name, count in sorted(kills.items()))
    print(f"killed {kills.total()} times: {told}")
    print(f"waited for {sum(golfer.jobs for golfer in golfers)} jobs")
    print(f"acknowledged {entered}, sent again {retries} times, lost {len(lost)}, doubled {len(doubled)}")
    for one in lost + doubled:
        print("  ", *one)
    print(f"{time.monotonic() - start:.0f} s")
    sys.exit(1 if lost or doubled else 0)


if __name__ == "__main__":
    main()

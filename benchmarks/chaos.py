"""`make chaos`: what was acknowledged is kept once, whatever is killed meanwhile.

Golfers note, save, measure and finish without pause, each sending a form again until it is acknowledged.
Meanwhile workers, the master, single connections and the whole database are killed without warning. Then the
tables are compared with what was acknowledged, which stands outside of all that is killed.
"""

import html
import http.client
import os
import random
import re
import signal
import socket
import subprocess
import sys
import tempfile
import threading
import time
from collections import Counter
from dataclasses import dataclass, field
from itertools import cycle
from pathlib import Path
from urllib.parse import urlencode
from uuid import uuid4

import psycopg

from orthocline.db.server.cluster import ensure_running, stop

SECONDS = float(os.environ.get("CHAOS_SECONDS", "75"))
CLIENTS = 8
PASSWORD = "four unrelated hedgehogs"
COMMAND = [sys.executable, "-m", "orthocline.cli.main"]
ANSWERED = 303


@dataclass
class Golfer:
    """One golfer's browser, and what was acknowledged to it."""

    port: int
    number: int
    acknowledged: list[tuple[str, str]] = field(default_factory=list)
    finishes: dict[str, float] = field(default_factory=dict)
    retries: int = 0
    cookie: str = ""
    token: str = ""
    ends: threading.Event = field(default_factory=threading.Event)

    def ask(self, method, path, fields=None):
        """Send one request; return status, address to go on to, and page; status 0 for no answer."""
        headers = {"X-Forwarded-For": f"192.0.2.{self.number}", "Cookie": self.cookie}
        body = None
        if fields is not None:
            body, headers["Content-Type"] = urlencode(fields), "application/x-www-form-urlencoded"
        connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=15)
        try:
            connection.request(method, path, body, headers)
            answer = connection.getresponse()
            page = answer.read().decode()
        except (OSError, http.client.HTTPException):
            return 0, "", ""
        finally:
            connection.close()
        if answer.headers["Set-Cookie"]:
            self.cookie = answer.headers["Set-Cookie"].split(";")[0]
        return answer.status, answer.headers["Location"] or "", page

    def insist(self, path, fields):
        """Send a form again and again until it is acknowledged; return where it leads."""
        sent = {**fields, "csrf_token": self.token, "key": str(uuid4())}
        while True:
            status, location, _ = self.ask("POST", path, sent)
            if status == ANSWERED:
                return location
            if status not in (0, 503, 429):
                raise AssertionError(f"{path} answers {status}")
            self.retries += 1
            time.sleep(0.2)

    def see(self, path):
        """Return a page, however long it takes."""
        while True:
            status, _, page = self.ask("GET", path)
            if status == 200:
                return page
            time.sleep(0.2)

    def take_token(self, path):
        """Take the guard against forged forms from a page."""
        self.token = html.unescape(re.search(r'name="csrf_token" value="([^"]+)"', self.see(path))[1])

    def enter(self):
        """Sign up."""
        self.take_token("/sign-up")
        self.insist("/sign-up", {"name": f"Golfer {self.number}", "password": PASSWORD})
        self.take_token("/log")

    def play(self):
        """Enter things until told to end."""
        rng = random.Random(self.number)
        while not self.ends.is_set():
            marker = uuid4().hex
            deed = rng.choice((self.note, self.note, self.save, self.measure))
            deed(marker, rng)

    def note(self, marker, rng):
        where = self.insist("/log/note", {"length": "20 ft", "note": marker})
        self.acknowledged.append(("logged_putts.note", marker))
        along = rng.randint(1, 90)
        finish = {"along": f"{along} cm", "along_way": "past", "across": "3 cm", "across_way": "left"}
        self.insist(where, finish)
        self.finishes[marker] = along / 100.0

    def save(self, marker, rng):
        self.insist("/log", {"length": f"{rng.randint(3, 30)} ft", "course": marker})
        self.acknowledged.append(("courses.name", marker))

    def measure(self, marker, rng):
        posted = {"by": "posted", "posted": f"{rng.randint(8, 12)}", "course": "Ternholm", "note": marker}
        self.insist("/speed/without-a-ramp", posted)
        self.acknowledged.append(("speed_notes.note", marker))


class Service:
    """The application on a folder of its own, started again whenever it ends."""

    def __init__(self, var):
        self.var = var
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            self.port = probe.getsockname()[1]
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


def _command(pid):
    try:
        return Path(f"/proc/{pid}/cmdline").read_text()
    except OSError:
        return ""


def mayhem(service, until):
    """Kill something every other second; return how often what."""
    kills = Counter()
    order = cycle(("worker", "backend", "master", "database", "backend", "worker"))
    while time.monotonic() < until:
        time.sleep(random.uniform(0.5, 2.5))
        service.keep()
        name = next(order)
        try:
            getattr(service, f"kill_{name}")()
            kills[name] += 1
        except (OSError, IndexError):
            continue  # what was to be killed is not there just now
        service.keep()
    return kills


def compare(var, golfers):
    """Return what is lost, and what is there more than once."""
    lost, doubled = [], []
    with psycopg.connect(ensure_running(var).url().replace("+psycopg", "")) as connection:
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
        for table, column in (("logged_putts", "key"), ("speed_notes", "key")):
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
        golfers = [Golfer(service.port, number) for number in range(1, CLIENTS + 1)]
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
        lost, doubled = compare(service.var, golfers)
        stop(service.var)
    entered = sum(len(golfer.acknowledged) + len(golfer.finishes) for golfer in golfers)
    retries = sum(golfer.retries for golfer in golfers)
    print(f"killed: {', '.join(f'{count} {name}' for name, count in sorted(kills.items()))}")
    print(f"acknowledged {entered}, sent again {retries} times, lost {len(lost)}, doubled {len(doubled)}")
    print(f"{time.monotonic() - start:.0f} s")
    sys.exit(1 if lost or doubled else 0)


if __name__ == "__main__":
    main()

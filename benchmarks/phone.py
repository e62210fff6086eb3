"""A phone on the course: how soon its page opens without a signal, and whether anything is lost or doubled.

Run by itself (`make chaos`) it notes putts and kills at four points, each so many times: the browser once a
putt is on its disk; a worker of the server while the putt is on its way or being kept; the answer; and the
browser once the answer has come. Then the log is compared with what was noted.
"""

import os
import random
import signal
import subprocess
import sys
import tempfile
import time
from contextlib import suppress
from pathlib import Path

import psycopg
from selenium import webdriver
from selenium.common.exceptions import WebDriverException
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service as Driver
from selenium.webdriver.common.by import By
from tests.signal_lost import Air
from urllib3.exceptions import HTTPError

from chaos import Service
from chaos_golfers import PASSWORD
from orthocline.db.server.cluster import ensure_running, stop

TIMES = int(os.environ.get("CUTS", "50"))
STARTS = 20
FLAGS = (
    "--headless=new --no-sandbox --disable-gpu --disable-quic --disable-dev-shm-usage"
    " --disable-background-networking --disable-component-update --disable-sync --no-first-run"
)
PATIENCE_S = 60.0
UNTIL_S = 0.05
NAME = "Nils Outwith"
COOKIES_S = 35.0
"""Chromium writes cookies to its disk every half minute."""


class Phone:
    """A browser with a disk of its own, which outlives it."""

    def __init__(self, folder, address):
        self.folder, self.address = folder, address
        self.start()

    def start(self):
        options = Options()
        options.binary_location = "/usr/bin/chromium"
        for flag in [*FLAGS.split(), f"--user-data-dir={self.folder}"]:
            options.add_argument(flag)
        self.driver = webdriver.Chrome(options=options, service=Driver("/usr/bin/chromedriver"))

    def kill(self):
        """End the browser as an empty battery does."""
        os.kill(self.driver.service.process.pid, signal.SIGSTOP)
        subprocess.run(["pkill", "-KILL", "-f", f"user-data-dir={self.folder}"], check=False)
        os.kill(self.driver.service.process.pid, signal.SIGKILL)
        self.driver.service.process.wait()
        Path(self.folder, "SingletonLock").unlink(missing_ok=True)

    def find(self, selector):
        return self.driver.find_element(By.CSS_SELECTOR, selector)

    def until(self, true, what):
        ends = time.monotonic() + PATIENCE_S
        while time.monotonic() < ends:
            try:
                if true():
                    return
            except WebDriverException:
                pass
            time.sleep(UNTIL_S)
        raise AssertionError(f"never {what}")

    def open(self, path="/course"):
        self.driver.get(self.address + path)

    def sign_up(self):
        self.open("/sign-up?next=/course")
        self.find("#name").send_keys(NAME)
        self.find("#password").send_keys(PASSWORD)
        self.find("#stays").click()
        self.find("main form button").click()
        self.until(lambda: "opens without" in self.find("#ready").text, "kept")

    def note(self, feet):
        """Note a putt whose length tells it from all others."""
        self.until(lambda: self.find("#length").is_displayed(), "ready")
        self.find("#length").send_keys(str(feet))
        self.find("[data-does=holed]").click()
        self.until(lambda: f"{feet} ft" in self.find("#noted").text, f"noted {feet}")

    def all_in(self):
        return "Nothing waits" in self.find("#queue-head").text


def starts(phone, air):
    """Return how long the page takes to open without a signal, sorted [ms]."""
    air.there = False
    took = []
    for _ in range(STARTS):
        phone.driver.get("about:blank")
        begun = time.perf_counter()
        phone.open("/")
        phone.until(lambda: phone.find("#length").is_displayed(), "open")
        took.append(1000.0 * (time.perf_counter() - begun))
    air.there = True
    return sorted(took)


def kept_then_killed(phone, air, _service, feet):
    """The browser is killed once the putt is on its disk, before it is sent."""
    air.there = False
    phone.note(feet)
    phone.kill()
    air.there = True
    phone.start()
    phone.open()


def killed_while_kept(phone, air, service, feet):
    """A worker is killed while the putt is on its way, or is being kept."""

    def kill():
        air.deeds.clear()
        # Before the server has it, while it keeps it, or after: as it comes.
        pids = " ".join(map(str, service.workers()))
        subprocess.Popen(["sh", "-c", f"sleep {random.uniform(0.0, 0.05):.3f}; kill -9 {pids}"])
        return False

    air.deeds = {"sending": kill}
    phone.note(feet)


def answer_lost(phone, air, _service, feet):
    """The server has kept it, and its answer does not come."""
    air.lose("answering", 1)
    phone.note(feet)


def killed_when_answered(phone, air, _service, feet):
    """The browser is killed as the answer comes, before the putt leaves its disk."""
    done = []
    air.deeds = {"answered": lambda: done.append(phone.kill())}
    # It may be killed before it can say that it is noted.
    with suppress(WebDriverException, AssertionError, OSError, HTTPError):
        phone.note(feet)
    ends = time.monotonic() + PATIENCE_S
    while not done and time.monotonic() < ends:
        time.sleep(UNTIL_S)
    air.deeds.clear()
    phone.start()
    phone.open()


POINTS = (kept_then_killed, killed_while_kept, answer_lost, killed_when_answered)


class Answering(Service):
    """The application, whose workers have numbers."""

    def workers(self):
        told = Path(f"/proc/{self.process.pid}/task/{self.process.pid}/children").read_text().split()
        return [int(pid) for pid in told if "orthocline.jobs" not in Path(f"/proc/{pid}/cmdline").read_text()]


def in_log(var):
    with psycopg.connect(ensure_running(var).url().replace("+psycopg", "")) as connection:
        query = (
            "SELECT round((length_m / 0.3048)::numeric), count(*) FROM logged_putts"
            " JOIN golfers ON golfers.id = golfer_id WHERE name = %s GROUP BY 1"
        )
        return {int(feet): count for feet, count in connection.execute(query, (NAME,))}


def main():
    """Note, kill, compare; end with 1 if anything was lost or doubled."""
    with tempfile.TemporaryDirectory(ignore_cleanup_errors=True) as folder:
        service = Answering(Path(folder, "var"))
        service.keep()
        while not service.answers():
            time.sleep(0.1)
        air = Air(f"http://127.0.0.1:{service.port}")
        phone = Phone(f"{folder}/phone", air.address)
        phone.sign_up()
        time.sleep(COOKIES_S)
        took = starts(phone, air)
        print(f"the page opens without a signal in {took[len(took) // 2]:.0f} ms (worst {took[-1]:.0f})")
        noted, wrong = 0, 0
        for point in POINTS:
            begun, before = time.monotonic(), in_log(service.var)
            feet = range(len(before) + 1, len(before) + 1 + TIMES)
            phone.open()
            for one in feet:
                point(phone, air, service, one)
            air.deeds.clear()
            phone.open()
            phone.until(phone.all_in, "sent")
            counts = in_log(service.var)
            lost = [one for one in feet if one not in counts]
            doubled = [one for one in feet if counts.get(one, 0) > 1]
            noted, wrong = noted + TIMES, wrong + len(lost) + len(doubled)
            print(
                f"{point.__doc__[:-1]}: {TIMES} times, lost {len(lost)}, doubled {len(doubled)}"
                f" ({time.monotonic() - begun:.0f} s)",
                flush=True,
            )
        phone.kill()
        air.end()
        service.process.terminate()
        service.process.wait()
        stop(service.var)
    print(f"{noted} putts noted, {wrong} wrong")
    sys.exit(1 if wrong else 0)


if __name__ == "__main__":
    main()

"""A job in a process of its own: bounded, stopped, and never left behind by a worker that was killed."""

import os
import signal
import subprocess
import sys
import time
from pathlib import Path
from threading import Event, Thread

import pytest
from sqlalchemy import text
from sqlalchemy.orm import Session

from orthocline.db.jobs.models import Job
from orthocline.jobs.confined import Bounds, EndedError, carry_out_confined
from orthocline.jobs.worker import worker_of
from orthocline.services.jobs.jobs import MOST_OPEN, STOPPED
from tests.conftest import PASSWORD
from tests.page import text as said

WAITS = "datname = current_database() AND wait_event_type = 'Lock' AND query LIKE '%jobs%'"
WORKS = "import sys\nfrom orthocline.jobs.confined import carry_out_confined\n" + (
    "carry_out_confined(sys.argv[1], int(sys.argv[2]), lambda: False)\n"
)


@pytest.fixture
def tove(committed):
    client = committed.test_client()
    client.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    client.post("/log", data={"length": "14 ft"})
    client.url = committed.config["DATABASE_URL"]
    client.engine = committed.extensions["orthocline_engine"]
    return client


@pytest.fixture
def asked(tove):
    """The number of a job that waits."""
    return int(tove.post("/account/export").location.rpartition("/")[2])


def how(tove, number):
    with Session(tove.engine) as session:
        job = session.get(Job, number)
        return job.state, job.why


def confined(tove, number, **bounds):
    carry_out_confined(tove.url, number, lambda: False, Bounds(**bounds))


def test_it_is_done_in_another_process(tove, asked):
    worker_of(tove.url, confined=True).run_worker(wait=False, install_signal_handlers=False)
    assert how(tove, asked) == ("done", "")
    assert tove.get(f"/jobs/{asked}/result", buffered=True).data[:2] == b"PK"


@pytest.mark.parametrize("bounds", [{"memory": 1 << 20}, {"at_all_s": 0.0}, {"core_s": 0}])
def test_what_takes_too_much_is_stopped_and_says_so(tove, asked, bounds):
    confined(tove, asked, **bounds)
    assert how(tove, asked) == ("failed", STOPPED)
    assert STOPPED in said(tove.get(f"/jobs/{asked}"))
    confined(tove, asked)
    assert how(tove, asked) == ("failed", STOPPED), "it is not done in secret"


def test_a_worker_that_is_told_to_end_leaves_the_job_to_the_next(tove, asked):
    with tove.engine.begin() as held:
        held.execute(text("SELECT * FROM jobs FOR UPDATE"))
        told = Event()
        told.set()
        with pytest.raises(EndedError):
            carry_out_confined(tove.url, asked, told.is_set)
    confined(tove, asked)
    assert how(tove, asked) == ("done", "")


def test_a_job_whose_database_went_away_is_no_failed_one(tove, asked):
    found = []

    def ask():
        try:
            confined(tove, asked)
        except EndedError as error:
            found.append(error)

    with tove.engine.connect() as held:
        held.execute(text("SELECT * FROM jobs FOR UPDATE"))
        worker = Thread(target=ask)
        worker.start()
        assert until(lambda: waiting(tove.engine))
        with tove.engine.begin() as other:
            other.execute(text(f"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE {WAITS}"))
        worker.join(60)
    assert len(found) == 1
    assert how(tove, asked) == ("waiting", "")
    confined(tove, asked)
    assert how(tove, asked) == ("done", "")


def waiting(engine):
    """The processes of the database that wait for a lock on jobs."""
    with engine.connect() as connection:
        return connection.scalar(text(f"SELECT count(*) FROM pg_stat_activity WHERE {WAITS}"))


def until(true):
    deadline = time.monotonic() + 60
    while time.monotonic() < deadline:
        if true():
            return True
        time.sleep(0.05)
    return False


def beside(pid):
    """All processes that a process began, and those began."""
    for tasks in Path("/proc").glob("[0-9]*/stat"):
        try:
            parent = int(tasks.read_text().rpartition(")")[2].split()[1])
        except OSError:
            continue
        if parent == pid:
            child = int(tasks.parent.name)
            yield child
            yield from beside(child)


def gone(pid):
    try:
        return Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()[0] == "Z"
    except OSError:
        return True


def test_nobody_goes_on_with_a_job_whose_worker_was_killed(tove, asked):
    with tove.engine.connect() as held:
        held.execute(text("SELECT * FROM jobs FOR UPDATE"))
        worker = subprocess.Popen([sys.executable, "-c", WORKS, tove.url, str(asked)])
        assert until(lambda: waiting(tove.engine))
        begun = list(beside(worker.pid))
        assert begun
        os.kill(worker.pid, signal.SIGKILL)
        worker.wait()
        assert until(lambda: all(map(gone, begun)))
    confined(tove, asked)
    assert how(tove, asked) == ("done", "")


def test_so_many_jobs_of_a_golfer_wait_at_once_and_no_more(tove):
    asked = [tove.post("/account/export", data={"key": f"{n:032x}"}) for n in range(1, MOST_OPEN + 2)]
    assert [one.status_code for one in asked] == [303] * MOST_OPEN + [422]
    assert "wait for one" in said(asked[-1])
    again = tove.post("/account/export", data={"key": f"{1:032x}"})
    assert again.location == asked[0].location, "the same is no other"
    tove.post(f"{asked[0].location}/cancel")
    assert tove.post("/account/export").status_code == 303

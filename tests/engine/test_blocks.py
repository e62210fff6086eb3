"""Work in blocks: on this machine's processes, on a cluster's; with workers killed and the scheduler lost."""

import os
import signal
import subprocess
import sys
import time
from contextlib import closing, contextmanager
from pathlib import Path

import pytest
from distributed import LocalCluster

from orthocline.engine import blocks
from orthocline.engine.blocks import BLOCK, SCHEDULER, EngineError, worked_out
from tests.engine import work

pytestmark = pytest.mark.filterwarnings("ignore")
"""What a library says of a worker that was killed is no fault here."""


@pytest.fixture(autouse=True)
def alone(monkeypatch):
    """No cluster, unless a test says so."""
    monkeypatch.delenv(SCHEDULER, raising=False)


@contextmanager
def cluster(workers):
    with LocalCluster(n_workers=workers, threads_per_worker=1, dashboard_address=None) as started:
        yield started


def done(task, asked, count=24):
    return dict(worked_out(task, asked, list(range(count))))


def test_every_item_is_worked_out_once_by_other_processes():
    found = done(work.squared, 2, 41)
    assert {number: one for number, (one, _) in found.items()} == {i: 2 * i * i for i in range(41)}
    assert os.getpid() not in {pid for _, pid in found.values()}


def test_a_cluster_works_it_out_when_it_is_named(monkeypatch):
    with cluster(1) as started:
        monkeypatch.setenv(SCHEDULER, started.scheduler_address)
        (pid,) = {worker.process.pid for worker in started.workers.values()}
        assert {by for _, by in done(work.squared, 1).values()} == {pid}


def test_a_block_that_fails_once_is_tried_again(tmp_path):
    assert done(work.once_failing, str(tmp_path)) == {i: i for i in range(24)}
    assert (tmp_path / "3").exists()


def test_a_block_that_always_fails_ends_the_work_and_says_why():
    with pytest.raises(EngineError, match="never"):
        done(work.always_failing, None)


def test_what_a_killed_worker_was_at_is_done_by_another(tmp_path):
    assert done(work.once_killing, str(tmp_path)) == {i: i for i in range(24)}
    assert (tmp_path / "3").exists()


def test_what_was_told_is_not_done_again_where_its_worker_is_killed(tmp_path, monkeypatch):
    with cluster(1) as started:
        monkeypatch.setenv(SCHEDULER, started.scheduler_address)
        assert done(work.late_killing, str(tmp_path)) == {i: i for i in range(24)}
    assert [len(list(tmp_path.glob(f"{i}-*"))) for i in (0, 8, 15)] == [1, 1, 1]


def test_what_kills_every_worker_ends_the_work():
    with pytest.raises(EngineError):
        done(work.always_killing, None, BLOCK)


def test_a_scheduler_that_goes_away_ends_the_work(tmp_path, monkeypatch):
    monkeypatch.setattr(blocks, "WAIT_S", 5.0)
    serves = "from distributed import LocalCluster; import time\n" + (
        "if __name__ == '__main__':\n"
        "    c = LocalCluster(n_workers=1, threads_per_worker=1, dashboard_address=None)\n"
        "    print(c.scheduler_address, flush=True); time.sleep(600)\n"
    )
    script = tmp_path / "serves.py"
    script.write_text(serves)
    environment = {**os.environ, "PYTHONPATH": str(Path(__file__).parents[2])}
    process = subprocess.Popen([sys.executable, script], stdout=subprocess.PIPE, text=True, env=environment)
    try:
        monkeypatch.setenv(SCHEDULER, process.stdout.readline().strip())
        found = worked_out(work.slow, str(tmp_path), list(range(800)))
        next(found)
        os.kill(process.pid, signal.SIGKILL)
        with pytest.raises(EngineError):
            list(found)
    finally:
        process.kill()
        process.wait()
        process.stdout.close()


def test_no_scheduler_is_said(monkeypatch):
    monkeypatch.setattr(blocks, "WAIT_S", 0.5)
    monkeypatch.setenv(SCHEDULER, "tcp://127.0.0.1:9")
    with pytest.raises(EngineError, match=r"127\.0\.0\.1:9"):
        done(work.squared, 1)


def test_a_cluster_without_workers_is_said(monkeypatch):
    monkeypatch.setattr(blocks, "WAIT_S", 0.5)
    with cluster(0) as started:
        monkeypatch.setenv(SCHEDULER, started.scheduler_address)
        with pytest.raises(EngineError, match="No cluster"):
            done(work.squared, 1)


def test_workers_of_another_release_do_nothing(monkeypatch):
    with cluster(1) as started:
        monkeypatch.setenv(SCHEDULER, started.scheduler_address)
        monkeypatch.setattr(blocks, "version", lambda _: "0.0.1")
        with pytest.raises(EngineError, match=r"0\.0\.1 is asked"):
            done(work.squared, 1)


def test_what_is_closed_is_not_gone_on_with(tmp_path, monkeypatch):
    with cluster(1) as started:
        monkeypatch.setenv(SCHEDULER, started.scheduler_address)
        with closing(worked_out(work.slow, str(tmp_path), list(range(400)))) as found:
            next(found)
        time.sleep(2.0)
        before = len(list(tmp_path.iterdir()))
        time.sleep(1.0)
        assert len(list(tmp_path.iterdir())) == before < 100

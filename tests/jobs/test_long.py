"""A long job: one at a time, on processes of its own that end with it, and gone on with where it was left."""

import os

import pytest
from sqlalchemy import func, select, text
from sqlalchemy.orm import Session

from orthocline.core.chart import Chart, ChartReading
from orthocline.db.account.models import Golfer
from orthocline.db.ground.models import GreenStudy
from orthocline.db.jobs.models import Job, JobPiece
from orthocline.jobs.confined import LONG, EndedError, carry_out_confined
from orthocline.jobs.worker import worker_of
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.services.ground.study_asked import ask_study
from tests.conftest import PASSWORD
from tests.jobs.test_confined import beside, until

LOCKS = "SELECT lock, args->>'long' FROM procrastinate_jobs ORDER BY id DESC LIMIT 3"
LEFT = "SELECT status, scheduled_at - now() FROM procrastinate_jobs WHERE attempts = 101"
CORNERS = ((-1.1, 0.0), (1.1, 0.0), (1.1, 2.6), (-1.1, 2.6))
READ = tuple(ChartReading((x, y), "level", -1.5, 0.02) for x in (-1.0, 1.0) for y in (0.6, 1.3, 2.0))


@pytest.fixture
def studies(committed):
    """Two studies that wait, and the engine and address of their database."""
    client = committed.test_client()
    client.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    client.post("/account/export")
    engine = committed.extensions["orthocline_engine"]
    with Session(engine) as session, session.begin():
        tove = Viewer(session.scalars(select(Golfer).where(Golfer.name == "Tove")).one())
        number = keep_chart(tove, session, Place("Links", "9"), Chart(CORNERS, READ), "charted")
        asked = [ask_study(tove, session, number, speed, "middle", faster=False) for speed in (9.0, 10.0)]
    return engine, committed.config["DATABASE_URL"], asked


def row(engine, study):
    with Session(engine) as session:
        kept = session.get(GreenStudy, study)
        return kept, kept.found, session.get(Job, kept.job_id)


def test_of_the_long_ones_one_is_done_at_a_time_and_others_beside_it(studies):
    engine, _, _ = studies
    with engine.connect() as connection:
        locks = connection.execute(text(LOCKS)).all()
    assert locks[::-1] == [(None, "false"), ("long", "true"), ("long", "true")]


def test_a_worker_does_them_on_processes_of_their_own(studies):
    engine, url, asked = studies
    for _ in asked:
        worker_of(url, confined=True).run_worker(wait=False, concurrency=2, install_signal_handlers=False)
    for study, speed in zip(asked, (9.0, 10.0), strict=True):
        kept, found, job = row(engine, study)
        assert (job.state, job.why, kept.speeds_ft) == ("done", "", [speed])
        assert len(found["played"][0]) == len(found["places_m"]) == job.total


def test_what_was_done_before_the_worker_ended_is_not_done_again(studies):
    engine, url, (study, _) = studies
    number = row(engine, study)[2].id

    def some():
        with Session(engine) as session:
            made = session.scalar(select(func.count()).where(JobPiece.job_id == number))
            return bool(made)

    with pytest.raises(EndedError):
        carry_out_confined(url, number, some, LONG)
    with Session(engine) as session:
        before = session.scalars(select(JobPiece.content).where(JobPiece.job_id == number)).all()
    assert until(lambda: not list(beside_dask())), "its processes end with it"
    carry_out_confined(url, number, lambda: False, LONG)
    _, found, job = row(engine, study)
    assert (job.state, job.why) == ("done", "")
    with Session(engine) as session:
        after = session.scalars(select(JobPiece.content).where(JobPiece.job_id == number)).all()
    assert set(before) < set(after)
    lines = b"".join(after).splitlines()
    assert len(lines) == len(found["places_m"]), "each place once"


def beside_dask():
    """The processes below this one that are workers of the engine."""
    for child in beside(os.getpid()):
        try:
            with open(f"/proc/{child}/cmdline", "rb") as file:
                if b"multiprocessing.spawn" in file.read():
                    yield child
        except OSError:
            continue


def test_one_that_was_left_often_is_begun_again_and_later(studies, monkeypatch):
    engine, url, _ = studies

    def left(*_):
        raise EndedError

    monkeypatch.setattr("orthocline.jobs.worker.carry_out_confined", left)
    with engine.begin() as connection:
        connection.execute(text("DELETE FROM procrastinate_jobs WHERE lock IS NULL"))
        connection.execute(text("UPDATE procrastinate_jobs SET attempts = 100"))
    worker_of(url, confined=True).run_worker(wait=False, concurrency=1, install_signal_handlers=False)
    with engine.connect() as connection:
        status, wait = connection.execute(text(LEFT)).all()[0]
    assert status == "todo"
    assert 480 < wait.total_seconds() < 510

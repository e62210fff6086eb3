"""Work in the background: asked for once, seen, cancelled, swept away, and begun again where it was left."""

from datetime import timedelta

import pytest
from sqlalchemy import func, select
from sqlalchemy import text as sql
from sqlalchemy.orm import Session, sessionmaker

from orthocline.db.jobs.models import Job, JobPiece
from orthocline.db.log.models import LoggedPutt
from orthocline.jobs.worker import worker_of
from orthocline.services.errors import InvalidError
from orthocline.services.jobs import jobs, registry
from orthocline.services.jobs.task import Made
from tests.archived import manifest_of, rows_in
from tests.conftest import PASSWORD
from tests.page import link, parsed, text

FILE = registry.KINDS["archive"].file_of
WAITING = "SELECT count(*) FROM procrastinate_jobs WHERE status = 'todo' AND task_name = 'carry_out'"


@pytest.fixture
def asked(signed_in):
    """The address of a job that waits."""
    return signed_in.post("/account/export").location


def test_a_job_is_asked_for_once_and_waits_in_the_queue(signed_in, session):
    key = {"key": "9f0d9c4e-1f9c-4b62-9c9e-0f3f1f2f6a10"}
    asked = [signed_in.post("/account/export", data=key).location for _ in range(2)]
    assert asked[0] == asked[1]
    assert session.scalar(sql(WAITING)) == 1
    page = signed_in.get(asked[0])
    assert "It waits for its turn" in text(page)
    assert parsed(page).find(id="job")["hx-trigger"] == "every 1s"
    part = signed_in.get(asked[0], headers={"HX-Request": "true"})
    assert part.text.strip().startswith('<section id="job"')
    assert signed_in.get(f"{asked[0]}/result").status_code == 404


def test_what_is_undone_with_its_request_is_not_in_the_queue(signed_in, session, monkeypatch):
    monkeypatch.setattr("orthocline.web.account.routes.url_for", lambda *_a, **_m: 1 / 0)
    assert signed_in.post("/account/export").status_code == 500
    session.expire_all()
    assert session.scalar(sql(WAITING)) == 0


def test_a_cancelled_job_is_not_done(signed_in, asked, session, sessions):
    signed_in.post(f"{asked}/cancel")
    jobs.carry_out(sessions, int(asked.rpartition("/")[2]))
    page = signed_in.get(asked)
    assert "It was cancelled" in text(page)
    assert "hx-trigger" not in parsed(page).find(id="job").attrs
    assert session.scalar(select(func.count()).select_from(JobPiece)) == 0


def test_a_job_is_cancelled_while_it_runs(signed_in, asked, session, sessions, monkeypatch):
    number = int(asked.rpartition("/")[2])

    def cancels_at_the_third(_viewer, _session, _task):
        for count in range(1, 6):
            yield Made(b"x" * jobs.PIECE_LENGTH, count)
            if count == 3:
                signed_in.post(f"{asked}/cancel")

    kind = registry.Kind(lambda *_: 5, cancels_at_the_third, FILE)
    monkeypatch.setitem(registry.KINDS, "archive", kind)
    jobs.carry_out(sessions, number)
    session.expire_all()
    assert session.get(Job, number).state == "cancelled"
    assert session.scalar(select(func.count()).select_from(JobPiece)) == 0


def test_a_neighbour_sees_and_takes_nothing(asked, client, create_golfer, take_along, signed_in):
    made = take_along(signed_in).request.path
    client.post("/sign-out")
    create_golfer("Idris")
    client.post("/sign-in", data={"name": "Idris", "password": PASSWORD})
    for address in (asked, made):
        assert client.get(address).status_code == 404
    assert client.post(f"{asked}/cancel").status_code == 404


def test_what_was_made_a_day_ago_is_swept_away(signed_in, session, sessions, take_along):
    old = take_along(signed_in).request.path
    session.execute(sql("UPDATE jobs SET asked_at = asked_at - :day"), {"day": timedelta(days=1, hours=1)})
    session.commit()
    new = take_along(signed_in).request.path
    jobs.sweep(sessions)
    assert signed_in.get(old).status_code == 404
    assert signed_in.get(new, buffered=True).status_code == 200
    assert session.scalar(select(func.count()).select_from(Job)) == 1


@pytest.fixture
def at_work(committed):
    """A golfer with one putt on an empty database, and what lets a worker do all that waits there."""
    client = committed.test_client()
    client.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    client.post("/log", data={"length": "14 ft"})
    url = committed.config["DATABASE_URL"]

    def work():
        worker_of(url).run_worker(wait=False, install_signal_handlers=False)

    client.work = work
    client.engine = committed.extensions["orthocline_engine"]
    return client


def test_a_job_that_fails_says_so_and_changes_nothing(at_work, monkeypatch):
    kind = registry.Kind(lambda *_: 1, lambda *_: 1 / 0, FILE)
    monkeypatch.setitem(registry.KINDS, "archive", kind)
    asked = at_work.post("/account/export").location
    at_work.work()
    assert "It did not work out" in text(at_work.get(asked))


def test_a_job_that_cannot_be_done_says_why(at_work, monkeypatch):
    def refuses(_viewer, _session, _task):
        yield Made(b"half", 1)
        raise InvalidError("file", "This file is damaged.")

    monkeypatch.setitem(registry.KINDS, "archive", registry.Kind(lambda *_: 2, refuses, FILE))
    asked = at_work.post("/account/export").location
    at_work.work()
    assert "This file is damaged." in text(at_work.get(asked))
    with Session(at_work.engine) as session:
        assert session.scalar(select(func.count()).select_from(JobPiece)) == 0


def test_what_a_killed_worker_left_is_begun_again(at_work):
    asked = at_work.post("/account/export").location
    with at_work.engine.begin() as connection:
        connection.execute(sql("UPDATE jobs SET state = 'running', done = 1"))
        connection.execute(sql("INSERT INTO job_pieces SELECT id, 0, 'half' FROM jobs"))
    at_work.work()
    whole = at_work.get(link(at_work.get(asked), "Take the file"), buffered=True)
    assert len(rows_in(whole.data, "logged_putts")) == 1
    with Session(at_work.engine) as session:
        assert session.scalar(select(func.count()).select_from(LoggedPutt)) == 1


def test_one_that_was_done_as_its_worker_was_killed_keeps_what_it_made(at_work):
    asked = at_work.post("/account/export").location
    at_work.work()
    with at_work.engine.begin() as connection:
        (number,) = connection.execute(sql("SELECT id FROM jobs")).one()
    jobs.carry_out(sessionmaker(at_work.engine), number)
    made = at_work.get(f"{asked}/result", buffered=True).data
    assert manifest_of(made)["golfer"]["name"] == "Tove"

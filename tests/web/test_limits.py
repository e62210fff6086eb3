"""Too many at once from one address: counted by all workers together, said with when to come back."""

import os
import threading

import pytest
from limits import parse

from orthocline.db.request_counts import count_request, forget_requests, requests_counted
from orthocline.web import security
from orthocline.web.app import create_app
from tests.conftest import app_config
from tests.page import text


@pytest.fixture
def limited(committed):
    """Makes clients of applications that limit, on one database, as workers are."""
    made = []

    def make(**more):
        config = {"RATELIMIT_ENABLED": True, **more}
        made.append(create_app(app_config(committed.config["DATABASE_URL"], **config)))
        return made[-1].test_client()

    yield make
    for app in made:
        app.extensions["orthocline_engine"].dispose()


@pytest.fixture
def workers(limited):
    return [limited(), limited()]


def test_tries_to_sign_in_are_counted_over_all_workers(workers):
    wrong = {"name": "x", "password": "y"}
    codes = [workers[i % 2].post("/sign-in", data=wrong).status_code for i in range(11)]
    assert codes == [422] * 10 + [429]
    response = workers[0].post("/sign-in", data=wrong)
    assert 1 <= int(response.headers["Retry-After"]) <= 61
    assert f"Wait {response.headers['Retry-After']} seconds" in text(response)
    other = {"REMOTE_ADDR": "192.0.2.7"}
    assert workers[0].post("/sign-in", data=wrong, environ_base=other).status_code == 422


def test_reads_are_ten_a_second_and_sixty_at_once():
    limit = parse(security.READ_LIMIT)
    assert (limit.amount, limit.get_expiry()) == (60, 6)


def test_sixty_reads_at_once_and_then_a_rest(workers, monkeypatch):
    """With a window of a minute in place of six seconds: a busy machine takes longer for sixty reads."""
    monkeypatch.setattr(
        security, "count_request", lambda *counted: count_request(*counted[:2], 60, counted[3])
    )
    addresses = ("/read", "/speed/ramp", "/speed/without-a-ramp", "/read/roll", "/")
    codes = [workers[i % 2].get(addresses[i % 5]).status_code for i in range(62)]
    assert codes[:60] == [200] * 60
    assert codes[60:] == [429] * 2
    response = workers[0].get("/read", headers={"HX-Request": "true"})
    assert (response.status_code, response.headers["HX-Retarget"]) == (429, "#trouble")
    assert 1 <= int(response.headers["Retry-After"]) <= 61
    assert workers[0].get("/cautions").status_code == 200


def test_counts_begin_anew_when_their_time_is_over(committed):
    engine = committed.extensions["orthocline_engine"]
    assert [count_request(engine, "a", 60, 1) for _ in range(3)] == [1, 2, 3]
    assert count_request(engine, "b", 0, 1) == 1
    assert count_request(engine, "b", 60, 2) == 2
    assert requests_counted(engine, "a")[0] == 3
    assert forget_requests(engine, "a") == 1
    assert requests_counted(engine, "a") == (0, None)


def test_many_at_once_are_all_counted(committed):
    engine = committed.extensions["orthocline_engine"]
    counts = []
    many = [
        threading.Thread(target=lambda: counts.append(count_request(engine, "a", 60, 1))) for _ in range(16)
    ]
    for one in many:
        one.start()
    for one in many:
        one.join()
    assert sorted(counts) == list(range(1, 17))


def test_without_a_database_each_worker_counts_for_itself(cluster):
    app = create_app(app_config(cluster.url("x").replace(f":{cluster.port}/", ":1/"), RATELIMIT_ENABLED=True))
    client, address = app.test_client(), {"REMOTE_ADDR": f"192.0.2.{os.getpid() % 250}"}
    tried = {"data": {"name": "x", "password": "y"}, "environ_base": address}
    codes = [client.post("/sign-in", **tried).status_code for _ in range(11)]
    assert codes == [503] * 10 + [429]


def test_behind_a_proxy_the_client_it_names_is_counted(limited):
    client = limited(PROXIES=1, SECURE=True)
    wrong = {"name": "x", "password": "y"}

    def tried_from(client_address):
        headers = {"X-Forwarded-For": f"6.6.6.6, {client_address}", "X-Forwarded-Proto": "https"}
        return client.post("/sign-in", data=wrong, headers=headers)

    answers = [tried_from("192.0.2.1") for _ in range(11)]
    assert [response.status_code for response in answers] == [422] * 10 + [429]
    assert "Secure" in answers[0].headers["Set-Cookie"]
    assert "Strict-Transport-Security" in answers[0].headers
    assert tried_from("192.0.2.2").status_code == 422

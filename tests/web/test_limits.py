"""Too many at once from one address: counted by all workers together, said with when to come back."""

import os
import socket
import subprocess
import threading
import time

import pytest
from limits import parse
from sqlalchemy import text as text_of

from orthocline.db.request_counts import count_request, forget_requests, requests_counted
from orthocline.web import security
from orthocline.web.app import create_app
from orthocline.web.settings import settings
from tests.conftest import PASSWORD, app_config
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


def test_one_name_is_guessed_at_so_often_from_wherever(workers):
    workers[0].post("/sign-up", data={"name": "Tove", "password": PASSWORD})

    def tried(name, password, number):
        asked = {
            "data": {"name": name, "password": password},
            "environ_base": {"REMOTE_ADDR": f"192.0.2.{number}"},
        }
        return workers[number % 2].post("/sign-in", **asked).status_code

    assert [tried("Tove", PASSWORD, number) for number in range(3)] == [303] * 3
    codes = [tried(("Tove", "tove ", "TOVE")[number % 3], "wrong wrong", number) for number in range(52)]
    assert codes == [422] * 50 + [429] * 2
    assert tried("Tove", PASSWORD, 99) == 429
    assert tried("Idris", "wrong wrong", 99) == 422


@pytest.fixture
def redis(tmp_path):
    """The address of a server of its own, and its process."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    command = [
        "redis-server",
        "--port",
        str(port),
        "--bind",
        "127.0.0.1",
        "--save",
        "",
        "--dir",
        str(tmp_path),
    ]
    process = subprocess.Popen(command, stdout=subprocess.DEVNULL)
    while process.poll() is None:
        with socket.socket() as probe:
            if probe.connect_ex(("127.0.0.1", port)) == 0:
                break
        time.sleep(0.02)
    yield f"redis://127.0.0.1:{port}", process
    process.kill()
    process.wait()


def test_where_redis_is_set_it_counts_for_all_workers(limited, committed, redis):
    url, process = redis
    told = settings({"DATABASE_URL": "", "REDIS_URL": url})
    kept = {name: told[name] for name in told if name.startswith("RATELIMIT")}
    workers = [limited(**kept), limited(**kept)]
    wrong = {"name": "x", "password": "y"}
    codes = [workers[i % 2].post("/sign-in", data=wrong).status_code for i in range(11)]
    assert codes == [422] * 10 + [429]
    with committed.extensions["orthocline_engine"].connect() as connection:
        assert connection.scalar(text_of("SELECT count(*) FROM request_counts")) == 0
    process.kill()
    process.wait()
    assert workers[0].post("/sign-in", data=wrong).status_code == 422, "each counts for itself"


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
    assert answers[0].headers["Set-Cookie"].startswith("__Host-session=")
    assert "Strict-Transport-Security" in answers[0].headers
    assert tried_from("192.0.2.2").status_code == 422

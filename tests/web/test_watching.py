"""Health, what is counted, and what the log says: enough to see what is the matter, nothing private."""

import json
import logging
import re
from copy import copy
from time import perf_counter

import pytest
from sqlalchemy import text
from structlog.testing import capture_logs

from orthocline.logs import say_in_json
from orthocline.web.app import create_app
from orthocline.web.database import session as of_request
from orthocline.web.gate import CAME
from tests.conftest import PASSWORD, app_config

FAR = {"REMOTE_ADDR": "192.0.2.7"}


@pytest.fixture
def away(cluster):
    return create_app(app_config(cluster.url("x").replace(f":{cluster.port}/", ":1/"))).test_client()


@pytest.fixture
def speaking(monkeypatch):
    """Let this process speak as a served one does, as long as the test lasts."""

    def speak():
        for name in ("handlers", "level"):
            monkeypatch.setattr(logging.root, name, copy(getattr(logging.root, name)))
        say_in_json("warning")

    return speak


def requests_said(lines):
    return [line for line in lines if line["event"] == "request"]


def metric(client, name):
    found = re.search(rf"^{re.escape(name)} (\S+)$", client.get("/metrics").text, re.M)
    return float(found[1]) if found else 0.0


def test_it_lives_without_a_database_and_is_ready_with_one(committed, away):
    client = committed.test_client()
    assert client.get("/healthz").json == away.get("/healthz").json == {"lives": True}
    assert client.get("/readyz").json == {"ready": True, "why": ""}
    told = away.get("/readyz")
    assert (told.status_code, told.json["why"]) == (503, "the database does not answer")


def test_tables_of_another_version_are_not_ready(cluster):
    cluster.create_database("orthocline_older", fresh=True)
    url = cluster.url("orthocline_older")
    app = create_app(app_config(url))
    told = app.test_client().get("/readyz")
    assert (told.status_code, told.json["why"]) == (503, "the tables are not those of this version")
    app.extensions["orthocline_engine"].dispose()


def test_what_is_counted_is_for_this_machine_or_who_shows_the_token(committed):
    app = create_app(app_config(committed.config["DATABASE_URL"], METRICS_TOKEN="watch me"))
    client = app.test_client()

    def seen(**headers):
        return client.get("/metrics", headers=headers, environ_base=FAR).status_code

    assert client.get("/metrics").status_code == 200
    assert seen() == seen(Authorization="Bearer watch") == seen(Authorization="Bearer ") == 404
    assert seen(Authorization="Bearer watch me") == 200
    assert committed.test_client().get("/metrics", environ_base=FAR).status_code == 404
    app.extensions["orthocline_engine"].dispose()


def test_requests_queries_and_jobs_are_counted(committed):
    client = committed.test_client()
    client.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    answered = 'orthocline_requests_total{method="GET",route="/log",status="200"}'
    timed = 'orthocline_request_seconds_count{route="/log"}'
    before = [metric(client, name) for name in (answered, timed)]
    queries = metric(client, "orthocline_query_seconds_count")
    assert client.get("/log").status_code == 200
    assert [metric(client, name) for name in (answered, timed)] == [count + 1 for count in before]
    assert metric(client, "orthocline_query_seconds_count") > queries
    assert metric(client, "orthocline_database_up") == 1.0
    assert metric(client, 'orthocline_jobs{state="waiting"}') == 0.0
    client.post("/account/export")
    assert metric(client, 'orthocline_jobs{state="waiting"}') == 1.0
    assert metric(client, "orthocline_worker_resident_bytes") > 1e7


def test_without_a_database_that_is_what_is_counted(away):
    assert metric(away, "orthocline_database_up") == 0.0


def test_a_request_has_a_line_with_its_number_and_nothing_of_what_was_typed(committed):
    client = committed.test_client()
    client.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    with capture_logs() as lines:
        told = client.post("/log/note?from=secret+place", data={"length": "20 ft", "note": "a secret"})
        client.get("/log/putts/7?q=secret")
    noted, nowhere = requests_said(lines)
    assert told.headers["X-Request-ID"]
    assert (noted["method"], noted["route"], noted["status"]) == ("POST", "/log/note", 303)
    assert noted["queries"] > 0
    assert noted["ms"] >= noted["query_ms"] > 0
    assert 0.0 <= noted["waited_ms"] < noted["ms"]
    assert nowhere["status"] == 404
    assert "secret" not in json.dumps(lines)
    assert "Tove" not in json.dumps(lines)


def test_what_waited_for_its_turn_took_that_long(committed):
    with capture_logs() as lines:
        committed.test_client().get("/cautions", environ_overrides={CAME: perf_counter() - 3.0})
    (told,) = requests_said(lines)
    assert 3000.0 <= told["waited_ms"] < told["ms"] < 30_000.0


def test_a_request_is_called_what_the_proxy_calls_it_where_there_is_one(committed):
    behind = create_app(app_config(committed.config["DATABASE_URL"], PROXIES=1))
    named = {"X-Request-ID": "0123456789abcdef"}

    def called(app, headers):
        return app.test_client().get("/healthz", headers=headers).headers["X-Request-ID"]

    assert called(behind, named) == "0123456789abcdef"
    assert called(behind, {"X-Request-ID": 'x" y'}) != 'x" y'
    assert called(committed, named) != "0123456789abcdef"
    behind.extensions["orthocline_engine"].dispose()


def test_a_slow_query_is_said_as_it_is_written_without_what_it_asks_for(committed):
    app = create_app(app_config(committed.config["DATABASE_URL"], SLOW_MS=50))

    def slow():
        of_request().execute(text("SELECT pg_sleep(:for_s), :note"), {"for_s": 0.06, "note": "a secret"})
        return "slept"

    app.add_url_rule("/slow", "slow", slow)
    with capture_logs() as lines:
        assert app.test_client().get("/slow").text == "slept"
    (told,) = (line for line in lines if line["event"] == "slow query")
    assert "pg_sleep" in told["query"]
    assert told["ms"] >= 60.0
    assert "secret" not in json.dumps(lines)
    app.extensions["orthocline_engine"].dispose()


def test_an_error_says_its_kind_and_place_as_json_but_not_its_words(committed, speaking, capfd):
    app = create_app(app_config(committed.config["DATABASE_URL"], TESTING=False))

    def breaks():
        raise RuntimeError("what Tove typed")

    app.add_url_rule("/breaks", "breaks", breaks)
    speaking()
    page = app.test_client().get("/breaks")
    (line,) = map(json.loads, capfd.readouterr().err.splitlines())
    assert (line["level"], line["error"]) == ("error", "builtins.RuntimeError")
    assert line["at"][-1].startswith("test_watching.py:")
    assert line["request_id"] in page.text
    assert "Tove" not in json.dumps(line)

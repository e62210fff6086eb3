"""The database goes away: a page without it, what was typed kept, one line in the log, and back again."""

from uuid import uuid4

import psycopg
import pytest
from sqlalchemy import create_engine, func, select, text
from structlog.testing import capture_logs

from orthocline.db.log.models import LoggedPutt
from orthocline.web.app import create_app
from orthocline.web.database import session
from tests.conftest import PASSWORD, app_config
from tests.page import links, parsed, value, values
from tests.page import text as said

NOTE = {"length": "20 ft", "note": "slow <b>", "green": "green 4"}


@pytest.fixture
def away(cluster):
    """An application whose database does not answer, and one browser of a golfer who was signed in."""
    app = create_app(app_config(cluster.url("x").replace(f":{cluster.port}/", ":1/")))
    client = app.test_client()
    with client.session_transaction() as cookie:
        cookie["_user_id"], cookie["_fresh"] = "1", True
    return client


@pytest.fixture
def tove(committed):
    client = committed.test_client()
    client.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    return client


def hidden(response):
    return values(parsed(response).find("form", action="/log/note"))


def server(committed):
    url = committed.extensions["orthocline_engine"].url
    return psycopg.connect(url.set(drivername="postgresql").render_as_string(False), autocommit=True)


@pytest.mark.parametrize(
    "address", ["/", "/log", "/read", "/speed", "/measures", "/account", "/nowhere", "/log/7/nowhere"]
)
def test_every_page_says_that_it_will_be_back(away, address):
    response = away.get(address)
    assert (response.status_code, response.headers["Retry-After"]) == (503, "5")
    assert "Back in a moment" in said(response)
    assert {f"{address}?", address} & set(links(response))
    assert "default-src 'self'" in response.headers["Content-Security-Policy"]


def test_reading_without_an_account_needs_no_database(away):
    away.delete_cookie("session")
    assert away.get("/read?length=14+ft").status_code == 200


def test_a_part_keeps_the_page_as_it_is(away):
    response = away.get("/read", headers={"HX-Request": "true"})
    assert (response.status_code, response.headers["HX-Retarget"]) == (503, "#trouble")
    assert "<" not in response.text


def test_what_was_typed_is_kept_and_sent_again_as_the_same_entry(away, tove, committed):
    key = str(uuid4())
    page = away.post("/log/note", data={**NOTE, "key": key})
    assert "slow <b>" in said(page)
    fields = hidden(page)
    assert fields.pop("csrf_token")
    assert fields == {**NOTE, "key": key}
    for _ in range(2):
        assert tove.post("/log/note", data=fields).status_code == 303
    with committed.extensions["orthocline_sessions"]() as database:
        assert database.scalar(select(func.count()).select_from(LoggedPutt)) == 1


def test_a_password_is_never_kept_on_the_page(away):
    page = away.post("/sign-in", data={"name": "Tove", "password": "sesame sesame"})
    assert "sesame" not in page.text
    assert parsed(page).find(id="again-password")["type"] == "password"
    assert value(page, "name") == "Tove"


def test_one_short_line_is_logged(away):
    with capture_logs() as lines:
        away.post("/log/note", data=NOTE)
    (line,) = (line for line in lines if line["log_level"] == "error")
    assert (line["event"], line["method"], line["route"]) == ("no database", "POST", "/log/note")
    assert 0 < len(line["why"]) < 300
    assert "exc_info" not in line


def test_killed_connections_heal_unnoticed(tove, committed):
    assert tove.get("/log").status_code == 200
    with server(committed) as other:
        killed = other.execute(
            "SELECT pg_terminate_backend(pid) FROM pg_stat_activity"
            " WHERE datname = current_database() AND pid <> pg_backend_pid()"
        ).fetchall()
    assert killed
    assert [tove.get("/log").status_code for _ in range(3)] == [200] * 3


def test_a_connection_killed_before_the_commit_is_no_success(committed):
    def write_and_die():
        pid = session().scalar(text("SELECT pg_backend_pid()"))
        with server(committed) as other:
            other.execute("SELECT pg_terminate_backend(%s)", (pid,))
        return "kept"

    committed.add_url_rule("/die", "die", write_and_die, methods=["POST"])
    response = committed.test_client().post("/die", data={"note": "slow"})
    assert response.status_code == 503
    assert "slow" in said(response)
    assert committed.test_client().get("/log").status_code == 302


def test_nobody_waits_for_ever(tove, committed):
    """Somebody else holds the golfer's row: the request gives up in time, and keeps what was typed."""
    with server(committed) as other, other.transaction():
        other.execute("SELECT * FROM golfers FOR UPDATE")
        response = tove.post("/log/note", data=NOTE)
    assert response.status_code == 503
    assert "slow <b>" in said(response)
    engine: create_engine = committed.extensions["orthocline_engine"]
    with engine.connect() as connection:
        shown = [connection.scalar(text(f"SHOW {n}")) for n in ("statement_timeout", "lock_timeout")]
    assert shown == ["5s", "4s"]


def test_what_a_signed_out_golfer_typed_comes_back_after_signing_in(client, create_golfer, session):
    create_golfer()
    asked = client.post("/log/note", data=NOTE)
    assert asked.status_code == 401
    typed = value(asked, "typed")
    wrong = client.post("/sign-in", data={"name": "Tove", "password": "wrong", "typed": typed})
    assert value(wrong, "typed") == typed
    page = client.post("/sign-in", data={"name": "Tove", "password": PASSWORD, "typed": typed})
    assert "slow <b>" in said(page)
    assert client.post("/log/note", data=hidden(page)).status_code == 303
    assert session.scalar(select(LoggedPutt.note)) == "slow <b>"


@pytest.mark.parametrize(
    "typed", ["x", "[]", '["//evil.example", []]', '["https://evil.example", []]', '["/log", [1]]', "{}"]
)
def test_what_a_page_never_carried_is_not_sent_on(client, create_golfer, typed):
    create_golfer()
    response = client.post("/sign-in", data={"name": "Tove", "password": PASSWORD, "typed": typed})
    assert (response.status_code, response.location) == (303, "/")

"""The HTTP API: tokens, what each asks, faults said where they are, lines, and its own description."""

import io
import json
import re
import shlex
import subprocess
import threading
from datetime import UTC, datetime
from pathlib import Path
from uuid import uuid4

import pytest
import schemathesis
from click.testing import CliRunner
from flask import g
from hypothesis import HealthCheck, given, settings
from schemathesis.config import SchemathesisConfig
from sqlalchemy import select
from werkzeug.serving import make_server

from orthocline.cli.main import main
from orthocline.db.log.models import LoggedPutt
from orthocline.db.share.models import ApiToken
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.services.log.noting import note_putt
from orthocline.services.share.tokens import MOST_TOKENS, SCOPES, make_token, program_of
from orthocline.web.api import routes
from orthocline.web.app import create_app
from orthocline.web.database import ENGINE
from orthocline.web.programs import LINES_LIMIT
from orthocline.wording.share.programs import PUTT
from tests.charted import CHART
from tests.conftest import app_config
from tests.page import parsed, text, words_at

ASKED = json.loads(PUTT)
ROOT = Path(__file__).parents[2]


@pytest.fixture
def token(signed_in, session):
    made = make_token(Viewer(signed_in.golfer), session, "mine", SCOPES)
    session.commit()
    return made


@pytest.fixture
def program(app, token):
    """A client without a cookie that shows a token."""
    client = app.test_client()
    client.environ_base["HTTP_AUTHORIZATION"] = f"Bearer {token}"
    return client


@pytest.fixture
def green(signed_in, session):
    number = keep_chart(Viewer(signed_in.golfer), session, Place("Links", "4"), CHART, "charted")
    session.commit()
    return number


def test_a_token_is_made_shown_once_used_and_revoked(signed_in, app, session):
    page = signed_in.post("/account/tokens", data={"name": "my monitor", "scopes": ["reads", "putts"]})
    token = parsed(page).select_one("#token").get_text()
    headers = {"Authorization": f"Bearer {token}"}
    client = app.test_client()
    assert client.post("/api/1/read", json=ASKED, headers=headers).status_code == 200
    assert client.get("/api/1/greens", headers=headers).status_code == 403
    page = signed_in.get("/account/tokens")
    assert token not in page.text
    assert "solve putts, see your log" in text(page)
    assert "used last" in text(page)
    assert token.encode() not in session.scalars(select(ApiToken.digest)).one()
    signed_in.post(parsed(page).select_one("form[action$='/revoke']")["action"])
    assert client.post("/api/1/read", json=ASKED, headers=headers).status_code == 401


@pytest.mark.parametrize(
    ("data", "field"),
    [
        ({"scopes": "reads"}, "name"),
        ({"name": "x" * 41, "scopes": "reads"}, "name"),
        ({"name": "mine"}, "scopes"),
        ({"name": "mine", "scopes": "everything"}, "scopes"),
    ],
)
def test_a_token_has_a_name_and_a_use(signed_in, data, field):
    page = signed_in.post("/account/tokens", data=data)
    assert page.status_code == 422
    assert words_at(page, f"#{field}-message")


def test_tokens_end_somewhere_and_no_one_revokes_anothers(signed_in, as_golfer, session, token):
    for number in range(MOST_TOKENS - 1):
        make_token(Viewer(signed_in.golfer), session, f"number {number}", ["reads"])
    session.commit()
    page = signed_in.post("/account/tokens", data={"name": "one more", "scopes": "reads"})
    assert f"{MOST_TOKENS} tokens" in words_at(page, "#name-message")
    number = session.scalars(select(ApiToken.id)).first()
    as_golfer("Idris").post(f"/account/tokens/{number}/revoke")
    assert program_of(session, token, datetime.now(UTC)) is not None


@pytest.mark.parametrize("shown", [None, "Bearer", "Bearer oc_nobody", "Basic Zm9vOmJhcg==", "Bearer \u00e4"])
def test_without_a_token_that_holds_nothing_is_answered(signed_in, shown):
    """A signed-in browser's cookie is none."""
    headers = {"Authorization": shown.encode().decode("latin-1")} if shown else {}
    answer = signed_in.get("/api/1/putts", headers=headers)
    assert answer.status_code == 401
    assert answer.headers["WWW-Authenticate"].startswith("Bearer")
    assert answer.get_json()["error"]["message"].startswith("Send a token")


def test_a_read_is_the_one_of_the_command(program):
    answer = program.post("/api/1/read", json=ASKED).get_json()
    done = CliRunner().invoke(main, ["read", "-", "--json"], input=PUTT)
    assert answer == json.loads(done.output)


@pytest.mark.parametrize(
    ("change", "status", "member"),
    [
        ({"green_speed_ft": 40.0}, 400, "/green_speed_ft"),
        ({"surface": {"kind": "plane"}}, 400, "/surface/tilt_percent"),
        ({"wind": None}, 400, "/wind"),
        ({"hole_m": [90.0, 0.0]}, 422, "/hole_m"),
        ({"hole_m": [0.0, 0.0]}, 422, "/hole_m"),
    ],
)
def test_a_fault_is_said_where_it_is(program, change, status, member):
    answer = program.post("/api/1/read", json=ASKED | change)
    assert answer.status_code == status
    assert answer.get_json()["error"]["member"].startswith(member)
    assert answer.get_json()["error"]["message"]


def test_lines_are_answered_in_their_order_each_with_its_aim_or_its_error(program):
    sent = [PUTT, "{", PUTT.replace("10.2", "40"), json.dumps(ASKED | {"within": {"side_percent": 1.0}})]
    answer = program.post("/api/1/reads", data="\n".join(sent), content_type="application/x-ndjson")
    told = [json.loads(line) for line in answer.get_data(as_text=True).splitlines()]
    assert told[0]["aim_right_m"] == program.post("/api/1/read", json=ASKED).get_json()["aim_right_m"]
    assert [one.get("error", {}).get("member") for one in told] == [None, "", "/green_speed_ft", None]
    assert "aim_range_right_m" not in told[0]
    assert told[3]["aim_range_right_m"][0] < told[3]["aim_right_m"] < told[3]["aim_range_right_m"][1]
    assert program.post("/api/1/reads", json=ASKED).status_code == 415


@pytest.mark.parametrize("within", [5e-324, 1e-200, 1e-12])
def test_what_is_sure_to_next_to_nothing_is_read(program, within):
    sure = {"within": {"length_percent": within, "side_percent": within, "green_speed_ft": within}}
    answer = program.post("/api/1/read", json=ASKED | sure)
    assert answer.status_code == 200
    assert answer.get_json()["aim_right_m"] == pytest.approx(0.43, abs=0.01)


def test_lines_are_answered_while_they_are_taken(program, monkeypatch):
    """The first answers are there before the last line is looked at."""
    looked = []
    monkeypatch.setattr(routes, "aim_line", lambda line: looked.append(line) or {"n": len(looked)})
    many = b"{}\n" * 1000
    answer = program.post("/api/1/reads", data=many, content_type="text/plain")
    first = next(answer.iter_encoded())
    assert first.startswith(b'{"n": 1}\n')
    assert len(looked) < 200


def test_more_than_a_form_holds_may_come_as_lines_and_nowhere_else(program):
    many = f"{PUTT}\n" * 2000
    answer = program.post("/api/1/reads", data=many, content_type="application/x-ndjson")
    assert answer.get_data().count(b"\n") == 2000
    too_large = program.post("/api/1/read", data=many, content_type="application/json")
    assert too_large.status_code == 413
    assert too_large.get_json()["error"]["message"]


class Slow(io.BytesIO):
    """A body that arrives slowly, as it were: it notes whether the database is held meanwhile."""

    held = None

    def readinto(self, buffer):
        Slow.held = "session" in g
        return super().readinto(buffer)


def test_the_database_is_not_held_while_lines_arrive(program):
    body = Slow(f"{PUTT}\n".encode())
    answer = program.post("/api/1/reads", input_stream=body, content_type="application/x-ndjson")
    assert answer.get_data().count(b"\n") == 1
    assert Slow.held is False


def test_greens_are_listed_and_taken_with_their_charts(program, green, as_golfer, session):
    listed = program.get("/api/1/greens").get_json()["greens"]
    assert listed == [{"id": green, "course": "Links", "green": "4", "of": None}]
    taken = program.get(f"/api/1/greens/{green}").get_json()
    assert len(taken["chart"]["readings"]) == len(CHART.readings)
    other = keep_chart(Viewer(as_golfer("Idris").golfer), session, Place("His", "1"), CHART, "charted")
    session.commit()
    for number in (other, 10**18, 0):
        assert program.get(f"/api/1/greens/{number}").status_code == 404


def test_a_log_is_gone_through_page_by_page(program, signed_in, session):
    for _ in range(53):
        note_putt(Viewer(signed_in.golfer), session, length_m=3.0)
    session.commit()
    first = program.get("/api/1/putts").get_json()
    second = program.get("/api/1/putts", query_string={"before": first["older"]}).get_json()
    assert [len(first["putts"]), len(second["putts"]), second["older"]] == [50, 3, None]
    assert {one["id"] for one in first["putts"]}.isdisjoint(one["id"] for one in second["putts"])
    for before in ("soon", "1-1-1"):
        assert program.get("/api/1/putts", query_string={"before": before}).status_code == 400
    assert program.get("/api/1/putts", query_string={"page": "2"}).status_code == 400


def test_a_putt_is_noted_once(program, session):
    key = str(uuid4())
    noted = {"id": key, "course": "Links", "length_m": 4.2, "finish_along_m": 0.3, "finish_right_m": -0.1}
    for _ in range(2):
        answer = program.post("/api/1/putts", json=noted)
        assert (answer.status_code, answer.get_json()) == (201, {"id": key})
    (row,) = session.scalars(select(LoggedPutt)).all()
    assert (row.holed, row.finish_across_m, row.course.name) == (False, -0.1, "Links")


@pytest.mark.parametrize(
    ("change", "status", "member"),
    [
        ({"length_m": "far"}, 400, "/length_m"),
        ({"length_m": 5e-324}, 400, "/length_m"),
        ({"breaks": "up"}, 400, "/breaks"),
        ({"played": True}, 400, "/played"),
        ({"finish_along_m": 0.3}, 422, "/finish_along_m"),
        ({"holed": True, "finish_along_m": 0.3, "finish_right_m": 0.0}, 422, "/holed"),
        ({"at": "2999-01-01T00:00:00Z"}, 422, "/when"),
    ],
)
def test_what_is_no_putt_is_not_noted(program, session, change, status, member):
    answer = program.post("/api/1/putts", json={"length_m": 4.2} | change)
    assert (answer.status_code, answer.get_json()["error"]["member"]) == (status, member)
    assert session.scalars(select(LoggedPutt)).all() == []


def test_next_to_nothing_is_nothing(program, session):
    noted = {"length_m": 4.2, "finish_along_m": 1e-60, "finish_right_m": -5e-324}
    assert program.post("/api/1/putts", json=noted).status_code == 201
    (row,) = session.scalars(select(LoggedPutt).execution_options(populate_existing=True)).all()
    assert (row.finish_along_m, row.finish_across_m) == (0.0, 0.0)


def test_reads_are_refused_in_competition_and_the_log_tells_none(program, signed_in, session):
    note_putt(Viewer(signed_in.golfer), session, length_m=3.0)
    session.commit()
    signed_in.post("/mode", data={"mode": "competition"})
    for address, sent in (("read", {"json": ASKED}), ("reads", {"data": PUTT, "content_type": "text/plain"})):
        answer = program.post(f"/api/1/{address}", **sent)
        assert answer.status_code == 403
        assert "Competition" in answer.get_json()["error"]["message"]
    assert program.get("/api/1/greens").status_code == 403
    assert len(program.get("/api/1/putts").get_json()["putts"]) == 1


def test_faults_of_any_kind_are_told_as_programs_read_them(program):
    for method, address, status in (("GET", "/api/1/nothing", 404), ("PUT", "/api/1/read", 405)):
        answer = program.open(address, method=method)
        assert (answer.status_code, answer.mimetype) == (status, "application/json")
    long = program.get("/api/1/putts", query_string={"before": "9" * 5000})
    assert (long.status_code, long.mimetype) == (414, "application/json")
    told = program.get("/api/1/openapi.json").get_json()
    assert "414" in told["paths"]["/api/1/putts"]["get"]["responses"]
    assert "POST" in program.put("/api/1/read").headers["Allow"]


def test_each_token_is_counted_by_itself(database_url, sessions, signed_in, session, token):
    app = create_app(app_config(database_url, SESSIONS=sessions, RATELIMIT_ENABLED=True))
    other = make_token(Viewer(signed_in.golfer), session, "another", ["reads"])
    session.commit()

    def asked(shown):
        headers = {"Authorization": f"Bearer {shown}"}
        sent = {"data": PUTT, "content_type": "text/plain", "headers": headers}
        return app.test_client().post("/api/1/reads", **sent)

    most = int(LINES_LIMIT.partition(" ")[0])
    answers = [asked(token).status_code for _ in range(most + 1)]
    assert answers == [200] * most + [429]
    assert asked(token).headers["Retry-After"]
    assert asked(token).get_json()["error"]["message"]
    assert asked(other).status_code == 200
    app.extensions[ENGINE].dispose()


def test_every_line_of_the_page_for_programs_works(app, token, green):
    page = app.test_client().get("/programs")
    lines = [one.get_text() for one in parsed(page).select("pre code")]
    assert len(lines) == 6
    server = make_server("127.0.0.1", 0, app, threaded=False)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    try:
        for line in lines:
            here = line.replace("http://localhost", f"http://127.0.0.1:{server.port}")
            done = subprocess.run(
                ["bash", "-c", here],
                env={"TOKEN": token, "GREEN": str(green), "PATH": "/usr/bin:/bin"},
                capture_output=True,
                text=True,
                check=True,
                timeout=30,
            )
            told = (
                [json.loads(one) for one in done.stdout.splitlines()]
                if "/reads" in line
                else [json.loads(done.stdout)]
            )
            assert told, shlex.split(line)[-1]
            assert all("error" not in one for one in told), line
    finally:
        server.shutdown()


def test_the_description_is_of_every_route(app):
    told = app.test_client().get("/api/1/openapi.json").get_json()
    routes = {
        (re.sub(r"<int:(\w+)>", r"{\1}", rule.rule), method)
        for rule in app.url_map.iter_rules()
        if rule.endpoint.startswith("api.") and rule.endpoint != "api.openapi"
        for method in rule.methods - {"HEAD", "OPTIONS"}
    }
    assert {(path, method.upper()) for path, found in told["paths"].items() for method in found} == routes
    assert all(one["security"] for found in told["paths"].values() for one in found.values())


def test_what_is_made_out_of_the_description_is_answered_as_described(app, token):
    config = SchemathesisConfig.from_path(ROOT / "benchmarks/schemathesis.toml")
    schema = schemathesis.openapi.from_wsgi("/api/1/openapi.json", app, config=config)
    headers = {"Authorization": f"Bearer {token}"}
    for operation in schema.get_all_operations():
        made = operation.ok().as_strategy()

        @settings(max_examples=25, suppress_health_check=list(HealthCheck), database=None)
        @given(case=made)
        def asked(case):
            case.call_and_validate(headers=headers)

        asked()

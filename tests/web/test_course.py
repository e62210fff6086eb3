"""What a phone asks on the course: who it is, what comes in, and what it keeps of the application."""

import json
import re
from datetime import UTC, datetime, timedelta
from uuid import uuid4

import pytest
from sqlalchemy import select

from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.web.app import create_app
from tests.charted import CHART
from tests.conftest import PASSWORD, app_config
from tests.page import parsed, value


def entry(client, **members):
    at = datetime.now(UTC) - timedelta(minutes=5)
    return {"id": str(uuid4()), "at": at.isoformat(), "golfer": client.golfer.id, **members}


def enter(client, **members):
    return client.post("/course/entries", json=entry(client, **members))


def test_a_strangers_phone_learns_that_nobody_is_signed_in(client):
    assert client.get("/course/state").get_json() == {"golfer": None, "sun": False}


def test_a_phone_learns_who_asks_and_the_putt_that_comes_next(signed_in):
    told = signed_in.get("/course/state")
    assert told.headers["Cache-Control"] == "no-store"
    state = told.get_json()
    assert (state["golfer"]["name"], state["pack"], state["round"]) == ("Tove", None, None)
    assert state["competition_until"] is None
    begun = entry(signed_in, kind="round", course="Links", competition=True)
    assert signed_in.post("/course/entries", json=begun).get_json() == {"kept": True}
    putt = enter(signed_in, kind="putt", outing=begun["id"], hole=4, holed=True, length_m=3.0)
    assert putt.status_code == 200
    state = signed_in.get("/course/state").get_json()
    going = state["round"]
    assert (going["id"], going["course"], going["hole"], going["number"]) == (begun["id"], "Links", 5, 1)
    assert going["competition"]
    assert datetime.fromisoformat(state["competition_until"]) > datetime.now(UTC)
    assert enter(signed_in, kind="end", outing=begun["id"]).status_code == 200
    state = signed_in.get("/course/state").get_json()
    assert (state["round"], state["competition_until"]) == (None, None)


def test_the_same_entry_twice_is_one_putt(signed_in, session):
    one = entry(signed_in, kind="putt", length_m=4.0, holed=False, finish_m=[0.3, 0.1])
    for _ in range(2):
        assert signed_in.post("/course/entries", json=one).status_code == 200
    assert [str(putt.key) for putt in session.scalars(select(LoggedPutt))] == [one["id"]]


@pytest.mark.parametrize(
    ("members", "status", "says"),
    [
        ({"kind": "putt", "length_m": -1.0}, 400, "cannot be read here: putt.length_m"),
        ({"kind": "putt", "at": "2199-01-01T10:00:00Z"}, 422, "still to come"),
        ({"kind": "end", "outing": str(uuid4())}, 404, "has not come in"),
        ({"kind": "putt", "outing": str(uuid4())}, 409, "has not come in"),
        ({"kind": "putt", "golfer": 10**9}, 403, "Another golfer"),
        ({"kind": "round", "outing": "practice", "competition": True}, 422, "Competition is for a round"),
    ],
)
def test_what_is_not_kept_says_why_and_changes_nothing(signed_in, session, members, status, says):
    refused = enter(signed_in, **members)
    assert refused.status_code == status
    assert says in refused.get_json()["message"]
    assert session.scalars(select(LoggedPutt)).all() == session.scalars(select(Outing)).all() == []


def test_what_has_changed_comes_with_its_choices(signed_in, session):
    who = Viewer(signed_in.golfer)
    green = keep_chart(who, session, Place("Links", "4"), CHART, "charted")
    session.commit()
    told = {"green": green, "mark": "another", "at_m": [1.0, 4.0], "toward_rad": 4.0, "slope": 0.03}
    refused = enter(signed_in, kind="slope", by="feet", **told)
    assert refused.status_code == 409
    assert refused.get_json()["choices"] == {"anyway": "Put it on the chart as it is now"}
    kept = enter(signed_in, kind="slope", by="feet", decided=["anyway"], **told)
    assert kept.status_code == 200


def test_an_entry_needs_the_token_that_the_state_tells(database_url, sessions, create_golfer):
    guarded = create_app(app_config(database_url, WTF_CSRF_ENABLED=True, SESSIONS=sessions))
    create_golfer()
    client = guarded.test_client()
    token = value(client.get("/sign-in"), "csrf_token")
    client.post("/sign-in", data={"name": "Tove", "password": PASSWORD, "csrf_token": token})
    state = client.get("/course/state").get_json()
    putt = {"id": str(uuid4()), "at": datetime.now(UTC).isoformat(), "golfer": state["golfer"]["id"]}
    putt |= {"kind": "putt", "holed": True}
    assert client.post("/course/entries", json=putt).status_code == 400
    token = {"X-CSRFToken": state["token"]}
    assert client.post("/course/entries", json=putt, headers=token).status_code == 200


def test_what_is_asked_in_the_background_leaves_the_cookie_as_it_is(app):
    stranger = app.test_client()
    for address in ("/course", "/course/state", "/service-worker.js", "/app.webmanifest"):
        assert "Set-Cookie" not in stranger.get(address).headers, address


def test_the_page_for_the_course_is_the_same_for_everybody(app, signed_in):
    stranger = app.test_client()
    stranger.set_cookie("sun", "1")
    stranger.set_cookie("keys", "0")
    own = signed_in.get("/course").data
    signed_in.post("/mode", data={"mode": "competition"})
    assert own == stranger.get("/course").data == signed_in.get("/course").data
    assert b"Tove" not in own


def test_all_that_the_page_asks_for_is_kept_on_the_phone(client):
    worker = client.get("/service-worker.js").text
    kept = {one["url"]: one["revision"] for one in json.loads(re.search(r"kept = (\[.*\]);", worker)[1])}
    page = parsed(client.get("/course"))
    wanted = [one["href"] for one in page.select("link")] + [one["src"] for one in page.select("script")]
    assert len(wanted) >= 6
    assert set(wanted) <= kept.keys()
    script = next(one for one in wanted if one.endswith("/course.js"))
    folder = script.removesuffix("course.js")
    for module in re.findall(r'from "\./([\w/]+\.js)"', client.get(script).text):
        assert folder + module in kept
    for address, revision in kept.items():
        assert client.get(address).status_code == 200, address
        assert revision or "?v=" in address or "~" in address or address.endswith(".woff2"), address
    for address in json.loads(re.search(r"importScripts\(\.\.\.(\[.*?\])\)", worker)[1]):
        assert client.get(address).status_code == 200, address


def test_another_page_is_another_worker(client, monkeypatch):
    before = client.get("/service-worker.js").text
    assert client.get("/service-worker.js").text == before
    monkeypatch.setattr("orthocline.web.installed.routes.course_shell", lambda: "<p>Another.</p>")
    assert client.get("/service-worker.js").text != before


def test_the_app_can_be_installed(client):
    told = client.get("/app.webmanifest")
    assert told.mimetype == "application/manifest+json"
    app = json.loads(told.data)
    assert (app["display"], app["start_url"], app["scope"]) == ("standalone", "/", "/")
    for icon in app["icons"]:
        picture = client.get(icon["src"])
        assert picture.mimetype == icon["type"]
        if icon["type"] == "image/png":
            size = int.from_bytes(picture.data[16:20], "big")
            assert icon["sizes"] == f"{size}x{size}"

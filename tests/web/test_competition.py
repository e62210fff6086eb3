"""In Competition nothing that was measured or read before is shown anywhere, until it ends."""

from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest
from sqlalchemy import select

from orthocline.db.log.models import Outing
from tests.archived import manifest_of, rows_in
from tests.page import link, links, parsed, text, values, words_of
from tests.reads import SPINDRIFT
from tests.speeds import kept_speed

TOLD = (
    "2.1 %",
    "0.9 %",
    "10.2",
    "17¾",
    "9 in left",
    "9 in past",
    "tilt_percent",
    "10.7",
    "plays_like",
    "stroke_m",
)
"""Tilt, rise, speed, aim, own aim, pace: as words, and as the archive's figures."""


def told(response):
    """Return all that a page tells, in words and in fields, but for its drawings and keys."""
    page = parsed(response)
    for drawing in page.find_all("svg"):
        drawing.decompose()
    fields = {name: kept for name, kept in values(page).items() if name not in ("key", "csrf_token")}
    return f"{words_of(page)} {fields}"


@pytest.fixture
def pages(signed_in, session):
    """All pages on which something of a saved read, a speed or a stroke is told."""
    signed_in.post("/log", data={**SPINDRIFT, "own": "9 in", "own_side": "left"})
    number = links(signed_in.get("/log"), "/finish")[0].split("/")[2]
    finish = {"along": "8 in", "along_way": "past", "across": "3 in", "across_way": "left"}
    signed_in.post(f"/log/{number}/finish", data=finish)
    kept_speed(session, signed_in.golfer, 10.7)
    session.commit()
    signed_in.post("/measures/stroke", data={"stroke": "14 in", "roll": "12 ft", "stroke_speed": "10.2"})
    edit, again = f"/log/{number}/edit", f"/log/{number}/finish"
    return ("/", "/log", "/log?result=missed", again, edit, "/measures", "/account")


def test_everything_is_told_in_open_play(signed_in, pages, take_along):
    archive = take_along(signed_in).data
    rows = [rows_in(archive, table) for table in manifest_of(archive)["tables"]]
    everything = " ".join([*(told(signed_in.get(page)) for page in pages), str(rows)])
    assert [words for words in TOLD if words not in everything] == []


def test_nothing_is_told_in_competition_and_all_again_when_it_ends(signed_in, pages, take_along):
    earlier = take_along(signed_in).request.path
    before = [told(signed_in.get(page)) for page in pages]
    signed_in.post("/mode", data={"mode": "competition"})
    for page in pages:
        response = told(signed_in.get(page))
        assert [words for words in TOLD if words in response] == [], page
    log = told(signed_in.get("/log"))
    assert "8 in past, 3 in left" in log
    assert "14 ft" in log
    assert "Ternholm Links, green 4, Spindrift" in log
    assert signed_in.get(earlier).status_code == 403, "what was made in open play"
    refused = signed_in.post("/account/export")
    assert refused.status_code == 403
    assert "Taking an archive along" in text(refused)
    signed_in.post("/mode", data={"mode": "open_play"})
    assert signed_in.get(earlier).status_code == 200
    assert [told(signed_in.get(page)) for page in pages] == before


@pytest.mark.parametrize(
    "page",
    ["/read", "/read/roll", "/speed", "/speed/ramp", "/speed/without-a-ramp", "/beat", "/speed/1/edit"],
)
def test_what_reads_measures_or_times_is_refused(signed_in, page):
    signed_in.post("/mode", data={"mode": "competition"})
    assert signed_in.get(page).status_code == 403


@pytest.mark.usefixtures("pages")
def test_bad_measures_tell_no_stroke_either(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    response = told(signed_in.post("/measures", data={"units": "miles"}))
    assert [words for words in TOLD if words in response] == []


def competition_round(client):
    return client.post("/rounds", data={"kind": "round", "course": "Ternholm Links", "competition": "1"})


def test_a_round_begins_in_competition_by_one_tap_and_ends_it(signed_in, session):
    today = parsed(signed_in.get("/")).find("form", action="/rounds")
    begun = signed_in.post("/rounds", data=values(today) | {"competition": "1"}, follow_redirects=True)
    assert "Competition: reading and measuring are off until you end the round, or midnight" in text(begun)
    assert signed_in.get("/read").status_code == 403
    assert "Round in Competition" in text(signed_in.get("/rounds"))
    number = session.scalar(select(Outing.id))
    ended = signed_in.post(f"/rounds/{number}/end", follow_redirects=True)
    assert "it is open play again" in text(ended)
    assert signed_in.get("/read").status_code == 200
    assert "Round in Competition" in text(signed_in.get(f"/rounds/{number}"))
    again = signed_in.post(f"/rounds/{number}/end", follow_redirects=True)
    assert "open play again" not in text(again)


def test_it_ends_by_itself_at_midnight_where_the_golfer_lives(signed_in, session):
    golfer = signed_in.golfer
    signed_in.post("/account/time-zone", data={"time_zone": "Pacific/Auckland"})
    competition_round(signed_in)
    session.refresh(golfer)
    there = golfer.competition_until.astimezone(ZoneInfo("Pacific/Auckland"))
    assert (there.hour, there.minute) == (0, 0)
    assert timedelta(0) < golfer.competition_until - datetime.now(UTC) <= timedelta(days=1, hours=1)
    assert "or at midnight (Pacific/Auckland)" in text(signed_in.get("/"))
    signed_in.post("/account/time-zone", data={"time_zone": "America/Lima"})
    session.refresh(golfer)
    assert golfer.competition_until == there, "another clock ends it no sooner"
    assert signed_in.get("/read").status_code == 403
    golfer.competition_until = datetime.now(UTC) - timedelta(seconds=1)
    session.commit()
    assert signed_in.get("/read").status_code == 200


def test_a_round_without_competition_stays_in_open_play_and_a_practice_never_begins_it(signed_in, session):
    signed_in.post("/rounds", data={"kind": "round"})
    assert signed_in.get("/read").status_code == 200
    refused = signed_in.post("/rounds", data={"kind": "practice", "competition": "1"})
    assert refused.status_code == 422
    assert "Competition is for a round" in text(refused)
    assert signed_in.get("/read").status_code == 200
    signed_in.post("/mode", data={"mode": "competition"})
    signed_in.post("/rounds", data={"kind": "round"})
    assert session.scalars(select(Outing.competition).order_by(Outing.id)).all() == [False, True]


def test_a_visitors_competition_ends_at_midnight_too(client):
    client.post("/mode", data={"mode": "competition"})
    assert client.get("/read").status_code == 403
    with client.session_transaction() as cookie:
        until = datetime.fromisoformat(cookie["competition_until"])
        assert timedelta(0) < until - datetime.now(UTC) <= timedelta(days=1, hours=1)
        cookie["competition_until"] = (datetime.now(UTC) - timedelta(seconds=1)).isoformat()
    assert client.get("/read").status_code == 200
    for odd in ("soon", ""):
        with client.session_transaction() as cookie:
            cookie["competition_until"] = odd
        assert client.get("/read").status_code == 200


def test_what_is_carried_is_where_a_round_begins(signed_in):
    competition_round(signed_in)
    assert signed_in.get(link(signed_in.get("/"), "What you carry")).status_code == 200

"""Days and times by the golfer's own clock, wherever the machine stands."""

from datetime import UTC, datetime

import pytest
from sqlalchemy import select

from orthocline.db.log.models import LoggedPutt
from orthocline.db.speed.models import SpeedNote
from tests.conftest import PASSWORD
from tests.page import parsed, text, value, words_of

EAST = "Pacific/Auckland"


@pytest.fixture
def eastern(client):
    form = {"name": "Aroha", "password": PASSWORD, "time_zone": EAST}
    assert client.post("/sign-up", data=form).status_code == 303
    return client


def test_the_browsers_clock_is_kept_and_can_be_changed(eastern):
    assert value(eastern.get("/account"), "time_zone") == EAST
    assert eastern.post("/account/time-zone", data={"time_zone": "Mars/Olympus"}).status_code == 422
    eastern.post("/account/time-zone", data={"time_zone": "Europe/Oslo"})
    assert value(eastern.get("/account"), "time_zone") == "Europe/Oslo"
    eastern.post("/sign-out")
    again = {"name": "Aroha", "password": PASSWORD, "time_zone": EAST}
    eastern.post("/sign-in", data=again)
    assert value(eastern.get("/account"), "time_zone") == "Europe/Oslo", "what was chosen stays"


def test_a_clock_that_is_none_is_let_pass(client):
    form = {"name": "Aroha", "password": PASSWORD, "time_zone": "Mars/Olympus"}
    assert client.post("/sign-up", data=form).status_code == 303
    assert "not known yet" in text(client.get("/account"))


def test_times_are_typed_and_said_by_the_golfers_clock(eastern, session):
    typed = {"by": "posted", "posted": "10", "course": "Ternholm Links", "when": "2026-07-14T10:30"}
    assert eastern.post("/speed/without-a-ramp", data=typed).status_code == 303
    (kept,) = session.scalars(select(SpeedNote)).all()
    assert kept.measured_at == datetime(2026, 7, 13, 22, 30, tzinfo=UTC)
    times = {when["datetime"]: words_of(when) for when in parsed(eastern.get("/speed")).find_all("time")}
    assert times["2026-07-14T10:30+12:00"] == "14 Jul, 10:30"


def test_the_log_says_when_by_the_golfers_clock(eastern, session):
    eastern.post("/log/note", data={"length": "10 ft"})
    putt = session.scalars(select(LoggedPutt)).one()
    putt.created_at = datetime(2026, 7, 13, 22, 30, tzinfo=UTC)
    session.commit()
    assert "14 Jul, 10:30" in text(eastern.get("/log"))

"""What a golfer does again and again: its page, its job, a correction named in the next call."""

import csv
import io

import pytest
from sqlalchemy import select

from orthocline.db.log.habits import habits_row
from orthocline.db.log.models import LoggedPutt
from orthocline.services.account.access import Viewer
from orthocline.services.jobs.jobs import carry_out
from orthocline.services.jobs.task import Task
from orthocline.services.log.learning import work_out_habits
from tests.page import parsed, text, words_at
from tests.reads import SPINDRIFT
from tests.teaching import keep_log

RIGHT = SPINDRIFT | {"falls": "right"}
OWN = {"own": "12 in", "own_side": "left"}


@pytest.fixture
def taught(signed_in, session):
    """A golfer whose log has been worked out."""
    keep_log(Viewer(signed_in.golfer), session)
    work_out_habits(Viewer(signed_in.golfer), session, Task())
    session.commit()
    return signed_in


def switch(client, to="on"):
    form = parsed(client.get("/habits")).find("form", action=f"/habits/{to}")
    told = {one["name"]: one["value"] for one in form.find_all("input")}
    return client.post(form["action"], data=told, follow_redirects=True)


def test_the_page_says_what_is_seen_and_what_to_do(taught):
    page = taught.get("/habits")
    said = text(page)
    assert "Left-to-right putts: you see about a third too little break." in said
    assert "On left-to-right putts, read by your aim, take your read and a half." in said
    assert "Yours, by 80 putts that were read." in said
    assert "They scatter by 1." in said
    assert "None: your misses fit what is said of each green" in said
    rows = [row.get_text(" ", strip=True) for row in parsed(page).select("table tbody tr")]
    assert any(row.startswith("left-to-right putts about a third too little break 6") for row in rows)
    assert parsed(page).find("form", action="/habits/again") is None


def test_it_is_worked_out_by_a_job_and_again_when_the_log_has_changed(signed_in, session, sessions):
    keep_log(Viewer(signed_in.golfer), session, count=20)
    page = signed_in.get("/habits")
    assert "It has not been worked out yet." in text(page)
    assert parsed(page).find("form", action="/habits/again")["hx-trigger"] == "submit, load"
    part = signed_in.post("/habits/again", headers={"HX-Request": "true"})
    assert parsed(part).find("section", id="job")["hx-trigger"] == "every 1s"
    job = signed_in.post("/habits/again").location
    number = int(job.rpartition("/")[2])
    carry_out(sessions, number)
    done = signed_in.get(job, headers={"HX-Request": "true"})
    assert done.headers["HX-Redirect"] == f"/habits/{number}/worked-out"
    page = signed_in.get(f"/habits/{number}/worked-out", follow_redirects=True)
    assert "So far 20 putts tell of it: until 30 it is held near a usual middle-handicap golfer" in text(page)
    assert "your log says more" not in text(page)
    putt = session.scalars(select(LoggedPutt).order_by(LoggedPutt.id)).first()
    signed_in.post(f"/log/{putt.id}/delete")
    page = signed_in.get("/habits?tried=1")
    assert "your log says more by now" in text(page)
    assert parsed(page).find("form", action="/habits/again")["hx-trigger"] == "submit"


def test_a_correction_is_switched_on_and_named_in_the_next_call(taught, session):
    assert parsed(taught.get("/read", query_string=RIGHT)).find(id="correction") is None
    assert "your next call names it" in text(switch(taught))
    before = words_at(taught.get("/read", query_string=RIGHT), "#correction")
    assert (
        "Your correction is on. On left-to-right putts, read by your aim, take your read and a half."
        in before
    )
    call = words_at(taught.get("/read", query_string=RIGHT | OWN), "#correction")
    assert "With your correction, your read and a half, you aim 18 in left: it would drop." in call
    assert parsed(taught.get("/read", query_string=SPINDRIFT | OWN)).find(id="correction") is None
    taught.post("/log", data=RIGHT | OWN)
    session.expire_all()
    putt = session.scalars(select(LoggedPutt).order_by(LoggedPutt.id.desc())).first()
    assert putt.corrected_by == 1.5
    assert putt.own_aim_right_m == pytest.approx(-12 * 0.0254)
    assert "played 18 in left by your correction" in text(taught.get("/log"))
    lines = csv.DictReader(io.StringIO(taught.get("/log/putts.csv").get_data(as_text=True)))
    assert next(lines)["corrected_by"] == "1.5"
    assert "It is off." in text(switch(taught, "off"))
    assert parsed(taught.get("/read", query_string=RIGHT)).find(id="correction") is None


def test_own_spreads_are_named_as_yours_beside_the_advice(taught, session):
    advice = text(taught.get("/firm", query_string=SPINDRIFT))
    assert "your spreads, by 80 putts" in advice
    assert "The spreads are yours, by 80 putts of your log" in advice
    usual = text(taught.get("/firm", query_string=SPINDRIFT | {"golfer": "middle"}))
    assert "usual middle-handicap golfer" in usual
    assert "Yours by 80 putts of your log, start line" in text(taught.get("/measures"))
    row = habits_row(session, taught.golfer.id)
    assert row.start_line_rad < 0.03


@pytest.mark.parametrize(
    "told",
    [{}, {"method": "aim_spot"}, {"method": "aim_spot", "breaks": "9"}, {"method": "x" * 50, "breaks": "1"}],
)
def test_a_correction_that_is_none_changes_nothing(taught, told):
    assert taught.post("/habits/on", data=told).status_code == 303
    assert taught.post("/habits/off", data=told).status_code == 303
    assert parsed(taught.get("/habits")).find("form", action="/habits/off") is None


def test_a_correction_that_the_log_does_not_suggest_is_not_there(taught):
    refused = taught.post("/habits/on", data={"method": "aim_spot", "breaks": "-1"})
    assert refused.status_code == 404
    assert "does not suggest that correction" in text(refused)


def test_in_competition_it_is_refused(taught):
    taught.post("/mode", data={"mode": "competition"})
    assert taught.get("/habits").status_code == 403


def test_an_empty_log_says_what_it_needs(signed_in, session):
    work_out_habits(Viewer(signed_in.golfer), session, Task())
    session.commit()
    said = text(signed_in.get("/habits"))
    assert "No read of your own stands in your log yet." in said
    assert "So far 0 putts tell of it" in said

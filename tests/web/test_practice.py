"""Practice sessions: planned by what is weakest, begun, paused, taken up, and in the log of practice."""

from datetime import UTC, datetime, timedelta

import pytest
from sqlalchemy import select

from orthocline.db.log.models import Outing
from orthocline.db.train.models import DrillRun, PracticePlan
from orthocline.services.account.access import Viewer
from orthocline.services.jobs.task import Task
from orthocline.services.log.learning import work_out_habits
from orthocline.services.train.practice import begin_practice, going_practice, needs_of, pause, take_up
from tests.page import link, parsed, text, value, words_at
from tests.teaching import keep_log

NOW = datetime(2026, 11, 27, 9, 0, tzinfo=UTC)


def parts(page):
    return [one.get_text() for one in parsed(page).select("main ol a")]


def test_minutes_make_a_plan_with_times(client):
    page = client.get("/train/practice", query_string={"minutes": "25"})
    assert parts(page)[0] == "Tuning putts"
    assert "0:04" in text(page)
    assert link(page, "Tuning putts") == "/train/drills/tuning_putts"
    assert len(parts(client.get("/train/practice"))) in (1, 2)


@pytest.mark.parametrize("minutes", ["3", "90", "soon", "nan", ""])
def test_minutes_that_are_none_are_said_and_kept(client, signed_in, minutes):
    page = client.get("/train/practice", query_string={"minutes": minutes})
    assert page.status_code == 422
    assert value(page, "minutes") == minutes
    assert words_at(page, "#minutes-message")
    assert signed_in.post("/train/practice/begin", data={"minutes": minutes}).status_code == 422


def test_the_log_says_what_is_weakest(signed_in, session):
    viewer = Viewer(signed_in.golfer)
    keep_log(viewer, session)
    work_out_habits(viewer, session, Task())
    needs = needs_of(viewer, session, None, NOW)
    assert needs["read"].by == "log"
    assert needs["read"].much > 1.3, "a third of the break is not seen on one side"
    session.commit()
    page = signed_in.get("/train/practice", query_string={"minutes": "10"})
    assert "reading: weaker than it should be, by your log" in text(page)


def test_a_drill_that_falls_short_is_needed_more(signed_in, session):
    run = signed_in.post("/train/drills/start_gate/begin").location
    for number in range(1, 13):
        signed_in.post(f"{run}/ball", data={"outcome": "left", "number": number})
    need = needs_of(Viewer(signed_in.golfer), session, None, NOW)["line"]
    assert (need.by, round(need.much, 1)) == ("drills", 1.9)


def test_a_session_is_begun_once_and_its_parts_are_done_in_turn(signed_in, session):
    signed_in.post("/train/practice/begin", data={"minutes": "25"})
    page = signed_in.get("/train/practice")
    names = parts(page)[1:] if parts(page)[0] == "Set it up" else parts(page)
    assert words_at(page, "h1") == "Tuning putts"
    for _ in range(2):
        signed_in.post("/train/practice/done", data={"number": "1"})
    assert words_at(signed_in.get("/train/practice"), "h1") == names[1]
    for number in range(2, len(names) + 1):
        signed_in.post("/train/practice/done", data={"number": number})
    assert "How many minutes" in text(signed_in.get("/train/practice"))
    plan = session.scalars(select(PracticePlan)).one()
    assert (plan.done, plan.ended_at is None) == (len(names), False)


def test_pauses_do_not_count(create_golfer, session):
    viewer = Viewer(create_golfer("Idris"))
    begin_practice(viewer, session, 10.0, None, NOW)
    pause(viewer, session, NOW + timedelta(minutes=3))
    pause(viewer, session, NOW + timedelta(minutes=4))
    later = NOW + timedelta(hours=2)
    going = going_practice(viewer, session, later)
    assert (going.spent_s, going.paused) == (180.0, True)
    take_up(viewer, session, later)
    take_up(viewer, session, later + timedelta(minutes=1))
    assert going_practice(viewer, session, later + timedelta(minutes=2)).spent_s == 300.0


def test_what_was_done_stands_in_the_log_of_the_practice(signed_in, session):
    signed_in.post("/train/practice/begin", data={"minutes": "25"})
    run = signed_in.post("/train/drills/tuning_putts/begin").location
    signed_in.post(f"{run}/ball", data={"outcome": "in", "number": 1})
    outing = session.scalars(select(Outing)).one()
    assert outing.kind == "practice"
    assert session.scalar(select(DrillRun.outing_id)) == outing.id
    page = signed_in.get(f"/rounds/{outing.id}")
    assert link(page, "Tuning putts: 1 of 1") == run
    signed_in.post("/mode", data={"mode": "competition"})
    assert "Tuning putts" not in text(signed_in.get(f"/rounds/{outing.id}"))


def test_it_is_paused_taken_up_and_ended_from_the_page(signed_in, session):
    signed_in.post("/train/practice/begin", data={"minutes": "10"})
    signed_in.post("/train/practice/pause")
    assert "paused" in text(signed_in.get("/train/practice"))
    signed_in.post("/train/practice/on")
    assert "paused" not in text(signed_in.get("/train/practice"))
    signed_in.post("/train/practice/end")
    assert session.scalar(select(PracticePlan.ended_at)) is not None
    assert signed_in.post("/train/practice/done", data={"number": "x"}).status_code == 303
    signed_in.post("/train/practice/pause")

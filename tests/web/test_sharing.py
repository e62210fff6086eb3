"""A pupil lets a coach in, who leaves a note and a session, until the pupil takes it back."""

import pytest
from sqlalchemy import select

from orthocline.db.share.models import CoachNote
from orthocline.services.account.access import Viewer
from orthocline.services.log.noting import note_putt
from tests.page import link, parsed, text, value, words_at
from tests.sharing import let_see


@pytest.fixture
def coach(as_golfer):
    return as_golfer("Wren")


@pytest.fixture
def pupil(as_golfer):
    return as_golfer("Tove")


def test_a_pupil_shares_a_coach_leaves_something_and_it_is_taken_back(pupil, coach, session):
    putt = note_putt(Viewer(pupil.golfer), session, length_m=3.0)
    session.commit()
    made = pupil.post("/sharing/invite", data={"new-what": ["log", "drills"]})
    code = parsed(made).select_one("#made-code").get_text()
    entered = coach.post("/sharing/enter", data={"code": code.lower()})
    home = entered.location
    assert "You see Tove's log and drills" in text(coach.get(home))
    coach.post(f"{home}/putts/{putt.id}", data={"words": "Gate before the hole."})
    coach.post(f"{home}/session", data={"turn-start_gate": "2", "turn-home_length": "1", "words": "Twice"})
    assert "Wren: Gate before the hole." in text(pupil.get("/log"))
    assert "Wren: Gate before the hole." in text(pupil.get("/"))
    assert "Wren set you a session of 12 minutes" in text(pupil.get("/"))
    practice = pupil.get("/train/practice")
    assert "From Wren" in text(practice)
    assert "Home length, Start gate" in text(practice)
    pupil.post(parsed(practice).select_one("form[action*='/set/']")["action"])
    assert "Home length" in parsed(pupil.get("/train/practice")).h1.get_text()
    assert "0 of 2 done" in text(coach.get(home))
    assert "set you a session" not in text(pupil.get("/"))
    pupil.post(parsed(pupil.get("/sharing")).select_one("button[formaction]")["formaction"])
    for address in (home, f"{home}/log", f"{home}/putts/{putt.id}", f"{home}/session"):
        assert coach.get(address).status_code == 404, address
    assert "No pupils yet" in text(coach.get("/pupils"))
    assert "Wren: Gate before the hole." in text(pupil.get("/log")), "the pupil keeps it"
    pupil.post(parsed(pupil.get("/log")).select_one("form[action*='/notes/']")["action"])
    assert session.scalars(select(CoachNote)).all() == []


def test_a_code_that_opens_nothing_stays_in_its_field(coach):
    page = coach.post("/sharing/enter", data={"code": "ABCDE-FGHJK"})
    assert page.status_code == 422
    assert value(page, "code") == "ABCDE-FGHJK"
    assert "opens nothing" in words_at(page, "#code-message")
    assert coach.post("/sharing/enter", data={}).status_code == 422


def test_nothing_chosen_is_said_and_a_code_is_withdrawn(pupil):
    page = pupil.post("/sharing/invite", data={})
    assert page.status_code == 422
    assert "one thing at least" in words_at(page, "#new-what-message")
    pupil.post("/sharing/invite", data={"new-what": "greens"})
    page = pupil.get("/sharing")
    assert "greens, until" in text(page)
    pupil.post(parsed(page).select_one("form[action*='/withdraw']")["action"])
    assert "greens, until" not in text(pupil.get("/sharing"))


def test_a_pupil_changes_what_is_seen_and_nothing_is_taking_it_back(pupil, coach, session):
    held = let_see(session, pupil.golfer, coach.golfer, "log", "figures")
    home = f"/pupils/{pupil.golfer.id}"
    assert "Newest putts" in text(coach.get(home))
    pupil.post(f"/sharing/{held.id}/choose", data={f"{held.id}-what": ["figures"]})
    assert "Newest putts" not in text(coach.get(home))
    assert coach.get(f"{home}/log").status_code == 404
    pupil.post(f"/sharing/{held.id}/choose", data={})
    assert coach.get(home).status_code == 404


def test_pupils_stand_side_by_side_with_figures_as_far_as_they_share_them(pupil, coach, as_golfer, session):
    idris = as_golfer("Idris <b>")
    for golfer, what in ((pupil.golfer, ("figures", "log")), (idris.golfer, ("drills",))):
        for _ in range(3):
            note_putt(Viewer(golfer), session, length_m=3.0)
        let_see(session, golfer, coach.golfer, *what)
    page = coach.get("/pupils?level=low")
    assert [one.get_text() for one in parsed(page).select("article h2")] == ["Idris <b>", "Tove"]
    assert "not shared" in text(page)
    assert "low-handicap" in text(page)
    assert parsed(page).select_one("svg")
    assert coach.get(f"/pupils/{idris.golfer.id}").status_code == 200
    assert coach.get("/pupils?level=nobody").status_code == 200


def test_what_a_coach_types_wrong_stays(pupil, coach, session):
    putt = note_putt(Viewer(pupil.golfer), session, length_m=3.0)
    let_see(session, pupil.golfer, coach.golfer, "log", "drills")
    home = f"/pupils/{pupil.golfer.id}"
    page = coach.post(f"{home}/putts/{putt.id}", data={"words": "x" * 501})
    assert page.status_code == 422
    assert "x" * 501 in page.text
    page = coach.post(
        f"{home}/session", data={"words": "for pace", "turn-start_gate": "0", "turn-x": "9" * 9}
    )
    assert page.status_code == 422
    assert "Choose a drill" in words_at(page, "#drills-message")
    assert "for pace" in page.text
    page = coach.post(f"{home}/session", data={"words": "y" * 600, "turn-start_gate": "3"})
    assert page.status_code == 422
    assert parsed(page).select_one("#turn-start_gate option[selected]").get_text() == "3"


def test_a_session_begins_as_what_the_pupil_needs_and_can_be_taken_back(pupil, coach, session):
    let_see(session, pupil.golfer, coach.golfer, "drills")
    home = f"/pupils/{pupil.golfer.id}"
    planned = parsed(coach.get(f"{home}/session")).select("option[selected]")
    assert sorted(one.get_text() for one in planned)[0] == "1"
    coach.post(f"{home}/session", data={"turn-start_gate": "1"})
    coach.post(parsed(coach.get(home)).select_one("form[action*='/sessions/']")["action"])
    assert "Start gate" not in text(pupil.get("/train/practice")).split("How many minutes")[0]
    coach.post(f"{home}/session", data={"turn-start_gate": "1"})
    pupil.post(parsed(pupil.get("/train/practice")).select_one("button[formaction]")["formaction"])
    assert "From Wren" not in text(pupil.get("/train/practice"))
    coach.post(f"/sharing/of/{pupil.golfer.id}/leave")
    assert coach.get(home).status_code == 404


def test_coaching_is_off_in_competition_on_both_sides(pupil, coach, session):
    putt = note_putt(Viewer(pupil.golfer), session, length_m=3.0)
    let_see(session, pupil.golfer, coach.golfer, "log")
    home = f"/pupils/{pupil.golfer.id}"
    coach.post(f"{home}/putts/{putt.id}", data={"words": "Aim at the left edge."})
    pupil.post("/mode", data={"mode": "competition"})
    assert "left edge" not in text(pupil.get("/log")) + text(pupil.get("/"))
    coach.post("/mode", data={"mode": "competition"})
    for address in ("/pupils", home, f"{home}/log", f"{home}/putts/{putt.id}"):
        assert coach.get(address).status_code == 403, address
    assert coach.get("/sharing").status_code == 200


def test_a_long_log_of_a_pupil_is_turned_page_by_page(pupil, coach, session):
    for _ in range(52):
        note_putt(Viewer(pupil.golfer), session, length_m=3.0)
    let_see(session, pupil.golfer, coach.golfer, "log")
    first = coach.get(f"/pupils/{pupil.golfer.id}/log")
    older = coach.get(link(first, "Older putts"))
    assert len(parsed(older).select("main li")) == 2
    assert link(older, "Newest") == f"/pupils/{pupil.golfer.id}/log"

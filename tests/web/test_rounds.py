"""Rounds and practices: begun, shown, changed, deleted with undo; a round typed from its card."""

from datetime import UTC, datetime, timedelta

import pytest
from sqlalchemy import select

from orthocline.db.log.models import LoggedPutt, Outing
from tests.page import link, parsed, text, value, values

CARD = {
    **{"course": "Ternholm Links", "when": "2026-10-11T09:30"},
    **{"h1-putts": "2", "h1-first": "20 ft", "h1-second": "18 in", "h2-putts": "0", "h4-putts": "3"},
}


@pytest.fixture
def begun(signed_in, session):
    signed_in.post("/rounds", data={"kind": "round", "course": "Ternholm Links"})
    return session.scalars(select(Outing)).one()


def test_a_round_begins_goes_on_and_ends(signed_in, begun):
    page = signed_in.get("/rounds")
    assert "Round, Ternholm Links goes on" in text(page)
    noting = signed_in.get(link(page, "Note a putt"))
    assert "Hole 1" in text(noting)
    assert value(noting, "course") == "Ternholm Links"
    shown = signed_in.post(f"/rounds/{begun.id}/end", follow_redirects=True)
    assert "goes on" not in text(signed_in.get("/rounds"))
    assert "No putt yet" in text(shown)


def test_its_putts_stand_green_by_green(signed_in, begun):
    for turn in ({"hole": "1", "number": "1", "missed": "1"}, {"hole": "2", "number": "1", "holed": "1"}):
        signed_in.post("/log/note", data={"outing": begun.id, "length": "9 ft", **turn})
    page = signed_in.get(f"/rounds/{begun.id}")
    assert "2 putts on 2 greens" in text(page)
    assert [word in text(page) for word in ("hole 1", "hole 2", "missed", "holed")] == [True] * 4
    assert "2 putts, newest first" in text(signed_in.get(link(page, "Its putts in the log")))
    assert "2 putts" in text(signed_in.get(link(page, "Its figures")))


def test_edit_delete_and_undo(signed_in, begun):
    address = f"/rounds/{begun.id}"
    told = values(parsed(signed_in.get(f"{address}/edit")).main.form)
    signed_in.post(f"{address}/edit", data=told | {"kind": "practice", "holes": "9", "note": "wind"})
    assert "Practice, Ternholm Links" in text(signed_in.get(address))
    tomorrow = (datetime.now(UTC) + timedelta(days=3)).strftime("%Y-%m-%dT%H:%M")
    for wrong, words in (
        ({"holes": "19"}, "1 to 18 holes"),
        ({"when": tomorrow}, "still to come"),
        ({"when": "0001-01-01T00:00"}, "No clock"),
    ):
        refused = signed_in.post(f"{address}/edit", data=told | wrong)
        assert (refused.status_code, words in text(refused)) == (422, True), wrong
    gone = signed_in.post(f"{address}/delete")
    assert "It is deleted, with its putts" in text(signed_in.get(gone.location))
    assert signed_in.get(address).status_code == 404
    signed_in.post(f"{address}/restore")
    assert "wind" in text(signed_in.get(address))


def test_a_card_becomes_a_round_and_the_next_is_begun_there(signed_in, session):
    kept = signed_in.post("/rounds/card", data=CARD, follow_redirects=True)
    assert "5 putts on 3 greens, 1 three-putt" in text(kept)
    outing = session.scalars(select(Outing)).one()
    assert (outing.holes, outing.ended_at) == (3, outing.begun_at)
    of_first = select(LoggedPutt).where(LoggedPutt.hole == 1).order_by(LoggedPutt.number)
    first = session.scalars(of_first).all()
    assert [round(putt.length_m, 3) for putt in first] == [6.096, 0.457]
    assert value(signed_in.get("/rounds"), "course") == value(signed_in.get("/rounds/card"), "course")
    assert value(signed_in.get("/rounds"), "course") == "Ternholm Links"


@pytest.mark.parametrize(
    ("wrong", "words"),
    [
        ({"h1-putts": "12"}, "Hole 1: A green takes up to 9 putts"),
        ({"h4-putts": "many"}, "Hole 4: Not a valid integer"),
        ({"h3-first": "20 ft"}, "Hole 3: How many putts was it?"),
        ({"h2-second": "2 ft"}, "Hole 2: There was no second putt"),
        ({"h1-first": "far"}, "Hole 1: First putt "),
        ({"when": "soon"}, "A day and a time"),
        ({"course": "x" * 90}, "At most 80 characters"),
        ({name: "" for name in CARD if name.startswith("h")}, "Fill in the putts of one hole"),
    ],
)
def test_a_card_that_is_wrong_is_named_by_hole_and_kept_as_typed(signed_in, session, wrong, words):
    refused = signed_in.post("/rounds/card", data=CARD | wrong)
    assert refused.status_code == 422
    assert words in text(refused)
    assert value(refused, "h4-putts") == (CARD | wrong)["h4-putts"]
    assert session.scalars(select(Outing)).all() == []


def test_a_long_list_of_rounds_has_pages(signed_in, session):
    session.add_all(Outing(golfer_id=signed_in.golfer.id, kind="round", note=f"n{i}") for i in range(130))
    session.commit()
    page = signed_in.get("/rounds")
    assert len(parsed(page).select("main li")) == 100
    older = signed_in.get(link(page, "Older ones"))
    assert len(parsed(older).select("main li")) == 30
    assert "No older ones" in text(signed_in.get("/rounds?after=500"))


def test_what_cannot_be_begun_is_said(signed_in):
    assert signed_in.post("/rounds", data={"kind": "walk"}).status_code == 422
    assert "No round yet" in text(signed_in.get("/rounds"))

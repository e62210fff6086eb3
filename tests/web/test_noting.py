"""Noting a putt from nothing, the next one, what is said after the hole."""

import pytest
from sqlalchemy import select

from orthocline.db.log.models import LoggedPutt
from tests.page import parsed, text, value, values
from tests.reads import SPINDRIFT

FOOT = 0.3048
PLACE = {"kept": "1", "along": "18 in", "along_way": "past", "across": "2 ft", "across_way": "left"}


def putts(session):
    session.expire_all()
    return session.scalars(select(LoggedPutt).order_by(LoggedPutt.id)).all()


def form_of(response):
    return values(parsed(response).find("form", action="/log/note"))


def note(client, page, **told):
    return client.post("/log/note", data=form_of(page) | told, follow_redirects=True)


def test_a_length_and_a_tap_are_a_putt_and_the_second_is_one_tap_more(signed_in, session):
    first = note(signed_in, signed_in.get("/log/note"), length="12 ft", started="left", **PLACE)
    assert "Noted: 12 ft, 18 in past, 24 in left" in text(first)
    assert value(first, "length") == "2.5 ft"
    assert "Second putt" in text(first)
    then = note(signed_in, first, holed="1")
    assert "Noted: second putt, 2.5 ft, holed" in text(then)
    one, other = putts(session)
    assert (one.started_right, one.holed, one.finish_across_m) == (-1, False, pytest.approx(-2 * FOOT))
    assert (other.visit, other.number, other.holed) == (one.visit, 2, True)
    assert value(then, "number") == "1"


def test_after_the_hole_its_first_putt_is_judged(signed_in, session):
    missed = note(signed_in, signed_in.get("/log/note"), length="12 ft", missed="1")
    then = note(signed_in, missed, length="2 ft", holed="1")
    first = putts(session)[0]
    judged = parsed(then).find("form", action=lambda to: to and "/judged" in to)
    assert judged["action"].startswith(f"/log/{first.id}/judged")
    said = values(judged) | {"read": "yes", "pace": "no", "committed": "yes"}
    back = signed_in.post(judged["action"], data=said, follow_redirects=True)
    assert [one["value"] for one in parsed(back).select("[name=pace][checked]")] == ["no"]
    assert (putts(session)[0].read_was_right, putts(session)[0].line_was_right) == (True, None)
    by_part = signed_in.post(judged["action"], data=said, headers={"HX-Request": "true"})
    assert (by_part.status_code, by_part.data) == (204, b"")
    assert "read right, pace off, committed" in text(signed_in.get("/log"))


def test_a_place_that_was_not_tapped_is_asked_for_and_nothing_is_lost(signed_in, session):
    wrong = note(signed_in, signed_in.get("/log/note"), length="12 ft", note="wet", kept="1")
    assert wrong.status_code == 422
    assert "is not there yet" in text(wrong)
    assert (value(wrong, "length"), value(wrong, "note")) == ("12 ft", "wet")
    far = note(signed_in, signed_in.get("/log/note"), length="12 ft", kept="1", along="200 ft", across="0")
    assert "must be between 0 and 98 ft" in text(far)
    assert putts(session) == []


@pytest.mark.parametrize(
    ("told", "words"),
    [
        ({"hole": "19"}, "A round has holes 1 to 18"),
        ({"number": "12"}, "A green takes 1 to 9 putts"),
        ({"hole": "x"}, "Not a valid integer"),
        ({"visit": "x"}, "note it anew"),
        ({"method": "thumbs"}, "Not a valid choice"),
        ({"length": "900 ft"}, "Length must be between"),
        ({"started": "up"}, "Not a valid choice"),
    ],
)
def test_what_no_putt_is_is_said_beside_its_field(signed_in, session, told, words):
    wrong = note(signed_in, signed_in.get("/log/note"), **({"length": "12 ft", "holed": "1"} | told))
    assert wrong.status_code == 422
    assert words in text(wrong)
    assert putts(session) == []


def test_a_round_of_another_is_not_found(signed_in):
    assert signed_in.get("/log/note?round=99").status_code == 404
    assert signed_in.get("/log/note?after=99").status_code == 404
    assert signed_in.get("/log/note?after=x&round=y").status_code == 200
    assert note(signed_in, signed_in.get("/log/note"), length="12 ft", outing="99").status_code == 404


def test_a_read_that_is_saved_takes_its_turn_in_the_round(signed_in, session):
    signed_in.post("/rounds", data={"kind": "round", "course": "Ternholm Links"})
    saved = signed_in.post("/log", data=SPINDRIFT)
    after = signed_in.post(saved.location, data=PLACE | {"passed": "left"}, follow_redirects=True)
    assert "Hole 1, second putt" in text(after)
    (putt,) = putts(session)
    assert (putt.hole, putt.number, putt.passed_right) == (1, 1, -1)
    assert putt.start_right_rad is not None
    assert "passed left" in text(signed_in.get("/log"))
    again = signed_in.get(saved.location)
    assert [one["value"] for one in parsed(again).select("[name=passed][checked]")] == ["left"]
    note(signed_in, after, holed="1")
    assert "Hole 2" in text(signed_in.get("/log/note"))


def test_a_device_a_gate_and_the_strike_are_noted(signed_in, session):
    page = signed_in.get("/log/note")
    note(signed_in, page, length="9 ft", holed="1", device="y", gate="yes", struck="no")
    (putt,) = putts(session)
    assert (putt.by_device, putt.gate_touched, putt.struck_centre) == (True, True, False)
    assert "touched the gate, struck off centre, rolled by a device" in text(signed_in.get("/log"))


def test_competition_notes_without_a_word_of_the_read(signed_in):
    saved = signed_in.post("/log", data=SPINDRIFT)
    signed_in.post("/mode", data={"mode": "competition"})
    after = signed_in.post(saved.location, data=PLACE, follow_redirects=True)
    assert "Noted: 14 ft, 18 in past" in text(after)
    assert "17¾" not in text(after)
    assert signed_in.get("/figures").status_code == 403

"""The speed book: its list and trend, what reads take from it, and how often it is asked."""

import re

from sqlalchemy import event

from tests.page import fields, link, links, parsed, text, value, words_of
from tests.reads import SPINDRIFT
from tests.speeds import COURSE, kept_speed

RAMP = "/speed/ramp"


def test_the_book_lists_edits_deletes_and_brings_back(signed_in, session):
    note = kept_speed(session, signed_in.golfer, 10.4, green="practice green")
    kept_speed(session, signed_in.golfer, 9.0, hours=90, course="Elsewhere")
    session.commit()
    book = signed_in.get("/speed")
    assert "Speed 10.4, within 0.4 ft." in text(book)
    assert parsed(book).find(id="trend")
    assert "Speed 9.0" in text(signed_in.get("/speed?course=Elsewhere"))
    address = f"/speed/{note.id}/edit"
    assert value(signed_in.get(address), "green") == "practice green"
    assert signed_in.post(address, data={"course": ""}).status_code == 422
    changed = {"course": COURSE, "green": "green 4", "moisture": "damp", "smoothness": "3"}
    assert signed_in.post(address, data=changed).status_code == 303
    assert "damp, smooth 3/5" in text(signed_in.get("/speed"))
    gone = signed_in.post(f"/speed/{note.id}/delete")
    assert "The speed is deleted." in text(signed_in.get(gone.location))
    signed_in.post(f"/speed/{note.id}/restore")
    assert "Speed 10.4" in text(signed_in.get("/speed"))


def test_an_empty_book_says_what_to_do_first(client, signed_in):
    assert "Measure your green in five minutes" in text(signed_in.get("/speed"))
    signed_in.post("/sign-out")
    assert "Measuring needs no account" in text(client.get("/speed"))


def test_a_read_uses_the_books_speed_and_marks_an_old_one(signed_in, session):
    kept_speed(session, signed_in.golfer, 11.3, within=0.3, hours=0.5)
    session.commit()
    fresh = signed_in.get("/read")
    assert value(fresh, "speed") == "11.3"
    assert COURSE in text(fresh)
    assert "±0.3 ft" in text(fresh)
    assert "measure again" not in text(fresh)
    typed = signed_in.get(
        "/read", query_string={**SPINDRIFT, "measured": "11.3 ±0.3 at 2026-11-20T07:40Z by ramp"}
    )
    assert "as typed" in text(typed), "10.2 is not the speed that was measured"
    old = {**SPINDRIFT, "measured": "10.2 ±0.3 at 2026-11-20T07:40Z by ramp"}
    stale = signed_in.get("/read", query_string=old)
    assert "±1.2 ft: measure again" in text(stale)
    head = parsed(stale).find(id="source-head")
    assert "text-unsure" in head["class"]
    assert head.text.startswith("measure again: ")
    assert "±" not in head.text, "the day alone: there is no room for more"
    again = fields(head["href"])
    assert again["green"] == [SPINDRIFT["green"]]
    assert again["next"][0].startswith("/read?length=14+ft")
    part = signed_in.get("/read", query_string=old, headers={"HX-Request": "true"})
    assert len(parsed(part).find_all(id=re.compile("^source-"))) == 2, "it follows every redraw"


def test_today_begins_with_the_speed(signed_in, session):
    assert "Measure" in text(signed_in.get("/"))
    kept_speed(session, signed_in.golfer, 11.3, hours=200)
    session.commit()
    assert re.search(r"11\.3, [89] days ago\.", text(signed_in.get("/")))


def test_pages_ask_the_database_as_often_for_a_full_book_as_for_one_speed(signed_in, session):
    asked = []
    connection = session.connection()
    event.listen(connection, "before_cursor_execute", lambda *call: asked.append(call[2]))

    def counted(address):
        asked.clear()
        signed_in.get(address)
        return sum(words.startswith("SELECT") for words in asked)

    kept_speed(session, signed_in.golfer)
    session.commit()
    one = [counted(address) for address in ("/speed", "/read", RAMP)]
    for hours in range(1, 30):
        kept_speed(session, signed_in.golfer, hours=hours)
    session.commit()
    assert [counted(address) for address in ("/speed", "/read", RAMP)] == one
    assert max(one) <= 9
    assert counted("/read?length=9+ft&speed=10") == counted("/read?length=9+ft&speed=10&own=3+in") <= 3


def test_speed_and_read_say_the_day_against_the_usual_green(signed_in, session):
    address = {**SPINDRIFT, "speed": "11"}
    for hours in (400, 300, 200):
        assert "your usual" not in text(signed_in.get("/speed"))
        assert "your usual" not in text(signed_in.get("/read", query_string=address))
        kept_speed(session, signed_in.golfer, 9.0, hours=hours)
        session.commit()
    kept_speed(session, signed_in.golfer, 11.0, hours=0.2)
    session.commit()
    assert "Quicker than your usual 9.0: a fifth more aim, a tenth shorter strokes." in text(
        signed_in.get("/speed")
    )
    page = text(signed_in.get("/read", query_string=address))
    assert "Quicker than your usual 9.0: a fifth more aim, a tenth shorter strokes." in page


def test_the_speed_pages_know_where_they_are_and_lead_on_to_tuning_putts(signed_in, session):
    kept_speed(session, signed_in.golfer, green="practice green")
    session.commit()
    page = signed_in.get("/speed")
    assert f"{COURSE}, practice green" in words_of(parsed(page).find("header"))
    (ramp,) = links(page, f"{RAMP}?course")
    assert value(signed_in.get(ramp), "green") == "practice green"
    assert "Distance" in text(signed_in.get(link(page, "Tuning putts")))

"""The green book: its page, what it is made of, kept and printed by a job, read in Competition."""

from urllib.parse import parse_qsl, urlencode

import pytest

from orthocline.core.chart import Chart, ChartPin, ChartReading
from orthocline.db.carry.models import Print
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.services.jobs.jobs import carry_out
from tests.formats.test_printed import pdftotext
from tests.page import holds, link, links, parsed, text, value, words_at

SQUARE = ((-9.0, 0.0), (9.0, 0.0), (9.0, 18.0), (-9.0, 18.0))
READ = tuple(
    ChartReading((float(x), float(y)), by, -1.2, 0.02 + 0.001 * x)
    for x, y, by in ((-5, 3, "arrow"), (5, 4, "arrow"), (0, 9, "feet"), (-4, 14, "level"), (6, 15, "level"))
)


@pytest.fixture
def links_of_two(signed_in, session):
    """A golfer with two charted greens on one course and one on another; returns their numbers."""
    chart = Chart(SQUARE, READ, (ChartPin((2.0, 6.0), "front"), ChartPin((-3.0, 13.0), "back", retired=True)))
    who = Viewer(signed_in.golfer)
    places = (Place("Ternholm Links", "green 1"), Place("Ternholm Links", "green 2"), Place("Elsewhere", "9"))
    numbers = [keep_chart(who, session, place, chart, "charted") for place in places]
    session.commit()
    return numbers


def said(response):
    """Return what the page of the book says."""
    return parsed(response).select_one(".book-page")["aria-label"]


def asked(*greens, **more):
    return {"sent": "1", "course": "Ternholm Links", "green": list(greens), "also": ["pins"], **more}


def keep(client, sessions, book):
    kept = client.post("/book", data={"book": urlencode(book, doseq=True)}).location
    with sessions() as session:
        job = session.get(Print, int(kept.rpartition("/")[2])).job_id
    carry_out(sessions, job)
    return kept


@pytest.mark.usefixtures("links_of_two")
def test_all_greens_of_a_course_are_chosen_and_the_first_is_looked_at(signed_in):
    page = signed_in.get("/book")
    assert "Ternholm Links, green 1: a page of a green book." in said(page)
    assert "Worked out from 5 readings by arrow, feet, level." in said(page)
    assert "1 front 10 paces on, 2 right" in said(page)
    assert "back" not in said(page), "a pin that is out of use"
    assert "2 pages on 1 sheet." in text(page)
    other = signed_in.get(link(page, "green 2"))
    assert "Ternholm Links, green 2" in said(other)
    assert [one.get_text() for one in parsed(page).select(".chips a")] == ["Ternholm Links", "Elsewhere"]
    assert "Elsewhere, 9" in said(signed_in.get(link(page, "Elsewhere")))
    assert "A green book for your pocket" in text(signed_in.get("/greens"))


def test_a_book_by_hand_says_that_it_is(signed_in, links_of_two):
    page = signed_in.get("/book", query_string=asked(links_of_two[0], made_from="hand"))
    assert "Hand-entered only: typed by the golfer, with no instrument and no model." in said(page)
    assert "%" not in said(page)


def test_what_is_larger_than_the_rules_last_known_says_so(signed_in, links_of_two):
    assert "larger than the rules" not in text(signed_in.get("/book"))
    page = signed_in.get("/book", query_string=asked(links_of_two[0], scale="300", wide="5 in"))
    assert "The map and page are larger than the rules of play last known here allow" in text(page)
    assert "0.6 in to 5 yd (1:300)" in text(page)


@pytest.mark.parametrize(
    ("field", "typed", "says"),
    [
        ("scale", "tiny", "cannot be read"),
        ("wide", "3 ft", "must be between"),
        ("scale", "20", "must be between"),
    ],
)
def test_what_cannot_be_read_is_said_beside_its_field(signed_in, links_of_two, field, typed, says):
    page = signed_in.get("/book", query_string=asked(*links_of_two[:1], **{field: typed}))
    assert page.status_code == 422
    assert says in words_at(page, f"#{field}-message")
    assert holds(page, typed)
    none = signed_in.get("/book", query_string=asked())
    assert none.status_code == 422
    assert "Choose one green or more." in words_at(none, "#green-message")
    for odd in ({"green": ["999999"]}, {"green": ["x"]}, {"shows": "lasers"}):
        assert signed_in.get("/book", query_string=asked() | odd).status_code == 422


def test_a_golfer_without_charts_is_led_to_charting(signed_in):
    page = signed_in.get("/book")
    assert page.status_code == 200
    assert "No green is charted yet." in text(page)
    assert "No green is charted yet." in text(signed_in.post("/book", data={"book": ""}))


@pytest.mark.usefixtures("links_of_two")
def test_anothers_green_is_no_page(signed_in, session, create_golfer):
    theirs = keep_chart(
        Viewer(create_golfer("Idris")), session, Place("X", "1"), Chart(SQUARE, READ), "charted"
    )
    session.commit()
    assert signed_in.get("/book", query_string=asked(theirs)).status_code == 422
    refused = signed_in.post("/book", data={"book": urlencode(asked(theirs), doseq=True)})
    assert refused.status_code == 422


def test_a_part_keeps_the_address(signed_in, links_of_two):
    part = signed_in.get("/book", query_string=asked(links_of_two[1]), headers={"HX-Request": "true"})
    kept = dict(parse_qsl(part.headers["HX-Replace-Url"].partition("?")[2]))
    assert (kept["green"], kept["look"]) == (str(links_of_two[1]), str(links_of_two[1]))


def test_a_book_is_printed_with_the_golfers_notes_and_read_in_competition(signed_in, sessions, links_of_two):
    note = "Dies toward the burn."
    about = f"/greens/{links_of_two[0]}/about"
    told = {"green": "green 1", "character": "", "note": note}
    assert signed_in.post(about, data=told).status_code == 303
    assert value(signed_in.get(about), "note") == note
    book = asked(*links_of_two[:2], also=["pins", "notes"], paper="each")
    kept = keep(signed_in, sessions, book)
    pdf = signed_in.get(f"{kept}/pdf").data
    assert note in pdftotext(pdf)
    assert "3/8 in to 5 yd (1:480)" in pdftotext(pdf)
    assert pdftotext(pdf, "-bbox").count('<page width="306.0') == 2, "4 1/4 in"
    assert signed_in.get(f"{kept}/png?page=2").data[:4] == b"\x89PNG"
    assert "green 2" in signed_in.get(f"{kept}/svg?page=2").text
    assert "Green book, Ternholm Links" in text(signed_in.get("/prints"))
    signed_in.post("/mode", data={"mode": "competition"})
    assert signed_in.get("/book").status_code == 403
    refused = signed_in.post("/book", data={"book": urlencode(book, doseq=True)})
    assert refused.status_code == 403
    page = signed_in.get(kept)
    assert len(parsed(page).select("#carried svg")) == 2
    assert note in page.text
    assert links(signed_in.get("/prints"), "/book") == []


def test_the_same_book_is_made_again_only_when_a_green_has_changed(
    signed_in, sessions, session, links_of_two
):
    book = asked(*links_of_two[:2])
    kept = keep(signed_in, sessions, book)
    again = signed_in.post("/book", data={"book": urlencode(book, doseq=True)})
    assert again.location == kept
    who = Viewer(signed_in.golfer)
    keep_chart(who, session, links_of_two[1], Chart(SQUARE, READ[:3]), "fewer")
    session.commit()
    changed = signed_in.post("/book", data={"book": urlencode(book, doseq=True)})
    assert changed.location != kept

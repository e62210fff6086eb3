"""Pocket cards and what is carried: drawn, kept, printed by a job, read in Competition."""

from urllib.parse import parse_qsl, urlencode

import pytest
from sqlalchemy import func, select

from orthocline.db.carry.models import Print
from orthocline.services.carry import prints
from orthocline.services.jobs.jobs import carry_out
from orthocline.wording.cautions import CAUTIONS
from tests.archived import rows_in
from tests.page import holds, link, links, parsed, text, value, words_at
from tests.reads import SPINDRIFT
from tests.speeds import kept_speed

METRIC = {"units": "metres", "slopes": "percent", "bend": "borrow", "hand": "left", "eye": "unknown"}
FEW = {"speed": "10.2", "lengths": "5 10 ft", "tilts": "1 2 %", "cards": ["aim", "dial"]}


def faces(response):
    """Return what the cards of a page say."""
    return [one["aria-label"] for one in parsed(response).select(".card")]


def keep(client, sessions, asked=FEW):
    """Keep cards, let the job make them, and return the address of what is carried."""
    query = urlencode(asked, doseq=True)
    kept = client.post("/cards", data={"cards": query}).location
    number = int(kept.rpartition("/")[2])
    with sessions() as session:
        job = session.get(Print, number).job_id
    carry_out(sessions, job)
    return kept


def test_a_visitor_sees_all_cards_of_a_usual_speed(client):
    page = client.get("/cards")
    titles = [one.partition(", green speed 10.0")[0] for one in faces(page)]
    assert titles == [
        *("Aim, level", "Aim, up 2 %", "Aim, down 2 %", "Pace, level", "Pace, up 2 %", "Pace, down 2 %"),
        *("Fingers, level", "Dial, 6 uphill"),
    ]
    assert "8 cards on 1 sheet." in text(page)
    assert link(page, "Sign in to keep and print").startswith("/sign-in?next=")


def test_cards_are_the_golfers_own_speed_pace_and_units(signed_in, session):
    kept_speed(session, signed_in.golfer, 11.3)
    signed_in.post("/measures", data={**METRIC, "usual_past": "45 cm"})
    page = signed_in.get("/cards")
    assert value(page, "speed") == "11.3"
    assert "Aim, level, green speed 11.3, Borrow in cm, 45 cm past." in faces(page)[0]
    assert value(page, "lengths") == "1, 1.5, 2.5, 4, 6, 9 m"


def test_two_speeds_and_chosen_cards_for_chosen_putts(client):
    page = client.get("/cards", query_string=FEW | {"speed2": "9"})
    assert [one.split(",")[0] for one in faces(page)] == ["Aim", "Aim", "Aim", "Dial"] * 2
    assert "green speed 9.0" in faces(page)[4]
    assert "5 ft: 1 %: " in faces(page)[0]
    assert "30 ft" not in faces(page)[0]
    part = client.get("/cards", query_string=FEW, headers={"HX-Request": "true"})
    assert dict(parse_qsl(part.headers["HX-Replace-Url"].partition("?")[2]))["lengths"] == "5 10 ft"
    assert parsed(part).find("header") is None


@pytest.mark.parametrize(
    ("field", "typed", "says"),
    [
        ("speed", "fast", "cannot be read"),
        ("speed2", "30", "must be between"),
        ("past", "9 ft", "must be up to 5 ft"),
        ("lengths", "3 5 far", "unknown unit"),
        ("lengths", "", "must be one to 12"),
        ("lengths", " ".join(map(str, range(1, 15))), "must be one to 12"),
        ("lengths", "3, 500 ft", "must be one to 12"),
        ("tilts", "1 2 3 4 5 %", "must be one to 4"),
        ("tilts", "1 in", "allowed are percent or degrees"),
        ("rise", "20 %", "must be 0 for level alone"),
    ],
)
def test_what_cannot_be_read_is_said_beside_its_field_and_stays(client, field, typed, says):
    page = client.get("/cards", query_string=FEW | {field: typed})
    assert page.status_code == 422
    assert says in words_at(page, f"#{field}-message")
    assert holds(page, typed) or not typed
    assert faces(page) == []
    odd = client.get("/cards", query_string=FEW | {"cards": "poker", "size": "vast"})
    assert odd.status_code == 422


def test_kept_cards_are_made_by_a_job_once_and_taken_as_files(signed_in, sessions, session):
    kept = keep(signed_in, sessions)
    page = signed_in.get(kept)
    assert [one.get_text() for one in parsed(page).select(".carried-pages a")][:2] == [
        *("10.2: Aim, level", "10.2: Aim, up 2 %"),
    ]
    assert CAUTIONS["prints.one"] in words_at(page, "footer")
    drawn = parsed(page).select("#carried svg")
    assert len(drawn) == 4
    assert "10 ft: 1 %: " in drawn[0]["aria-label"]
    pdf = signed_in.get(f"{kept}/pdf")
    assert (pdf.mimetype, pdf.data[:5]) == ("application/pdf", b"%PDF-")
    assert "Aim, level" in signed_in.get(f"{kept}/svg?page=1").text
    assert signed_in.get(f"{kept}/png?page=4").data[:4] == b"\x89PNG"
    assert signed_in.get(f"{kept}/svg?page=5").status_code == 404
    again = signed_in.post("/cards", data={"cards": urlencode(FEW, doseq=True)})
    assert again.location == kept
    assert session.scalar(select(func.count()).select_from(Print)) == 1
    other = signed_in.post("/cards", data={"cards": urlencode(FEW | {"speed": "9"}, doseq=True)})
    assert other.location != kept
    assert "Cards for 10.2" in text(signed_in.get("/prints"))
    assert "being made" in text(signed_in.get("/prints"))


def test_what_is_carried_is_in_the_archive(signed_in, sessions, take_along):
    keep(signed_in, sessions)
    (kept,) = rows_in(take_along(signed_in).data, "prints")
    assert (kept["kind"], kept["title"], kept["asked"]["speeds_ft"]) == ("cards", "Cards for 10.2", [10.2])
    assert [one["title"] for one in kept["pages"]][-1] == "10.2: Dial, 6 uphill"


def test_while_it_is_made_its_page_says_so_and_then_leads_on(signed_in, sessions, session):
    kept = signed_in.post("/cards", data={"cards": urlencode(FEW, doseq=True)}).location
    made = session.get(Print, int(kept.rpartition("/")[2]))
    assert "It waits for its turn" in words_at(signed_in.get(kept), "#job")
    assert signed_in.get(f"{kept}/pdf").status_code == 404
    assert signed_in.get(f"/prints/made/{made.job_id}").location == kept
    carry_out(sessions, made.job_id)
    part = signed_in.get(f"/jobs/{made.job_id}", headers={"HX-Request": "true"})
    assert part.headers["HX-Redirect"] == f"/prints/made/{made.job_id}"
    assert signed_in.get(f"/prints/made/{made.job_id}").location == kept
    other = int(signed_in.post("/account/export").location.rpartition("/")[2])
    assert signed_in.get(f"/prints/made/{other}").status_code == 404


def test_a_cancelled_print_is_asked_for_anew(signed_in, session):
    kept = signed_in.post("/cards", data={"cards": urlencode(FEW, doseq=True)}).location
    made = session.get(Print, int(kept.rpartition("/")[2]))
    signed_in.post(f"/jobs/{made.job_id}/cancel")
    assert "It was cancelled" in text(signed_in.get(kept))
    again = signed_in.post("/cards", data={"cards": urlencode(FEW, doseq=True)})
    assert again.location != kept


def test_in_competition_no_card_is_made_and_those_kept_before_are_read(signed_in, sessions):
    kept = keep(signed_in, sessions)
    before = parsed(signed_in.get(kept)).select_one("#carried")
    signed_in.post("/mode", data={"mode": "competition"})
    for refused in (
        signed_in.get("/cards"),
        signed_in.post("/cards", data={"cards": urlencode(FEW, doseq=True)}),
    ):
        assert refused.status_code == 403
        assert "ask the committee" in text(refused)
    assert len(before.select("svg")) == 4
    assert parsed(signed_in.get(kept)).select_one("#carried") == before
    assert signed_in.get(f"{kept}/pdf").status_code == 200
    assert "Cards for 10.2" in text(signed_in.get("/prints"))
    assert links(signed_in.get("/prints"), "/cards") == []


def test_a_print_is_deleted_with_a_way_back_and_only_so_many_are_kept(signed_in, sessions, monkeypatch):
    kept = keep(signed_in, sessions)
    gone = signed_in.post(f"{kept}/delete")
    assert signed_in.get(kept).status_code == 404
    assert "It is deleted." in text(signed_in.get(gone.location))
    signed_in.post(f"{kept}/restore")
    assert signed_in.get(kept).status_code == 200
    monkeypatch.setattr(prints, "MOST_PRINTS", 1)
    full = signed_in.post("/cards", data={"cards": urlencode(FEW | {"speed": "9"}, doseq=True)})
    assert full.status_code == 422
    assert "1 prints are kept: delete one" in text(full)
    signed_in.post(f"{kept}/delete")
    assert (
        signed_in.post("/cards", data={"cards": urlencode(FEW | {"speed": "9"}, doseq=True)}).status_code
        == 303
    )
    monkeypatch.setattr(prints, "MOST_WITH_DELETED", 2)
    monkeypatch.setattr(prints, "MOST_PRINTS", 5)
    many = signed_in.post("/cards", data={"cards": urlencode(FEW | {"speed": "8"}, doseq=True)})
    assert "You deleted many today" in text(many)


def test_nothing_is_kept_of_what_cannot_be_read(signed_in, session):
    refused = signed_in.post("/cards", data={"cards": "speed=fast"})
    assert refused.status_code == 422
    assert "cannot be read" in words_at(refused, "#speed-message")
    assert session.scalar(select(func.count()).select_from(Print)) == 0
    assert signed_in.post("/cards").status_code == 303, "what is left out is as usual"


def test_a_read_leads_to_the_cards_of_its_speed_and_pace(client):
    page = client.get(link(client.get("/read", query_string=SPINDRIFT), "Pocket cards for this speed"))
    assert (value(page, "speed"), value(page, "past")) == (SPINDRIFT["speed"], SPINDRIFT["past"])


def test_a_visitor_keeps_nothing(client):
    assert client.post("/cards", data={"cards": urlencode(FEW, doseq=True)}).status_code == 401

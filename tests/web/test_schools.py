"""Two schools side by side on one putt: both values, both balls, where they part and why."""

import re

import pytest

from orthocline.core.calls import SCHOOLS
from tests.made_up import school
from tests.page import drawn, link, parsed, text, words_at, words_of
from tests.reads import SPINDRIFT


def beside(client, one, other, **asked):
    return client.get("/schools", query_string={**SPINDRIFT, "one": one, "other": other, **asked})


def test_fingers_and_plumb_line_part_and_it_is_said_where_and_why(client):
    page = client.get(link(client.get("/read", query_string=SPINDRIFT), "Two schools side by side"))
    assert [words_of(title) for title in parsed(page).select("#two h2")] == ["Hand gauge", "Plumb line"]
    where = words_at(page, "#parting")
    assert re.fullmatch(r"They part [\d.]+ ft from the ball, and pass the hole \S+ in apart.", where)
    said = text(page)
    assert "2¼ fingers right" in said
    assert "knows the tilt at the feet, not green speed" in said
    assert len(drawn(page, "own-way")) == 2
    assert len(re.findall("Played so, it would", said)) == 2


def test_two_schools_that_know_all_roll_the_same_ball(client):
    page = beside(client, "curve_gate", "level_twin")
    assert words_at(page, "#parting") == "Both roll the same ball."
    assert "Curve gate is the read itself" in text(page)


def test_the_apex_as_a_target_misses_low(client):
    said = text(beside(client, "apex", "aim_spot"))
    assert re.search(r"Played so, it would pass \S+ in low", said)
    assert "aimed at, it misses low" in said


@pytest.mark.parametrize("one", SCHOOLS)
def test_every_school_can_stand_beside_another(client, one):
    for asked in ({}, {"side": "0 %", "rise": "0 %"}, {"side": "7 %", "rise": "8 %", "slope": "down"}):
        assert beside(client, one, "fall_line_dial", **asked).status_code == 200


def test_htmx_gets_the_part_and_the_address(client):
    query = {**SPINDRIFT, "one": "apex", "other": "curve_gate"}
    part = client.get("/schools", query_string=query, headers={"HX-Request": "true"})
    assert "<html" not in part.text
    assert part.headers["HX-Replace-Url"].endswith("&one=apex&other=curve_gate")


def test_what_is_no_school_or_no_putt_is_said_and_a_hidden_read_stays_hidden(client):
    assert beside(client, "thumbs", "apex").status_code == 422
    unread = beside(client, "apex", "apex", length="far")
    assert unread.status_code == 422
    assert "Length cannot be read" in text(unread)
    assert "Your read first." in text(beside(client, "apex", "curve_gate", first="1"))


def test_it_is_for_open_play(client):
    client.post("/mode", data={"mode": "competition"})
    assert beside(client, "apex", "curve_gate").status_code == 403


def test_a_made_up_school_stands_there_too(monkeypatch, client):
    school.add(monkeypatch)
    page = beside(client, school.NAME, "apex")
    assert "Thumbs" in text(page)
    assert "thumbs, laid side by side" in text(page).lower()

"""The own read first, in any school's words: hidden until given, told in its unit, kept with the putt."""

import re

import pytest
from sqlalchemy import select

from orthocline.core.calls import SCHOOLS
from orthocline.db.log.models import LoggedPutt
from tests.archived import rows_in
from tests.made_up import school
from tests.page import drawn, parsed, text, words_at
from tests.reads import SPINDRIFT

ANSWERS = {
    "aim_spot": ("9 in", r"Your aim is 8¾ in left of the read: it would pass .* low"),
    "curve_gate": ("8 in", r"Your gate is 1¾ in right of the read: it would pass .* high"),
    "cup_entry": ("half past four", r"Your entry is an hour earlier than the read: it would pass .* high"),
    "apex": ("4 in", r"Your apex is 2¼ in left of the read: it would pass .* low"),
    "fall_line_dial": ("3:30, 30 in", r"Your dial is .*in more than the read: it would pass .* high"),
    "hand_gauge": ("1½ fingers", r"Your hand gauge is ¾ finger left of the read: it would pass .* low"),
    "plumb_line": ("2 in", r"Your plumb line is 15¾ in left of the read: it would pass .* low"),
    "level_twin": ("20 in past, 19 in", r"Your coin is ¾ in further, ¾ in left of the read: it would"),
    "pace_target": ("5 ft short", r"Your pace target is .* shorter than the read: it would come up .* short"),
    "beat_mark": ("7.5 ft", r"Your beat mark is .* further than the read: it would"),
    "stroke": ("20 in", r"Your stroke is 4 in more than the read: it would"),
    "start_spot": ("2 ft ahead, 1 in", r"Your start line is 1½ in left of the read: it would pass .* low"),
    "instinct": (
        "at the right edge, dying",
        r"Your feel is three steps left, two steps softer than the read",
    ),
}


def ask(client, **asked):
    return client.get("/read", query_string={**SPINDRIFT, "first": "1", "own_side": "right", **asked})


@pytest.mark.parametrize("name", ANSWERS)
def test_an_own_read_is_told_in_its_own_unit_with_what_it_leaves(client, name):
    typed, told = ANSWERS[name]
    page = ask(client, own_by=name, own=typed)
    assert page.status_code == 200, words_at(page, "#own-message")
    assert re.match(told, words_at(page, "#own-words")), words_at(page, "#own-words")
    assert drawn(page, "own-way")


def test_every_school_that_can_be_answered_is_tried():
    assert set(ANSWERS) == {name for name, one in SCHOOLS.items() if one.launch}


def test_the_call_is_hidden_until_the_own_read_is_given(client):
    page = ask(client)
    assert "Your read first" in words_at(page, "#call h1")
    assert not drawn(page, "way")
    assert not parsed(page).select("#more button")
    assert "drag the open mark" in words_at(page, "#call")
    assert words_at(ask(client, own="9 in"), "#call h1").startswith("Aim ")


def test_a_band_holds_the_read_or_does_not(client):
    held, lost = (words_at(ask(client, own=band), "#own-words") for band in ("16 to 20 in", "4 to 9 in left"))
    assert held.startswith("Your band holds the read; its middle is")
    assert lost.startswith("Your band does not hold the read")


def test_what_cannot_be_read_or_rolled_is_said(client):
    wrong = ask(client, own_by="cup_entry", own="half past tea")
    assert wrong.status_code == 422
    assert "half past four" in words_at(wrong, "#own-message")
    assert "no ball can be started so" in words_at(ask(client, own_by="beat_mark", own="90 ft"), "#own-words")


def test_the_first_impression_is_a_drag_before_any_figure(client):
    page = client.get("/read", query_string={**SPINDRIFT, "first": "1", "to_aim": "0.2286"})
    assert "First impression: 9 in right" in words_at(page, "#call")
    assert "Your read first" in words_at(page, "#call h1"), "still hidden"
    assert drawn(page, "impression-line")
    address = parsed(page).find("a", string="Take my first impression")["href"]
    taken = client.get(address)
    assert "Your aim is 8¾ in left of the read" in words_at(taken, "#own-words")
    assert words_at(taken, "#impression-words").startswith("Your first impression was 8¾ in left of the read")


def test_read_method_and_impression_are_kept_and_told_in_the_log(signed_in, session, take_along):
    asked = {**SPINDRIFT, "first": "1", "own_by": "hand_gauge", "own": "1½ fingers", "own_side": "right"}
    signed_in.post("/log", data={**asked, "impression": "6 in right"})
    (putt,) = session.scalars(select(LoggedPutt)).all()
    assert (putt.own_school, putt.own_figures) == ("hand_gauge", [1.5])
    assert putt.impression_right_m == pytest.approx(0.1524)
    assert 0.25 < putt.own_aim_right_m < 0.35
    assert re.search(r"own read 1½ fingers right \(1[12]\S* in right\)", text(signed_in.get("/log")))
    assert "first impression 6 in right, further off" in text(signed_in.get("/log"))
    (told,) = rows_in(take_along(signed_in).data, "logged_putts")
    assert (told["own_school"], told["own_figures"]) == ("hand_gauge", [1.5])
    signed_in.post("/log", data={**asked, "own_by": "stroke", "own": "16 in"})
    assert "own read 16 in" in text(signed_in.get("/log")), "a pace has no aim"


def test_a_made_up_school_can_be_answered_too(monkeypatch, client):
    school.add(monkeypatch)
    page = ask(client, own_by=school.NAME, own="22 fingers")
    assert words_at(page, "#own-words").startswith("Your thumbs is ")

"""The calls of the Read page: which lead, how they are chosen, and the one that is lit."""

import pytest

from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import first_calls, own_measures
from orthocline.web.read.calls_view import chosen
from tests.page import drawn, parsed, values, words_of
from tests.reads import SPINDRIFT

VISITOR = ["aim_spot", "curve_gate", "pace_target"]


def leading(page):
    return [button["value"] for button in parsed(page).select("#more .calls button")]


def asked_again(page):
    """Return what the form that saves the read would send: the address of the page."""
    return values(parsed(page).select_one("#save"))


def choose(client, edit, **asked):
    return client.post("/read/calls", data={**SPINDRIFT, **asked, "edit": edit}, follow_redirects=True)


def test_a_visitor_sees_three_calls_and_the_others_are_folded(client):
    page = client.get("/read", query_string=SPINDRIFT)
    assert leading(page) == VISITOR
    folded = [button["value"] for button in parsed(page).select("#rest .calls button")]
    assert {"hand_gauge", "plumb_line", "cup_entry", "instinct", "fall_line_dial"} <= set(folded)
    assert not set(folded) & set(VISITOR)


def test_a_visitors_choice_is_kept_in_the_address(client):
    page = choose(client, "lead:hand_gauge")
    assert leading(page) == [*VISITOR, "hand_gauge"]
    assert asked_again(page)["calls"] == ",".join([*VISITOR, "hand_gauge"])
    page = choose(client, "up:hand_gauge", calls=asked_again(page)["calls"])
    assert leading(page) == ["aim_spot", "curve_gate", "hand_gauge", "pace_target"]
    assert leading(client.get("/read", query_string={**SPINDRIFT, "calls": "none"})) == []
    assert leading(choose(client, "usual", calls="apex")) == VISITOR


def test_a_golfers_choice_is_kept_for_all_reads(signed_in, session):
    page = choose(signed_in, "to:cup_entry:0")
    assert leading(page) == ["cup_entry", *VISITOR]
    assert "calls" not in asked_again(page)
    assert leading(signed_in.get("/read")) == ["cup_entry", *VISITOR]
    assert first_calls(own_measures(Viewer(signed_in.golfer), session))[0] == "cup_entry"
    assert leading(choose(signed_in, "usual")) == VISITOR


def test_golfers_who_see_curves_start_from_gates_and_entries(signed_in):
    measures = {
        "sight": "curves",
        "start_aid": "line",
        **{"units": "feet", "slopes": "percent", "bend": "break"},
    }
    hands = {"hand": "right", "eye": "left", "golfer_level": "low", "pace": "usual"}
    assert signed_in.post("/measures", data=measures | hands).status_code == 303
    page = signed_in.get("/read", query_string=SPINDRIFT)
    assert leading(page) == ["curve_gate", "cup_entry", "pace_target"]
    assert "lay the ball's line" in words_of(parsed(page).select_one("#rest [value=start_spot]"))


@pytest.mark.parametrize(
    ("edit", "then"),
    [
        ("fold:apex", ("aim_spot",)),
        ("lead:stroke", ("aim_spot", "apex", "stroke")),
        ("up:apex", ("apex", "aim_spot")),
        ("down:aim_spot", ("apex", "aim_spot")),
        ("up:aim_spot", ("aim_spot", "apex")),
        ("to:stroke:1", ("aim_spot", "stroke", "apex")),
        ("to:aim_spot:9", ("apex", "aim_spot")),
        ("up:stroke", ("aim_spot", "apex")),
        ("lead:thumbs", ("aim_spot", "apex")),
        ("turn:apex", ("aim_spot", "apex")),
    ],
)
def test_an_edit_moves_one_call(edit, then):
    assert chosen(("aim_spot", "apex"), edit) == then


def test_a_call_that_is_tapped_is_lit_and_put_out_again(client):
    page = client.get("/read", query_string={**SPINDRIFT, "light": "hand_gauge"})
    assert asked_again(page)["lit"] == "hand_gauge"
    assert drawn(page, "finger")
    assert parsed(page).select_one("button[value=hand_gauge]")["aria-pressed"] == "true"
    out = client.get("/read", query_string={**SPINDRIFT, "lit": "hand_gauge", "light": "hand_gauge"})
    assert "lit" not in asked_again(out)
    assert not drawn(out, "finger")


@pytest.mark.parametrize("name", ["calls", "lit"])
def test_a_call_that_is_none_is_said(client, name):
    page = client.get("/read", query_string={**SPINDRIFT, name: "apex,thumbs"})
    assert page.status_code == 422
    assert "aim_spot" in words_of(parsed(page).select_one(f"#{name}-message"))
    assert (
        client.post("/read/calls", data={**SPINDRIFT, "length": "far", "edit": "lead:apex"}).status_code
        == 303
    )

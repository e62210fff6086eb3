"""Stand-ins for the desk: strokes and a roller on a hidden slope, all in one address."""

import pytest

from tests.page import link, parsed, text, value, words_at

SEED = {"seed": "20261127"}


def shown(client, **fields):
    return client.get("/train/stand-in", query_string=SEED | fields)


def test_a_visitor_gets_a_putt_of_chance_and_another(client):
    first = client.get("/train/stand-in")
    assert first.status_code == 303
    page = client.get(first.location)
    assert "A putt on a slope that you do not know." in text(page)
    assert client.get(link(page, "Another putt")).location != first.location


def test_strokes_are_added_one_by_one_and_scatter_the_same_again(client):
    page = shown(client, stroke="14 in", late="0.05 s late", aim="6 in left")
    assert words_at(page, "h1").startswith("Ball 1: ")
    kept = parsed(page).select("[name=ball]")
    assert [one["value"] for one in kept] == ["0.3556,0.05,-0.1524"]
    assert (
        shown(client, stroke="14 in", late="0.05 s late", aim="6 in left").text.count('data-part="rest"') == 1
    )
    again = shown(client, ball=kept[0]["value"], stroke="16 in", late="0.1 s early")
    assert words_at(again, "h1").startswith("Ball 2: ")
    assert len(parsed(again).select("[data-part=rest]")) == 2
    assert words_at(again, "main ol li") == words_at(page, "main ol li"), "the first ball is as it was"


def test_a_roller_makes_no_error(client):
    page = shown(client, by="roller", rolls="20 ft", aim="3 in right")
    assert text(page) == text(shown(client, by="roller", rolls="20 ft", aim="3 in right"))
    assert "20 ft on the level" in text(page)
    assert parsed(page).find(id="ruler") is None


def test_what_was_hidden_is_shown_when_it_is_asked_for(client):
    page = shown(client, stroke="14 in")
    assert not parsed(page).select("[data-part=path], [data-part=water]")
    page = client.get(link(page, "Show the slope"))
    assert len(parsed(page).select("[data-part=rest]")) == 1, "showing it strikes no ball"
    assert words_at(page, "#revealed").startswith("It falls")
    assert parsed(page).select("[data-part=path]")


@pytest.mark.parametrize(
    ("fields", "says"),
    [
        ({"stroke": "long"}, "Stroke, back and through"),
        ({"stroke": "90 in"}, "must be between 1 and 60 in"),
        ({"late": "9 s"}, "within a second"),
        ({"by": "roller", "rolls": "900 ft"}, "between 1 and 100 ft"),
    ],
)
def test_what_cannot_be_read_is_said_and_kept(client, fields, says):
    page = shown(client, **fields)
    assert page.status_code == 422
    assert says in text(page)
    name = next(one for one in fields if one != "by")
    assert value(page, name) == fields[name]


def test_odd_addresses_are_no_trouble(client):
    for ball in ("nan,0,0", "1,2", "x", "20,0,0", "-1,0,0"):
        assert "A putt on a slope" in text(shown(client, ball=ball))
    wild = shown(client, ball=["1.5,-0.9,4.9", "1.5,0,-4.9"])
    assert words_at(wild, "h1").startswith("Ball 2: ")
    assert client.get("/train/stand-in?seed=nothing").status_code == 303
    assert client.get("/train/stand-in?seed=99999999999").status_code == 303
    many = "&".join("ball=0.35,0,0" for _ in range(20))
    page = client.get(f"/train/stand-in?seed=1&{many}&stroke=14+in")
    assert len(parsed(page).select("[data-part=rest]")) == 12
    assert parsed(page).select_one("#strike .button-first").has_attr("disabled")


def test_it_is_off_in_competition(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    assert shown(signed_in).status_code == 403

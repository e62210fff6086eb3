"""Simulated instruments on a hidden putt: what they read, the ways back with it, and a whole rehearsal."""

import re
from urllib.parse import urlencode

import pytest

from tests.page import fields, link, links, parsed, text, value, words_at

READ = "length=14+ft&side=1+%25&falls=right&speed=10&past=9+in"


def laid(client, **asked):
    return client.get("/train/stand-in/ground", query_string={"seed": "5"} | asked)


def percent(words):
    found = re.search(r"([\d.]+) %", words)
    return float(found[1]) if found else 0.0


def test_a_visitor_gets_a_place_of_chance_and_keeps_what_it_is_for(client):
    first = client.get("/train/stand-in/ground", query_string={"read": READ, "way": "along"})
    assert first.status_code == 303
    asked = fields(first.location)
    assert (asked["read"], asked["way"]) == ([READ], ["along"])
    assert asked["seed"][0].isdecimal()


def test_the_same_lay_reads_the_same_and_once_more_scatters(client):
    shown = words_at(laid(client), "h1")
    assert words_at(laid(client), "h1") == shown
    page, found = laid(client), {percent(shown)}
    for _ in range(6):
        page = client.get(link(page, "Lay it again"))
        found.add(percent(words_at(page, "h1")))
    assert len(found) > 1
    assert max(found) - min(found) < 2.0


def test_what_is_hidden_is_shown_when_it_is_asked_for(client):
    page = laid(client, by="level_averaged")
    assert not parsed(page).select("[data-part=fall], #revealed")
    shown = client.get(link(page, "Show how it slopes"))
    across = re.search(r": ([^,]+),", words_at(shown, "#revealed"))[1]
    assert percent(across) == pytest.approx(percent(words_at(shown, "h1")), abs=0.4)
    assert parsed(shown).select("[data-part=fall]")


@pytest.mark.parametrize(
    ("by", "sure"),
    [("level", "Within 0.5 %"), ("level_averaged", "Within 0.2 %"), ("plate", "Within 10°, or 30°")],
)
def test_each_instrument_says_how_sure_it_is(client, by, sure):
    assert sure in text(laid(client, by=by))


def test_the_phone_lies_on_the_same_hidden_place(client):
    page = laid(client, way="along", at="100 %")
    page = client.get(client.get(link(page, "phone")).location)
    reading = percent(words_at(page, "h1"))
    averaged = percent(words_at(laid(client, by="level_averaged", way="along", at="100 %"), "h1"))
    assert reading == pytest.approx(averaged, abs=0.5)
    asked = fields(link(page, "Read with it"))
    assert asked["spot-0-at"] == ["100 %"]
    assert asked["length"]


def test_a_reading_goes_back_into_the_read_that_asked_for_it(client):
    page = laid(client, read=READ)
    asked = fields(link(page, "Read with it"))
    assert asked["side_from"] == ["level"]
    assert percent(asked["side"][0]) == pytest.approx(percent(words_at(page, "h1")), abs=0.05)
    along = fields(link(laid(client, read=READ, way="along"), "Read with it"))
    assert along["rise_from"] == ["level"]
    assert client.get(link(page, "Read with it")).status_code == 200


def test_a_plate_and_two_levels_go_to_the_straight_putt(client):
    page = client.get("/straight", query_string=READ)
    there = client.get(link(page, "simulated ones"))
    plate = client.get(f"{there.location}&by=plate".replace("by=level&", ""))
    back = fields(link(plate, "Back with it"))
    assert back["spot-0-by"] == ["plate"]
    assert back["spot-0-size"][0].endswith(" h")
    levels = client.get(there.location)
    assert not links(levels, "/train/stand-in/ground?")[0].startswith("phone")
    back = fields(link(levels, "Back with it"))
    assert [back[f"spot-{i}-by"] for i in (0, 1)] == [["level"], ["level"]]
    assert client.get(link(levels, "Back with it")).status_code == 200


def test_a_guess_and_the_walk_take_it_as_they_take_a_real_one(signed_in):
    page = signed_in.get("/train/slopes?sense=feet&way=toes&guess=2+%25")
    there = signed_in.get(signed_in.get(link(page, "A simulated level")).location)
    assert "plate" not in [one.get_text() for one in parsed(there).select(".chips a")]
    form = parsed(there).select_one("main form[action$=slopes]")
    assert form.select_one("[name=guess]")["value"] == "2 %"
    sent = {one["name"]: one["value"] for one in form.select("input[type=hidden]")}
    assert signed_in.post("/train/slopes", data=sent).status_code == 303
    walk = signed_in.get("/look?length=14+ft&stop=ball")
    asked = links(walk, "/train/stand-in/ground?")
    if asked:
        there = signed_in.get(signed_in.get(asked[0]).location)
        assert value(there, "by") == "level"


def test_a_hidden_putt_is_measured_read_and_struck(client):
    """A whole rehearsal: three places are noted, the read goes by them, and it lies near the truth."""
    page = laid(client, at="0 %", by="level_averaged")
    for at in ("0 %", "50 %", "100 %"):
        for way in ("across", "along"):
            noted = value_of(page, "noted")
            page = laid(client, at=at, way=way, by="level_averaged", noted=noted)
            page = client.get(link(page, "Note it"))
    assert len(parsed(page).select("#noted li")) == 6
    solved = client.get(link(page, "Read the putt with these"))
    assert solved.status_code == 200
    assert "Aim" in words_at(solved, "#call")
    assert "/train/stand-in?seed=5" in link(page, "Strike balls on it")


def value_of(page, name):
    return fields(link(page, "Lay it again")).get(name, [""])[0]


@pytest.mark.parametrize(
    "asked",
    [
        {"by": "wand"},
        {"way": "up"},
        {"at": "nowhere"},
        {"time": "x"},
        {"time": "-4"},
        {"noted": "spot-0-at=x"},
    ],
)
def test_nonsense_in_the_address_is_left_aside(client, asked):
    page = laid(client, **asked)
    assert page.status_code == 200
    assert words_at(page, "h1")


def test_a_seed_that_is_none_gets_another_and_competition_refuses(client):
    assert laid(client, seed="x").status_code == 303
    assert client.get("/train/stand-in/ground?endpoint=x&_scheme=y&_anchor=z&values=1").status_code == 303
    assert laid(client, seed="9" * 12).status_code == 303
    client.post("/mode", data={"mode": "competition"})
    assert laid(client).status_code == 403
    assert client.get(f"/train/stand-in/ground?{urlencode({'by': 'plate'})}").status_code == 403

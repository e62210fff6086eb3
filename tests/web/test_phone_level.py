"""The phone as a level: typed readings, the simulated phone, and the way back into the read."""

import re

import pytest

from tests.page import fields, link, parsed, text, value, words_of


def level(client, **asked):
    return client.get("/level", query_string=asked)


@pytest.mark.parametrize(
    ("asked", "words"),
    [
        ({"laid": "1.6 deg", "turned": "-0.8 deg"}, "Falls 2.1 % to the left."),
        ({"laid": "-1.2", "turned": "1.2"}, "Falls 2.1 % to the right."),
        ({"laid": "1.2", "turned": "-1.2", "way": "along"}, "2.1 % up to the hole."),
        ({"laid": "-1.2", "turned": "1.2", "way": "along"}, "2.1 % down to the hole."),
        ({"laid": "0.4", "turned": "0.4"}, "Level there."),
        ({"laid": "0.4"}, "Lay it down, then turn it round."),
    ],
)
def test_two_readings_tell_the_slope(client, asked, words):
    assert words in text(level(client, **asked))


def test_the_phones_own_error_is_said_and_the_drawing_leans(client):
    page = level(client, laid="1.6 deg", turned="-0.8 deg")
    assert "shows 0.4° too much: taken out" in text(page)
    assert "Within 0.6 %: 0.3 % of its own" in text(page)
    bubble = parsed(page).find("circle", attrs={"data-part": "bubble"})
    assert float(bubble["cx"]) > 320, "the bubble goes to the high end"


@pytest.mark.parametrize(
    ("asked", "message"),
    [
        ({"laid": "flat"}, "Laid down cannot be read"),
        ({"laid": "40 deg"}, "between -15 and 15 degrees"),
        ({"laid": "1", "turned": "1", "way": "upright"}, "Lay it down"),
    ],
)
def test_readings_that_cannot_be_are_told_and_stay(client, asked, message):
    page = level(client, **asked)
    assert page.status_code == 422
    assert message in text(page)
    assert value(page, "laid") == asked["laid"]


def test_the_slope_goes_into_the_read_it_was_measured_for(client):
    read = "length=14+ft&side=1+%25&falls=right&speed=10&past=9+in"
    page = level(client, laid="1.2", turned="-1.2", read=read)
    asked = fields(link(page, "Read with it"))
    assert [asked[name] for name in ("side", "falls", "side_from", "length")] == [
        ["2.09 %"],
        ["left"],
        ["phone"],
        ["14 ft"],
    ]
    solved = client.get(link(page, "Read with it"))
    assert "Between" in words_of(parsed(solved).find(id="range"))
    along = level(client, laid="-1.2", turned="1.2", read=read, way="along")
    asked = fields(link(along, "Read with it"))
    rise = [asked[name][0] for name in ("rise", "slope", "rise_from")]
    assert rise == ["2.09 %", "down", "phone"]


def test_a_read_leads_to_the_phone_and_back(client):
    page = client.get("/read?length=14+ft&side=2+%25&side_from=feet")
    laid = client.get(link(page, "lay it down"))
    assert laid.status_code == 200
    assert "length=14" in value(laid, "read")
    typed = client.get("/read?length=14+ft&side=2+%25")
    assert "/level?read=" in link(typed, "Your phone is a level")


def test_the_simulated_phone_lies_on_a_hidden_place_that_can_be_shown(client):
    page = client.get("/level/simulated?way=along&read=length%3D9+ft&seed=5", follow_redirects=True)
    assert re.search(r"(up|down) to the hole|Level there", text(page))
    assert "It was" not in text(page)
    shown = client.get(link(page, "Show what it was"))
    said, was = (re.search(r"([\d.]+) %", one) for one in text(shown).split("It was:"))
    if said and was:
        assert float(said[1]) == pytest.approx(float(was[1]), abs=0.6)
    assert value(shown, "read") == "length=9 ft"


@pytest.mark.parametrize("seed", ["x", "99999999999", "-3"])
def test_a_number_of_no_simulated_phone_is_none(client, seed):
    page = level(client, laid="1", turned="-1", seed=seed, reveal="1")
    assert page.status_code == 200
    assert "simulated phone on a hidden" not in text(page)


def test_measuring_with_a_phone_is_refused_in_competition(client):
    client.post("/mode", data={"mode": "competition"})
    assert level(client).status_code == 403
    assert level(client, laid="1", turned="-1").status_code == 403
    assert client.get("/level/simulated").status_code == 403


def test_the_phones_own_error_is_kept_with_its_age_and_takes_one_reading(client):
    assert "Falls" not in text(client.get("/level?laid=1.2+deg"))
    client.get("/level?laid=1.6+deg&turned=-0.8+deg")
    page = client.get("/level?laid=1.6+deg")
    assert "Falls 2.1 % to the left." in text(page)
    assert "By your phone's own 0.4°, found" in text(page)
    client.set_cookie("phone_error", "0.4/1700000000")
    assert "found 14 Nov 2023: turn it round to be sure." in text(client.get("/level?laid=1.6+deg"))
    for nonsense in ("", "1", "far/away", "99/1700000000", "0.4/1e99", "nan/1"):
        client.set_cookie("phone_error", nonsense)
        assert "Falls" not in text(client.get("/level?laid=1.2+deg"))


def test_a_simulated_phone_leaves_no_error_behind(client):
    client.get("/level?laid=1.6+deg&turned=-0.8+deg&seed=7")
    assert client.get_cookie("phone_error") is None

"""The walk: stops, taps that become readings, what a level reads beside a guess, and Competition."""

from urllib.parse import parse_qsl, urlsplit

import pytest

from tests.page import link, links, parsed, text, values, words_of


def look(client, note="", **fields):
    return client.get("/look", query_string={**fields, **({"note": note} if note else {})})


def carried(response):
    """Return the fields of the walk that a page goes on with."""
    return dict(parse_qsl(urlsplit(link(response, "Read it")).query))


def spots(response):
    """Return the readings as the read that it ends in has them: fall, size, instrument by place."""
    read = carried(response)
    numbers = sorted({name.split("-")[1] for name in read if name.startswith("spot-")})
    return [
        tuple(read.get(f"spot-{n}-{part}", "") for part in ("at", "falls", "size", "by")) for n in numbers
    ]


def call(response):
    return words_of(parsed(response).select_one(".walk-foot"))


def test_a_walk_without_a_tap_has_a_call_and_a_wide_range(client):
    page = look(client)
    assert "Aim at the centre." in call(page)
    assert "in left and" in call(page)
    assert [words_of(one) for one in parsed(page).select(".stops a")] == ["1 Pace", "2 Hole", "3 Ball"]


@pytest.mark.parametrize(
    ("notes", "found"),
    [
        (["pace.1:right"], [("50 %", "right", "", "feet")]),
        (["pace.1:right", "pace.1:2.5"], [("50 %", "right", "2.5 %", "feet")]),
        (["pace.1:right", "pace.1:2.5", "pace.1:left"], [("50 %", "left", "2.5 %", "feet")]),
        (["pace.1:left", "pace.1:none"], []),
        (["pace.2:up", "pace.2:1"], [("50 %", "ball", "1 %", "feet")]),
        (["pace.1:level"], [("50 %", "right", "0 %", "feet")]),
        (["hole.0:near right"], []),
        (["hole.0:ball and right"], [("100 %", "ball and right", "", "spill")]),
        (["hole.0:left", "hole.0:right"], [("100 %", "right", "", "spill")]),
        (["low_side.0:up", "low_side.0:3"], [("50 %", "ball", "2.5 %", "rise_by_eye")]),
        (["first.0:left"], [("50 %", "left", "", "first_look")]),
        (["ball.0:left", "ball.0:7"], [("40 %", "left", "", "eye")]),
        (["nowhere.0:left"], []),
    ],
)
def test_taps_become_readings(client, notes, found):
    page = look(client)
    for note in notes:
        page = look(client, note, **carried(page))
    assert spots(page) == found


def test_steps_grain_and_pace_are_noted_too(client):
    page = look(client, "pace.0:7")
    assert carried(page)["length"] == "7 paces"
    assert carried(page)["length_from"] == "usual_paces"
    page = look(client, "hole.2:left", **carried(page))
    assert carried(page)["grain"] == "mixed"
    page = look(client, "hole.3:24", **carried(page))
    assert carried(page)["past"] == "24 in"
    assert carried(look(client, "pace.0:many"))["length"] == "10 ft"


def width(response):
    words = call(response)
    return [int(word) for word in words.split("Between", 1)[1].replace("in", " ").split() if word.isdecimal()]


def test_the_range_tightens_with_what_is_noted(client):
    page = look(client)
    ranges = [width(page)]
    for note in ("pace.1:right", "pace.1:2", "pace.2:up", "pace.2:1"):
        page = look(client, note, **carried(page))
    ranges.append(width(page))
    assert sum(ranges[0]) > ranges[1][1] - ranges[1][0]


def test_stops_are_added_left_out_and_moved(client):
    page = client.get("/look", query_string={"change": "third:add"})
    assert [words_of(one) for one in parsed(page).select(".stops a")] == [
        "1 Pace",
        "2 1/3",
        "3 Hole",
        "4 Ball",
    ]
    page = client.get(
        "/look", query_string={"stops": "pace.hole.ball", "stop": "ball", "change": "ball:earlier"}
    )
    assert [words_of(one) for one in parsed(page).select(".stops a")] == ["1 Pace", "2 Ball", "3 Hole"]
    page = client.get("/look", query_string={"stops": "nonsense.hole", "change": "hole:drop"})
    assert [words_of(one) for one in parsed(page).select(".stops a")] == ["1 Hole"]


def test_where_the_stance_deceives_it_says_so(client):
    steep = {"spot-0-at": "ball", "spot-0-falls": "left", "spot-0-size": "4 %", "spot-0-by": "level"}
    flat = {"spot-1-at": "hole", "spot-1-falls": "left", "spot-1-size": "0.5 %", "spot-1-by": "level"}
    page = look(client, stop="ball", **steep, **flat)
    assert "The ground under you tilts 4 %" in text(page)
    assert "Look again from behind the hole." in text(page)
    assert "under you tilts" not in text(look(client, stop="hole", **steep, **flat))


def measure(client, page, ask, size, **more):
    walk = parsed(page).select_one("#measured [name=walk]")["value"]
    return client.post(
        "/look/measured", data={"walk": walk, "ask": ask, "size": size, **more}, follow_redirects=True
    )


@pytest.mark.usefixtures("signed_in")
def test_a_guess_before_the_level_is_kept_as_a_pair_by_itself(client):
    page = look(client, "pace.1:left")
    page = look(client, "pace.1:3", **carried(page))
    page = measure(client, page, "pace.1", "1.8 %")
    assert spots(page)[1] == ("50 %", "left", "1.8 %", "level")
    assert "level 1.8 % falls left" in text(page)
    own = parsed(client.get("/measures")).select_one("#slope")
    assert "3 %" in words_of(own)
    assert "1.8 %" in words_of(own)
    page = measure(client, page, "pace.1", "2 %")
    assert [one for one in spots(page) if one[3] == "level"] == [("50 %", "left", "2 %", "level")]


def test_a_level_without_a_guess_and_a_phone_as_it_was_laid(client):
    page = measure(client, look(client), "pace.1", "-1.2 %")
    assert spots(page) == [("50 %", "left", "1.2 %", "level")]
    page = measure(client, look(client, "pace.1:left"), "pace.1", "1.2 %", by="phone", way="as laid")
    assert ("50 %", "right", "1.2 %", "phone") in spots(page)


def test_a_level_that_cannot_be_read_is_said_where_it_was_typed(client):
    page = measure(client, look(client, "pace.1:left"), "pace.1", "steep")
    assert page.status_code == 422
    assert parsed(page).find(id="level-pace.1")["value"] == "steep"
    assert "Level cannot be read" in text(page)
    assert "left" in str(parsed(page).select_one("[aria-pressed=true]"))


def test_the_phone_lies_for_the_walk_and_leads_back_into_it(client):
    page = look(client, "pace.1:right")
    (across,) = (one for one in links(page, "/level") if "across" in one)
    laid = client.get(across + "&laid=-1.5+deg&turned=0.9+deg")
    form = parsed(laid).select_one("form[action='/look/measured']")
    back = client.post("/look/measured", data=values(form), follow_redirects=True)
    assert spots(back)[-1][1:] == ("right", "2.09 %", "phone")


def test_what_was_noted_is_read(client):
    page = look(client, "pace.1:right")
    read = client.get(link(page, "Read it"))
    assert read.status_code == 200
    assert len(parsed(read).select(".spots > li")) == 1
    again = client.get(link(read, "Look at it first"))
    assert spots(again) == spots(page)


def test_a_putt_that_cannot_be_read_is_said(client):
    page = look(client, length="none")
    assert page.status_code == 422
    assert "Length" in text(page)


@pytest.mark.usefixtures("signed_in")
def test_in_competition_it_has_order_and_clock_alone(client):
    client.post("/mode", data={"mode": "competition"})
    page = look(client, "pace.1:right")
    assert page.status_code == 200
    assert parsed(page).select_one("#clock")
    assert not parsed(page).select("#walk, .chips [name=note], #range")
    assert "Aim" not in call(page)
    assert client.post("/look/measured", data={"ask": "pace.1", "size": "1 %"}).status_code in (303, 403)


def test_looks_at_ternholm_are_there_to_be_taken_up(client):
    made = links(look(client), "Ternholm")
    assert len(made) == 3
    for address in made:
        page = client.get(address)
        assert page.status_code == 200
        assert "Aim" in call(page)
    assert "The level and the feet disagree half-way" in text(client.get(made[2]))

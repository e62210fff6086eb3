"""The ground read in places on the Read page: rows and their edits, what disagrees, what cannot be read."""

import pytest

from tests.page import parsed, values, words_of
from tests.reads import spots

PUTT = {"length": "20 ft", "speed": "10", "past": "9 in"}


DOUBLE = spots(
    ("25 %", "left", "2.4 %", "level"), ("3/4", "right", "2 %", "feet"), ("half", "ball", "1 %", "level")
)


def get(client, **fields):
    return parsed(client.get("/read", query_string={**PUTT, **fields}))


def text(page, selector):
    return words_of(page.select_one(selector))


def value(page, selector):
    return values(page)[selector[1:]]


def drawn(page, part):
    return page.select(f"#plan [data-part={part}]")


def rows(page):
    return [
        tuple(value(page, f"#spot-{i}-{name}") for name in ("at", "falls", "size", "by"))
        for i in range(len(page.select(".spots > li")))
    ]


def test_one_tilt_is_turned_into_readings_and_back(client):
    page = get(
        client, side="2 %", falls="right", side_from="level", rise="0.5 %", slope="down", ground="split"
    )
    assert rows(page) == [("50 %", "right", "2 %", "level"), ("50 %", "hole", "0.5 %", "")]
    assert "is-on" in page.select_one("#places")["class"]
    again = get(client, **DOUBLE, ground="whole", side="2 %")
    assert rows(again) == []
    assert value(again, "#side") == "2 %"


def test_a_first_look_stays_what_is_said_of_the_whole_putt(client):
    looked = {"side": "2 %", "side_from": "first_look", "rise_from": "first_look"}
    assert rows(get(client, **looked, ground="split")) == [("50 %", "left", "", "level")]
    assert rows(get(client, **looked | {"rise_from": "level"}, ground="split"))[0][1] == "ball"


def test_readings_are_the_ground_that_is_read(client):
    one = spots(("50 %", "right", "2 %", ""), ("50 %", "ball", "1 %", ""))
    as_places = get(client, **one, side="7 %")
    as_plane = get(client, side="2 %", falls="right", rise="1 %", slope="up")
    assert text(as_places, "#headline") == text(as_plane, "#headline")
    double = get(client, **DOUBLE)
    assert text(double, "#headline") != text(as_plane, "#headline")
    assert len(drawn(double, "reading")) == 3
    assert drawn(double, "hachures")
    assert len(double.select("#side-view [data-part=reading-place]")) == 3


@pytest.mark.parametrize(
    ("edit", "found"),
    [
        ({"ground": "drop:0"}, [("75 %", "right", "2 %", "feet"), ("50 %", "ball", "1 %", "level")]),
        ({"ground": "move:1:0.6"}, [None, ("60 %", "right", "2 %", "feet"), None]),
        ({"ground": "turn:0:-62"}, [("25 %", "60", "2.4 %", "level"), None, None]),
        ({"step": "spot-0-at:1"}, [("30 %", "left", "2.4 %", "level"), None, None]),
        ({"step": "spot-0-size:-1"}, [("25 %", "left", "2.3 %", "level"), None, None]),
        ({"ground": "further"}, [None, None, None, ("88 %", "left", "", "level")]),
        ({"ground": "drop:9"}, [None, None, None]),
        ({"ground": "move:0:x"}, [None, None, None]),
    ],
)
def test_edits(client, edit, found):
    before = rows(get(client, **DOUBLE))
    after = rows(get(client, **DOUBLE, **edit))
    assert len(after) == len(found)
    assert all(one == (wanted or before[i]) for i, (one, wanted) in enumerate(zip(after, found, strict=True)))


def test_a_step_through_level_falls_to_the_other_side(client):
    page = get(client, **spots(("50 %", "left", "0.05 %", "level")), step="spot-0-size:-1")
    assert rows(page) == [("50 %", "right", "0.05 %", "level")]


def test_an_hour_is_the_way_that_water_leaves(client):
    across = ("hole", "right", "2 %", "level")
    page = get(client, **spots(across, ("hole", "left", "4 h", "spill")))
    assert rows(page)[1] == ("100 %", "-120", "", "spill")
    assert "right and a little toward the ball" in text(page, "#fall-words")


def test_what_disagrees_is_named_and_ringed(client):
    page = get(client, **spots(("2/3", "right", "2 %", "level"), ("2/3", "left", "1.5 %", "feet")))
    assert "The level and the feet disagree at two thirds: read again, or take one away." in text(
        page, "#fall-words"
    )
    assert len(drawn(page, "disagrees")) == 2
    assert not drawn(get(client, **DOUBLE), "disagrees")


def test_each_further_reading_narrows_the_range(client):
    widths = []
    for count in (1, 2, 3):
        page = get(
            client,
            **spots(*[(f"{25 * i} %", "left", "2 %", "feet") for i in range(1, count + 1)]),
            rise="0 %",
        )
        widths.append(text(page, "#range").split(".")[0])
    assert len(set(widths)) == 3


@pytest.mark.parametrize(
    ("reading", "field", "says"),
    [
        (("300 %", "left", "2 %", "level"), "spot-0-at", "off it by no more than its length"),
        (("nowhere", "left", "2 %", "level"), "spot-0-at", "must be such as 1/3"),
        (("50 %", "left", "40 %", "level"), "spot-0-size", "at most 25 %"),
        (("50 %", "left", "steep", "level"), "spot-0-size", "Slope"),
        (("50 %", "left", "25 h", "plate"), "spot-0-size", "an hour on the cup"),
        (("50 %", "left", "2 %", "wand"), "spot-0-by", "Not a valid choice"),
        (("50 %", "skyward", "2 %", "level"), "spot-0-falls", "Not a valid choice"),
    ],
)
def test_what_cannot_be_read_is_said_beside_it_and_nothing_typed_is_lost(client, reading, field, says):
    answer = client.get("/read", query_string={**PUTT, **spots(reading)})
    page = parsed(answer)
    assert answer.status_code == 422
    assert says in text(page, f"#{field}-message")
    assert value(page, "#spot-0-at") == reading[0]
    assert value(page, "#spot-0-size") == reading[2]


def test_a_part_changes_the_rows_only_where_there_are_others(client):
    part = {"HX-Request": "true"}
    same = parsed(client.get("/read", query_string={**PUTT, **DOUBLE}, headers=part))
    assert same.select_one("#fall-words")
    assert not same.select_one("#places")
    fewer = parsed(client.get("/read", query_string={**PUTT, **DOUBLE, "ground": "drop:1"}, headers=part))
    assert len(fewer.select("#places .spots > li")) == 2


@pytest.mark.usefixtures("signed_in")
def test_a_saved_read_in_places_is_read_again_in_places(client):
    page = parsed(client.get("/read", query_string={**PUTT, **DOUBLE}))
    client.post("/log", data=values(page.select_one("#save")))
    again = parsed(client.get("/"))
    assert "spot-0-at" in str(again.select_one("a[href*='/read?']"))


def test_what_to_read_next_is_noted_where_it_would_be_read(client):
    page = get(client, **DOUBLE)
    (level,) = {one["href"] for one in page.select("#next a[href*='spot-3-by=level']")}
    further = parsed(client.get(level.split("#")[0]))
    place, _, size, by = rows(further)[3]
    assert (size, by) == ("", "level")
    (phone,) = {one["href"] for one in page.select("#next a[href*='/level']")}
    laid = parsed(client.get(phone + "&laid=1.6+deg&turned=-0.8+deg"))
    (read,) = {one["href"] for one in laid.select("a[href*='/read?']") if "Read with it" in one.get_text()}
    assert rows(parsed(client.get(read)))[3] == (place, "left", "2.09 %", "phone")

"""The straight putt: found by a plate, by feet or by level readings; the ball put where it is said to lie."""

import re

import pytest

from tests.page import drawn, link, parsed, value, words_at, words_of

PUTT = {"length": "14 ft", "speed": "10", "past": "12 in", "side": "2 %", "falls": "left", "rise": "0 %"}


def get(client, **fields):
    return client.get("/straight", query_string={**PUTT, **fields})


def plate(hour):
    return {
        "spot-0-at": "hole",
        "spot-0-falls": "left",
        "spot-0-by": "plate",
        "spot-0-size": hour,
        "side_from": "first_look",
        "rise_from": "first_look",
    }


def test_it_says_where_to_stand_and_where_the_own_putt_lies(client):
    page = get(client)
    # Square across: a quarter round the hole, by the chord of 14 ft, at half a right angle.
    assert "6.6 paces from your ball, 45° to the left of your line" in words_at(page, "#lead")
    assert "at 3 o'clock, putted uphill. It breaks 1 of one square across" in words_at(page, "#own")
    assert "Taken as it was typed" in words_at(page, "#sure")


def test_every_hour_has_its_break_and_its_half(client):
    words = [words_of(one) for one in parsed(get(client)).select("#dial-sheet text")]
    assert words.count("straight") == 2
    halves = {one.split()[0]: one.split()[-1] for one in words if re.match(r"\d+ h", one)}
    assert set(halves) == {str(hour) for hour in range(1, 13)}
    assert [hour for hour, half in halves.items() if half == "↑"] == ["4", "5", "6", "7", "8"]
    assert [halves[hour] for hour in ("3", "9", "12", "1")] == ["h", "h", "↓", "↓"]
    square = words[words.index("3 h") + 1]
    assert square == words[words.index("9 h") + 1]


def test_who_has_only_a_plate_finds_it_and_reads_the_own_putt_from_it(client):
    page = get(client, **plate("8 h"))
    assert "Known within 15°, that is 3.6 ft to either side" in words_at(page, "#sure")
    assert "at 4 o'clock" in words_at(page, "#own")
    assert drawn(page, "unsure")
    read = client.get(link(page, "Read it"))
    assert "right" in words_at(read, "#headline")
    assert "Falls" in words_at(read, "#fall-words")


def test_feet_and_levels_read_across_and_along_at_the_hole(client):
    page = client.get(link(get(client, rise="1 %", slope="down"), "By the feet"))
    assert [value(page, f"spot-{i}-size") for i in (0, 1)] == ["2 %", "1 %"]
    wide = words_at(page, "#sure")
    page = client.get(link(page, "By two level readings"))
    assert [value(page, f"spot-{i}-size") for i in (0, 1)] == ["2 %", "1 %"]
    assert int(wide.split("°")[0].split()[-1]) > int(words_at(page, "#sure").split("°")[0].split()[-1])


@pytest.mark.parametrize(
    ("typed", "hour", "length"),
    [
        ("4 h", "at 4 o'clock", "14 ft"),
        ("20 ft 7:30 h", "at 7:30", "20 ft"),
        ("5 paces 30 deg left", "at 7 o'clock", "15 ft"),
        ("2 paces left", "at 6:45", "15.23 ft"),
        ("1 pace right, 1 pace back", "at 5:45", "17.26 ft"),
    ],
)
def test_the_ball_is_put_where_it_is_said_to_lie(client, typed, hour, length):
    for way in ({}, plate("9 h")):
        page = get(client, **way, ball=typed, ball_was="14 ft 3 h")
        assert hour in words_at(page, "#own")
        assert value(page, "length") == length


def test_a_place_that_stands_is_not_put_again(client):
    page = get(client, ball="14 ft 3 h", ball_was="14 ft 3 h", length="15 ft")
    assert value(page, "ball") == "15 ft 3 h"


@pytest.mark.parametrize(
    ("fields", "field", "says"),
    [
        ({"ball": "over there"}, "ball", "2 paces left"),
        ({"ball": "0 h"}, "ball", "1 to 12"),
        ({"ball": "300 ft 4 h"}, "ball", "60 m"),
        ({"length": "far"}, "length", "14 ft"),
        (plate("noon"), "spot-0-size", "1 to 12"),
    ],
)
def test_what_cannot_be_taken_is_told_beside_its_field_and_kept(client, fields, field, says):
    page = get(client, **fields)
    assert page.status_code == 422
    assert says in words_at(page, f"#{field}-message")
    assert value(page, f"{field}") == fields[field]


def test_dragging_the_ball_round_turns_everything_that_lies_on_the_green(client):
    moved = {"moved": "ball:-4.267:0", "held": ""}
    assert "at 6 o'clock" in words_at(get(client, **moved), "#own")
    grown = get(client, **moved, grain="0.1", grain_toward="hole")
    assert value(grown, "grain_toward") == "left"
    assert "at 6 o'clock" in words_at(get(client, **plate("9 h"), **moved), "#own")
    nudged = get(client, grain="0.1", grain_toward="hole", nudged="ball:1:0")
    assert value(nudged, "grain_toward") == "-3"


def test_the_fall_is_turned_by_its_arrow(client):
    assert "at 6 o'clock" in words_at(get(client, **plate("3 h"), moved="fall:0:-3"), "#own")
    assert "at 6 o'clock" in words_at(get(client, moved="fall:0:-3"), "#own")
    by_plate = [
        value(get(client, **plate("3 h"), **more), "spot-0-falls") for more in ({}, {"nudged": "fall:1:0"})
    ]
    assert by_plate == ["right", "-95"]
    as_read = [words_at(get(client, **more), "#own") for more in ({}, {"nudged": "fall:0:-1"})]
    assert as_read[0] != as_read[1]


@pytest.mark.parametrize("moved", ["ball", "ball:x:1", "ball:nan:1", "ball:1e9:2", "moon:1:1"])
def test_drags_that_say_nothing_change_nothing(client, moved):
    assert words_at(get(client, moved=moved), "#own") == words_at(get(client), "#own")


def test_level_ground_has_no_straight_putt(client):
    page = get(client, side="0 %")
    assert "Level ground" in words_at(page, "#lead")
    assert not drawn(page, "walk")


def test_it_is_for_open_play(client):
    client.post("/mode", data={"mode": "competition"})
    assert client.get("/straight", query_string=PUTT).status_code == 403


def test_the_read_leads_to_it(client):
    page = client.get("/read", query_string=PUTT)
    assert "at 3 o'clock" in words_at(client.get(link(page, "Find the straight putt")), "#own")
    assert "3 o'clock, " in words_at(page, "#rest")

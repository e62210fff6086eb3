"""Grain: the clues on the cup's rim and in the sheen, what contradicts, what it does, and where it begins."""

import pytest

from tests.page import drawn, fields, link, parsed, values, words_at

PUTT = {"length": "14 ft", "speed": "10", "past": "12 in", "side": "0 %", "rise": "0 %"}


def get(client, **more):
    return client.get("/grain", query_string={**PUTT, **more})


def value(page, name):
    return values(parsed(page))[name]


def test_who_looks_at_the_rim_is_told_which_way_it_pulls(client):
    page = get(client, worn="3", grain="creeping")
    assert "grows to 3 o'clock: right" in words_at(page, "#lead")
    assert "within 45°" in words_at(page, "#sure")
    # 0.15 of d over 5/7 g, at speed 10: 1.2 %.
    assert "worth 1.2 % of slope" in words_at(page, "#effect")
    assert "more to the left" in words_at(page, "#effect")
    read = fields(link(page, "Read it"))
    assert [read[name] for name in ("grain", "grain_toward", "grain_within")] == [
        ["creeping"],
        ["right"],
        ["45"],
    ]


def test_the_read_has_a_range_of_the_grain(client):
    page = client.get(link(get(client, worn="3", grain="creeping"), "Read it"))
    assert "Between" in words_at(page, "#range")
    assert "worth 1.2 % of slope" in words_at(page, "#call")


@pytest.mark.parametrize(
    ("seen", "hour"),
    [
        ({"sharp": "3"}, "9 o'clock"),
        ({"clippings": "7"}, "7 o'clock"),
        ({"sheen": "shiny", "sheen_at": "12"}, "12 o'clock"),
        ({"sheen": "dark", "sheen_at": "2"}, "8 o'clock"),
        ({"worn": "3", "sheen": "shiny", "sheen_at": "1"}, "2 o'clock"),
    ],
)
def test_clues_say_the_way_alone_and_together(client, seen, hour):
    page = get(client, **seen)
    assert f"grows to {hour}" in words_at(page, "#lead")
    assert value(page, "grain") == "mixed"


def test_a_doubtful_clue_counts_less_or_not_at_all(client):
    sunny = get(client, worn="12", sheen="shiny", sheen_at="2")
    cloudy = get(client, worn="12", sheen="shiny", sheen_at="2", sheen_doubt="y")
    assert "grows to 1 o'clock" in words_at(sunny, "#lead")
    assert "grows to 12:45" in words_at(cloudy, "#lead")
    assert "No grain" in words_at(get(client, worn="12", worn_doubt="y"), "#lead")


def test_clues_that_contradict_are_shown_and_not_averaged(client):
    page = get(client, worn="12", sheen="shiny", sheen_at="6", grain="strong")
    assert "contradict" in words_at(page, "#lead")
    assert "The worn edge and the shine contradict each other" in words_at(page, ".odd")
    assert len(drawn(page, "odd")) == 2
    assert not drawn(page, "grows")
    assert "grain" not in fields(link(page, "Read it"))
    without = client.get(link(page, "Take the shine away"))
    assert "to 12 o'clock" in words_at(without, "#lead")
    assert value(without, "grain") == "strong"


@pytest.mark.parametrize(
    ("seen", "field", "says"),
    [
        ({"grain": "soft"}, "grain", "bent, fescue"),
        ({"grain": "0.9"}, "grain", "0.5"),
        ({"grain_last": "a bit", "grain": "bent"}, "grain_last", "cannot be read"),
    ],
)
def test_what_cannot_be_taken_is_told_and_kept(client, seen, field, says):
    page = get(client, **seen)
    assert page.status_code == 422
    assert says in words_at(page, f"#{field}-message")
    assert value(page, field) == seen[field]


def test_an_hour_that_is_none_is_refused(client):
    assert get(client, worn="13").status_code == 422


def test_grain_of_the_last_yards_counts_for_less(client):
    whole, last = get(client, worn="3"), get(client, worn="3", grain_last="4 ft")

    def inches(page):
        figure = words_at(page, ".action-bar strong").split()[1]
        for sign, digits in (("¼", ".25"), ("½", ".5"), ("¾", ".75")):
            figure = figure.replace(sign, digits)
        return float(figure)

    assert inches(last) < inches(whole)
    read = client.get(link(last, "Read it"))
    assert value(read, "grain_last") == "4 ft"
    assert value(get(client, worn="3", grain_last="40 ft"), "grain_last") == ""


@pytest.mark.parametrize(
    ("moved", "hour"),
    [
        ({"moved": "worn:-1:0"}, "9"),
        ({"moved": "worn:0:1"}, "12"),
        ({"nudged": "worn:1:0"}, "4"),
        ({"nudged": "worn:-1:0"}, "2"),
        ({"moved": "worn:up:1"}, "3"),
    ],
)
def test_a_clue_is_dragged_round_the_cup(client, moved, hour):
    assert value(get(client, worn="3", **moved), "worn") == hour


def test_grain_keeps_its_way_in_degrees_and_its_name_round_the_hole(client):
    turned = client.get(
        "/read", query_string={**PUTT, "grain": "fescue", "grain_toward": "hole", "around": "7"}
    )
    assert (value(turned, "grain"), value(turned, "grain_toward")) == ("fescue", "7")
    back = client.get("/read", query_string={**PUTT, "grain": "fescue", "grain_toward": "7", "around": "-7"})
    assert value(back, "grain_toward") == "hole"


def test_it_is_for_open_play(client):
    client.post("/mode", data={"mode": "competition"})
    assert get(client).status_code == 403


def test_the_read_and_the_walk_lead_to_it(client):
    page = client.get("/read", query_string={**PUTT, "grain": "bent", "grain_toward": "left"})
    assert "9 o'clock" in words_at(client.get(link(page, "See the grain")), "#lead")
    walk = client.get("/look?stop=hole")
    assert client.get(link(walk, "More clues")).status_code == 200

"""Watched balls: another player's and the own, by words and by drag, and what each does to the own read."""

import re

import pytest

from tests.page import drawn, link, links, parsed, values, words_at

FELT = {
    "length": "14 ft",
    "speed": "10",
    "past": "12 in",
    "side": "2 %",
    "falls": "left",
    "rise": "0 %",
    "side_from": "feet",
    "rise_from": "feet",
}
WATCHED = {"start": "16 ft 6 h", "stopped": "2 ft past 8 in left", "seen_line": "18 in right"}


def get(client, **more):
    return client.get("/balls", query_string={**FELT, **more})


def value(page, name):
    return values(parsed(page))[name]


def percents(words):
    return [float(one) for one in re.findall(r"(\d+(?:\.\d+)?) %", words)]


RANGE = re.compile(r"between (\S+)(?: (in|ft))?(?: (left|right))? and (\S+) (in|ft) (left|right)")


def widths(words):
    """Return how wide the ranges in a sentence are, in inches."""
    found = []
    for least, least_unit, least_side, most, unit, side in RANGE.findall(words):
        inches = {"in": 1, "ft": 12}
        one, other = (float(figure.replace("½", ".5")) for figure in (least, most))
        one *= inches[least_unit or unit] * (-1 if least_side not in ("", side) else 1)
        found.append(other * inches[unit] - one)
    assert len(found) == 2
    return found


def test_who_watches_another_ball_miss_reads_better_and_sees_by_how_much(client):
    page = get(client, **WATCHED)
    assert "falls" in words_at(page, "#lead")
    assert "to its left" in words_at(page, "#lead")
    (within,) = percents(words_at(page, "#sure"))
    assert within <= 1.0
    before, after = widths(words_at(page, "#narrowed"))
    assert after < 0.8 * before
    read = client.get(link(page, "Add it"))
    assert value(read, "spot-2-by") == "other_ball"
    assert "±" in value(read, "spot-2-size")
    assert words_at(read, "#range").startswith(words_at(page, "#range").rstrip("."))


def test_what_was_not_seen_makes_the_band_wide_and_the_page_says_why(client):
    seen = {name: said for name, said in WATCHED.items() if name != "seen_line"}
    start, last, neither = (
        get(client, **seen, **more)
        for more in ({"seen_line": "18 in right"}, {"seen_last": "25 deg left"}, {})
    )
    assert not parsed(start).select(".note")
    assert "last feet" in words_at(last, ".note")
    assert "not seen" in words_at(neither, ".note")
    wide = [percents(words_at(page, "#sure"))[0] for page in (start, last, neither)]
    assert wide[0] < wide[1] < wide[2]


def test_the_side_on_which_it_passed_counts(client):
    seen = {"start": "20 ft 6 h", "stopped": "3 ft past"}
    left, right = (words_at(get(client, **seen, passed=side), "#lead") for side in ("left", "right"))
    assert "to its right" in left
    assert "to its left" in right
    assert get(client, **seen, passed="over it").status_code == 422


def test_the_own_last_ball_tells_tilt_and_grade_and_where_the_next_coin_lies(client):
    page = get(client, whose="own", stopped="1 ft short 14 in left")
    assert re.search(r"falls [\d.]+ % to its left, and goes [\d.]+ % uphill", words_at(page, "#lead"))
    assert "aside" in words_at(page, "#sure")
    assert re.search(r"coin \d+ in past, \d+ in right", words_at(page, "#coin"))
    read = client.get(link(page, "Add it"))
    assert [value(read, f"spot-{i}-by") for i in (2, 3)] == ["own_ball", "own_ball"]


def test_a_ball_struck_for_another_pace_than_said_is_doubted(client):
    assert "another pace" in words_at(get(client, whose="own", stopped="9 ft short"), ".note")
    assert "No green" in words_at(get(client, **WATCHED | {"seen_line": "50 deg left"}), ".note")
    assert not parsed(get(client, whose="own", stopped="9 ft past", meant="8 ft")).select(".note")


def test_a_green_of_which_nothing_is_known_is_bettered_too(client):
    page = client.get("/balls", query_string={"length": "14 ft", "whose": "own", "stopped": "10 in left"})
    before, after = widths(words_at(page, "#narrowed"))
    assert after < 0.5 * before
    typed = client.get("/balls", query_string={**FELT, "side_from": "", "rise_from": "", **WATCHED})
    assert "taken as typed" in words_at(typed, "#narrowed")


@pytest.mark.parametrize(
    ("fields", "field", "says"),
    [
        ({"start": "0 ft 4 h"}, "start", "on the hole it says nothing"),
        ({"start": "80 m 4 h"}, "start", "60 m"),
        ({"start": "somewhere"}, "start", "cannot be read"),
        ({"stopped": "never stopped"}, "stopped", "come to rest"),
        ({"stopped": "ran off the green"}, "stopped", "come to rest"),
        ({"stopped": "near it"}, "stopped", "2 ft past 6 in left"),
        ({"stopped": "40 m past"}, "stopped", "30 m"),
        ({"whose": "own", "stopped": "14 ft short"}, "stopped", "from its start"),
        ({"start": "5 m 2 h", "stopped": "5 m short"}, "stopped", "from its start"),
        ({"seen_line": "wide"}, "seen_line", "3 deg left"),
        ({"seen_line": "80 deg left"}, "seen_line", "75 degrees"),
        ({"seen_last": "20 deg"}, "seen_last", "3 deg left"),
        ({"whose": "own", "meant": "30 ft"}, "meant", "5 m"),
        ({"whose": "own", "meant": "firm"}, "meant", "cannot be read"),
    ],
)
def test_what_cannot_be_taken_is_told_beside_its_field_and_kept(client, fields, field, says):
    page = get(client, **fields)
    assert page.status_code == 422
    assert says in words_at(page, f"#{field}-message")
    assert value(page, field) == fields[field]


def test_a_bad_figure_of_the_putt_is_told_too(client):
    page = get(client, length="far", **WATCHED)
    assert page.status_code == 422
    assert "14 ft" in page.text


@pytest.mark.parametrize(
    ("moved", "field", "says"),
    [
        ("start:0:-5", "start", "16.4 ft 0 deg left"),
        ("start:3:0", "start", "9.8 ft 90 deg right"),
        ("stop:0.3:0.5", "stopped", "19.7 in past 11.8 in right"),
        ("line:1:0", "seen_line", "deg right"),
        ("last:-0.5:0.1", "seen_last", "deg right"),
        ("start:0:0.01", "start", "16 ft 0 deg left"),
    ],
)
def test_what_is_dragged_is_written_into_its_field(client, moved, field, says):
    assert says in value(get(client, **WATCHED, seen_last="5 deg left", moved=moved), field)


def test_what_is_nudged_by_keys_moves_by_ten_centimetres(client):
    page = get(client, start="5 m 6 h", stopped="50 cm past", nudged="stop:1:0")
    assert value(page, "stopped") == "19.7 in past 3.9 in right"


def test_another_start_leaves_where_it_stopped(client):
    page = get(client, start="5 m 6 h", stopped="50 cm past", moved="start:5:0")
    # Half a metre beyond the own hole is to the right of one who putts from the right.
    assert value(page, "stopped") == "19.7 in right"


def test_ball_start_finish_and_band_are_drawn(client):
    page = get(client, **WATCHED, seen_last="20 deg left")
    for part in ("rolled", "start", "start-line", "last-feet", "stop", "said", "said-within"):
        assert drawn(page, part), part
    own = get(client, whose="own", stopped="8 in left")
    assert len(drawn(own, "said-within")) == 2
    assert not drawn(own, "start")


def test_it_is_for_open_play(client):
    client.post("/mode", data={"mode": "competition"})
    assert get(client).status_code == 403


def test_the_walk_leads_to_it_and_to_the_straight_putt(client):
    walk = client.get("/look?stop=hole")
    for words in ("What another's ball says", "The straight putt"):
        assert client.get(link(walk, words)).status_code == 200


def test_the_read_leads_to_it_and_back(client):
    page = client.get("/read", query_string=FELT)
    assert client.get(link(page, "What a ball says")).status_code == 200
    assert any("/balls" in one for one in links(page, "/balls"))
    own = client.get(link(get(client, **WATCHED), "My own last ball"))
    assert "uphill" in words_at(own, "#lead") or "downhill" in words_at(own, "#lead")

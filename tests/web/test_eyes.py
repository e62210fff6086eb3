"""Through the golfer's eyes: the page, the part that is swapped, the roll, and what it leads to."""

import gzip
import json
import re
from pathlib import Path

import pytest

from orthocline.core.ground import STOPS
from orthocline.wording.ground.walk import STOP_WORDS
from tests.made_up import school
from tests.page import drawn, link, links, parsed, text, values, words_at, words_of
from tests.reads import SPINDRIFT, spots

ROOT = Path(__file__).parents[2]
PART = {"HX-Request": "true"}
METRIC = {"units": "metres", "slopes": "degrees", "bend": "break", "hand": "left", "eye": "left"}
BACK = spots(("1/2", "left", "2 %", "level"), ("3/4", "ball", "3 %", "level"))


def seen(client, *, part=False, **asked):
    return client.get("/eyes", query_string={**SPINDRIFT, **asked}, headers=PART if part else {})


def way(page, words):
    """Return the address of a way to look."""
    return next(one["href"] for one in parsed(page).select(".looks a") if words_of(one) == words)


def here(page):
    return [words_of(one) for one in parsed(page).select(".looks [aria-current]")]


def test_a_read_leads_to_what_is_seen_behind_the_ball(client):
    read = client.get("/read", query_string=SPINDRIFT)
    page = client.get(link(read, "Draw it"))
    assert words_at(page, "h1").startswith("Aim 18 in right of centre.") or "17¾" in words_at(page, "h1")
    for name in (
        "lie",
        "grid",
        "water",
        "hole",
        "flagstick",
        "way",
        "aim-line",
        "aim-mark",
        "gate",
        "start-spot",
    ):
        assert drawn(page, name), name
    assert words_at(page, "#seen-from") == "Through one eye, 6½ ft behind the ball · grid 2 ft"
    assert here(page) == ["Ball", "Flagstick"]
    assert link(page, "Back to the read").startswith("/read?length=14")


def test_one_walks_round_crouches_and_takes_the_flagstick_out(client):
    page = seen(client)
    side = client.get(way(page, "Low side"))
    assert (
        words_at(side, "#seen-from") == "Through one eye, low side, half-way, 8½ ft off the line · grid 2 ft"
    )
    hole = client.get(way(side, "Hole"))
    assert "3 ft behind the hole" in words_at(hole, "#seen-from")
    low = client.get(way(hole, "Crouch"))
    assert here(low) == ["Hole", "Crouch", "Flagstick"]
    bare = client.get(way(low, "Flagstick"))
    assert here(bare) == ["Hole", "Crouch"]
    assert drawn(low, "flagstick")
    assert not drawn(bare, "flagstick")
    assert len(links(page, "stop=")) >= len(STOPS)
    assert {STOP_WORDS[name].title for name in STOPS} <= {
        words_of(one) for one in parsed(page).select("#walk-round a")
    }


def test_fingers_and_plumb_line_are_looked_through_from_where_their_users_stand(client):
    gauge = client.get(way(seen(client), "Hand gauge"))
    assert drawn(gauge, "finger")
    assert "23½ in behind the ball" in words_at(gauge, "#seen-from")
    plumb = client.get(way(gauge, "Plumb line"))
    assert not drawn(plumb, "finger")
    assert drawn(plumb, "plumb-line")
    assert here(plumb) == ["Ball", "Plumb line", "Flagstick"]
    # From elsewhere nothing is held up, and no instrument is offered.
    assert "Plumb line" not in [words_of(one) for one in parsed(seen(client, stop="hole")).select(".looks a")]


def test_it_is_seen_by_the_golfers_own_eyes_and_in_the_own_units(signed_in):
    own = {
        **METRIC,
        "stand": "3 m",
        "eye_height": "150 cm",
        "shaft_left": "1 mm right",
        "shaft_right": "5 mm left",
    }
    signed_in.post(
        "/measures",
        data={**own, "golfer_level": "low", "pace": "usual", "sight": "either", "start_aid": "spot"},
    )
    page = seen(signed_in, length="4.3 m", past="25 cm")
    assert words_at(page, "#seen-from") == "Through your left eye, 3 m behind the ball · grid 0.5 m"
    assert drawn(seen(signed_in, lit="plumb_line"), "shaft")


def test_a_head_is_turned_and_looks_ahead_again(client):
    page = seen(client, turn="12", nod="-3")
    assert way(page, "Look ahead") == way(seen(client), "Ball")
    ahead, turned = (parsed(one).select_one("#eyes [data-part=hole]")["d"] for one in (seen(client), page))
    assert ahead != turned


@pytest.mark.parametrize(
    ("asked", "message"),
    [
        ({"turn": "150"}, "Head turned right must be at most 120 degrees"),
        ({"nod": "down"}, "Head bent cannot be read"),
        ({"stop": "moon"}, "Not a valid choice"),
        ({"shape": "round"}, "Not a valid choice"),
        ({"length": "far"}, "Length cannot be read"),
    ],
)
def test_what_cannot_be_looked_at_is_said(client, asked, message):
    for part in (False, True):
        page = seen(client, part=part, **asked)
        assert page.status_code == 422
        assert message in text(page)
    assert client.get("/eyes/roll", query_string={**SPINDRIFT, **asked}).status_code == 422


def test_while_the_own_read_is_waited_for_there_is_only_the_ground_and_the_mark(client):
    page = seen(client, first="1", impression="6 in left")
    assert words_at(page, "h1") == "Your read first: where would you aim?"
    assert drawn(page, "impression-line")
    for name in ("way", "aim-line", "gate", "range", "finger"):
        assert not drawn(page, name)
    assert json.loads(parsed(page).select_one("#seen")["data-aim"])["field"] == "to_aim"
    assert client.get("/eyes/roll", query_string={**SPINDRIFT, "first": "1"}).status_code == 422


def test_the_mark_that_is_dragged_becomes_the_own_read_and_is_rolled(client):
    page = seen(client, to_own="-0.2286")
    assert drawn(page, "own-way")
    aim = json.loads(parsed(page).select_one("#seen")["data-aim"])
    assert (aim["field"], aim["now"], aim["says"]) == ("to_own", -0.2286, "9 in left")
    assert "own=9+in" in link(page, "Back to the read")
    read = client.get("/read", query_string={**SPINDRIFT, "to_own": "-0.2286"})
    assert "Your aim" in words_at(read, "#own-words") or "Your read" in words_at(read, "#own-words")


def test_tries_and_windows_are_seen_too(client):
    page = seen(client, fan="1", tries="12 in right", off_line="1 deg left", off_pace="3 % firm")
    for name in ("fan", "try", "own-way"):
        assert drawn(page, name), name
    assert not drawn(page, "range")
    level = {"side_from": "level", "rise_from": "level"}
    assert drawn(seen(client, **level), "range")


def test_readings_of_the_ground_lie_where_they_were_made(client):
    assert len(drawn(seen(client, **BACK), "reading")) == 2
    look = client.get("/look", query_string={**SPINDRIFT, **BACK, "stop": "ball"})
    assert len(parsed(look).select("#glimpse [data-part=reading]")) == 2


def test_the_ball_rolls_as_it_is_seen(client):
    rolled = client.get("/eyes/roll", query_string=SPINDRIFT).json
    assert rolled["duration_s"] == client.get("/read/roll", query_string=SPINDRIFT).json["duration_s"]
    ball = parsed(seen(client)).select_one("#eyes [data-part=ball]")
    x, y, radius = rolled["spots"][0]
    assert [x, y] == pytest.approx([float(ball["cx"]), float(ball["cy"])], abs=0.2)
    assert rolled["spots"][-1][2] <= radius


def test_its_own_page_keeps_its_address_and_a_read_keeps_the_reads(client):
    alone, beside = (
        client.get(
            "/eyes",
            query_string={**SPINDRIFT, "turn": "10"},
            headers={**PART, "HX-Current-URL": f"http://localhost{path}?length=9+ft"},
        )
        for path in ("/eyes", "/read")
    )
    assert "turn=10" in alone.headers["HX-Replace-Url"]
    assert "HX-Replace-Url" not in beside.headers


def test_a_redraw_is_small(client):
    for asked in ({}, {**BACK}, {"lit": "hand_gauge"}, {"stop": "low_side"}):
        part = seen(client, part=True, **asked)
        assert part.status_code == 200
        assert len(gzip.compress(part.data)) < 8 * 1024


def test_a_made_up_school_has_its_layer_here_too(monkeypatch, client):
    school.add(monkeypatch)
    page = seen(client, lit=school.NAME)
    assert drawn(page, school.NAME)


def test_each_stop_of_a_walk_shows_what_is_seen_from_it(client):
    for stop, words in (
        ("hole", "3 ft behind the hole"),
        ("ball", "6½ ft behind the ball"),
        ("pace", "off the line"),
    ):
        page = client.get("/look", query_string={**SPINDRIFT, **BACK, "stop": stop})
        assert words in words_at(page, "#glimpse")
        assert drawn(page, "grid")
        part = client.get("/look", query_string={**SPINDRIFT, **BACK, "stop": stop}, headers=PART)
        assert "glimpse" in part.text
    there = client.get(next(one for one in links(page, "/eyes?") if "stop=low_side" in one))
    assert there.status_code == 200


def test_it_is_for_open_play(client):
    client.post("/mode", data={"mode": "competition"})
    assert seen(client).status_code == 403
    assert client.get("/eyes/roll", query_string=SPINDRIFT).status_code == 403
    assert not re.search("glimpse", client.get("/look", query_string=SPINDRIFT).text)


def test_the_bend_is_set_where_the_fingers_are_seen(signed_in):
    page = seen(signed_in, lit="hand_gauge")
    form = parsed(page).select_one("#eyes form")
    assert form["action"] == "/read/bend"
    kept = signed_in.post("/read/bend", data=values(form) | {"fingers": "3"}, follow_redirects=True)
    assert "Kept. The hand gauge goes by it" in text(kept)
    # Three fingers meet the aim from now on, and so they are drawn.
    assert "3 fingers right" in words_of(parsed(seen(signed_in, lit="hand_gauge")).select_one("#eyes svg"))
    assert not parsed(seen(signed_in)).select("#eyes form")


def test_the_page_on_it_names_what_is_there(signed_in):
    told = (ROOT / "docs/eyes.md").read_text()
    pages = (
        signed_in.get("/read", query_string=SPINDRIFT),
        seen(signed_in, turn="5"),
        signed_in.get("/measures"),
        signed_in.get("/look"),
    )
    said = " ".join(text(page) for page in pages)
    named = re.findall(r"(?<!\*)\*([A-Z][^*\n]+)\*(?!\*)", told)
    assert len(named) > 8
    assert [words for words in named if words not in said] == []
